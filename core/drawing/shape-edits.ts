/** Edits of shapes of colour: those that lie free on a sheet, and shades, which live in pockets. */
import type { Draft } from "immer";
import type { Matrix } from "../geometry/matrix.ts";
import { type Anchor, type Drawing, type SheetName, topRank } from "./drawing.ts";
import { ColourShape, FlatShape, type Shade } from "./facts/shapes.ts";
import type { Edit } from "./history.ts";
import { moved } from "./moved.ts";
import { newId } from "./new-id.ts";
import { inPart, partOf } from "./parts.ts";

export type AnyShape = FlatShape | Shade;

export const isShade = (shape: AnyShape): shape is Shade => "anchor" in shape;

export const sheetOf = (shape: AnyShape | Pick<FlatShape, "sheet">): SheetName =>
  "anchor" in shape ? "shade" : (shape.sheet ?? "flats");

const sheetsOf = (shapes: readonly AnyShape[]): SheetName[] => [...new Set(shapes.map(sheetOf))];

export const shapeNamed = (
  { flatShapes, shades }: Pick<Drawing, "flatShapes" | "shades">,
  id: string,
): AnyShape | undefined => flatShapes[id] ?? shades[id];

/** The sheets that pours and shapes of these ids lie on. */
export function sheetsHolding(
  drawing: Pick<Drawing, "pours" | "flatShapes" | "shades">,
  ids: readonly string[],
): SheetName[] {
  const shapes = ids.flatMap((id): AnyShape | [] => shapeNamed(drawing, id) ?? []);
  const flats = ids.some((id) => drawing.pours[id]) ? (["flats"] as const) : [];
  return [...new Set([...flats, ...sheetsOf(shapes)])];
}

export const partOfShape = (shape: AnyShape): string => partOf(isShade(shape) ? shape.anchor : shape);

const STACKED_TABLES = ["flatShapes", "pours", "shades", "creases"] as const;
type Stacked = Pick<Drawing, (typeof STACKED_TABLES)[number]>;

/** The rank of what lies above all colour there is. */
export const highest = (drawing: Stacked): number =>
  Math.max(...STACKED_TABLES.map((table) => topRank(drawing[table])));

/** Lies above all colour there is. */
export const addShape = (shape: Omit<FlatShape, "rank">): Edit => ({
  sheet: sheetOf(shape),
  label: "Draw colour",
  change: (draft) => {
    draft.flatShapes[shape.id] = { ...shape, rank: highest(draft as Drawing) + 1 } as Draft<FlatShape>;
  },
});

export const addShade = (shade: Omit<Shade, "rank">): Edit => ({
  sheet: "shade",
  label: "Add shade",
  change: (draft) => {
    draft.shades[shade.id] = { ...shade, rank: highest(draft as Drawing) + 1 } as Draft<Shade>;
  },
});

export interface Reshaped {
  readonly id: string;
  readonly outline: FlatShape["outline"];
  readonly evenOdd: boolean;
}

const countShapes = (count: number): string => (count === 1 ? "shape" : `${count} shapes`);

const ownIn = (draft: Draft<Drawing>, id: string): Draft<AnyShape> | undefined =>
  draft.flatShapes[id] ?? draft.shades[id];

function dropped(draft: Draft<Drawing>, id: string): void {
  delete draft.flatShapes[id];
  delete draft.shades[id];
}

/** Gives shapes other outlines; one with nothing left goes. */
export const reshape = (
  shapes: readonly Reshaped[],
  sheet: SheetName | readonly SheetName[],
  label: string,
): Edit => ({
  sheet,
  label,
  change: (draft) => {
    for (const { id, outline, evenOdd } of shapes) {
      if (outline.length === 0) dropped(draft, id);
      else Object.assign(ownIn(draft, id)!, { outline, evenOdd });
    }
  },
});

/** The shape elsewhere; a shade stays in the pocket that it is trimmed to. */
const movedShape = <T extends AnyShape>(shape: T, matrix: Matrix): T =>
  moved(isShade(shape) ? ColourShape : FlatShape, shape, matrix);

/** From where the shapes were when they were taken up. */
export const moveShapes = (shapes: readonly AnyShape[], matrix: Matrix, label: string): Edit => ({
  sheet: sheetsOf(shapes),
  label,
  change: (draft) => {
    for (const shape of shapes) Object.assign(ownIn(draft, shape.id)!, movedShape(shape, matrix));
  },
});

/** What can be changed of how shapes lie; what is undefined is taken away. */
export type ShapeChange = Partial<
  Pick<ColourShape, "paint" | "opacity" | "blend" | "soft"> & Pick<FlatShape, "trim" | "sheet">
>;

const OF_FREE_SHAPES = ["trim", "sheet"];

/** Trim and sheet are changed of free shapes alone: a shade has its own. */
export const changeShapes = (shapes: readonly AnyShape[], change: ShapeChange): Edit => ({
  sheet: sheetsOf(shapes),
  label: `Change ${countShapes(shapes.length)}`,
  merge: `shapes-${shapes.map(({ id }) => id).join()}-${Object.keys(change).join()}`,
  change: (draft) => {
    for (const shape of shapes) {
      const own = ownIn(draft, shape.id)!;
      for (const [key, value] of Object.entries(change)) {
        if (isShade(shape) && OF_FREE_SHAPES.includes(key)) continue;
        if (value === undefined) delete own[key as keyof typeof own];
        else Object.assign(own, { [key]: value });
      }
      // A colour of its own, and so no step of another any more.
      if (change.paint) delete (own as Draft<Shade>).deeper;
    }
  },
});

export const removeShapes = (shapes: readonly AnyShape[]): Edit => ({
  sheet: sheetsOf(shapes),
  label: `Remove ${shapes.every(isShade) && shapes.length === 1 ? "shade" : countShapes(shapes.length)}`,
  change: (draft) => {
    for (const { id } of shapes) dropped(draft, id);
  },
});

/** Before or behind all other colour of their sheets, in the order they have among themselves. */
export const orderShapes = (drawing: Stacked, shapes: readonly AnyShape[], to: "front" | "back"): Edit => ({
  sheet: sheetsOf(shapes),
  label: to === "front" ? "Bring shape forward" : "Send shape back",
  change: (draft) => {
    const lowest = Math.min(
      ...STACKED_TABLES.flatMap((table) => Object.values(drawing[table]).map(({ rank }) => rank)),
    );
    const start = to === "front" ? highest(drawing) + 1 : lowest - shapes.length;
    [...shapes]
      .sort((a, b) => a.rank - b.rank)
      .forEach(({ id }, i) => {
        ownIn(draft, id)!.rank = start + i;
      });
  },
});

/** Copies through a matrix, above all colour there is; and their ids. */
export function duplicateShapes(
  drawing: Stacked,
  shapes: readonly AnyShape[],
  matrix: Matrix,
): { readonly edit: Edit; readonly ids: readonly string[] } {
  const rank = highest(drawing);
  const copies = shapes.map((shape, i) => ({
    ...movedShape(shape, matrix),
    id: newId(),
    rank: rank + i + 1,
  }));
  return {
    ids: copies.map(({ id }) => id),
    edit: {
      sheet: sheetsOf(shapes),
      label: `Duplicate ${countShapes(shapes.length)}`,
      change: (draft) => {
        for (const copy of copies) putIn(draft, copy);
      },
    },
  };
}

function putIn(draft: Draft<Drawing>, shape: AnyShape): void {
  if (isShade(shape)) draft.shades[shape.id] = shape as Draft<Shade>;
  else draft.flatShapes[shape.id] = shape as Draft<FlatShape>;
}

/** What a shape is trimmed to: the pockets of an anchor, as a shade, or otherwise. */
export type TrimTo = Anchor | NonNullable<FlatShape["trim"]> | "free";

export function retrimShapes(changes: readonly { readonly shape: AnyShape; readonly to: TrimTo }[]): Edit {
  const next = changes.map(({ shape, to }) => retrimmed(shape, to));
  return {
    sheet: sheetsOf([...changes.map(({ shape }) => shape), ...next]),
    label: "Change trim",
    change: (draft) => {
      for (const { shape } of changes) dropped(draft, shape.id);
      for (const shape of next) putIn(draft, shape);
    },
  };
}

function retrimmed(shape: AnyShape, to: TrimTo): AnyShape {
  const { id, rank, outline, evenOdd, paint, opacity, blend, soft, gradient } = shape;
  const laid = {
    ...(blend ? { blend } : {}),
    ...(soft ? { soft } : {}),
    ...(gradient ? { gradient } : {}),
  };
  const common = { id, rank, outline, evenOdd, paint, opacity, ...laid };
  const deeper = isShade(shape) && shape.deeper !== undefined ? { deeper: shape.deeper } : {};
  if (typeof to === "object") return { ...common, kind: "drawn", anchor: to, ...deeper };
  const sheet = isShade(shape) ? "shade" : shape.sheet;
  return {
    ...common,
    ...(sheet ? { sheet } : {}),
    ...(to === "free" ? {} : { trim: to }),
    ...inPart(partOfShape(shape)),
  };
}
