/**
 * Makes a part of some pockets: what bounds or lies in them goes with them, what bounds pockets that stay as well leaves
 * an unseen bridge behind. The picture stays as it is: pieces are drawn as the line was there, ink of lines that stay and
 * reach into the part goes along as an echo, and where the part's own lines enclose more than the pockets did, what lies
 * behind shows through.
 */
import type {
  Anchor,
  Bridge,
  Crease,
  Drawing,
  FlatShape,
  Part,
  Pour,
  Shade,
  Stroke,
} from "../drawing/drawing.ts";
import { newId } from "../drawing/new-id.ts";
import { rankInFront } from "../drawing/part-edits.ts";
import { drawingOfPart, inPart, partOf } from "../drawing/parts.ts";
import { arcLengthOf, lengthAt, parameterAt } from "../geometry/arc-length.ts";
import { between, curveCount, derivativeAt, flatten, pointAt } from "../geometry/cubic.ts";
import { nearestOnLines, nearestPlace } from "../geometry/nearest.ts";
import { boundsOf, boxHolds, diagonal, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { profileOf, shareAt } from "../lines/profile.ts";
import { anchorAround, anchorOf, matchAnchors } from "./anchors.ts";
import { type CarvedPiece, type Carving, carve } from "./carve.ts";
import { LineReader } from "./line-reader.ts";
import type { PlanarMap } from "./planar-map.ts";
import type { Pocket } from "./pockets.ts";
import { pocketsAlong } from "./pockets-along.ts";
import type { Line } from "./segments.ts";

export interface PartOfPockets {
  readonly name: string;
  /** The part they are in. */
  readonly part: string;
  /** Pockets of one part, as the map gave them; hidden ones among them. */
  readonly pockets: readonly Pocket[];
  readonly map: PlanarMap;
  /** Those that go. */
  readonly chosen: ReadonlySet<Pocket>;
  /** Lines that go whole, beside what bounds the pockets. */
  readonly lines?: ReadonlySet<string>;
}

/** The drawing with a part in front of the one the pockets were in. */
export function withPart(drawing: Drawing, given: PartOfPockets): Drawing {
  const from = given.part;
  const part = partInFront(drawing, from, given.name);
  const carving = carvingOf(drawing, given);
  const carved = withPieces(drawing, { from, to: part.id, ...given, carving });
  const parted: Drawing = { ...carved, parts: { ...drawing.parts, [part.id]: part } };
  const fresh = [from, part.id].flatMap((id) => new LineReader(id).read(drawingOfPart(parted, id)));
  const homes = homesOf(given, fresh, { from, to: part.id });
  const coloured = withColour(drawing, parted, given, homes);
  return withEchoes(withWindows(coloured, given, fresh), given, { from, to: part.id });
}

const partInFront = (drawing: Drawing, behind: string, name: string): Part => ({
  id: newId(),
  rank: rankInFront(drawing, behind),
  name,
  visible: true,
  locked: false,
});

/** Pockets that go, with all those that some lines enclose by themselves: what lies within goes along. */
export function withEnclosed(
  drawing: Drawing,
  part: string,
  lines: ReadonlySet<string>,
  pockets: readonly Pocket[],
  chosen: ReadonlySet<Pocket>,
): Set<Pocket> {
  const own = drawingOfPart(drawing, part);
  const only = <T extends { readonly id: string }>(table: Readonly<Record<string, T>>) =>
    byId(Object.values(table).filter(({ id }) => lines.has(id)));
  const alone = { ...own, strokes: only(own.strokes), inkShapes: only(own.inkShapes), bridges: {} };
  const enclosed = new LineReader(part).read(alone);
  return new Set([...chosen, ...pockets.filter(({ seed }) => isIn(enclosed, seed))]);
}

function carvingOf(drawing: Drawing, { map, pockets, chosen, lines }: PartOfPockets): Carving {
  const base = pockets.length > 0 ? keyBase(pockets) : 0;
  const inside = new Set([...chosen].map(({ key }) => key - base));
  const closed = new Set(pockets.flatMap(({ key, hidden }) => (hidden ? [] : [key - base])));
  const carving = carve(map, {
    isIn: (face) => inside.has(face),
    isClosed: (face) => closed.has(face),
    isSpare: (line) => isJoin(drawing, map.lines[line]),
  });
  if (!lines) return carving;
  const whole = (piece: CarvedPiece): CarvedPiece => ({ ...piece, goes: true });
  const pieces = [...carving.pieces].map(([line, own]): [number, readonly CarvedPiece[]] =>
    lines.has(ownerOf(map.lines[line].id)) ? [line, [wholeLine(map, line, own.map(whole))]] : [line, own],
  );
  return { ...carving, pieces: new Map(pieces) };
}

/** Whether a line closes what ink closed by touching, or a reach: now, or when another part was made. */
const isJoin = ({ strokes, bridges }: Drawing, { id, region }: Line): boolean =>
  !region && !strokes[id] && (bridges[id]?.left === "join" || !bridges[id]);

/** Keys of one part's pockets begin at a multiple of this (drawing-reader.ts). */
const keyBase = ([{ key }]: readonly Pocket[]): number => Math.floor(key / 2 ** 32) * 2 ** 32;

function wholeLine(map: PlanarMap, line: number, pieces: readonly CarvedPiece[]): CarvedPiece {
  const points = Array.from(map.lines[line].points);
  return { ...pieces[0], from: 0, to: curveCount(points), points, goes: true };
}

/** A stroke or a bridge, or for a chain of an ink shape the shape. */
const ownerOf = (id: string): string => id.replace(/\/\d+$/, "");

interface Carved extends PartOfPockets {
  readonly carving: Carving;
  readonly from: string;
  readonly to: string;
}

/** The lines of a drawing in their parts: whole where they can be, in pieces where they are cut. */
function withPieces(drawing: Drawing, { map, carving, from, to }: Carved): Drawing {
  const strokes = { ...drawing.strokes };
  const bridges = { ...drawing.bridges };
  const inkShapes = { ...drawing.inkShapes };
  const least = SHORTEST_LEFT * diagonal(drawing.page.box);
  const leave = (points: readonly number[], part: string, left: Bridge["left"]) => {
    const { width, height } = boundsOf([points])!;
    if (!hasLength({ points }) || !(width + height > least)) return;
    const id = newId();
    bridges[id] = { id, points, left, ...inPart(part) };
  };
  for (const [line, pieces] of carving.pieces) {
    const { id } = map.lines[line];
    if (strokes[id]) {
      delete strokes[id];
      const cut = strokePieces(drawing.strokes[id], pieces, { from, to });
      const patches = pieces.length > 1 ? patchesOver(drawing.strokes[id], pieces, to) : [];
      for (const piece of [...cut, ...patches]) strokes[piece.id] = piece;
    } else if (bridges[id]) {
      delete bridges[id];
      for (const piece of bridgePieces(drawing.bridges[id], pieces, { from, to })) {
        const meets = carving.shared.some((one) => one.line === line) && partOf(piece) === to;
        bridges[piece.id] = meets ? { ...piece, meets: true } : piece;
      }
    } else if (!map.lines[line].region) {
      // What ink closed by touching, or a reach closed, may not be closed by what is left on either side.
      for (const { goes, points } of pieces)
        if (!joinsOnly(map, carving, line, goes)) leave(points, goes ? to : from, "join");
    }
  }
  for (const id of shapesThatGo(map, carving)) inkShapes[id] = { ...inkShapes[id], part: to };
  for (const { line, points } of carving.shared) leave(points, from, map.joins.has(line) ? "join" : "cut");
  return { ...drawing, strokes, bridges, inkShapes };
}

/** Whether a join is between lines all of which go, or all of which stay, as it does. */
function joinsOnly(map: PlanarMap, carving: Carving, line: number, goes: boolean): boolean {
  const join = map.joins.get(line);
  const pieces = join ? [join.line, join.other].flatMap((one) => carving.pieces.get(one) ?? []) : [];
  return join !== undefined && pieces.every((piece) => piece.goes === goes);
}

/** Ink shapes go whole once any of their outline goes. */
function shapesThatGo(map: PlanarMap, { pieces }: Carving): Set<string> {
  const found = new Set<string>();
  for (const [line, own] of pieces)
    if (map.lines[line].region && own.some(({ goes }) => goes)) found.add(ownerOf(map.lines[line].id));
  return found;
}

/** What is but a point is no piece of a line. */
const hasLength = ({ points }: Pick<CarvedPiece, "points">): boolean => points.length >= 8;

/** As a part of the page's diagonal: what is shorter closes nothing that rounding leaves open. */
const SHORTEST_LEFT = 1e-9;

interface Ways {
  readonly from: string;
  readonly to: string;
}

function strokePieces(stroke: Stroke, pieces: readonly CarvedPiece[], { from, to }: Ways): Stroke[] {
  const placed = (goes: boolean): Stroke => {
    const { part: _, ...bare } = stroke;
    return { ...bare, ...inPart(goes ? to : from) };
  };
  if (pieces.length === 1) return [placed(pieces[0].goes)];
  return pieces.filter(hasLength).map((piece) => ({
    ...placed(piece.goes),
    // What goes round has no ends of its own, so that its caps have never shown.
    ...(stroke.closed ? { cap: "round" as const } : {}),
    ...stretch(stroke, piece),
    id: newId(),
    closed: false,
  }));
}

/** A stretch of a stroke, drawn as the stroke is there. */
function stretch(
  stroke: Stroke,
  { from, to, points }: Pick<CarvedPiece, "from" | "to" | "points">,
): Pick<Stroke, "points" | "cut" | "dashOffset"> {
  const arc = arcLengthOf(stroke.points, stroke.width * 0.05);
  const end = curveCount(stroke.points);
  const share = (u: number) =>
    u > end ? 1 + lengthAt(arc, u - end) / arc.total : lengthAt(arc, u) / arc.total;
  const { of = stroke.id, from: begun = 0, to: ended = 1 } = stroke.cut ?? {};
  const within = (part: number) => begun + (ended - begun) * part;
  // A stretch that begins on the second time round a closed line begins as well on the first.
  const turns = Math.floor(within(share(from)));
  return {
    points,
    cut: { of, from: within(share(from)) - turns, to: within(share(to)) - turns },
    ...(stroke.dash ? { dashOffset: (stroke.dashOffset ?? 0) + share(from) * arc.total } : {}),
  };
}

/** How far a patch reaches to each side of a cut, as a part of the line's width. */
const PATCH = 0.1;
/** Lines that turn by less than this many radians have no corner. */
const SMOOTH = 1e-3;

/** Short stretches over the cuts of a line whose caps or corners would show there. */
function patchesOver(stroke: Stroke, pieces: readonly CarvedPiece[], to: string): Stroke[] {
  const { points, cap = "round", join = "round", width } = stroke;
  const end = curveCount(points);
  const arc = arcLengthOf(points, width * 0.05);
  const rounded = cap === "round" || stroke.closed;
  return pieces.flatMap((piece): Stroke[] => {
    const u = piece.to % end;
    const isEnd = u < 1e-9 || u > end - 1e-9;
    if (isEnd || (rounded && !(join === "miter" && turnAt(points, u) > SMOOTH))) return [];
    const at = lengthAt(arc, u);
    const [from, until] = [at - PATCH * width, at + PATCH * width].map((length) =>
      parameterAt(arc, Math.max(0, Math.min(arc.total, length))),
    );
    const over = { from, to: until, points: between(points, from, until) };
    if (!hasLength(over)) return [];
    const { part: _, ...bare } = stroke;
    return [
      {
        ...bare,
        ...inPart(to),
        ...stretch(stroke, over),
        id: newId(),
        closed: false,
        cap: "butt",
        echo: "over",
      },
    ];
  });
}

/** By how much a chain turns at a parameter, in radians. */
function turnAt(points: readonly number[], u: number): number {
  const [a, b] = [u - 1e-4, u + 1e-4].map((near) => {
    const [dx, dy] = derivativeAt(points, near);
    return Math.atan2(dy, dx);
  });
  const turn = Math.abs(a - b);
  return Math.min(turn, 2 * Math.PI - turn);
}

function bridgePieces(bridge: Bridge, pieces: readonly CarvedPiece[], { from, to }: Ways): Bridge[] {
  const { part: _, ...bare } = bridge;
  return pieces.filter(hasLength).map((piece) => ({
    ...bare,
    id: pieces.length === 1 ? bridge.id : newId(),
    points: piece.points,
    ...inPart(piece.goes ? to : from),
  }));
}

/** For each pocket of before the one it is now. */
function homesOf(
  { pockets, chosen }: PartOfPockets,
  fresh: readonly Pocket[],
  { from, to }: Ways,
): Map<Pocket, Pocket> {
  const homes = new Map<Pocket, Pocket>();
  for (const pocket of pockets) {
    const part = chosen.has(pocket) ? to : from;
    const home = fresh.find((one) => one.part === part && regionContains(one.rings, pocket.seed));
    if (home) homes.set(pocket, home);
  }
  return homes;
}

/** For each pocket that is now the largest of those it was before. */
function largestIn(homes: ReadonlyMap<Pocket, Pocket>): Map<Pocket, Pocket> {
  const largest = new Map<Pocket, Pocket>();
  for (const [pocket, home] of homes) {
    const other = largest.get(home);
    if (!other || pocket.area > other.area) largest.set(home, pocket);
  }
  return largest;
}

/** Pours and shades with the pockets they live in; one that lives in both parts becomes two. */
function withColour(
  before: Drawing,
  drawing: Drawing,
  { pockets }: PartOfPockets,
  homes: ReadonlyMap<Pocket, Pocket>,
): Drawing {
  const { pourOf, pocketsOf } = matchAnchors(pockets, before.pours, before.shades);
  const pours: Record<string, Pour> = { ...before.pours };
  const placed = new Set<string>();
  const largest = largestIn(homes);
  pockets.forEach((pocket, index) => {
    const id = pourOf[index];
    const home = homes.get(pocket);
    if (id === undefined || !home) return;
    // A window that has become some of a larger pocket is none any more.
    if (before.pours[id].through && largest.get(home) !== pocket) {
      delete pours[id];
      return;
    }
    const own = placed.has(id) ? newId() : id;
    placed.add(id);
    pours[own] = { ...before.pours[id], id: own, anchor: anchorOf(home) };
  });
  const shades: Record<string, Shade> = { ...before.shades };
  for (const [id, places] of pocketsOf) {
    const byPart = new Map<string, Pocket[]>();
    for (const index of places) {
      const home = homes.get(pockets[index]);
      if (home) byPart.set(home.part, [...(byPart.get(home.part) ?? []), home]);
    }
    [...byPart.values()].forEach((own, i) => {
      const name = i === 0 ? id : newId();
      shades[name] = { ...before.shades[id], id: name, anchor: anchorAround(own) };
    });
  }
  return { ...drawing, pours, shades, creases: creasesIn(before, pockets, homes) };
}

/** Creases go where the pockets that they run through go; one that runs through both parts becomes two. */
function creasesIn(
  { creases: before, page }: Drawing,
  pockets: readonly Pocket[],
  homes: ReadonlyMap<Pocket, Pocket>,
): Drawing["creases"] {
  const creases: Record<string, Crease> = { ...before };
  const own = pockets[0]?.part;
  for (const crease of Object.values(before)) {
    if (partOf(crease) !== own) continue;
    const { part: _, ...bare } = crease;
    const along = pocketsAlong(crease.points, pockets, diagonal(page.box));
    const parts = new Set(along.flatMap((index) => homes.get(pockets[index])?.part ?? []));
    [...parts].forEach((part, i) => {
      const id = i === 0 ? crease.id : newId();
      creases[id] = { ...bare, id, ...inPart(part) };
    });
  }
  return creases;
}

/** What the lines of either part enclose that was no pocket of its own before is open to what lies behind. */
function withWindows(
  drawing: Drawing,
  { part, pockets, chosen }: PartOfPockets,
  fresh: readonly Pocket[],
): Drawing {
  const gone = [...chosen];
  const stayed = pockets.filter((pocket) => !chosen.has(pocket) && !pocket.hidden);
  const wasThere = (pocket: Pocket) => isIn(pocket.part === part ? stayed : gone, pocket.seed);
  const windows = fresh.filter((pocket) => !pocket.hidden && !wasThere(pocket));
  const rank = Object.values(drawing.pours).reduce((top, pour) => Math.max(top, pour.rank), 0);
  const pours = windows.map((pocket, i): Pour => {
    const anchor: Anchor = anchorOf(pocket);
    return { id: newId(), rank: rank + i + 1, paint: null, through: true, anchor };
  });
  return {
    ...drawing,
    pours: { ...drawing.pours, ...Object.fromEntries(pours.map((pour) => [pour.id, pour])) },
  };
}

/** Ink that stays but reaches into the part, and shapes of colour that lie in both, go along as echoes. */
function withEchoes(drawing: Drawing, { chosen }: PartOfPockets, { from, to }: Ways): Drawing {
  if (chosen.size === 0) return drawing;
  const region = [...chosen];
  const behind = drawingOfPart(drawing, from);
  const reaches = reachInto(drawing, region, Object.values(drawingOfPart(drawing, to).strokes));
  const strokes = Object.values(behind.strokes)
    .filter(reaches)
    .map((stroke): Stroke => ({ ...stroke, id: newId(), part: to, echo: "within" }));
  const shapes = Object.values(behind.flatShapes).map((shape) => ({ shape, lies: placeOf(shape, region) }));
  const flats = shapes.flatMap(({ shape, lies }): FlatShape[] => {
    if (lies === "outside") return [];
    return lies === "inside"
      ? [{ ...shape, part: to }]
      : [{ ...shape, id: newId(), part: to, echo: "within" }];
  });
  return {
    ...drawing,
    strokes: { ...drawing.strokes, ...byId(strokes) },
    flatShapes: { ...drawing.flatShapes, ...byId(flats) },
  };
}

const byId = <T extends { readonly id: string }>(items: readonly T[]) =>
  Object.fromEntries(items.map((item) => [item.id, item]));

const isIn = (region: readonly Pocket[], at: Point): boolean =>
  region.some(({ rings, box }) => boxHolds(box, at) && regionContains(rings, at));

/** Places at which a line is asked whether its ink reaches into the part, for each of its cubics. */
const PROBES = 16;
/** Ink this much less far in than the border's own does not show, as a part of the page's diagonal. */
const SLACK = 1e-4;

/** Whether a stroke's ink shows inside a region, beyond the ink of the lines that bound it. */
function reachInto({ nibs, page }: Drawing, region: readonly Pocket[], bounds: readonly Stroke[]) {
  const outlines = region.flatMap(({ outline }) => outline.map((points) => ({ points })));
  const halfAt = (stroke: Stroke, u: number) => {
    const profile = profileOf(stroke, nibs[stroke.nib ?? ""]);
    return (stroke.width * (profile ? shareAt(profile, u / curveCount(stroke.points)) : 1)) / 2;
  };
  const slack = SLACK * diagonal(page.box);
  return (stroke: Stroke): boolean => {
    const probes = PROBES * curveCount(stroke.points);
    for (let k = 0; k <= probes; k++) {
      const u = k / PROBES;
      const at = pointAt(stroke.points, u);
      const half = halfAt(stroke, u);
      if (isIn(region, at)) return true;
      const border = nearestOnLines(outlines, at, half);
      if (!border) continue;
      const over = nearestOnLines(bounds, border.at, slack)?.line;
      const hidden = over ? halfAt(over, nearestPlace(over.points, border.at)) : 0;
      if (half - border.gap > hidden + slack) return true;
    }
    return false;
  };
}

function placeOf({ outline }: FlatShape, region: readonly Pocket[]): "inside" | "outside" | "both" {
  const rings = outline.map((chain) => flatten(chain, Number.POSITIVE_INFINITY));
  const places = rings.flatMap((ring) =>
    Array.from({ length: ring.length / 2 }, (_, k): Point => [ring[2 * k], ring[2 * k + 1]]),
  );
  const within = places.filter((at) => isIn(region, at)).length;
  if (within === places.length) return "inside";
  return within > 0 || region.some(({ seed }) => regionContains(rings, seed)) ? "both" : "outside";
}
