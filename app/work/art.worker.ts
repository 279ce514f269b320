/** Paints the desk's art on its canvas, at most once a frame: all of it in a new view, else what has changed. */
import type { ArtMessage } from "../painting/art-canvas.ts";
import { ArtSurface } from "../painting/art-surface.ts";

let surface: ArtSurface | undefined;
let asked = false;

self.onmessage = ({ data }: MessageEvent<ArtMessage>) => {
  if (data.kind === "surface") surface = new ArtSurface(data.surface);
  else if (data.kind === "scene") surface?.show(data.scene);
  else surface?.move(data.view, data.size);
  if (asked) return;
  asked = true;
  requestAnimationFrame(() => {
    asked = false;
    surface?.paint();
  });
};
