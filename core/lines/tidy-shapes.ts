/**
 * Flat-coloured art made light: shapes of one colour are united where nothing of another colour lies between them, and
 * specks that lie on other colour go, so that their neighbour takes their place.
 */
import { type FlatShape, ranked, type Table } from "../drawing/drawing.ts";
import { type Reshaped, sheetOf } from "../drawing/shape-edits.ts";
import { enclosedArea } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxesApart } from "../geometry/point.ts";
import { isInk as isWithin } from "../pockets/ink-regions.ts";
import { combined } from "./booleans.ts";

export interface TidiedShapes {
  /** The shapes that change; those with no outline go. */
  readonly changes: readonly Reshaped[];
  readonly united: number;
  readonly specks: number;
}

interface Piece {
  readonly shape: FlatShape;
  outline: FlatShape["outline"];
  evenOdd: boolean;
  box: Box;
  changed: boolean;
}

/** `speck` is the area in page units squared below which a shape is one. */
export function tidiedShapes(shapes: Table<FlatShape>, speck: number): TidiedShapes {
  const all = ranked(shapes).flatMap((shape): Piece[] => {
    const box = boundsOf(shape.outline);
    const { outline, evenOdd } = shape;
    return box ? [{ shape, outline, evenOdd, box, changed: false }] : [];
  });
  const gone = new Set(all.filter((piece, i) => isSpeck(piece, speck) && liesOn(piece, all.slice(0, i))));
  const specks = gone.size;
  const kept: Piece[] = [];
  for (const piece of all) {
    if (gone.has(piece)) continue;
    const under = joinable(piece, kept);
    if (!under) kept.push(piece);
    else {
      Object.assign(under, combined(under, piece, "unite"), { changed: true });
      under.box = boundsOf(under.outline) ?? under.box;
      gone.add(piece);
    }
  }
  const changed = kept.filter((piece) => piece.changed);
  return {
    changes: [
      ...changed.map(({ shape: { id }, outline, evenOdd }) => ({ id, outline, evenOdd })),
      ...[...gone].map(({ shape: { id, evenOdd } }) => ({ id, outline: [], evenOdd })),
    ],
    united: gone.size - specks,
    specks,
  };
}

/** Each outline by itself: two that wind against one another are no less to see. */
const isSpeck = ({ outline }: Piece, speck: number): boolean =>
  outline.reduce((sum, chain) => sum + Math.abs(enclosedArea(chain)), 0) < speck;

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
