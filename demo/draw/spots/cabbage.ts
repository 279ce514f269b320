/** One colour alone: its ladder makes the values, and creases along the ribs bend the leaves. */
import type { Drawing } from "../../../core/drawing/drawing.ts";
import { setInk } from "../../../core/drawing/line-edits.ts";
import { CABBAGE_LEAVES, drawCabbage, onLeaf } from "../cabbage.ts";
import { Colouring, paint } from "../colouring.ts";
import { onOval, type P } from "../hand.ts";

/** Steps of the ladder, front to back: the farther behind, the darker. */
const STEPS = [1, 1, 0, 0, -1, -1, -2];
/** How far along each leaf it is seen. */
const SEEN = [0.6, 0.6, 0.8, 0.8, 0.85, 0.85, 0.9];
/** Where its rib comes out from behind what lies in front. */
const FROM = [0.1, 0.1, 0.5, 0.5, 0.55, 0.55, 0.8];

export function creasedCabbage(): Drawing {
  const spot = Colouring.of(drawCabbage(), "Cabbage in one colour");
  spot.nib("swell", 1.25);
  spot.do(setInk(paint("frond", -3), "Frond"));
  CABBAGE_LEAVES.forEach((leaf, i) => {
    const on = onLeaf(leaf);
    spot.pour(paint("frond", STEPS[i]), on(SEEN[i], i % 2 ? 0.3 : -0.3));
    const rib = [FROM[i], 0.66, 0.88, 1.2].map((along) => on(along, 0));
    spot.crease(rib, leaf.turn < -90 ? -1 : 1, 1);
  });
  spot.pour(paint("frond", 3), [541, 468]);
  spot.pour(paint("frond", 2), [480, 640], [382, 525]);
  spot.pour(paint("frond", 1), [603, 531]);
  spot.pour(paint("frond", -2), [550, 272], [324, 603], [504, 376], [514, 383]);
  spot.shade([480, 640], 1, [[560, 560], [590, 640], [560, 800], [420, 800], [500, 740], [556, 650]]);
  spot.shade([382, 525], 1, [[340, 600], [380, 540], [440, 500], [480, 500], [400, 470], [330, 520]]);
  spot.shape(paint("frond", 3), round([500, 540], 452), { sheet: "ground" });
  spot.shadow([500, 884], 330, 26, paint("frond", -1));
  spot.leaveOpen();
  return spot.drawing;
}

const round = ([x, y]: P, radius: number): P[] =>
  Array.from({ length: 24 }, (_, i) => onOval(x, y, radius, radius, i * 15));
