/**
 * Near-same colours as one: each joins the most used colour it can hardly be told from. Differences are CIEDE2000
 * (Sharma, Wu and Dalal, 2005), where about 2 is just seen side by side.
 */
import { converter, differenceCiede2000, type Lab65 } from "culori";

/** Near-same colours within this CIEDE2000 difference become one, unless told otherwise. */
export const MERGE_WITHIN = 2;

export interface UsedColour {
  /** #rrggbb */
  readonly value: string;
  readonly uses: number;
}

export interface MergedColours {
  /** The colours that stay, the most used first. */
  readonly kept: readonly UsedColour[];
  /** The value that replaces each value. */
  readonly standsFor: ReadonlyMap<string, string>;
}

/** Colours beyond this many, the least used of all, always join the nearest: no tin holds more. */
const MOST = 250;

const lab = converter("lab65");
const difference = differenceCiede2000();

export function mergedColours(colours: readonly UsedColour[], tolerance: number): MergedColours {
  const kept: KeptColour[] = [];
  const standsFor = new Map<string, string>();
  const inOrder = [...colours].sort((a, b) => b.uses - a.uses || (a.value < b.value ? -1 : 1));
  for (const { value, uses } of inOrder) {
    const at = lab(value)!;
    const place = placeOf(kept, at.l);
    const near = nearest(kept, place, at, kept.length < MOST ? tolerance : Number.POSITIVE_INFINITY);
    if (near) near.uses += uses;
    else kept.splice(place, 0, { value, uses, at });
    standsFor.set(value, near?.value ?? value);
  }
  const plain = kept.map(({ value, uses }) => ({ value, uses }));
  return { kept: plain.sort((a, b) => b.uses - a.uses || (a.value < b.value ? -1 : 1)), standsFor };
}

interface KeptColour {
  readonly value: string;
  uses: number;
  readonly at: Lab65;
}

/** Where a lightness belongs among colours from dark to light. */
function placeOf(kept: readonly KeptColour[], l: number): number {
  let [low, high] = [0, kept.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (kept[middle].at.l < l) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The share of the lightness difference that counts at least towards the whole difference of two colours. */
const LIGHTNESS = 1 / 1.75;

/** The colour least unlike one, sought outwards from its place in lightness. */
function nearest(
  kept: readonly KeptColour[],
  place: number,
  at: Lab65,
  within: number,
): KeptColour | undefined {
  let best: KeptColour | undefined;
  let least = within;
  for (const way of [-1, 1])
    for (let k = way < 0 ? place - 1 : place; kept[k]; k += way) {
      if (Math.abs(kept[k].at.l - at.l) * LIGHTNESS > least) break;
      const apart = difference(kept[k].at, at);
      if (apart > least || (apart === least && best)) continue;
      best = kept[k];
      least = apart;
    }
  return best;
}
