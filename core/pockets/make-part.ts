/**
 * Makes a part of some pockets: what bounds or lies in them goes with them, what bounds pockets that stay as well leaves
 * an unseen bridge behind. The picture stays as it is: pieces are drawn as the line was there, ink of lines that stay and
 * reach into the part goes along as an echo, and where the part's own lines enclose more than the pockets did, what lies
 * behind shows through.
 */
import type { Drawing, Part } from "../drawing/drawing.ts";
import { newId } from "../drawing/new-id.ts";
import { rankInFront } from "../drawing/part-edits.ts";
import { drawingOfPart } from "../drawing/parts.ts";
import { curveCount } from "../geometry/cubic.ts";
import { type CarvedPiece, type Carving, carve } from "./carve.ts";
import { LineReader } from "./line-reader.ts";
import { homesOf, withColour, withWindows } from "./part-colour.ts";
import { withEchoes } from "./part-echoes.ts";
import { isIn, type PartOfPockets } from "./part-of-pockets.ts";
import { ownerOf, withPieces } from "./part-pieces.ts";
import type { PlanarMap } from "./planar-map.ts";
import type { Pocket } from "./pockets.ts";
import type { Line } from "./segments.ts";

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
    Object.fromEntries(Object.entries(table).filter(([id]) => lines.has(id)));
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

/**
 * Whether a line stands for something that is not drawn: ink that touches, or a reach, now or when another part
 * was made.
 */
const isJoin = ({ strokes, bridges }: Drawing, { id, region }: Line): boolean =>
  !region && !strokes[id] && (bridges[id]?.left === "join" || !bridges[id]);

/** Keys of one part's pockets begin at a multiple of this (drawing-reader.ts). */
const keyBase = ([{ key }]: readonly Pocket[]): number => Math.floor(key / 2 ** 32) * 2 ** 32;

function wholeLine(map: PlanarMap, line: number, pieces: readonly CarvedPiece[]): CarvedPiece {
  const points = Array.from(map.lines[line].points);
  return { ...pieces[0], from: 0, to: curveCount(points), points, goes: true };
}
