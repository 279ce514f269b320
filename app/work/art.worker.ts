/** Paints the desk's art on its canvases, at most once a frame: all of it in a new view, else what has changed. */
import type { ArtMessage } from "../painting/art-link.ts";
import { ArtSurface } from "../painting/art-surface.ts";
import { HeldScene } from "../painting/held-scene.ts";

const held = new HeldScene();
const surfaces = new Map<string, ArtSurface>();
let asked = false;

function take(message: ArtMessage): void {
  if (message.kind === "surface") surfaces.set(message.name, new ArtSurface(message.surface, held));
  else if (message.kind === "view") surfaces.get(message.name)?.move(message.view, message.size);
  else {
    const damage = held.take(message.scene);
    for (const surface of surfaces.values()) surface.mark(damage);
  }
}

/** Milliseconds without a change after which what was only recoloured is painted from its items. */
const SETTLED = 250;
let settling: ReturnType<typeof setTimeout> | undefined;

function settle(): void {
  for (const surface of surfaces.values()) if (surface.settle()) surface.paint();
}

self.onmessage = ({ data }: MessageEvent<ArtMessage>) => {
  take(data);
  if (asked) return;
  asked = true;
  requestAnimationFrame(() => {
    asked = false;
    for (const surface of surfaces.values()) surface.paint();
    clearTimeout(settling);
    settling = setTimeout(settle, SETTLED);
  });
};
