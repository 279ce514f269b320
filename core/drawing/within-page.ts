/** What a page can hold: entities so far from it, so thin or so wide that nothing could be drawn of them are brought nearer, or not taken. */
import type { Box } from "../geometry/point.ts";
import { figureSizeWithin, inkWidthWithin, isDash, isInkWidth, isNearPage } from "./bounds.ts";
import type { Drawing, Pattern, Stroke } from "./drawing.ts";
import type { TableName } from "./fields.ts";

type Entity<K extends TableName> = Drawing[K][string];

/** An entity as a page can hold it, the very same where it is; undefined where it cannot be. */
type Bring<K extends TableName> = (entity: Entity<K>, page: Box) => Entity<K> | undefined;

const ifNear =
  <E>(chainsOf: (entity: E) => readonly (readonly number[])[]) =>
  (entity: E, page: Box): E | undefined =>
    chainsOf(entity).every((points) => isNearPage(points, page)) ? entity : undefined;

const outlineNear = ifNear(({ outline }: { readonly outline: readonly (readonly number[])[] }) => outline);
const pointsNear = ifNear(({ points }: { readonly points: readonly number[] }) => [points]);

const BRINGS: { readonly [K in TableName]?: Bring<K> } = {
  strokes: (stroke, page) => (isNearPage(stroke.points, page) ? strokeWithin(stroke, page) : undefined),
  inkShapes: outlineNear as Bring<"inkShapes">,
  flatShapes: (shape, page) =>
    shape.outline.every((points) => isNearPage(points, page)) ? figuresWithin(shape, page) : undefined,
  pours: figuresWithin,
  bridges: pointsNear as Bring<"bridges">,
  creases: pointsNear as Bring<"creases">,
  dabs: pointsNear as Bring<"dabs">,
  shades: ifNear(({ outline, anchor }) => [...outline, anchor.seed]),
};

export const isPageBound = (table: string): table is TableName => table in BRINGS;

export const broughtToPage = <K extends TableName>(
  table: K,
  entity: Entity<K>,
  page: Box,
): Entity<K> | undefined => {
  const bring = BRINGS[table] as Bring<K> | undefined;
  return bring ? bring(entity, page) : entity;
};

function figuresWithin<E extends { readonly pattern?: Pattern }>(one: E, page: Box): E {
  const { pattern } = one;
  const size = pattern && figureSizeWithin(pattern.size, page);
  return pattern && size !== pattern.size ? { ...one, pattern: { ...pattern, size } } : one;
}

function strokeWithin(stroke: Stroke, page: Box): Stroke {
  const { points, closed, width, dash } = stroke;
  const fine = isInkWidth(width, page) && (!dash || isDash(dash, page)) && (!closed || endsMeet(points));
  if (fine) return stroke;
  const { dash: _, dashOffset: __, ...whole } = stroke;
  return {
    ...(dash && !isDash(dash, page) ? whole : stroke),
    width: inkWidthWithin(width, page),
    points: closed ? [...points.slice(0, -2), points[0], points[1]] : points,
  };
}

const endsMeet = (points: readonly number[]): boolean =>
  points[0] === points[points.length - 2] && points[1] === points[points.length - 1];
