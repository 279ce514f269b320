/**
 * How fields of entities stand in the attributes of our SVGs, each declared once for writer and reader. A word that makes
 * no sense is left out; what is beyond its bounds is brought to them with the whole drawing (drawing/salvage.ts).
 */
import { isProfile } from "../drawing/bounds.ts";
import { broughtIn, type RecordClass, recordWithin } from "../drawing/checked.ts";
import {
  CAPS,
  ECHOES,
  type FlatShape,
  HOLDS,
  type InkShape,
  JOINS,
  type Shade,
  type Stroke,
  TRIMS,
} from "../drawing/drawing.ts";
import { Paint } from "../drawing/facts/colours.ts";
import { Gradient } from "../drawing/facts/gradients.ts";
import { Pattern } from "../drawing/facts/patterns.ts";
import { Pour } from "../drawing/facts/pour.ts";
import { OVERS, type Over } from "../drawing/over.ts";
import { short } from "./svg-path.ts";

export type Attributes = Readonly<Record<string, string | undefined>>;

interface Word<T> {
  readonly attribute: string;
  readonly text: (value: T, digits: number) => string;
  /** Undefined where the text makes no sense. */
  readonly value: (text: string) => T | undefined;
}

export type Words<T> = { readonly [K in keyof T]-?: Word<NonNullable<T[K]>> };

const entriesOf = <T>(words: Words<T>) => Object.entries(words) as [string, Word<unknown>][];

/** What an entity has of some fields, as attributes; lengths along lines are written with so many decimals. */
export function wordsOf<T extends object>(words: Words<T>, entity: Partial<T>, digits = 0): Attributes {
  const told = entriesOf(words).map(([field, { attribute, text }]) => {
    const value = (entity as Record<string, unknown>)[field];
    return [attribute, value === undefined ? undefined : text(value, digits)];
  });
  return Object.fromEntries(told);
}

/** The fields that attributes tell. */
export function fieldsIn<T extends object>(words: Words<T>, attributes: Attributes): Partial<T> {
  const told = entriesOf(words).flatMap(([field, { attribute, value }]) => {
    const text = attributes[attribute];
    const found = text === undefined ? undefined : value(text);
    return found === undefined ? [] : [[field, found]];
  });
  return Object.fromEntries(told) as Partial<T>;
}

const oneOf = <T extends string>(attribute: string, names: readonly T[]): Word<T> => ({
  attribute,
  text: (name) => name,
  value: (text) => names.find((name) => name === text),
});

const yes = (attribute: string): Word<true> => ({
  attribute,
  text: () => "yes",
  value: (text) => text !== "" || undefined,
});

const word = (attribute: string): Word<string> => ({
  attribute,
  text: (text) => text,
  value: (text) => text || undefined,
});

const number = (attribute: string): Word<number> => ({
  attribute,
  text: (n) => `${n}`,
  value: (text) => numbersIn(text)[0],
});

const numbers = (attribute: string): Word<readonly number[]> => ({
  attribute,
  text: (list) => list.join(" "),
  value: (text) => {
    const list = numbersIn(text);
    return list.length > 0 ? list : undefined;
  },
});

const record = <T extends object>(attribute: string, of: RecordClass): Word<T> => ({
  attribute,
  text: (value) => JSON.stringify(value),
  value: (text) => broughtIn(of, plainIn(text))?.value as T | undefined,
});

/** Finite numbers, or none. */
export function numbersIn(text: string | undefined): number[] {
  const list = (text ?? "")
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  return list.every(Number.isFinite) ? list : [];
}

/** What JSON text says, or undefined. */
export function plainIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const ECHO: Words<Pick<Stroke, "echo">> = { echo: oneOf("data-echo", ECHOES) };

/** What lines of either kind say of themselves. */
export const LINE_WORDS: Words<Pick<InkShape, "echo" | "locked" | "hold">> = {
  ...ECHO,
  locked: yes("data-locked"),
  hold: {
    attribute: "data-hold",
    text: ({ by, deeper }) => `${by} ${deeper}`,
    value: (text) => {
      const [, name, deeper] = /^(\w+) (-?\d{1,2})$/.exec(text) ?? [];
      const by = HOLDS.find((known) => known === name);
      return by && { by, deeper: Number(deeper) };
    },
  },
};

export const STROKE_WORDS: Words<Pick<Stroke, "nib" | "cut">> = {
  nib: word("data-nib"),
  cut: {
    attribute: "data-cut",
    text: ({ from, to, of }) => `${from} ${to} ${of}`,
    value: (text) => {
      const [, from, to, of] = /^(\S+) (\S+) (.+)$/.exec(text) ?? [];
      const [a, b] = numbersIn(`${from} ${to}`);
      return b === undefined ? undefined : { of, from: a, to: b };
    },
  },
};

/** The pen of a stroke whose element is the outline of its ink. */
export const PEN_WORDS: Words<
  Pick<Stroke, "profile" | "cap" | "join" | "miterLimit" | "dash" | "dashOffset">
> = {
  profile: {
    attribute: "data-profile",
    text: (profile) => profile.map((n) => short(n, 5)).join(" "),
    value: (text) => {
      const profile = numbersIn(text);
      return isProfile(profile) ? profile : undefined;
    },
  },
  cap: oneOf("data-cap", CAPS),
  join: oneOf("data-join", JOINS),
  miterLimit: number("data-miter"),
  dash: numbers("data-dash"),
  dashOffset: number("data-dash-offset"),
};

/** What a shape of colour says beside its outline; a gradient and a paint of its own stand over what its class says. */
export const LAID_WORDS: Words<Pick<FlatShape, "rank" | "soft" | "gradient" | "paint">> = {
  rank: number("data-rank"),
  soft: number("data-soft"),
  gradient: record("data-gradient", Gradient),
  paint: record("data-own", Paint),
};

export const FLAT_WORDS: Words<Pick<FlatShape, "trim" | "pattern" | "echo">> = {
  trim: oneOf("data-trim", TRIMS),
  pattern: record("data-pattern", Pattern),
  ...ECHO,
};

export const SHADE_WORDS: Words<Pick<Shade, "deeper">> = { deeper: number("data-deeper") };

export const POUR_WORDS = {
  rank: number("data-rank"),
  spot: yes("data-spot"),
  cuts: yes("data-cuts"),
  ...Object.fromEntries(OVERS.map((name) => [name, record(`data-${name}`, recordWithin(Pour, name))])),
} as unknown as Words<Pick<Pour, "rank" | "spot" | "cuts"> & Over>;
