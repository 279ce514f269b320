/** Draws the figure of docs/light.md with the light itself: `npm run docs:draw`. */
import { writeFileSync } from "node:fs";
import type { Drawing, Gradient } from "../core/drawing/drawing.ts";
import { pour } from "../core/drawing/edits.ts";
import { setGradient } from "../core/drawing/gradients.ts";
import { applyEdit, beginHistory, type Edit } from "../core/drawing/history.ts";
import { addCrease, setGroundShadow, setLamp, setMade } from "../core/drawing/light-edits.ts";
import { changeStrokes } from "../core/drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../core/drawing/new-drawing.ts";
import { addShape } from "../core/drawing/shape-edits.ts";
import { writeSvg } from "../core/formats/svg-write.ts";
import type { Point } from "../core/geometry/point.ts";
import { ellipse } from "../core/lines/figures.ts";
import { fitClosed, fitOpen } from "../core/lines/fit.ts";
import { anchorOf } from "../core/pockets/anchors.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";

const SIDE = 200;

const ring = (id: string, rank: number, points: readonly Point[]) => ({
  id,
  rank,
  points: fitClosed(points, 0.4),
  closed: true,
  width: 4,
});

/** A turnip with two leaves. */
const BODY: Point[] = [
  [100, 84],
  [138, 86],
  [160, 112],
  [150, 148],
  [118, 168],
  [104, 184],
  [96, 168],
  [58, 150],
  [42, 116],
  [62, 88],
];
const LEFT: Point[] = [
  [94, 84],
  [70, 70],
  [46, 40],
  [52, 16],
  [78, 34],
  [96, 64],
];
const RIGHT: Point[] = [
  [106, 84],
  [108, 58],
  [126, 28],
  [152, 14],
  [158, 42],
  [134, 72],
];

const bare = newDrawing("Turnip", defaultPage({ x: 0, y: 0, width: SIDE, height: SIDE }), [
  ring("body", 1, BODY),
  ring("left", 2, LEFT),
  ring("right", 3, RIGHT),
]);
const pockets: readonly Pocket[] = new DrawingReader().read(bare).pockets.filter(({ hidden }) => !hidden);

const edited = (drawing: Drawing, ...edits: readonly Edit[]): Drawing =>
  edits.reduce((now, edit) => applyEdit(beginHistory(now), edit)?.history.drawing ?? now, drawing);

const COLOURS = ["radish", "frond", "frond"];
const flats = edited(
  bare,
  setLamp({ at: [0.1, 0.1], height: 0.5, far: true }),
  ...pockets.map((pocket, i) =>
    pour([{ anchor: anchorOf(pocket) }], { colour: COLOURS[i], step: 0 }, [`p${i}`]),
  ),
);
const ALL = pockets.map((_, i) => `p${i}`);
const FORM = { tones: 2, deeper: 1, roundness: 1, reach: 0.5 };
const INWARD: Gradient = {
  cloth: "g",
  kind: "inward",
  from: [42, 116],
  to: [86, 116],
  mix: "oklch",
  stops: [
    { at: 0, paint: { colour: "radish", step: -1 }, opacity: 1 },
    { at: 1, paint: { colour: "radish", step: 2 }, opacity: 1 },
  ],
};

const FIGURES: readonly (readonly [caption: string, drawing: Drawing])[] = [
  ["flats", flats],
  ["form, two tones", edited(flats, setMade("form", ALL, FORM))],
  ["and a shine", edited(flats, setMade("form", ALL, { ...FORM, shine: 0.5 }))],
  ["rim light", edited(flats, setMade("rim", ALL, { deeper: -2, width: 12, gap: 5 }))],
  [
    "cast shadows",
    edited(
      flats,
      setMade("cast", ["p1", "p2"], { deeper: 2, high: 14, soft: 0.2 }),
      setGroundShadow({ kind: "ellipse", paint: { colour: "dusk", step: 0 }, opacity: 0.35, soft: 2 }),
    ),
  ],
  [
    "a crease that runs out",
    edited(
      flats,
      addCrease({
        id: "c",
        points: fitOpen(
          [
            [90, 104],
            [100, 126],
            [98, 150],
          ],
          0.4,
        ),
        side: -1,
        deeper: 1,
        runsOut: true,
      }),
    ),
  ],
  ["a gradient inward", edited(flats, setGradient(flats, ["p0"], INWARD))],
  [
    "a hold and a bloom",
    edited(
      flats,
      changeStrokes(["body", "left", "right"], { hold: { by: "larger", deeper: 3 } }),
      addShape({
        id: "bloom",
        sheet: "ink",
        outline: [ellipse([60, 90], 40, 40)],
        evenOdd: false,
        paint: { colour: "marigold", step: 0 },
        opacity: 1,
        soft: 10,
      }),
    ),
  ],
];

const COLUMNS = 4;
const CAPTION = 26;

export function drawLight(): void {
  const rows = Math.ceil(FIGURES.length / COLUMNS);
  const [width, height] = [COLUMNS * SIDE, rows * (SIDE + CAPTION)];
  const cells = FIGURES.map(([caption, drawing], i) => {
    const [x, y] = [(i % COLUMNS) * SIDE, Math.floor(i / COLUMNS) * (SIDE + CAPTION)];
    const picture = writeSvg(sceneOf(drawing, derive(drawing, pockets))).replace(
      "<svg ",
      `<svg x="${x}" y="${y}" width="${SIDE}" height="${SIDE}" `,
    );
    return `${picture}<text x="${x + SIDE / 2}" y="${y + SIDE + 14}" text-anchor="middle">${caption}</text>`;
  });
  const svg = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif" font-size="14" fill="#221b18">`,
    `<rect width="${width}" height="${height}" fill="#fff"/>`,
    ...cells,
    "</svg>\n",
  ];
  writeFileSync("docs/figures/light.svg", svg.join("\n"));
}
