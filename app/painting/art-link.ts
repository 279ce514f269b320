/** The desk's art: painted in one worker on as many canvases as show it, so that the hand is never kept waiting. */
import type { Box, Point, Size } from "#core/geometry/point.ts";
import type { Scene } from "#core/scene/scene.ts";
import { memoryOfMessage, type SceneMessage } from "./scene-message.ts";
import { SceneSender } from "./scene-sender.ts";
import type { View } from "./view.ts";

export type ArtMessage =
  | { readonly kind: "surface"; readonly name: string; readonly surface: OffscreenCanvas }
  | { readonly kind: "scene"; readonly scene: SceneMessage }
  /** Both in the canvas's own pixels. */
  | { readonly kind: "view"; readonly name: string; readonly view: View; readonly size: Size }
  | { readonly kind: "picture"; readonly picture: PictureWanted };

/** The scene as a picture of its own: a data URL goes to `reply`, null where it could not be painted. */
export interface PictureWanted {
  readonly box: Box;
  /** Pixels of its longer side. */
  readonly longest: number;
  readonly reply: MessagePort;
}

/** A pixel fainter than this has no colour of its own. */
const CLEAR = 128;

export class ArtLink {
  private readonly sender = new SceneSender();
  private readonly canvases = new Map<string, HTMLCanvasElement>();
  /** Pictures that are being painted. */
  private pictures: Promise<void> = Promise.resolve();

  constructor(private readonly worker: Worker) {}

  /** Puts a canvas into a frame; an earlier canvas of the same name is not painted any more. */
  canvasIn(frame: HTMLElement, name: string): void {
    // A canvas can be handed over only once, so each frame gets a new one.
    const canvas = document.createElement("canvas");
    canvas.dataset.layer = name;
    canvas.style.cssText = "width:100%;height:100%";
    frame.replaceChildren(canvas);
    this.canvases.set(name, canvas);
    const surface = canvas.transferControlToOffscreen();
    this.send({ kind: "surface", name, surface }, [surface]);
  }

  /** Sends what is new of a scene, or a slice of it: then false, and it is to be shown again. `alone` is the only part that shows fully. */
  show({ parts }: Scene, alone: string | null = null): boolean {
    const { message, whole } = this.sender.next(parts, alone);
    this.send({ kind: "scene", scene: message }, memoryOfMessage(message));
    return whole;
  }

  move(name: string, view: View, { width, height }: Size): void {
    const k = devicePixelRatio;
    const size = { width: Math.round(width * k), height: Math.round(height * k) };
    this.send({
      kind: "view",
      name,
      view: { ...view, scale: view.scale * k, x: view.x * k, y: view.y * k },
      size,
    });
  }

  /** A scene as a PNG in a data URL, all parts in full. It is sent first, where it has not been. */
  picture(scene: Scene, alone: string | null, longest: number): Promise<string> {
    while (!this.show(scene, alone));
    const { port1, port2 } = new MessageChannel();
    this.send({ kind: "picture", picture: { box: scene.box, longest, reply: port2 } }, [port2]);
    const painted = new Promise<string>((resolve, reject) => {
      port1.onmessage = ({ data }: MessageEvent<string | null>) =>
        data === null ? reject(new Error("This browser cannot paint the picture.")) : resolve(data);
    }).finally(() => port1.close());
    const before = this.pictures;
    // Nothing is held of what they were.
    this.pictures = painted.catch(() => {}).then(() => before);
    return painted;
  }

  /** What a canvas shows at a place in its CSS pixels, as #rrggbb; null where it is clear. */
  colourAt(name: string, [x, y]: Point): string | null {
    const canvas = this.canvases.get(name);
    const probe = new OffscreenCanvas(1, 1).getContext("2d");
    if (!canvas || !probe) return null;
    probe.drawImage(canvas, -Math.floor(x * devicePixelRatio), -Math.floor(y * devicePixelRatio));
    const [r, g, b, alpha] = probe.getImageData(0, 0, 1, 1).data;
    const hex = (n: number) => n.toString(16).padStart(2, "0");
    return alpha < CLEAR ? null : `#${hex(r)}${hex(g)}${hex(b)}`;
  }

  /** Ends once the pictures that are asked for, also in the moment of leaving, are painted. */
  stop(): void {
    setTimeout(() => void this.pictures.then(() => this.worker.terminate()));
  }

  private send(message: ArtMessage, transfer: Transferable[] = []): void {
    this.worker.postMessage(message, transfer);
  }
}
