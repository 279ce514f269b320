/**
 * What each tone is painted in and what it goes by in files. A tone is known by its colour's id and its step, never by
 * a name: names are made from what people call their colours, and each stands for one tone alone.
 */
import { tinOf } from "../colour/colourways.ts";
import { stepOf } from "../colour/ladder.ts";
import { mixed } from "../colour/oklch.ts";
import { FARTHEST_STEP } from "../drawing/bounds.ts";
import {
  type Colour,
  type Drawing,
  type Gradient,
  type Paint,
  ranked,
  type Table,
} from "../drawing/drawing.ts";
import { freeName } from "../drawing/free-name.ts";

/** A colour as painted, with the name it goes by in files. */
export interface Tone {
  /** #rrggbb */
  readonly value: string;
  /** Where it is below 1. */
  readonly opacity?: number;
  /** For a CSS custom property, without its two hyphens, and for classes. */
  readonly variable: string;
}

export interface Palette {
  readonly toneOf: (paint: Paint) => Tone;
  /** The colour between two, with this share of the second; two equal paints give that paint. */
  readonly mixOf: (a: Paint, b: Paint, share: number, mix: Gradient["mix"]) => Tone;
  /** What a tone of this palette was made of; none for what stands in for a colour that is gone. */
  readonly madeOf: (tone: Tone) => Paint | Mixed | undefined;
}

interface Mixed {
  readonly a: Paint;
  readonly b: Paint;
  readonly share: number;
  readonly mix: Gradient["mix"];
}

/** What is painted in a colour that the tin does not have. */
const MISSING: Tone = { value: "#808080", variable: "missing" };

const known = new WeakMap<Table<Colour>, Palette>();

/** Of the colourway that is seen, or another. The same values give the same palette, and that the same tones. */
export function paletteOf(drawing: Pick<Drawing, "tin" | "colourways" | "shown">, way?: string): Palette {
  const tin = tinOf(drawing, way);
  const before = known.get(tin);
  if (before) return before;
  const names = variableNames({ tin });
  const tones = new Map<string, Tone>();
  const mixes = new Map<string, Tone>();
  const byPaint = new WeakMap<Paint, Tone>();
  const made = new WeakMap<Tone, Paint | Mixed>();
  const toneOf = (paint: Paint): Tone => {
    const known = byPaint.get(paint);
    if (known) return known;
    const tone = toneAnew(paint);
    byPaint.set(paint, tone);
    return tone;
  };
  const toneAnew = (paint: Paint): Tone => {
    if (!Object.hasOwn(tin, paint.colour)) return MISSING;
    const key = toneKey(paint);
    const tone =
      tones.get(key) ??
      shared(
        stepOf(tin[paint.colour], paint.step),
        `${names.get(paint.colour)}${stepSuffix(paint.step)}`,
        tin[paint.colour].opacity,
      );
    tones.set(key, tone);
    made.set(tone, paint);
    return tone;
  };
  const mixOf: Palette["mixOf"] = (a, b, share, mix) => {
    const [one, other] = [toneOf(a), toneOf(b)];
    if (one === other) return one;
    // No name of a colour has an underscore in it.
    const name = `${one.variable}_${other.variable}_${Math.round(share * 1000)}${mix === "srgb" ? "_s" : ""}`;
    const before = mixes.get(name);
    if (before) return before;
    const opacity = (one.opacity ?? 1) * (1 - share) + (other.opacity ?? 1) * share;
    const tone = shared(mixed(one.value, other.value, share, mix), name, opacity);
    made.set(tone, { a, b, share, mix });
    mixes.set(name, tone);
    return tone;
  };
  const palette = { toneOf, mixOf, madeOf: (tone: Tone) => made.get(tone) };
  known.set(tin, palette);
  return palette;
}

const sharedTones = new Map<string, WeakRef<Tone>>();
const ended = new FinalizationRegistry<string>((key) => {
  if (!sharedTones.get(key)?.deref()) sharedTones.delete(key);
});

/** The same value and name give the same tone, whatever else has changed in the tin, for as long as anybody holds it. */
function shared(value: string, variable: string, opacity = 1): Tone {
  const key = `${value} ${opacity} ${variable}`;
  const known = sharedTones.get(key)?.deref();
  if (known) return known;
  const tone = { value, variable, ...(opacity < 1 ? { opacity } : {}) };
  sharedTones.set(key, new WeakRef(tone));
  ended.register(tone, key);
  return tone;
}

const toneKey = ({ colour, step }: Paint): string => `${step} ${colour}`;

function stepSuffix(step: number): string {
  if (step === 0) return "";
  return step > 0 ? `-up-${step}` : `-down-${-step}`;
}

const SUFFIXES = Array.from({ length: 2 * FARTHEST_STEP + 1 }, (_, i) => stepSuffix(i - FARTHEST_STEP));

/** One name for each tin colour; with any step's suffix it is still nothing else's. */
export function variableNames({ tin }: Pick<Drawing, "tin">): Map<string, string> {
  const taken = new Set<string>([MISSING.variable]);
  const allOf = (name: string) => SUFFIXES.map((suffix) => `${name}${suffix}`);
  return new Map(
    ranked(tin).map(({ id, name }) => {
      const free = freeName((name) => allOf(name).some((one) => taken.has(one)), plainName(name), "-");
      for (const one of allOf(free)) taken.add(one);
      return [id, free];
    }),
  );
}

/** A name for each colourway, each once. */
export function wayNames({ colourways }: Pick<Drawing, "colourways">): Map<string, string> {
  const taken = new Set<string>();
  return new Map(
    ranked(colourways).map(({ id, name }) => {
      const free = freeName((one) => taken.has(one), plainName(name), "-");
      taken.add(free);
      return [id, free];
    }),
  );
}

const LONGEST = 48;

/** Letters and digits of any script, without the accents of Latin, Greek and Cyrillic ones. */
const plainName = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[\u0300-\u036f]/g, "")
    .normalize("NFC")
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, "-")
    .slice(0, LONGEST)
    .replace(/^-+|-+$/g, "") || "colour";
