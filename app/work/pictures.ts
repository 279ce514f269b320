/** Pictures of the desk's scene, made in a worker that keeps a copy of it: only what is new is sent, in slices. */
import * as Comlink from "comlink";
import type { FileRequest } from "#core/deliver/files.ts";
import type { Scene } from "#core/scene/scene.ts";
import { memoryOfMessage } from "../painting/scene-message.ts";
import { SceneSender } from "../painting/scene-sender.ts";
import { pictureClient } from "./clients.ts";
import type { FileBlob } from "./picture.worker.ts";

export class Pictures {
  private readonly client = pictureClient();
  private readonly sender = new SceneSender();
  /** One picture is made after the other. */
  private queue: Promise<unknown> = Promise.resolve();

  /** The scene as SVG. */
  svg(scene: Scene): Promise<string> {
    return this.after(() => this.bring(scene).then(() => this.client.work.svg(frameOf(scene))));
  }

  /** Hears how much is done, 0 to 1; undefined where it was stopped. */
  files(
    scene: Scene,
    request: FileRequest,
    onProgress: (share: number) => void,
  ): Promise<FileBlob[] | undefined> {
    return this.after(async () => {
      await this.bring(scene);
      return this.client.work.files(frameOf(scene), request, Comlink.proxy(onProgress));
    });
  }

  /** Stops the files that are being made. */
  stop(): void {
    void this.client.work.stop();
  }

  /** Ends once what is asked for, also in the moment of leaving, is made. */
  close(): void {
    setTimeout(() => void this.queue.finally(() => this.client.stop()));
  }

  private after<T>(work: () => Promise<T>): Promise<T> {
    const result = this.queue.then(work);
    this.queue = result.catch(() => {});
    return result;
  }

  private async bring({ parts }: Scene): Promise<void> {
    for (let whole = false; !whole; ) {
      const next = this.sender.next(parts);
      whole = next.whole;
      await this.client.work.take(Comlink.transfer(next.message, memoryOfMessage(next.message)));
    }
  }
}

/** The scene without what the worker has of it. */
const frameOf = (scene: Scene): Scene => ({
  ...scene,
  parts: scene.parts.map((part) => ({
    ...part,
    hides: [],
    sheets: part.sheets.map((sheet) => ({ ...sheet, items: [] })),
  })),
});
