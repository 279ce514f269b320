/** Ids of what a person makes. */
import { customAlphabet } from "nanoid";

const LETTERS = "0123456789abcdefghijklmnopqrstuvwxyz";

/** Sixty-two bits by chance: no two things of one drawing share an id. */
export const newId = customAlphabet(LETTERS, 12);
