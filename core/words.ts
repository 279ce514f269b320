/** Numbers with their nouns, as people say them in English. */
const RULES = new Intl.PluralRules("en-GB");

/** The word that goes with a number. */
export const plural = (count: number, one: string, other = `${one}s`): string =>
  RULES.select(count) === "one" ? one : other;

/** A number with its noun: "1 pocket", "3 pockets". */
export const counted = (count: number, one: string, other?: string): string =>
  `${count} ${plural(count, one, other)}`;
