/** What pouring needs to know about pockets: whose colour is removed, and which shades stay with the new one. */
import { sameAnchor } from "../drawing/anchor.ts";
import type { Drawing } from "../drawing/drawing.ts";
import type { PourTarget } from "../drawing/edits.ts";
import { anchorOf, type Matches } from "./anchors.ts";
import type { Pocket } from "./pockets.ts";

/** `chosen` are numbers of pockets, none twice. */
export function pourTargets(
  { pours, shades }: Pick<Drawing, "pours" | "shades">,
  { pockets, pourOf, pocketsOf }: Matches & { readonly pockets: readonly Pocket[] },
  chosen: readonly number[],
): PourTarget[] {
  const targeted = new Set(chosen);
  const kept = new Set(pourOf.filter((_, index) => !targeted.has(index)));
  const settled = new Set<string>();
  const shadesIn = (index: number) =>
    Object.values(shades).flatMap(({ id, anchor }) => {
      const places = pocketsOf.get(id) ?? [];
      if (!places.includes(index)) return [];
      const pour = pours[pourOf[index] ?? ""];
      const follows = pour !== undefined && sameAnchor(pour.anchor, anchor);
      if (!follows && places.length > 1) return [];
      const copied = settled.has(id) || (follows && kept.has(pour.id));
      settled.add(id);
      return [{ id, copied }];
    });
  return chosen.map((index) => {
    const pourId = pourOf[index];
    const shared = pourId !== undefined && kept.has(pourId);
    return { anchor: anchorOf(pockets[index]), pourId, shared, shades: shadesIn(index) };
  });
}
