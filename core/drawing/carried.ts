/** What lies on lines, or between them, and so goes where they go. */
import { flatten } from "../geometry/cubic.ts";
import { nearestOnLines } from "../geometry/nearest.ts";
import { diagonal, mix, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type {
  Anchor,
  Anchored,
  Bridge,
  Crease,
  Declined,
  Drawing,
  FlatShape,
  Pour,
  Shade,
} from "./drawing.ts";
import { entitiesOf } from "./entities.ts";
import { partOf } from "./parts.ts";

/** What carrying needs to know of a pocket. */
export interface Ground {
  readonly rings: readonly (readonly number[])[];
  /** Ids of the lines around it, bridges among them; chains of an ink shape as "id/number". */
  readonly lines: readonly string[];
}

export interface Carried {
  /** The drawing that all is carried from. */
  readonly from: Drawing;
  readonly lines: readonly string[];
  readonly pours: readonly Pour[];
  readonly shades: readonly Shade[];
  readonly flatShapes: readonly FlatShape[];
  readonly creases: readonly Crease[];
  /** With the ends that go along: one of them, or both. */
  readonly bridges: readonly { readonly bridge: Bridge; readonly start: boolean; readonly end: boolean }[];
  readonly declined: readonly Declined[];
}

/** All that goes along with some of a drawing's lines: what these alone bound or hold. */
export function carriedBy(from: Drawing, ids: readonly string[], pockets: readonly Ground[]): Carried {
  const moved = new Set(ids);
  const whole = wholeParts(from, moved);
  const echoes = [...entitiesOf(from.strokes), ...entitiesOf(from.inkShapes)].filter(
    (line) => line.echo && whole.has(partOf(line)),
  );
  const isNearest = nearestIsAmong(from, moved);
  const nearest = (one: { readonly part?: string }, at: Point) =>
    whole.has(partOf(one)) || isNearest(at, partOf(one));
  const bridges = entitiesOf(from.bridges)
    .map((bridge) => ({
      bridge,
      start: nearest(bridge, startOf(bridge)),
      end: nearest(bridge, endOf(bridge)),
    }))
    .filter(({ start, end }) => start || end);
  const goes = new Set([...moved, ...bridges.filter((b) => b.start && b.end).map((b) => b.bridge.id)]);
  const boundByMoved = (lines: readonly string[]) =>
    lines.length > 0 && lines.every((line) => goes.has(ownerOf(line, goes)));
  const isEnclosed = enclosedBy(from, goes);
  const goesAlong = ({ anchor }: Anchored) => {
    const { lines, rings } = groundOf(anchor, pockets);
    return whole.has(partOf(anchor)) || boundByMoved(lines) || isEnclosed(lines, rings, partOf(anchor));
  };
  return {
    from,
    lines: [...ids, ...echoes.map(({ id }) => id)],
    pours: entitiesOf(from.pours).filter(goesAlong),
    shades: entitiesOf(from.shades).filter(goesAlong),
    flatShapes: entitiesOf(from.flatShapes).filter((shape) =>
      placesOn(shape.outline).every((at) => nearest(shape, at)),
    ),
    creases: entitiesOf(from.creases).filter((crease) =>
      placesOn([crease.points]).every((at) => nearest(crease, at)),
    ),
    bridges,
    declined: entitiesOf(from.declined).filter((one) => nearest(one, one.at)),
  };
}

const groundOf = ({ lines, area, seed, region }: Anchor, pockets: readonly Ground[]): Ground =>
  area > 0
    ? { lines, rings: region }
    : (pockets.find(({ rings }) => regionContains(rings, seed)) ?? { lines: [], rings: [] });

/** Rings stand off their lines by this part of the page's diagonal at most. */
const CHORDS = 5e-4;

/**
 * Whether some lines run along all of a pocket's outer ring, though other lines drawn over them bound it as well; where ink touches,
 * the ring leaves the line by no more than half its width.
 */
function enclosedBy({ strokes, inkShapes, bridges, page }: Drawing, ids: ReadonlySet<string>) {
  const lines = [
    ...entitiesOf(strokes),
    ...entitiesOf(inkShapes).flatMap(({ id, part, outline }) =>
      outline.map((points) => ({ id, part, points, width: 0 })),
    ),
    ...entitiesOf(bridges).map((bridge) => ({ ...bridge, width: 0 })),
  ].filter(({ id }) => ids.has(id));
  return (around: readonly string[], [ring = []]: Ground["rings"], part: string): boolean => {
    const own = lines.filter((line) => partOf(line) === part);
    if (!around.some((line) => ids.has(ownerOf(line, ids)))) return false;
    return placesAlong(ring).every((at) =>
      own.some(({ points, width }) =>
        nearestOnLines([{ points }], at, CHORDS * diagonal(page.box) + width / 2),
      ),
    );
  };
}

/** The corners of a ring and the places half way between them. */
const placesAlong = (ring: readonly number[]): Point[] =>
  Array.from({ length: ring.length / 2 }, (_, k): [Point, Point] => {
    const next = (2 * k + 2) % ring.length;
    return [
      [ring[2 * k], ring[2 * k + 1]],
      [ring[next], ring[next + 1]],
    ];
  }).flatMap(([from, to]) => [from, mix(from, to, 0.5)]);

/** A stroke, a bridge or, for a chain of an ink shape, the shape. Bridges of the reach follow by themselves. */
const ownerOf = (line: string, goes: ReadonlySet<string>): string =>
  goes.has(line) || !/\/\d+$/.test(line) ? line : line.replace(/\/\d+$/, "");

export const startOf = ({ points }: Bridge): Point => [points[0], points[1]];
export const endOf = ({ points }: Bridge): Point => [points[points.length - 2], points[points.length - 1]];

/** The parts whose lines are all among the given ones: everything that belongs to them goes along. */
function wholeParts({ strokes, inkShapes }: Drawing, ids: ReadonlySet<string>): Set<string> {
  const lines = [...entitiesOf(strokes), ...entitiesOf(inkShapes)].filter(({ echo }) => !echo);
  const left = new Set(lines.filter(({ id }) => !ids.has(id)).map(partOf));
  return new Set(lines.map(partOf).filter((part) => !left.has(part)));
}

/** Whether the line nearest to a place within its part is one of the given lines. */
function nearestIsAmong({ strokes, inkShapes, page }: Drawing, ids: ReadonlySet<string>) {
  const all = [
    ...entitiesOf(strokes).filter(({ echo }) => !echo),
    ...entitiesOf(inkShapes).flatMap(({ id, outline, part }) =>
      outline.map((points) => ({ id, points, part })),
    ),
  ];
  const reach = diagonal(page.box);
  const cautious = [0.01, 0.1, 10];
  return (at: Point, part: string): boolean => {
    const lines = all.filter((line) => partOf(line) === part);
    for (const share of cautious) {
      const found = nearestOnLines(lines, at, share * reach);
      if (found) return ids.has(found.line.id);
    }
    return false;
  };
}

const MOST_PLACES = 24;

/** Some places all along an outline. */
function placesOn(outline: readonly (readonly number[])[]): Point[] {
  const flat = outline.flatMap((chain) => flatten(chain, Infinity));
  const count = flat.length / 2;
  const stride = Math.max(1, Math.ceil(count / MOST_PLACES));
  return Array.from(
    { length: Math.ceil(count / stride) },
    (_, k): Point => [flat[2 * k * stride], flat[2 * k * stride + 1]],
  );
}
