/** A sprig drawn on a blank page with nibs: lines that taper and swell, and hairs of several strands. */
import type { Drawing, Stroke } from "../../core/drawing/drawing.ts";
import { applyEdit, beginHistory } from "../../core/drawing/history.ts";
import { addStroke } from "../../core/drawing/line-edits.ts";
import { blankDrawing } from "../../core/drawing/new-drawing.ts";
import { fitOpen } from "../../core/lines/fit.ts";
import { at, Hand, type P, through } from "./hand.ts";

const STEM: readonly P[] = [
  [486, 930],
  [470, 760],
  [500, 560],
  [488, 380],
  [524, 200],
  [534, 150],
  [516, 120],
  [498, 134],
  [507, 152],
];
const LEAVES: readonly { readonly share: number; readonly way: 1 | -1; readonly length: number }[] = [
  { share: 0.3, way: -1, length: 250 },
  { share: 0.4, way: 1, length: 265 },
  { share: 0.53, way: -1, length: 235 },
  { share: 0.62, way: 1, length: 230 },
  { share: 0.74, way: -1, length: 185 },
  { share: 0.81, way: 1, length: 175 },
];

export function drawSprig(): Drawing {
  const hand = new Hand([1000, 1000], 5, 0.6);
  const stem = through(STEM, false);
  let drawing = blankDrawing("Sprig drawn with nibs", { width: 100, height: 100, unit: "mm", ppi: 300 });
  let count = 0;
  const draw = (points: readonly P[], width: number, nib: string) => {
    const wobbled = through(points, false).map(([x, y]): P => [x + hand.between(-0.4, 0.4), y + hand.between(-0.4, 0.4)]);
    const stroke: Omit<Stroke, "rank"> = { id: `s${++count}`, points: fitOpen(wobbled, 1.2), closed: false, width, nib };
    drawing = applyEdit(beginHistory(drawing), addStroke(stroke))!.history.drawing;
  };
  draw(STEM, 13, "taper-at-the-end");
  for (const { share, way, length } of LEAVES) {
    const root = at(stem, share * 0.88);
    const angle = -Math.PI / 2 + way * (1.02 - 0.3 * share);
    const place = (along: number, aside: number): P => [
      root[0] + Math.cos(angle) * along * length - Math.sin(angle) * aside * length * way,
      root[1] + Math.sin(angle) * along * length + Math.cos(angle) * aside * length * way,
    ];
    draw([root, place(0.3, 0.2), place(0.65, 0.2), place(1, 0.02)], 8, "taper-at-both");
    draw([root, place(0.28, -0.13), place(0.62, -0.17), place(1, 0.02)], 8, "swell");
    draw([root, place(0.4, 0.02), place(0.86, 0.02)], 5, "taper-at-the-end");
    draw([place(0.26, 0.05), place(0.45, 0.1), place(0.72, 0.09)], 15, "three-hairs");
  }
  return drawing;
}
