/** Paints the desk's art on its canvas: the latest sheets in the latest view, at most once a frame. */
import type { SceneItem } from "#core/scene/scene.ts";
import { type PaintedSheet, paintSheets, type View } from "../desk/canvas/paint.ts";
import type { Size } from "../desk/view.ts";

export type ArtMessage =
  | { readonly kind: "surface"; readonly surface: OffscreenCanvas }
  | {
      readonly kind: "sheets";
      readonly sheets: readonly {
        readonly opacity: number;
        readonly list: number;
        /** Left out when this list was sent with the message before. */
        readonly items?: readonly SceneItem[];
      }[];
    }
  /** Both in the canvas's own pixels. */
  | { readonly kind: "view"; readonly view: View; readonly size: Size };

let surface: OffscreenCanvas | undefined;
let lists = new Map<number, readonly SceneItem[]>();
let sheets: readonly PaintedSheet[] | undefined;
let view: View | undefined;
let size: Size = { width: 0, height: 0 };
let asked = false;

self.onmessage = ({ data }: MessageEvent<ArtMessage>) => {
  if (data.kind === "surface") surface = data.surface;
  else if (data.kind === "sheets") {
    lists = new Map(data.sheets.map(({ list, items }) => [list, items ?? lists.get(list) ?? []]));
    sheets = data.sheets.map(({ opacity, list }) => ({ opacity, items: lists.get(list)! }));
  } else {
    view = data.view;
    size = data.size;
  }
  if (asked) return;
  asked = true;
  requestAnimationFrame(paint);
};

function paint(): void {
  asked = false;
  if (!surface || !sheets || !view) return;
  if (surface.width !== size.width || surface.height !== size.height) Object.assign(surface, size);
  const context = surface.getContext("2d")!;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, surface.width, surface.height);
  paintSheets(context, sheets, view);
}
