/**
 * Flat-coloured art made light: edges that nearly meet are brought together, specks and slivers go where colour lies
 * beneath them and join the neighbour they share most of their edge with elsewhere, and shapes of one colour are united
 * where nothing of another colour lies between them.
 */
import { type FlatShape, ranked, type Table } from "../drawing/drawing.ts";
import { type Reshaped, sheetOf } from "../drawing/shape-edits.ts";
import { arcLengthOf } from "../geometry/arc-length.ts";
import { curveCount, enclosedArea, pointAt } from "../geometry/cubic.ts";
import { nearestOnLines } from "../geometry/nearest.ts";
import { type Box, boundsOf, boxesApart, grow, type Point } from "../geometry/point.ts";
import { isInk as isWithin } from "../pockets/ink-regions.ts";
import { combined } from "./booleans.ts";
import { joinedEdges } from "./join-edges.ts";

export interface TidiedShapes {
  /** The shapes that change; those with no outline go. */
  readonly changes: readonly Reshaped[];
  readonly united: number;
  /** Specks and slivers that went or joined a neighbour. */
  readonly specks: number;
  /** Shapes whose edges were brought together with others. */
  readonly joined: number;
}

interface Piece {
  readonly shape: FlatShape;
  outline: FlatShape["outline"];
  evenOdd: boolean;
  box: Box;
  changed: boolean;
}

/** Edges closer than this part of a speck's side are brought together. */
const NEAR = 0.4;

/** `speck` is the area in page units squared below which a shape is one. */
export function tidiedShapes(shapes: Table<FlatShape>, speck: number): TidiedShapes {
  const near = NEAR * Math.sqrt(speck);
  const inOrder = ranked(shapes);
  const together = new Map(joinedEdges(inOrder, near).map((one) => [one.id, one.outline]));
  const all = inOrder.flatMap((shape): Piece[] => {
    const outline = together.get(shape.id) ?? shape.outline;
    const box = boundsOf(outline);
    return box ? [{ shape, outline, evenOdd: shape.evenOdd, box, changed: together.has(shape.id) }] : [];
  });
  const gone = new Set<Piece>();
  all.forEach((piece, i) => {
    if (!isSpeck(piece, speck)) return;
    const lies = liesOn(piece, all.slice(0, i));
    const neighbour = lies ? undefined : neighbourOf(piece, all, gone, near);
    if (neighbour) takeIn(neighbour, piece);
    if (lies || neighbour) gone.add(piece);
  });
  const specks = gone.size;
  const kept: Piece[] = [];
  for (const piece of all) {
    if (gone.has(piece)) continue;
    const under = joinable(piece, kept);
    if (!under) kept.push(piece);
    else {
      takeIn(under, piece);
      gone.add(piece);
    }
  }
  const known = new Set(all.map(({ shape }) => shape.id));
  const empty = inOrder.filter(({ id }) => !known.has(id));
  return {
    changes: [
      ...kept
        .filter(({ changed }) => changed)
        .map(({ shape: { id }, outline, evenOdd }) => ({ id, outline, evenOdd })),
      ...[...[...gone].map(({ shape }) => shape), ...empty].map(({ id, evenOdd }) => ({
        id,
        outline: [],
        evenOdd,
      })),
    ],
    united: gone.size - specks,
    specks: specks + empty.length,
    joined: together.size,
  };
}

function takeIn(under: Piece, piece: Piece): void {
  Object.assign(under, combined(under, piece, "unite"), { changed: true });
  under.box = boundsOf(under.outline) ?? under.box;
}

/** A sliver is no wider than this part of a speck's side. */
const THIN = 0.15;

/** Too small or too thin to see. Each outline is judged by itself: two of opposite winding do not cancel out. */
function isSpeck({ outline }: Piece, speck: number): boolean {
  const area = outline.reduce((sum, chain) => sum + Math.abs(enclosedArea(chain)), 0);
  if (area < speck) return true;
  const length = outline.reduce((sum, chain) => sum + arcLengthOf(chain, 0.1).total, 0);
  return (2 * area) / length < THIN * Math.sqrt(speck);
}

/** Places along the edge of a speck that are looked at. */
const LOOKS = 24;
/** At least this part of them lies on a neighbour. */
const SHARED = 0.25;

/** The shape of the same layer, seen whole, that most of a speck's edge lies on. */
function neighbourOf(
  speck: Piece,
  all: readonly Piece[],
  gone: ReadonlySet<Piece>,
  near: number,
): Piece | undefined {
  const edge = speck.outline[0];
  const places = Array.from({ length: LOOKS }, (_, k) => pointAt(edge, (k / LOOKS) * curveCount(edge)));
  let best: Piece | undefined;
  let most = SHARED * LOOKS;
  for (const other of all) {
    if (other === speck || gone.has(other) || other.shape.opacity < 1) continue;
    if (!sameLayer(other.shape, speck.shape) || boxesApart(grow(other.box, near), speck.box)) continue;
    const touching = places.filter((at) => touches(other, at, near)).length;
    if (touching > most) [best, most] = [other, touching];
  }
  return best;
}

function touches(piece: Piece, at: Point, near: number): boolean {
  const edges = piece.outline.map((points) => ({ points }));
  return isWithin([piece], at, near) || nearestOnLines(edges, at, near) !== undefined;
}

/** Whether some colour lies beneath the middle of a piece. */
function liesOn({ shape, box }: Piece, below: readonly Piece[]): boolean {
  const middle = [box.x + box.width / 2, box.y + box.height / 2] as const;
  const tolerance = Math.max(box.width, box.height) / 50;
  return below.some(
    (other) =>
      other.shape.opacity === 1 && sameLayer(other.shape, shape) && isWithin([other], middle, tolerance),
  );
}

/** The topmost piece of the same colour that one can join without passing any that lies between. */
function joinable(piece: Piece, below: readonly Piece[]): Piece | undefined {
  if (piece.shape.opacity < 1) return undefined;
  for (let k = below.length - 1; k >= 0; k--) {
    const other = below[k];
    if (sameLook(other.shape, piece.shape)) return other;
    if (!boxesApart(other.box, piece.box)) return undefined;
  }
  return undefined;
}

const sameLayer = (a: FlatShape, b: FlatShape): boolean =>
  sheetOf(a) === sheetOf(b) && a.part === b.part && a.trim === b.trim && a.echo === b.echo;

const sameLook = (a: FlatShape, b: FlatShape): boolean =>
  sameLayer(a, b) &&
  a.opacity === 1 &&
  a.name === b.name &&
  a.paint.colour === b.paint.colour &&
  a.paint.step === b.paint.step;
