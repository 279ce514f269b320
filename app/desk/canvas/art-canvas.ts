/** The art's canvas, painted in a worker so that the hand is never kept waiting. */
import type { Scene, SceneItem } from "#core/scene/scene.ts";
import type { ArtMessage } from "../../work/art.worker.ts";
import type { Size } from "../view.ts";
import type { View } from "./paint.ts";

export class ArtCanvas {
  private readonly worker = new Worker(new URL("../../work/art.worker.ts", import.meta.url), {
    type: "module",
  });
  private readonly names = new WeakMap<readonly SceneItem[], number>();
  private named = 0;
  /** Lists of items the worker holds. */
  private held = new Set<number>();

  constructor(frame: HTMLElement, name: string) {
    // A canvas can be handed over only once, so each layer makes its own.
    const canvas = document.createElement("canvas");
    canvas.dataset.layer = name;
    canvas.style.cssText = "width:100%;height:100%";
    frame.replaceChildren(canvas);
    const surface = canvas.transferControlToOffscreen();
    this.send({ kind: "surface", surface }, [surface]);
  }

  /** Lists of items that the worker holds already are not sent again. */
  show({ sheets }: Scene): void {
    const sent = sheets.map(({ opacity, items }) => {
      const list = this.nameOf(items);
      return { opacity, list, items: this.held.has(list) ? undefined : items };
    });
    this.held = new Set(sent.map(({ list }) => list));
    this.send({ kind: "sheets", sheets: sent });
  }

  private nameOf(items: readonly SceneItem[]): number {
    const known = this.names.get(items);
    if (known !== undefined) return known;
    this.names.set(items, ++this.named);
    return this.named;
  }

  move(view: View, { width, height }: Size): void {
    const k = devicePixelRatio;
    const size = { width: Math.round(width * k), height: Math.round(height * k) };
    this.send({ kind: "view", view: { scale: view.scale * k, x: view.x * k, y: view.y * k }, size });
  }

  stop(): void {
    this.worker.terminate();
  }

  private send(message: ArtMessage, transfer: Transferable[] = []): void {
    this.worker.postMessage(message, transfer);
  }
}
