/** Control characters, halves of surrogate pairs and what is no character at all: XML has no place for them. */
const UNSEEN = /[\p{Cc}\p{Cs}\uFFFE\uFFFF]+/gu;

/** A name as people may type or paste it, made fit for lists and files. */
export const plainText = (text: string): string => text.replace(UNSEEN, " ").trim();

/** The beginning of a text, at most so many UTF-16 units of it; no letter is cut in two. */
export function cutShort(text: string, most: number): string {
  if (text.length <= most) return text;
  let short = "";
  for (const letter of text) {
    if (short.length + letter.length > most) break;
    short += letter;
  }
  return short;
}
