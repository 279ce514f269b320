/** Spoils files for tests: bytes, spans, numbers, values; each result follows from its seed alone. */
import { randomFrom } from "./random.ts";

type Random = () => number;

const NUMBERS = [
  "1e308",
  "-1e308",
  "1e-300",
  "0",
  "-0",
  "NaN",
  "Infinity",
  "1e9",
  "-1e9",
  "1e21",
  "9007199254740993",
  "1e-7",
  "-5",
  "1e400",
  "0.1e",
  "",
  "0x10",
];
const ODD = [null, [], {}, "", -1, 1e300, true, "__proto__", [[]], { length: 3 }, "NaN", 0.5, "\u0000"];
const SNIPPETS = [
  "<",
  ">",
  "/>",
  '"',
  "&",
  "&#0;",
  "]]>",
  "<g>",
  "</g>",
  "<g transform='scale(0)'>",
  "<use href='#a' id='a'/>",
  "<clipPath id='c'><path d='M0 0h9v9z'/></clipPath>",
  " fill='url(#none)'",
  " stroke-width='-3'",
  " d='M0 0'",
  " d='M0,0 A 0 0 0 0 0 1 1 z z z'",
  "{",
  "}",
  ",",
  "\u202e",
  "\ufeff",
];

const whole = (random: Random, below: number): number => Math.floor(random() * below);
const oneOf = <T>(random: Random, list: readonly T[]): T => list[whole(random, list.length)];

/** A span of a text, short more often than long. */
function span(random: Random, text: string): [number, number] {
  const from = whole(random, text.length);
  return [from, Math.min(text.length, from + 1 + Math.floor(random() ** 4 * 400))];
}

const WAYS: readonly ((text: string, random: Random, other: string) => string)[] = [
  (text, random) => {
    const numbers = [...text.matchAll(/-?\d+(?:\.\d+)?(?:e-?\d+)?/g)];
    if (numbers.length === 0) return text;
    const { index, 0: old } = oneOf(random, numbers);
    return text.slice(0, index) + oneOf(random, NUMBERS) + text.slice(index + old.length);
  },
  (text, random) => {
    const [from, to] = span(random, text);
    return text.slice(0, from) + text.slice(to);
  },
  (text, random) => {
    const [from, to] = span(random, text);
    const at = whole(random, text.length);
    return text.slice(0, at) + text.slice(from, to) + text.slice(at);
  },
  (text, random) => {
    const at = whole(random, text.length);
    return text.slice(0, at) + oneOf(random, SNIPPETS) + text.slice(at);
  },
  (text, random) => {
    const at = whole(random, text.length);
    return text.slice(0, at) + String.fromCharCode(whole(random, 256)) + text.slice(at + 1);
  },
  (text, random, other) => {
    const [from, to] = span(random, other);
    const at = whole(random, text.length);
    return text.slice(0, at) + other.slice(from, to) + text.slice(at);
  },
  (text, random) => {
    const names = [...text.matchAll(/[a-z-]+(?==")/g)];
    if (names.length < 2) return text;
    const { index, 0: old } = oneOf(random, names);
    return text.slice(0, index) + oneOf(random, names)[0] + text.slice(index + old.length);
  },
  (text, random) => withOtherValue(text, random) ?? text,
];

/** One to four times. `other` is a text to take pieces of. */
export function spoiled(text: string, other: string, seed: number): string {
  const random = randomFrom(seed);
  let now = text;
  for (let k = 1 + whole(random, 4); k > 0; k--) now = oneOf(random, WAYS)(now, random, other);
  return now;
}

/** A JSON text with one of its values another; undefined for what is none. */
function withOtherValue(text: string, random: Random): string | undefined {
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch {
    return undefined;
  }
  let at = root as Record<string, unknown>;
  for (let depth = 1 + whole(random, 6); depth > 0; depth--) {
    const key = oneOf(random, Object.keys(at));
    const inner = at[key];
    if (depth > 1 && typeof inner === "object" && inner !== null && Object.keys(inner).length > 0)
      at = inner as Record<string, unknown>;
    else {
      at[key] = oneOf(random, ODD);
      break;
    }
  }
  return JSON.stringify(root);
}

/** Bytes with some of them others, or cut short. */
export function spoiledBytes(bytes: Uint8Array, seed: number): Uint8Array {
  const random = randomFrom(seed);
  const out = Uint8Array.from(bytes);
  for (let k = 1 + whole(random, 8); k > 0; k--) out[whole(random, out.length)] = whole(random, 256);
  return random() < 0.3 ? out.subarray(0, whole(random, out.length)) : out;
}
