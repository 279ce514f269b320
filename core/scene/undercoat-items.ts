/** The undercoat: one colour beneath the flats, under everything enclosed. */
import type { Drawing } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { type FlatsOf, NO_EFFECTS, type PocketsDerived, withOpacity } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

/** By the first pocket of a part: each part has its own. */
const keptUndercoat = memo<Pocket, Item>();

/** One shape of all pockets, to the middle of the outermost line. */
export function undercoatItems(
  { undercoat, pours }: Drawing,
  { part }: FlatsOf,
  { pockets, pourOf }: PocketsDerived,
  { toneOf }: Palette,
): Item[] {
  if (!undercoat) return [];
  const isOpen = (index: number) => pours[pourOf[index] ?? ""]?.through;
  const own = pockets.filter((pocket, index) => pocket.part === part && !isOpen(index));
  if (own.length === 0) return [];
  const tone = toneOf(undercoat);
  return [
    keptUndercoat(own[0], [tone, ...own], () => ({
      id: `undercoat-${part}`,
      says: { is: "undercoat" },
      area: { kind: "region", chains: own.flatMap(({ cover }) => cover), evenOdd: false },
      paint: { kind: "tone", tone },
      effects: withOpacity(NO_EFFECTS, tone.opacity ?? 1),
    })),
  ];
}
