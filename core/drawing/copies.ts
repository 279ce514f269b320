/** Copies of what belongs to a part, under new ids: within a drawing, or from one drawing to another. */
import { type Matrix, mapped, meanScale } from "../geometry/matrix.ts";
import { movedAnchor } from "./anchor.ts";
import {
  type Drawing,
  type Gradient,
  type Paint,
  type Pattern,
  type Pour,
  type Shade,
  topRank,
} from "./drawing.ts";
import { movedSide } from "./moved-crease.ts";
import { movedGradient } from "./moved-gradient.ts";
import { movedPattern } from "./moved-pattern.ts";
import { newId } from "./new-id.ts";
import { movedOver, type Over } from "./over.ts";
import { inPart, PARTED, partOf } from "./parts.ts";

export interface Copying {
  /** The part copied. */
  readonly of: string;
  /** The part of the target that the copies belong to. */
  readonly into: string;
  /** From the source's page to the target's. */
  readonly matrix: Matrix;
  /** The new id of each thing copied; asked more than once for one that others name. */
  readonly idOf: (id: string) => string;
  /** What the source's colours, nibs, tiles and styles are in the target. */
  readonly paintOf: (paint: Paint) => Paint;
  readonly nibOf: (nib: string) => string;
  readonly tileOf: (tile: string) => string;
  readonly styleOf: (style: string) => string;
}

/** New ids, the same for the same old one. */
export function renaming(): (id: string) => string {
  const ids = new Map<string, string>();
  return (old) => {
    const id = ids.get(old) ?? newId();
    ids.set(old, id);
    return id;
  };
}

/** Copying within a drawing, where all these are what they were. */
export const SAME_COLOURS: Pick<Copying, "paintOf" | "nibOf" | "tileOf" | "styleOf"> = {
  paintOf: (paint) => paint,
  nibOf: (nib) => nib,
  tileOf: (tile) => tile,
  styleOf: (style) => style,
};

/** The target with copies of what belongs to a part of the source, over all that is in it. */
export function withCopies(target: Drawing, source: Drawing, copying: Copying): Drawing {
  const { of, into, matrix, idOf, paintOf, nibOf } = copying;
  const scale = meanScale(matrix);
  const above = Math.max(...RANKED.map((table) => topRank(target[table])));
  const chain = (points: readonly number[]) => mapped(points, matrix);
  const placed = ({ part: _, ...entity }: Placed): Placed => ({
    ...entity,
    id: idOf(entity.id),
    ...(entity.rank === undefined ? {} : { rank: entity.rank + above }),
    ...(entity.paint ? { paint: paintOf(entity.paint) } : {}),
    ...(entity.nib ? { nib: nibOf(entity.nib) } : {}),
    ...(entity.points ? { points: chain(entity.points) } : {}),
    ...(entity.outline ? { outline: entity.outline.map(chain) } : {}),
    ...(entity.at ? { at: chain(entity.at) } : {}),
    ...(entity.cut ? { cut: { ...entity.cut, of: idOf(entity.cut.of) } } : {}),
    ...(entity.gradient ? { gradient: gradientPlaced(entity.gradient, copying) } : {}),
    ...(entity.pattern ? { pattern: patternPlaced(entity.pattern, copying) } : {}),
    ...(entity.soft === undefined ? {} : { soft: entity.soft * scale }),
    ...(entity.side === undefined ? {} : { side: movedSide(entity.side, matrix) }),
    ...(entity.width === undefined ? {} : { width: entity.width * scale }),
    ...(entity.dash ? { dash: entity.dash.map((length) => length * scale) } : {}),
    ...(entity.dashOffset === undefined ? {} : { dashOffset: entity.dashOffset * scale }),
  });
  const anchored = <T extends Pour | Shade>(one: T): T => {
    const { part: _, ...anchor } = movedAnchor(one.anchor, matrix);
    const lines = anchor.lines.map((line) => line.replace(/^[^/]+/, idOf));
    const own = { ...one, ...placed(one as Placed), anchor: { ...anchor, lines, ...inPart(into) } };
    return "kind" in one ? own : { ...own, ...overPlaced(one, copying) };
  };
  const next = { ...target };
  for (const table of PARTED) {
    const own = Object.values<Placed>(source[table]).filter((entity) => partOf(entity) === of);
    Object.assign(next, {
      [table]: { ...target[table], ...byId(own.map((one) => ({ ...placed(one), ...inPart(into) }))) },
    });
  }
  const ofPart = ({ anchor }: Pour | Shade) => partOf(anchor) === of;
  const own = <T extends Pour | Shade>(table: Readonly<Record<string, T>>): T[] =>
    Object.values(table).filter(ofPart).map(anchored);
  next.pours = { ...target.pours, ...byId(own(source.pours)) };
  next.shades = { ...target.shades, ...byId(own(source.shades)) };
  return next;
}

const gradientPlaced = (gradient: Gradient, { matrix, idOf, paintOf }: Copying): Gradient => ({
  ...movedGradient(gradient, matrix),
  cloth: idOf(gradient.cloth),
  stops: gradient.stops.map((stop) => ({ ...stop, paint: paintOf(stop.paint) })),
});

const patternPlaced = (pattern: Pattern, { matrix, idOf, paintOf, tileOf }: Copying): Pattern => ({
  ...movedPattern(pattern, matrix),
  cloth: idOf(pattern.cloth),
  paint: paintOf(pattern.paint),
  ...(pattern.tile === undefined ? {} : { tile: tileOf(pattern.tile) }),
});

/** What lies over a pour's colour, where it is put; its gradient and pattern are placed already. */
function overPlaced(pour: Pour, { matrix, idOf, paintOf, styleOf }: Copying): Partial<Over> {
  const { gradient: _, pattern: __, bands, style, ...over } = movedOver(pour, matrix);
  const placedBands = bands && {
    ...bands,
    line: idOf(bands.line),
    bands: bands.bands.map(({ width, paint }) => ({ width, paint: paintOf(paint) })),
  };
  return {
    ...over,
    ...(bands ? { bands: placedBands } : {}),
    ...(style ? { style: { ...style, style: styleOf(style.style) } } : {}),
  };
}

const RANKED = ["strokes", "inkShapes", "flatShapes", "pours", "shades", "creases"] as const;

/** The fields that lie on the page or name something else, of whatever has them. */
interface Placed {
  readonly id: string;
  readonly part?: string;
  readonly rank?: number;
  readonly paint?: Paint | null;
  readonly nib?: string;
  readonly points?: readonly number[];
  readonly outline?: readonly (readonly number[])[];
  readonly at?: readonly number[];
  readonly cut?: { readonly of: string; readonly from: number; readonly to: number };
  readonly soft?: number;
  readonly side?: 1 | -1;
  readonly gradient?: Gradient;
  readonly pattern?: Pattern;
  readonly width?: number;
  readonly dash?: readonly number[];
  readonly dashOffset?: number;
}

const byId = <T extends { readonly id: string }>(items: readonly T[]): Record<string, T> =>
  Object.fromEntries(items.map((item) => [item.id, item]));
