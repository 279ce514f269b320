/** Spot blacks: pockets poured as ink. They lie beneath the lines of the ink sheet, in the drawing's ink. */
import type { Drawing, Pour } from "../drawing/drawing.ts";
import type { Matches } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette, Tone } from "./palette.ts";

const kept = memo<Pocket, Item>();

export function spotItems(
  { pours, ink }: Drawing,
  part: string,
  { pockets, pourOf }: Matches & { readonly pockets: readonly Pocket[] },
  { toneOf }: Palette,
): Item[] {
  const tone = toneOf(ink);
  const items: Item[] = [];
  for (let k = 0; k < pockets.length; k++) {
    const [id, pocket] = [pourOf[k], pockets[k]];
    if (id !== undefined && pocket.part === part && pours[id]?.spot)
      items.push(kept(pocket, [pours[id], tone], () => spotItem(pocket, pours[id], tone)));
  }
  return items;
}

const spotItem = ({ seed, cover }: Pocket, { id, rank }: Pour, tone: Tone): Item => ({
  id,
  says: { is: "pour", at: seed, rank, spot: true },
  area: { kind: "region", chains: cover, evenOdd: false },
  paint: { kind: "tone", tone },
  effects: tone.opacity === undefined ? {} : { opacity: tone.opacity },
});
