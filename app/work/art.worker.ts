/** Paints the desk's art on its canvases, at most once a frame: all of it in a new view, else what has changed. */
import type { ArtMessage, PictureWanted } from "../painting/art-link.ts";
import { ArtSurface } from "../painting/art-surface.ts";
import { HeldScene } from "../painting/held-scene.ts";
import { paintWithin } from "../painting/paint-within.ts";

const held = new HeldScene();
const surfaces = new Map<string, ArtSurface>();
let asked = false;

function take(message: Exclude<ArtMessage, { kind: "picture" }>): void {
  if (message.kind === "surface") surfaces.set(message.name, new ArtSurface(message.surface, held));
  else if (message.kind === "view") surfaces.get(message.name)?.move(message.view, message.size);
  else {
    const damage = held.take(message.scene);
    for (const surface of surfaces.values()) surface.mark(damage);
  }
}

/** Pixels of a picture's height that are painted in one go. */
const BAND = 64;

/** Between two bands the desk's canvases are painted: the hand may have begun again. */
async function sendPicture({ box, longest, reply }: PictureWanted): Promise<void> {
  const scale = longest / Math.max(box.width, box.height);
  const view = { scale, x: -box.x * scale, y: -box.y * scale };
  const canvas = new OffscreenCanvas(Math.ceil(box.width * scale), Math.ceil(box.height * scale));
  const parts = held.parts.map((part) => ({ ...part, dim: false }));
  try {
    const context = canvas.getContext("2d")!;
    for (let y = 0; y < canvas.height; y += BAND) {
      paintWithin(context, parts, view, { x: 0, y, width: canvas.width, height: BAND });
      await new Promise((resolve) => setTimeout(resolve));
    }
    reply.postMessage(await dataUrlOf(await canvas.convertToBlob()));
  } catch {
    reply.postMessage(null);
  }
}

const dataUrlOf = (blob: Blob): Promise<unknown> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result);
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(blob);
  });

/** Milliseconds without a change after which what was only recoloured is painted from its items. */
const SETTLED = 250;
let settling: ReturnType<typeof setTimeout> | undefined;

function settle(): void {
  for (const surface of surfaces.values()) if (surface.settle()) surface.paint();
}

self.onmessage = ({ data }: MessageEvent<ArtMessage>) => {
  if (data.kind === "picture") {
    void sendPicture(data.picture);
    return;
  }
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
