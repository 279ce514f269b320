/**
 * Judging a picture's colours: how much of it each takes, how light it is, and which can hardly be told apart, also by
 * eyes that lack a kind of cone. Machado, Oliveira and Fernandes, "A physiologically-based model for simulation of color
 * vision deficiency", 2009.
 */
import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, formatHex, parse } from "culori";
import { apart, hexOf, oklchOf } from "./oklch.ts";

export const VISIONS = ["all", "protanopia", "deuteranopia", "tritanopia"] as const;
/** How colours are seen: by all cones, or without those for long, middle or short waves. */
export type Vision = (typeof VISIONS)[number];

const SIMULATED = {
  protanopia: filterDeficiencyProt(1),
  deuteranopia: filterDeficiencyDeuter(1),
  tritanopia: filterDeficiencyTrit(1),
};

/** #rrggbb as it is seen. */
export const seenBy = (value: string, vision: Vision): string =>
  vision === "all" ? value : formatHex(SIMULATED[vision](parse(value)!));

/** A colour of the picture: what it is called, how it looks, and how much of the page it takes. */
export interface Judged {
  readonly id: string;
  readonly name: string;
  readonly value: string;
  /** Page units squared. */
  readonly area: number;
}

export interface Near {
  /** The one that takes more of the picture. */
  readonly one: Judged;
  readonly other: Judged;
  /** How unlike they are where they are most alike: a distance in OKLab times 100. */
  readonly apart: number;
  readonly vision: Vision;
}

/** Pairs that someone can hardly tell apart, the nearest first. */
export function nearColours(colours: readonly Judged[], within: number): Near[] {
  const found: Near[] = [];
  colours.forEach((a, i) => {
    for (let j = 0; j < i; j++) {
      const nearness = leastApart(a.value, colours[j].value);
      if (nearness.apart >= within) continue;
      const [one, other] = a.area > colours[j].area ? [a, colours[j]] : [colours[j], a];
      found.push({ one, other, ...nearness });
    }
  });
  return found.sort((a, b) => a.apart - b.apart);
}

type Nearness = Pick<Near, "apart" | "vision">;

/** Requested again with every pour, though the values seldom change. */
const known = new Map<string, Nearness>();
const MOST_KNOWN = 100_000;

/** How unlike two colours are to those who see them most alike. */
function leastApart(a: string, b: string): Nearness {
  const key = a + b;
  const before = known.get(key);
  if (before) return before;
  const far = VISIONS.map((vision) => apart(seenBy(a, vision), seenBy(b, vision)));
  const least = Math.min(...far);
  const nearness = { apart: least, vision: VISIONS[far.indexOf(least)] };
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, nearness);
  return nearness;
}

/** A step of lightness in which a way out is sought. */
const STEP = 0.01;

/** The nearest lightness of a colour that everyone can tell from some others; undefined where there is none. */
export function toldApart(value: string, others: readonly string[], within: number): string | undefined {
  const { l, c, h } = oklchOf(value);
  const isClear = (next: string) =>
    VISIONS.every((vision) =>
      others.every((other) => apart(seenBy(next, vision), seenBy(other, vision)) >= within),
    );
  for (let by = STEP; by < 1; by += STEP)
    for (const way of [-1, 1]) {
      const next = hexOf({ l: l + way * by, c, h });
      if (l + way * by >= 0 && l + way * by <= 1 && isClear(next)) return next;
    }
  return undefined;
}

export const VALUE_BINS = 10;

/** Which of the bins from black to white a colour's lightness falls in. */
export const binOf = (value: string): number =>
  Math.min(VALUE_BINS - 1, Math.floor(oklchOf(value).l * VALUE_BINS));
