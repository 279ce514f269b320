/** A file of ours comes back as the drawing it was. */
import { seedOnly } from "../drawing/anchor.ts";
import type { Drawing, InkShape, Paint, Pour, Shade, Stroke } from "../drawing/drawing.ts";
import { withMissingColours } from "../drawing/missing-colours.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { inPart, MAIN, withMissingParts } from "../drawing/parts.ts";
import { enclosedArea, flatten } from "../geometry/cubic.ts";
import { boundsOf, diagonal, type Point } from "../geometry/point.ts";
import { anchorAround } from "../pockets/anchors.ts";
import { pocketAt } from "../scene/scene.ts";
import { type ImportReport, reportOf } from "./import-report.ts";
import { pouredIn, readPockets } from "./poured-pockets.ts";
import { unseenNames } from "./svg-facts.ts";
import type { ReadFacts } from "./svg-facts-read.ts";
import type { OurReading, SvgReading } from "./svg-reading.ts";
import { rankOf } from "./told-ranks.ts";

export function ourDrawing(
  name: string,
  reading: SvgReading,
  ours: OurReading,
  read: ReadFacts,
): { readonly drawing: Drawing; readonly report: ImportReport } {
  const { facts } = read;
  const paintOf = paintsByName(read);
  const paintOfId = (id: string) => paintOf(ours.paints.get(id));
  const sameInk = (paint: Paint) => paint.colour === facts.ink.colour && paint.step === facts.ink.step;
  const inked = <T extends Stroke | InkShape>(line: T): T => {
    const paint = paintOfId(line.id);
    return line.hold || sameInk(paint) ? line : { ...line, paint };
  };
  const ranked = rankOf(layered(reading, ours));
  const shapes = reading.flats.map(({ value: _, toldRank, ...flat }) => ({
    paint: paintOfId(flat.id),
    ...flat,
    rank: ranked({ rank: flat.rank, toldRank }),
  }));
  const bare = withMissingParts(
    withMissingColours({
      ...newDrawing(name, facts.page, reading.strokes.map(inked), reading.inkShapes.map(inked)),
      ...facts,
      flatShapes: byId([...shapes, ...unseenNames(read.unseenShapes, "flatShapes")]),
    }),
  );
  const pockets = readPockets(bare);
  const pocketIn = (part: string, place: Point) =>
    pocketAt(
      pockets.filter((pocket) => pocket.part === part),
      place,
    );
  const shaded = ours.shades.map(({ at, part = MAIN, toldRank, ...shade }): Shade => {
    const places = [...new Set(at.flatMap((place) => pocketIn(part, place) ?? []))];
    const anchor = places.length > 0 ? anchorAround(places) : { ...seedOnly(at[0]), ...inPart(part) };
    return { paint: paintOfId(shade.id), ...shade, rank: ranked({ rank: shade.rank, toldRank }), anchor };
  });
  const poured = ours.pours.map((pour): Pour => {
    const { seed, outline, paintName, over, part = MAIN } = pour;
    const [id, rank, paint] = [`p${pour.rank}`, ranked(pour), paintOf(paintName)];
    const pocket = pocketIn(part, seed);
    return pocket
      ? { ...pouredIn(pocket, id, rank, paint), ...over }
      : waitingPour(id, rank, paint, { seed, part }, outline);
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

const byId = <T extends { readonly id: string }>(items: readonly T[]): Record<string, T> =>
  Object.fromEntries(items.map((item) => [item.id, item]));

/** All that a file has ranked, each with the sheet of its part that it lies on. */
function layered({ flats }: SvgReading, { pours, shades }: OurReading) {
  const on = (
    sheet: string,
    one: { readonly rank: number; readonly toldRank?: number; readonly part?: string },
  ) => ({
    rank: one.rank,
    toldRank: one.toldRank,
    layer: `${one.part ?? MAIN} ${sheet}`,
  });
  return [
    ...pours.map((pour) => on("flats", pour)),
    ...shades.map((shade) => on("shade", shade)),
    ...flats.map((flat) => on(flat.sheet ?? "flats", flat)),
  ];
}

/** Colour whose pocket is gone at present: it keeps the region where it was last shown. */
function waitingPour(
  id: string,
  rank: number,
  paint: Paint,
  { seed, part }: { readonly seed: Point; readonly part: string },
  outline: readonly (readonly number[])[],
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
