/** What becomes of lines when a part is made: whole where they can be, in pieces where they are cut. */
import type { Bridge, Drawing, Stroke } from "../drawing/drawing.ts";
import { newId } from "../drawing/new-id.ts";
import { inPart, partOf } from "../drawing/parts.ts";
import { arcLengthOf, lengthAt, parameterAt } from "../geometry/arc-length.ts";
import { between, curveCount, derivativeAt } from "../geometry/cubic.ts";
import { boundsOf, diagonal } from "../geometry/point.ts";
import type { CarvedPiece, Carving } from "./carve.ts";
import type { PartOfPockets, Ways } from "./part-of-pockets.ts";
import type { PlanarMap } from "./planar-map.ts";

/** A stroke or a bridge, or for a chain of an ink shape the shape. */
export const ownerOf = (id: string): string => id.replace(/\/\d+$/, "");

interface Carved extends PartOfPockets, Ways {
  readonly carving: Carving;
}

/** The lines of a drawing in their parts: whole where they can be, in pieces where they are cut. */
export function withPieces(drawing: Drawing, { map, carving, from, to }: Carved): Drawing {
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

/** Whether the lines that a join connects all go to the part, or all stay, as the join itself does. */
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

/** A single point is not a piece of a line. */
const hasLength = ({ points }: Pick<CarvedPiece, "points">): boolean => points.length >= 8;

/** As a part of the page's diagonal: what is shorter closes nothing that rounding leaves open. */
const SHORTEST_LEFT = 1e-9;

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
