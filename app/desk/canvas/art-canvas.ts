/** The art's canvas, painted in a worker so that the hand is never kept waiting. */
import type { Scene } from "#core/scene/scene.ts";
import type { ArtMessage } from "../../work/art.worker.ts";
import type { Size } from "../view.ts";
import type { View } from "./paint.ts";

export class ArtCanvas {
  private readonly worker = new Worker(new URL("../../work/art.worker.ts", import.meta.url), {
    type: "module",
  });

  constructor(frame: HTMLElement, name: string) {
    // A canvas can be handed over only once, so each layer makes its own.
    const canvas = document.createElement("canvas");
    canvas.dataset.layer = name;
    canvas.style.cssText = "width:100%;height:100%";
    frame.replaceChildren(canvas);
    const surface = canvas.transferControlToOffscreen();
    this.send({ kind: "surface", surface }, [surface]);
  }

  show(scene: Scene): void {
    this.send({ kind: "scene", scene });
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
