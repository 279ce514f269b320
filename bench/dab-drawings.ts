/** Published drawings and our own, whole and loosened, with the faces that a person would touch. */
import { readdirSync, readFileSync } from "node:fs";
import type { Drawing, Stroke } from "../core/drawing/drawing.ts";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { importSvg } from "../core/formats/import-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { mapped, mappedPoint, translation } from "../core/geometry/matrix.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";
import { loosened } from "../testing/loose-lines.ts";
import { randomFrom } from "../testing/random.ts";

export interface LooseDrawing {
  readonly name: string;
  readonly whole: Drawing;
  readonly loose: Drawing;
  /** The faces of the whole drawing, and a colour from 1 for each: neighbours differ. */
  readonly faces: readonly Pocket[];
  readonly colours: readonly number[];
}

const ICONS = "node_modules/lucide-static/icons";
const EMOJI = "node_modules/@twemoji/svg";
/** Of the page's width: thin lines, since the ink of thick ones closes gaps by itself. */
const THIN = 0.004;
/** Faces smaller than this part of the page are nothing that people touch. */
const SMALLEST = 1e-3;
const FEWEST_FACES = 2;
const MOST_FACES = 40;

export const SETS: Readonly<Record<string, () => LooseDrawing[]>> = {
  icons: () => published(ICONS, 13, (svg) => readSvg(svg).strokes),
  emoji: () => published(EMOJI, 97, outlinesIn),
  demos: () =>
    ["boot", "kettle", "snail"].flatMap((name, i) =>
      looseDrawing(name, readFileSync(`demo/almanac-${name}.svg`, "utf8"), i, (svg) => readSvg(svg).strokes),
    ),
};

/** Loosened icons beside one another until there are so many strokes, with the faces of the whole ones. */
export function fieldOf(count: number): { drawing: Drawing; faces: Pocket[] } {
  const icons = SETS.icons();
  const strokes: Stroke[] = [];
  const faces: Pocket[] = [];
  const side = Math.ceil(Math.sqrt(count / 12));
  for (let k = 0; strokes.length < count; k++) {
    const { loose, faces: own } = icons[k % icons.length];
    const to = translation(24 * (k % side), 24 * Math.floor(k / side));
    for (const stroke of Object.values(loose.strokes))
      strokes.push({ ...stroke, id: `${k}-${stroke.id}`, points: mapped(stroke.points, to) });
    for (const face of own) faces.push({ ...face, seed: mappedPoint(face.seed, to) });
  }
  const page = {
    box: { x: 0, y: 0, width: 24 * side, height: 24 * side },
    width: 100,
    unit: "mm",
    ppi: 300,
  } as const;
  return { drawing: newDrawing("field", page, strokes.slice(0, count)), faces };
}

const published = (folder: string, every: number, strokesIn: (svg: string) => readonly Stroke[]) =>
  readdirSync(folder)
    .filter((file, i) => file.endsWith(".svg") && i % every === 0)
    .flatMap((file, i) => looseDrawing(file, readFileSync(`${folder}/${file}`, "utf8"), i, strokesIn));

/** The edges of flat-coloured art as strokes. */
const outlinesIn = (svg: string): Stroke[] =>
  Object.values(importSvg("art", svg).drawing.flatShapes).flatMap(({ id, outline }) =>
    outline.map((points, i) => ({ id: `${id}-${i}`, rank: i, points, closed: true, width: 1 })),
  );

function looseDrawing(
  name: string,
  svg: string,
  seed: number,
  strokesIn: (svg: string) => readonly Stroke[],
): LooseDrawing[] {
  const { page } = readSvg(svg);
  const strokes = strokesIn(svg).map((stroke) => ({ ...stroke, width: THIN * page.box.width }));
  const whole = newDrawing(name, page, strokes);
  const area = page.box.width * page.box.height;
  const faces = pocketsOf(buildMap(linesOf(whole))).filter(
    (face) => !face.hidden && face.area > SMALLEST * area,
  );
  if (faces.length < FEWEST_FACES || faces.length > MOST_FACES) return [];
  const loose = newDrawing(name, page, loosened(strokes, page.box.width, randomFrom(seed + 1)));
  return [{ name, whole, loose, faces, colours: coloursOf(faces) }];
}

/** The lowest colour that no neighbour has, for one face after the other. */
function coloursOf(faces: readonly Pocket[]): number[] {
  const colours = new Map<number, number>();
  for (const { key, borders } of faces) {
    const taken = new Set(borders.map(({ neighbour }) => colours.get(neighbour)));
    let colour = 1;
    while (taken.has(colour)) colour++;
    colours.set(key, colour);
  }
  return faces.map(({ key }) => colours.get(key)!);
}
