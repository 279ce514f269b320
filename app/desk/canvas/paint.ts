/** The canvas painter: draws a scene on any 2D canvas, on the page or in a worker. */
import type { Blend } from "#core/drawing/drawing.ts";
import type {
  FillItem,
  FlatItem,
  InkItem,
  Scene,
  SceneItem,
  SceneSheet,
  ShadeItem,
  StrokeItem,
} from "#core/scene/scene.ts";

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Screen or picture pixels = page units x scale + offset. */
export interface View {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

const COMPOSITE: Record<Blend, GlobalCompositeOperation> = {
  normal: "source-over",
  multiply: "multiply",
  screen: "screen",
  overlay: "overlay",
  "soft-light": "soft-light",
};

type Chains = readonly (readonly number[])[];
const paths = new WeakMap<object, Path2D>();

/** Path2D of closed or open chains, made once for each list of chains. */
export function pathOf(chains: Chains, closed: boolean): Path2D {
  const known = paths.get(chains);
  if (known) return known;
  const path = new Path2D();
  for (const chain of chains) addChain(path, chain, closed);
  paths.set(chains, path);
  return path;
}

function addChain(path: Path2D, chain: readonly number[], closed: boolean): void {
  path.moveTo(chain[0], chain[1]);
  for (let o = 0; o + 7 < chain.length; o += 6) {
    path.bezierCurveTo(chain[o + 2], chain[o + 3], chain[o + 4], chain[o + 5], chain[o + 6], chain[o + 7]);
  }
  if (closed) path.closePath();
}

/** The path of one chain of the drawing. */
export function chainPath(chain: readonly number[], closed: boolean): Path2D {
  const known = paths.get(chain);
  if (known) return known;
  const path = new Path2D();
  addChain(path, chain, closed);
  paths.set(chain, path);
  return path;
}

/** What a painter needs of a sheet. */
export type PaintedSheet = Pick<SceneSheet, "opacity" | "items">;

/** Paints the whole scene; the canvas is expected to be clear. */
export const paintScene = (context: Context, { sheets }: Scene, view: View): void =>
  paintSheets(context, sheets, view);

/** Paints sheets from the bottom up. */
export function paintSheets(context: Context, sheets: readonly PaintedSheet[], view: View): void {
  for (const sheet of sheets) {
    const blended = sheet.items.some(({ kind }) => kind === "shade");
    if (sheet.opacity >= 1 || blended) paintSheet(context, sheet, view, blended ? sheet.opacity : 1);
    else paintFaint(context, sheet, view);
  }
}

/** A faint sheet is painted whole first, so that what overlaps on it does not show twice. */
function paintFaint(context: Context, sheet: PaintedSheet, view: View): void {
  const layer = new OffscreenCanvas(context.canvas.width, context.canvas.height);
  paintSheet(layer.getContext("2d")!, sheet, view, 1);
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.globalAlpha = sheet.opacity;
  context.drawImage(layer, 0, 0);
  context.restore();
}

function paintSheet(context: Context, sheet: PaintedSheet, view: View, opacity: number): void {
  context.save();
  context.setTransform(view.scale, 0, 0, view.scale, view.x, view.y);
  for (const item of sheet.items) paintItem(context, item, opacity);
  context.restore();
}

function paintItem(context: Context, item: SceneItem, opacity: number): void {
  if (item.kind === "fill") paintFill(context, item);
  else if (item.kind === "shade") paintShade(context, item, opacity);
  else if (item.kind === "flat") paintFlat(context, item, opacity);
  else if (item.kind === "ink") paintInk(context, item);
  else paintStroke(context, item);
}

function paintInk(context: Context, { tone, outline, evenOdd }: InkItem): void {
  context.fillStyle = tone.value;
  context.fill(pathOf(outline, true), evenOdd ? "evenodd" : "nonzero");
}

function paintFlat(
  context: Context,
  { tone, outline, evenOdd, opacity }: FlatItem,
  sheetOpacity: number,
): void {
  context.globalAlpha = opacity * sheetOpacity;
  context.fillStyle = tone.value;
  context.fill(pathOf(outline, true), evenOdd ? "evenodd" : "nonzero");
  context.globalAlpha = 1;
}

function paintFill(context: Context, { tone, outline, traps, trapWidth }: FillItem): void {
  if (traps.length > 0) {
    context.lineCap = "butt";
    context.lineJoin = "miter";
    context.lineWidth = trapWidth;
    context.strokeStyle = tone.value;
    context.stroke(pathOf(traps, false));
  }
  context.fillStyle = tone.value;
  context.fill(pathOf(outline, true));
}

function paintShade(
  context: Context,
  { tone, points, trim, blend, opacity }: ShadeItem,
  sheetOpacity: number,
): void {
  context.save();
  context.clip(pathOf(trim, true));
  context.globalCompositeOperation = COMPOSITE[blend];
  context.globalAlpha = opacity * sheetOpacity;
  context.fillStyle = tone.value;
  context.fill(chainPath(points, true));
  context.restore();
}

function paintStroke(context: Context, item: StrokeItem): void {
  context.lineCap = item.cap;
  context.lineJoin = item.join;
  context.miterLimit = item.miterLimit;
  context.setLineDash(item.dash as number[]);
  context.lineDashOffset = item.dashOffset;
  context.lineWidth = item.width;
  context.strokeStyle = item.tone.value;
  context.stroke(chainPath(item.points, item.closed));
  context.setLineDash([]);
}
