/**
 * A gradient along an outline inward: regions within one another, each a little farther from the edge and a little farther
 * along the gradient, so that neighbours differ by less than 1 (OKLab distance times 100). Plain shapes in plain colours: every
 * painter draws them alike.
 */
import { apart, mixed } from "../colour/oklch.ts";
import type { Gradient } from "../drawing/drawing.ts";
import { distance } from "../geometry/point.ts";
import { type Region, ringsWithin } from "../lines/booleans.ts";
import type { RingSource, Rings } from "./flat-of.ts";
import { toneAlong } from "./gradient-paint.ts";
import type { Chain } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette, Tone } from "./palette.ts";

const FEWEST = 6;
const MOST = 160;

export interface InwardStep {
  readonly chains: readonly Chain[];
  readonly evenOdd: boolean;
  readonly tone: Tone;
  /** 0 to 1, beside that of the tone. */
  readonly opacity: number;
}

const kept = memo<readonly Chain[], Rings>();

/** What a region holds at each step but the first: the same list until something of it changes. `beneath` is the tone it lies on. */
export function inwardRings(
  region: Region,
  gradient: Gradient,
  palette: Palette,
  { beneath, rings }: { readonly beneath?: Tone; readonly rings?: RingSource },
): Rings {
  const deep = distance(gradient.from, gradient.to);
  const count = stepsFor(gradient, palette, beneath);
  if (rings) return rings.ringsOf(region, deep, count);
  return kept(region.outline, [region.evenOdd, deep, count], () => ringsWithin(region, deep, count));
}

/** From the edge inward: each on the one before, or beside it where it is seen through or mixed with what lies beneath. */
export function inwardSteps(
  region: Region,
  within: Rings,
  gradient: Gradient,
  palette: Palette,
  isMixed: boolean,
): InwardStep[] {
  const isOpaque = !isMixed && gradient.stops.every(({ opacity }) => opacity === 1);
  const rings = [region.outline, ...within];
  return rings.flatMap((chains, k): InwardStep[] => {
    if (chains.length === 0) return [];
    const shown = toneAlong(gradient, (k + 0.5) / rings.length, palette);
    const inner = isOpaque ? [] : (rings[k + 1] ?? []);
    const evenOdd = inner.length > 0 || (k === 0 && region.evenOdd);
    return [{ chains: inner.length > 0 ? [...chains, ...inner] : chains, evenOdd, ...shown }];
  });
}

/** What opacity from none to all may change a colour by at most, in the same measure. */
const FADED = 100;

/** Enough of them that neighbours differ by less than 1. */
function stepsFor({ stops, mix }: Gradient, palette: Palette, beneath?: Tone): number {
  const places = Array.from({ length: 33 }, (_, k) => toneAlong({ stops, mix }, k / 32, palette));
  const seen = (k: number): string => {
    const { tone, opacity } = places[k];
    return beneath && opacity < 1 ? mixed(beneath.value, tone.value, opacity, "srgb") : tone.value;
  };
  const far = places.slice(1).reduce((sum, { opacity }, k) => {
    const faded = beneath ? 0 : FADED * Math.abs(opacity - places[k].opacity);
    return sum + apart(seen(k), seen(k + 1)) + faded;
  }, 0);
  return Math.max(FEWEST, Math.min(MOST, Math.ceil(EVENNESS * far)));
}

/** Steps are even in place, not in colour: this many times more of them keep the largest colour step small. */
const EVENNESS = 1.6;
