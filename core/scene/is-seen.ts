/** Whether any of an item is visible. */
import { combined } from "../lines/booleans.ts";
import type { Item } from "./items.ts";

export function isSeen({ area, effects }: Item): boolean {
  const { clip } = effects;
  if (area.kind === "line" || !clip) return true;
  const inside = combined(
    { outline: area.chains, evenOdd: area.evenOdd },
    { outline: clip, evenOdd: false },
    "intersect",
  );
  return inside.outline.length > 0;
}
