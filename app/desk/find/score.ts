/**
 * How well words fit what is sought, from 0 for not at all to 1: every word sought has to begin a word, of its name rather than of its other
 * words.
 */
export function scoreOf(name: string, others: string, sought: string): number {
  const wanted = wordsIn(sought);
  if (wanted.length === 0) return 1;
  const [own, also] = [wordsIn(name), wordsIn(others)];
  let score = 0;
  for (const word of wanted) {
    const one = Math.max(nearness(own, word), 0.5 * nearness(also, word));
    if (one === 0) return 0;
    score += one;
  }
  // Of two names that fit alike the shorter one is meant.
  return (score / wanted.length) * (1 - Math.min(0.2, own.length / 50));
}

const nearness = (words: readonly string[], sought: string): number => {
  if (words.includes(sought)) return 1;
  if (words.some((word) => word.startsWith(sought))) return 0.8;
  return sought.length > 2 && words.some((word) => word.includes(sought)) ? 0.3 : 0;
};

const wordsIn = (text: string): string[] =>
  text
    .toLocaleLowerCase("en-GB")
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
