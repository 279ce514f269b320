/**
 * Near-same colours as one: each joins the most used colour it can hardly be told from. Differences are CIEDE2000
 * (Sharma, Wu and Dalal, 2005), where about 2 is just seen side by side.
 */
import { differenceCiede2000 } from "culori";

export interface UsedColour {
  /** #rrggbb */
  readonly value: string;
  readonly uses: number;
}

export interface MergedColours {
  /** The colours that stay, the most used first. */
  readonly kept: readonly UsedColour[];
  /** For every value the one that stands for it. */
  readonly standsFor: ReadonlyMap<string, string>;
}

export function mergedColours(colours: readonly UsedColour[], tolerance: number): MergedColours {
  const difference = differenceCiede2000();
  const kept: { value: string; uses: number }[] = [];
  const standsFor = new Map<string, string>();
  for (const { value, uses } of [...colours].sort(
    (a, b) => b.uses - a.uses || (a.value < b.value ? -1 : 1),
  )) {
    const nearest = kept
      .map((colour) => ({ colour, apart: difference(colour.value, value) }))
      .sort((a, b) => a.apart - b.apart)[0];
    if (nearest && nearest.apart <= tolerance) {
      nearest.colour.uses += uses;
      standsFor.set(value, nearest.colour.value);
    } else {
      kept.push({ value, uses });
      standsFor.set(value, value);
    }
  }
  return { kept: kept.sort((a, b) => b.uses - a.uses), standsFor };
}
