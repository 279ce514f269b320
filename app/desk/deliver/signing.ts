/** A signature: outlines that lie above the ink, in the lower right corner at first. */
import type { Drawing, FlatShape, Paint } from "#core/drawing/drawing.ts";
import type { Edit } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import { addShape } from "#core/drawing/shape-edits.ts";
import { type Matrix, mapped } from "#core/geometry/matrix.ts";
import { boundsOf } from "#core/geometry/point.ts";

/** In a space of its own, however large. */
export interface Signature {
  readonly chains: readonly (readonly number[])[];
  /** The text and font it was made from, so that it can be edited; none for one drawn by hand. */
  readonly words?: string;
  readonly hand?: string;
}

/** Shares of the page's width. */
const WIDE = 0.18;
const HIGH = 0.06;
const MARGIN = 0.03;

/** Lays a signature; undefined where there is nothing of it. */
export function signed(
  { page: { box } }: Drawing,
  { chains }: Signature,
  paint: Paint,
  opacity: number,
): { readonly edit: Edit; readonly id: string } | undefined {
  const own = boundsOf(chains);
  if (!own || !(own.width > 0) || !(own.height > 0)) return undefined;
  const scale = Math.min((WIDE * box.width) / own.width, (HIGH * box.width) / own.height);
  const x = box.x + box.width * (1 - MARGIN) - own.width * scale;
  const y = box.y + box.height - MARGIN * box.width - own.height * scale;
  const place: Matrix = [scale, 0, 0, scale, x - own.x * scale, y - own.y * scale];
  const id = newId();
  const shape: Omit<FlatShape, "rank"> = {
    id,
    name: "Signature",
    outline: chains.map((chain) => mapped(chain, place)),
    evenOdd: false,
    opacity,
    paint,
    sheet: "gloss",
  };
  return { edit: { ...addShape(shape), label: "Sign" }, id };
}
