/**
 * Makes a drawing of what was read from an SVG: near-same colours become one in the tin, fills that coincide with
 * pockets become pours, and the colour most of the ink has becomes the drawing's ink.
 */
import Flatbush from "flatbush";
import { type MergedColours, mergedColours, type UsedColour } from "../colour/merge.ts";
import { colourName } from "../colour/name.ts";
import { seedOnly } from "../drawing/anchor.ts";
import type {
  Colour,
  Drawing,
  FlatShape,
  InkShape,
  Paint,
  Pour,
  Shade,
  Stroke,
  Table,
} from "../drawing/drawing.ts";
import { withMissingColours } from "../drawing/missing-colours.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { inPart, MAIN, withMissingParts } from "../drawing/parts.ts";
import { salvaged } from "../drawing/salvage.ts";
import { speckArea } from "../drawing/speck.ts";
import { startingTin } from "../drawing/start.ts";
import { enclosedArea, flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxesApart, diagonal, type Point } from "../geometry/point.ts";
import { anchorAround, anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { pocketAt } from "../scene/scene.ts";
import {
  asideLines,
  cutLine,
  type ImportReport,
  mendedLines,
  outsideLine,
  speckLine,
} from "./import-report.ts";
import { flattened, pocketsFilledBy } from "./poured-pockets.ts";
import { unseenNames } from "./svg-facts.ts";
import {
  checkedGradient,
  checkedOver,
  checkedPaint,
  checkedPattern,
  type ReadFacts,
  readFacts,
} from "./svg-facts-read.ts";
import { type OurReading, type ReadFlat, readSvg, type SvgReading } from "./svg-read.ts";
import { rankOf } from "./told-ranks.ts";

type Chain = readonly number[];

/** Near-same colours within this CIEDE2000 difference become one, unless told otherwise. */
export const MERGE_WITHIN = 2;

export interface Imported {
  readonly drawing: Drawing;
  readonly report: ImportReport;
}

/** The fill and line colours of a reading, the most used first. */
export function coloursIn({ flats, tints }: SvgReading): UsedColour[] {
  const uses = new Map<string, number>();
  for (const value of [...flats.map(({ value }) => value), ...tints.values()])
    uses.set(value, (uses.get(value) ?? 0) + 1);
  return [...uses].map(([value, n]) => ({ value, uses: n })).sort((a, b) => b.uses - a.uses);
}

/** Reads an SVG and makes a drawing of it. Throws a FileProblem when there is nothing to read. */
export function importSvg(
  name: string,
  text: string,
  { mergeWithin, onProgress }: { mergeWithin?: number; onProgress?: (share: number) => void } = {},
): Imported {
  return importedDrawing(name, understood(text, onProgress), mergeWithin);
}

/** A reading whose facts, if it has any, can be read. */
export function understood(text: string, onProgress?: (share: number) => void): SvgReading {
  const reading = readSvg(text, { onProgress });
  return reading.ours && !readFacts(reading.ours.facts)
    ? readSvg(text, { onProgress, asForeign: true })
    : reading;
}

/** What came in is held to the bounds that every drawing has; where that changes something it is told. */
export function importedDrawing(name: string, reading: SvgReading, mergeWithin = MERGE_WITHIN): Imported {
  const read = reading.ours && readFacts(reading.ours.facts);
  const { drawing: before, report } =
    reading.ours && read
      ? ourDrawing(reading.ours.title || name, reading, reading.ours, read)
      : foreignDrawing(name, reading, mergeWithin);
  const { drawing, brought, lost } = salvaged(before);
  const repairs = { brought: [...(read?.brought ?? []), ...brought], lost: [...(read?.lost ?? []), ...lost] };
  return { drawing, report: { ...report, changed: [...report.changed, ...mendedLines(repairs)] } };
}

function foreignDrawing(name: string, reading: SvgReading, mergeWithin: number): Imported {
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
  const drawing = withFlats(ink ? { ...bare, ink: paintOf(ink) } : bare, flats, paintOf);
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
function withFlats(drawing: Drawing, flats: readonly ReadFlat[], paintOf: (value: string) => Paint): Drawing {
  if (flats.length === 0) return drawing;
  const pockets = readPockets(drawing);
  const pours: Record<string, Pour> = {};
  const flatShapes: Record<string, FlatShape> = {};
  const pourOf = new Map<Pocket, string>();
  const filledBy = filledPockets(flats, pockets, drawing.strokes);
  flats.forEach(({ value, ...flat }, i) => {
    const filled = filledBy(i);
    for (const pocket of filled) {
      const before = pourOf.get(pocket);
      if (before) delete pours[before];
      const id = `p${flat.rank}-${pocket.key}`;
      pours[id] = pouredIn(pocket, id, flat.rank, paintOf(value));
      pourOf.set(pocket, id);
    }
    if (filled.length === 0) flatShapes[flat.id] = { ...flat, paint: paintOf(value) };
  });
  return { ...drawing, pours, flatShapes };
}

/** For each of some flats, in the order they were painted, the pockets it coincides with. */
function filledPockets(
  flats: readonly ReadFlat[],
  pockets: readonly Pocket[],
  strokes: Table<Stroke>,
): (index: number) => Pocket[] {
  if (pockets.length === 0) return () => [];
  const fills = flats.map((flat) => (flat.opacity < 1 ? undefined : flattened(flat)));
  const pocketsIn = boxSearch(pockets.map(({ box }) => box));
  const fillsIn = boxSearch(fills.map((fill) => fill?.box ?? NOWHERE));
  return (index) => {
    const fill = fills[index];
    if (!fill) return [];
    const later = fillsIn(fill.box).filter((other) => other > index);
    return pocketsFilledBy(
      fill,
      later.flatMap((other) => fills[other] ?? []),
      pocketsIn(fill.box).map((other) => pockets[other]),
      strokes,
    );
  };
}

const NOWHERE: Box = { x: Number.MAX_VALUE, y: Number.MAX_VALUE, width: 0, height: 0 };

/** Which of some boxes meet a box, by their numbers, rising. */
function boxSearch(boxes: readonly Box[]): (box: Box) => number[] {
  const index = new Flatbush(boxes.length);
  for (const { x, y, width, height } of boxes) index.add(x, y, x + width, y + height);
  index.finish();
  return ({ x, y, width, height }) => index.search(x, y, x + width, y + height).sort((a, b) => a - b);
}

/** Where the lines ask for too much there are none: colour then stays in the shapes it came in. */
const readPockets = (drawing: Drawing): Pocket[] =>
  new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);

const pouredIn = (pocket: Pocket, id: string, rank: number, paint: Paint): Pour => ({
  id,
  rank,
  paint,
  anchor: anchorOf(pocket),
});

/** Colour whose pocket is not there now: it keeps the region it was seen in. */
function waitingPour(
  id: string,
  rank: number,
  paint: Paint,
  { seed, part }: { readonly seed: Point; readonly part: string },
  outline: readonly Chain[],
): Pour {
  const chains = outline.map((chain) => [...chain]);
  const area = Math.abs(chains.reduce((sum, chain) => sum + enclosedArea(chain), 0));
  const tolerance = diagonal(boundsOf(chains)!) * 1e-3;
  const region = chains.map((chain) => flatten(chain, tolerance));
  return { id, rank, paint, anchor: { seed, area, lines: [], region, ...inPart(part) } };
}

/** Paints by the names they go by in a file's style rules. */
function paintsByName({ facts, colours }: ReadFacts): (name: string | undefined) => Paint {
  return (name = "") => {
    const whole = colours.get(name);
    if (whole) return { colour: whole, step: 0 };
    const [, plain, way, steps] = /^(.+)-(up|down)-(\d{1,2})$/.exec(name) ?? [];
    const colour = colours.get(plain);
    return colour ? { colour, step: way === "down" ? -Number(steps) : Number(steps) } : facts.ink;
  };
}

/** A file of ours comes back as the drawing it was. */
function ourDrawing(name: string, reading: SvgReading, ours: OurReading, read: ReadFacts): Imported {
  const { facts } = read;
  const { paints, pours, shades } = ours;
  const ranked = rankOf([
    ...pours.map((pour) => ({ ...pour, layer: layerOf(pour, "flats") })),
    ...shades.map((shade) => ({ ...shade, layer: layerOf(shade, "shade") })),
    ...reading.flats.map((flat) => ({ ...flat, layer: layerOf(flat, flat.sheet ?? "flats") })),
  ]);
  const paintOf = paintsByName(read);
  const paintOfId = (id: string) => paintOf(paints.get(id));
  const sameInk = (paint: Paint) => paint.colour === facts.ink.colour && paint.step === facts.ink.step;
  const inked = <T extends Stroke | InkShape>(line: T): T => {
    const paint = paintOfId(line.id);
    return line.hold || sameInk(paint) ? line : { ...line, paint };
  };
  const byId = <T extends { id: string }>(items: readonly T[]) =>
    Object.fromEntries(items.map((item) => [item.id, item]));
  const bare = withMissingParts(
    withMissingColours({
      ...newDrawing(name, facts.page, reading.strokes.map(inked), reading.inkShapes.map(inked)),
      ...facts,
      flatShapes: byId([
        ...reading.flats.map(({ value: _, toldGradient, toldPattern, toldPaint, toldRank, ...flat }) => ({
          ...flat,
          rank: ranked({ ...flat, toldRank }),
          ...checkedGradient(toldGradient),
          ...checkedPattern(toldPattern),
          paint: paintOfId(flat.id),
          ...checkedPaint(toldPaint),
        })),
        ...unseenNames(read.unseenShapes, "flatShapes"),
      ]),
    }),
  );
  const pockets = readPockets(bare);
  const pocketIn = (part: string, place: Point) =>
    pocketAt(
      pockets.filter((pocket) => pocket.part === part),
      place,
    );
  const shaded = shades.map(({ at, part = MAIN, toldGradient, toldPaint, toldRank, ...shade }): Shade => {
    const places = [...new Set(at.flatMap((place) => pocketIn(part, place) ?? []))];
    const anchor = places.length > 0 ? anchorAround(places) : { ...seedOnly(at[0]), ...inPart(part) };
    const laid = { ...checkedGradient(toldGradient), ...checkedPaint(toldPaint) };
    const rank = ranked({ ...shade, toldRank });
    return { ...shade, rank, paint: paintOfId(shade.id), ...laid, anchor };
  });
  const poured = pours.map((pour): Pour => {
    const { seed, outline, paint, over, part = MAIN } = pour;
    const id = `p${pour.rank}`;
    const rank = ranked(pour);
    const pocket = pocketIn(part, seed);
    return pocket
      ? { ...pouredIn(pocket, id, rank, paintOf(paint)), ...checkedOver(over) }
      : waitingPour(id, rank, paintOf(paint), { seed, part }, outline);
  });
  const drawing = withMissingParts(
    withMissingColours({
      ...bare,
      pours: byId([...poured, ...unseenNames(read.waitingPours, "pours")]),
      shades: byId([...shaded, ...unseenNames(read.waitingShades, "shades")]),
    }),
  );
  const tinned = Object.keys(facts.tin).length;
  return { drawing, report: reportOf(drawing, reading, { found: tinned, kept: tinned }) };
}

const layerOf = ({ part = MAIN }: { readonly part?: string }, sheet: string): string => `${part} ${sheet}`;

function reportOf(
  drawing: Drawing,
  { asides, cut }: SvgReading,
  colours: { readonly found: number; readonly kept: number },
): ImportReport {
  const { strokes, inkShapes, pours, flatShapes, page } = drawing;
  const speck = speckArea(page);
  const specks = Object.values(flatShapes).filter(({ outline }) => {
    const box = boundsOf(outline);
    return box && box.width * box.height < speck;
  }).length;
  const placed = [
    ...Object.values(strokes).map(({ points }) => [points]),
    ...[...Object.values(inkShapes), ...Object.values(flatShapes)].map(({ outline }) => outline),
  ];
  const outside = placed.filter((chains) => {
    const box = boundsOf(chains);
    return box && boxesApart(box, page.box);
  }).length;
  const { leftAside, changed } = asideLines(asides);
  return {
    strokes: Object.keys(strokes).length,
    inkShapes: Object.keys(inkShapes).length,
    pours: Object.keys(pours).length,
    flatShapes: Object.keys(flatShapes).length,
    colours: colours.kept,
    coloursFound: colours.found,
    leftAside,
    changed: [
      ...changed,
      ...(cut > 0 ? [cutLine(cut)] : []),
      ...(specks > 0 ? [speckLine(specks)] : []),
      ...(outside > 0 ? [outsideLine(outside)] : []),
    ],
  };
}
