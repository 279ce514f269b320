/** Control characters, halves of surrogate pairs and what is no character at all: XML has no place for them. */
const UNSEEN = /[\p{Cc}\p{Cs}\uFFFE\uFFFF]+/gu;

/** A name as people may type or paste it, made fit for lists and files. */
export const plainText = (text: string): string => text.replace(UNSEEN, " ").trim();
