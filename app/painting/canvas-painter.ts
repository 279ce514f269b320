/** The canvas painter: draws the items of a scene on any 2D canvas, on the page or in a worker. */
import type { Blend } from "#core/drawing/drawing.ts";
import { type Box, boxesApart } from "#core/geometry/point.ts";
import { boxOfItem } from "#core/scene/item-box.ts";
import type { Area, Chain, Effects, Item, ItemPaint, SceneSheet } from "#core/scene/items.ts";
import type { Scene } from "#core/scene/scene.ts";
import { chainPath, pathOf } from "./paths.ts";
import type { View } from "./view.ts";

export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What a painter needs of a sheet, and of a part. */
export type PaintedSheet = Pick<SceneSheet, "opacity" | "items">;

export interface PaintedPart {
  readonly sheets: readonly PaintedSheet[];
  readonly hides: readonly Chain[];
  /** Shown faintly, since another part is looked at alone. */
  readonly dim?: boolean;
}

/** Paints the whole scene; the canvas is expected to be clear. */
export const paintScene = (context: Context, { parts }: Scene, view: View): void =>
  paintParts(context, parts, view);

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
  context.setTransform(view.scale, 0, 0, view.scale, view.x, view.y);
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
    const blends = items.some(({ effects }) => effects.blend);
    const opacity = sheet.opacity * share;
    if (sheet.opacity >= 1 || blends) paintItems(context, items, view, blends ? opacity : share);
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
  context.setTransform(view.scale, 0, 0, view.scale, view.x, view.y);
  for (const item of items) paintItem(context, item, opacity);
  context.restore();
}

/** Effects that stay with the context until a save is undone. */
const UNDONE = ["clip", "blend", "blur"] as const;

/** Effects first, as they are named in EFFECTS; only those that a save has to undo ask for one. */
function paintItem(context: Context, item: Item, sheetOpacity: number): void {
  const { area, paint, effects } = item;
  const style = PAINTS[paint.kind](paint);
  const saved = UNDONE.some((key) => effects[key] !== undefined);
  if (saved) context.save();
  context.globalAlpha = sheetOpacity;
  for (const key of EFFECT_NAMES)
    if (effects[key] !== undefined) (EFFECTS[key] as EffectPainter)(context, effects[key], style);
  (AREAS[area.kind] as AreaPainter)(context, area, style);
  if (saved) context.restore();
}

type Style = string | CanvasGradient | CanvasPattern;
type OfKind<T extends { readonly kind: string }, K extends T["kind"]> = Extract<T, { readonly kind: K }>;
type AreaPainter = (context: Context, area: Area, style: Style) => void;
type EffectPainter = (context: Context, effect: unknown, style: Style) => void;

const PAINTS: { readonly [K in ItemPaint["kind"]]: (paint: OfKind<ItemPaint, K>) => Style } = {
  tone: ({ tone }) => tone.value,
};

const AREAS: {
  readonly [K in Area["kind"]]: (context: Context, area: OfKind<Area, K>, style: Style) => void;
} = {
  region: (context, { chains, evenOdd }, style) => {
    context.fillStyle = style;
    context.fill(pathOf(chains, true), evenOdd ? "evenodd" : "nonzero");
  },
  line: (context, { points, closed, width, cap, join, miterLimit, dash, dashOffset }, style) => {
    context.lineCap = cap;
    context.lineJoin = join;
    context.miterLimit = miterLimit;
    context.setLineDash(dash as number[]);
    context.lineDashOffset = dashOffset;
    context.lineWidth = width;
    context.strokeStyle = style;
    context.stroke(chainPath(points, closed));
  },
};

const compositeOf = (blend: Blend): GlobalCompositeOperation => (blend === "normal" ? "source-over" : blend);

const EFFECTS: {
  readonly [K in keyof Effects]-?: (context: Context, effect: NonNullable<Effects[K]>, style: Style) => void;
} = {
  clip: (context, chains) => context.clip(pathOf(chains, true)),
  blend: (context, blend) => {
    context.globalCompositeOperation = compositeOf(blend);
  },
  blur: (context, blur) => {
    context.filter = `blur(${blur * context.getTransform().a}px)`;
  },
  opacity: (context, opacity) => {
    context.globalAlpha *= opacity;
  },
  seam: (context, { chains, width }, style) => {
    context.lineCap = "butt";
    context.lineJoin = "miter";
    context.setLineDash([]);
    context.lineWidth = width;
    context.strokeStyle = style;
    context.stroke(pathOf(chains, false));
  },
};

const EFFECT_NAMES = Object.keys(EFFECTS) as readonly (keyof Effects)[];
