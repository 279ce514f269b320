/**
 * Makes a drawing of art from elsewhere: near-same colours become one in the tin, fills that coincide with pockets become
 * pours, and the colour most of the ink has becomes the drawing's ink.
 */
import Flatbush from "flatbush";
import { weakMapMemoize } from "reselect";
import { type MergedColours, mergedColours, type UsedColour } from "../colour/merge.ts";
import { colourName } from "../colour/name.ts";
import type { Colour, Drawing, FlatShape, InkShape, Paint, Pour, Stroke } from "../drawing/drawing.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { startingTin } from "../drawing/start.ts";
import type { Box } from "../geometry/point.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { type ImportReport, reportOf } from "./import-report.ts";
import { flattened, pocketsFilledBy, pouredIn, readPockets } from "./poured-pockets.ts";
import type { SvgReading } from "./svg-reading.ts";

/** The fill and line colours of a reading, the most used first. */
export function coloursIn({ flats, tints }: SvgReading): UsedColour[] {
  const uses = new Map<string, number>();
  for (const value of [...flats.map(({ value }) => value), ...tints.values()])
    uses.set(value, (uses.get(value) ?? 0) + 1);
  return [...uses].map(([value, n]) => ({ value, uses: n })).sort((a, b) => b.uses - a.uses);
}

/** Colours nearer to one another than `mergeWithin`, a CIEDE2000 difference, become one. */
export function foreignDrawing(
  name: string,
  reading: SvgReading,
  mergeWithin: number,
): { readonly drawing: Drawing; readonly report: ImportReport } {
  const { page, strokes, inkShapes, flats, tints } = reading;
  const colours = coloursIn(reading);
  const merged = mergedColours(colours, mergeWithin);
  const tin = tinOf(merged, flats.length > 0, tints.size > 0);
  const ids = new Map(Object.values(tin).map(({ id, value }) => [value, id]));
  const paintOf = (value: string): Paint => ({ colour: ids.get(merged.standsFor.get(value)!)!, step: 0 });
  const ink = mostUsed([...tints.values()].map((value) => merged.standsFor.get(value)!));
  const inked = <T extends Stroke | InkShape>(line: T): T => {
    const paint = paintOf(tints.get(line.id)!);
    return ink && paint.colour === ids.get(ink) ? line : { ...line, paint };
  };
  const bare: Drawing = { ...newDrawing(name, page, strokes.map(inked), inkShapes.map(inked)), tin };
  const drawing = withFlats(ink ? { ...bare, ink: paintOf(ink) } : bare, reading, paintOf);
  return { drawing, report: reportOf(drawing, reading, { found: colours.length, kept: merged.kept.length }) };
}

/** The file's own colours; art that brings no flat colour gets the starting ones to colour it with, and some ink. */
function tinOf({ kept }: MergedColours, coloured: boolean, inked: boolean): Record<string, Colour> {
  const start = Object.values(startingTin());
  const names = new Map<string, number>();
  const fresh = kept.map(({ value }, i): Colour => {
    const plain = colourName(value);
    const n = (names.get(plain) ?? 0) + 1;
    names.set(plain, n);
    return { id: `c${i + 1}`, rank: i + 1, name: n > 1 ? `${plain} ${n}` : plain, value };
  });
  const starting = coloured ? [] : start.filter(({ id }) => id !== "lamp-black");
  const all = [...starting, ...fresh, ...(inked ? [] : start.slice(-1))];
  return Object.fromEntries(all.map((colour, i) => [colour.id, { ...colour, rank: i + 1 }]));
}

function mostUsed(values: readonly string[]): string | undefined {
  const uses = new Map<string, number>();
  for (const value of values) uses.set(value, (uses.get(value) ?? 0) + 1);
  return [...uses].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** Fills as pours where they coincide with pockets, as flat shapes elsewhere, in the order they were painted. */
function withFlats(drawing: Drawing, reading: SvgReading, paintOf: (value: string) => Paint): Drawing {
  const { flats } = reading;
  if (flats.length === 0) return drawing;
  const filled = filledPockets(reading);
  const pours: Record<string, Pour> = {};
  const flatShapes: Record<string, FlatShape> = {};
  const pourOf = new Map<Pocket, string>();
  flats.forEach(({ value, ...flat }, i) => {
    for (const pocket of filled[i]) {
      const before = pourOf.get(pocket);
      if (before) delete pours[before];
      const id = `p${flat.rank}-${pocket.key}`;
      pours[id] = pouredIn(pocket, id, flat.rank, paintOf(value));
      pourOf.set(pocket, id);
    }
    if (filled[i].length === 0) flatShapes[flat.id] = { ...flat, paint: paintOf(value) };
  });
  return { ...drawing, pours, flatShapes };
}

/** For each flat of a reading, in the order they were painted, the pockets it coincides with, whichever colours become one. */
const filledPockets = weakMapMemoize((reading: SvgReading): readonly Pocket[][] => {
  const { page, strokes, inkShapes, flats } = reading;
  const bare = newDrawing("", page, strokes, inkShapes);
  const pockets = readPockets(bare);
  if (pockets.length === 0) return flats.map(() => []);
  const fills = flats.map((flat) => (flat.opacity < 1 ? undefined : flattened(flat)));
  const pocketsIn = boxSearch(pockets.map(({ box }) => box));
  const fillsIn = boxSearch(fills.map((fill) => fill?.box ?? NOWHERE));
  return fills.map((fill, index) => {
    if (!fill) return [];
    const later = fillsIn(fill.box).filter((other) => other > index);
    return pocketsFilledBy(
      fill,
      later.flatMap((other) => fills[other] ?? []),
      pocketsIn(fill.box).map((other) => pockets[other]),
      bare.strokes,
    );
  });
});

const NOWHERE: Box = { x: Number.MAX_VALUE, y: Number.MAX_VALUE, width: 0, height: 0 };

/** Which of some boxes meet a box, by their numbers, rising. */
function boxSearch(boxes: readonly Box[]): (box: Box) => number[] {
  const index = new Flatbush(boxes.length);
  for (const { x, y, width, height } of boxes) index.add(x, y, x + width, y + height);
  index.finish();
  return ({ x, y, width, height }) => index.search(x, y, x + width, y + height).sort((a, b) => a - b);
}
