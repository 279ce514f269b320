/** The canvas painter: draws the items of a scene on any 2D canvas, on the page or in a worker. */
import type { Blend } from "#core/drawing/drawing.ts";
import type { Matrix } from "#core/geometry/matrix.ts";
import { type Box, boxesApart } from "#core/geometry/point.ts";
import { boxOfItem } from "#core/scene/item-box.ts";
import type { Area, Chain, Effects, Item, ItemPaint, SceneSheet } from "#core/scene/items.ts";
import { chainPath, pathOf } from "./paths.ts";
import { matrixOf, type View } from "./view.ts";

export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What a painter needs of a sheet, and of a part. */
export type PaintedSheet = Pick<SceneSheet, "opacity" | "blends" | "items">;

export interface PaintedPart {
  readonly sheets: readonly PaintedSheet[];
  readonly hides: readonly Chain[];
  /** Shown faintly, since another part is shown alone. */
  readonly dim?: boolean;
}

/** Paints parts from the back to the front, or what of them shows within a box in page units. */
export function paintParts(context: Context, parts: readonly PaintedPart[], view: View, within?: Box): void {
  for (const { sheets, hides, dim } of parts) {
    if (hides.length > 0 && !dim) erase(context, hides, view);
    paintSheets(context, sheets, view, dim ? DIM : 1, within);
  }
}

const DIM = 0.16;

/** Takes away what lies behind a part. */
function erase(context: Context, hides: readonly Chain[], view: View): void {
  context.save();
  context.setTransform(...matrixOf(view));
  context.globalCompositeOperation = "destination-out";
  context.fill(pathOf(hides, true));
  context.restore();
}

function paintSheets(
  context: Context,
  sheets: readonly PaintedSheet[],
  view: View,
  share: number,
  within: Box | undefined,
): void {
  for (const sheet of sheets) {
    const items = within ? sheet.items.filter((item) => showsIn(item, within)) : sheet.items;
    const opacity = sheet.opacity * share;
    if (sheet.opacity >= 1 || sheet.blends) paintItems(context, items, view, sheet.blends ? opacity : share);
    else paintFaint(context, items, view, opacity);
  }
}

function showsIn(item: Item, within: Box): boolean {
  const box = boxOfItem(item);
  return box !== undefined && !boxesApart(box, within);
}

/** A faint sheet is painted whole first, so that what overlaps on it does not show twice. */
function paintFaint(context: Context, items: readonly Item[], view: View, opacity: number): void {
  const layer = new OffscreenCanvas(context.canvas.width, context.canvas.height);
  paintItems(layer.getContext("2d")!, items, view, 1);
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalAlpha = opacity;
  context.drawImage(layer, 0, 0);
  context.restore();
}

function paintItems(context: Context, items: readonly Item[], view: View, opacity: number): void {
  context.save();
  context.setTransform(...matrixOf(view));
  for (const item of items) paintItem(context, item, opacity);
  context.restore();
}

/** Effects that stay with the context until a save is undone. */
const UNDONE = ["clip", "blend", "blur"] as const;

/** Effects first, as they are named in EFFECTS; only those that a save has to undo ask for one. */
function paintItem(context: Context, item: Item, sheetOpacity: number): void {
  const { area, paint, effects } = item;
  const fill = (PAINTS[paint.kind] as (paint: ItemPaint, context: Context) => Fill)(paint, context);
  const lineStyle = paint.kind === "tone" ? paint.tone.value : paint.base.value;
  const saved = UNDONE.some((key) => effects[key] !== undefined);
  if (saved) context.save();
  context.globalAlpha = sheetOpacity;
  for (const key of EFFECT_NAMES)
    if (effects[key] !== undefined) (EFFECTS[key] as EffectPainter)(context, effects[key], lineStyle);
  (AREAS[area.kind] as AreaPainter)(context, area, fill, lineStyle);
  if (saved) context.restore();
}

type Style = string | CanvasGradient;

/** What an area is filled with, and the space it lies in where that is not the page. */
interface Fill {
  readonly style: Style;
  readonly space?: Matrix;
}

type OfKind<T extends { readonly kind: string }, K extends T["kind"]> = Extract<T, { readonly kind: K }>;
type AreaPainter = (context: Context, area: Area, fill: Fill, lineStyle: string) => void;
type EffectPainter = (context: Context, effect: unknown, lineStyle: string) => void;

const PAINTS: {
  readonly [K in ItemPaint["kind"]]: (paint: OfKind<ItemPaint, K>, context: Context) => Fill;
} = {
  tone: ({ tone }) => ({ style: tone.value }),
  gradient: ({ shape, space, focus, stops }, context) => {
    const style =
      shape === "linear"
        ? context.createLinearGradient(0, 0, 1, 0)
        : context.createRadialGradient(focus, 0, 0, 0, 0, 1);
    for (const { at, tone, opacity } of stops)
      style.addColorStop(at, withAlpha(tone.value, opacity * (tone.opacity ?? 1)));
    return { style, space };
  },
};

const withAlpha = (value: string, alpha: number): string =>
  `${value}${Math.round(alpha * 255)
    .toString(16)
    .padStart(2, "0")}`;

const AREAS: {
  readonly [K in Area["kind"]]: (
    context: Context,
    area: OfKind<Area, K>,
    fill: Fill,
    lineStyle: string,
  ) => void;
} = {
  region: (context, { chains, evenOdd }, { style, space }) => {
    const path = pathOf(chains, true);
    context.fillStyle = style;
    if (space) fillInSpace(context, path, space, evenOdd);
    else context.fill(path, evenOdd ? "evenodd" : "nonzero");
  },
  line: (context, { points, closed, width, cap, join, miterLimit, dash, dashOffset }, _, lineStyle) => {
    context.lineCap = cap;
    context.lineJoin = join;
    context.miterLimit = miterLimit;
    context.setLineDash(dash as number[]);
    context.lineDashOffset = dashOffset;
    context.lineWidth = width;
    context.strokeStyle = lineStyle;
    context.stroke(chainPath(points, closed));
  },
};

/** The path stays where it is while its filling is stretched. */
function fillInSpace(context: Context, path: Path2D, space: Matrix, evenOdd: boolean): void {
  const there = new DOMMatrix([...space]).inverse();
  if (Number.isNaN(there.a)) return;
  const inSpace = new Path2D();
  inSpace.addPath(path, there);
  context.save();
  context.transform(...space);
  context.fill(inSpace, evenOdd ? "evenodd" : "nonzero");
  context.restore();
}

const compositeOf = (blend: Blend): GlobalCompositeOperation => (blend === "normal" ? "source-over" : blend);

const EFFECTS: {
  readonly [K in keyof Effects]-?: (
    context: Context,
    effect: NonNullable<Effects[K]>,
    lineStyle: string,
  ) => void;
} = {
  clip: (context, chains) => context.clip(pathOf(chains, true)),
  blend: (context, blend) => {
    context.globalCompositeOperation = compositeOf(blend);
  },
  blur: (context, blur) => {
    const { a, b } = context.getTransform();
    context.filter = `blur(${blur * Math.hypot(a, b)}px)`;
  },
  opacity: (context, opacity) => {
    context.globalAlpha *= opacity;
  },
  seam: (context, { chains, width }, lineStyle) => {
    context.lineCap = "butt";
    context.lineJoin = "miter";
    context.setLineDash([]);
    context.lineWidth = width;
    context.strokeStyle = lineStyle;
    context.stroke(pathOf(chains, false));
  },
};

const EFFECT_NAMES = Object.keys(EFFECTS) as readonly (keyof Effects)[];
