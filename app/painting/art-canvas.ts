/** The art's canvas, painted in a worker so that the hand is never kept waiting. */
import type { Scene } from "#core/scene/scene.ts";
import { memoryOfMessage, type SceneMessage, SceneSender } from "./held-scene.ts";
import type { Size, View } from "./view.ts";

export type ArtMessage =
  | { readonly kind: "surface"; readonly surface: OffscreenCanvas }
  | { readonly kind: "scene"; readonly scene: SceneMessage }
  /** Both in the canvas's own pixels. */
  | { readonly kind: "view"; readonly view: View; readonly size: Size };

export class ArtCanvas {
  private readonly sender = new SceneSender();

  constructor(
    frame: HTMLElement,
    name: string,
    private readonly worker: Worker,
  ) {
    // A canvas can be handed over only once, so each layer makes its own.
    const canvas = document.createElement("canvas");
    canvas.dataset.layer = name;
    canvas.style.cssText = "width:100%;height:100%";
    frame.replaceChildren(canvas);
    const surface = canvas.transferControlToOffscreen();
    this.send({ kind: "surface", surface }, [surface]);
  }

  /** `alone` is the only part that shows fully. */
  show({ parts }: Scene, alone: string | null = null): void {
    const scene = this.sender.message(parts, alone);
    this.send({ kind: "scene", scene }, memoryOfMessage(scene));
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
