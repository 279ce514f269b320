/** Spot blacks: pockets poured as ink. They lie beneath the lines of the ink sheet, in the drawing's ink. */
import type { Drawing } from "../drawing/drawing.ts";
import type { Matches } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

const kept = memo<Pocket, Item>();

export function spotItems(
  { pours, ink }: Drawing,
  part: string,
  { pockets, pourOf }: Matches & { readonly pockets: readonly Pocket[] },
  { toneOf }: Palette,
): Item[] {
  const tone = toneOf(ink);
  return pockets.flatMap((pocket, index): Item[] => {
    const id = pocket.part === part ? pourOf[index] : undefined;
    if (id === undefined || !pours[id]?.spot) return [];
    return [
      kept(pocket, [pours[id], tone], () => ({
        id,
        says: { is: "pour", at: pocket.seed, rank: pours[id].rank, spot: true },
        area: { kind: "region", chains: pocket.cover, evenOdd: false },
        paint: { kind: "tone", tone },
        effects: tone.opacity === undefined ? {} : { opacity: tone.opacity },
      })),
    ];
  });
}
