/** Paints the desk's art on its canvas: the latest scene in the latest view, at most once a frame. */
import type { Scene } from "#core/scene/scene.ts";
import { paintScene, type View } from "../desk/canvas/paint.ts";
import type { Size } from "../desk/view.ts";

export type ArtMessage =
  | { readonly kind: "surface"; readonly surface: OffscreenCanvas }
  | { readonly kind: "scene"; readonly scene: Scene }
  /** Both in the canvas's own pixels. */
  | { readonly kind: "view"; readonly view: View; readonly size: Size };

let surface: OffscreenCanvas | undefined;
let scene: Scene | undefined;
let view: View | undefined;
let size: Size = { width: 0, height: 0 };
let asked = false;

self.onmessage = ({ data }: MessageEvent<ArtMessage>) => {
  if (data.kind === "surface") surface = data.surface;
  else if (data.kind === "scene") scene = data.scene;
  else {
    view = data.view;
    size = data.size;
  }
  if (asked) return;
  asked = true;
  requestAnimationFrame(paint);
};

function paint(): void {
  asked = false;
  if (!surface || !scene || !view) return;
  if (surface.width !== size.width || surface.height !== size.height) Object.assign(surface, size);
  const context = surface.getContext("2d")!;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, surface.width, surface.height);
  paintScene(context, scene, view);
}
