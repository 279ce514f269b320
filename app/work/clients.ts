/** Typed clients of the workers. */
import * as Comlink from "comlink";
import type { PictureWork } from "./picture.worker.ts";
import type { PocketWork } from "./pockets.worker.ts";
import type { ReadingWork } from "./reading.worker.ts";
import type { TraceWork } from "./trace.worker.ts";

export interface Client<T> {
  readonly work: Comlink.Remote<T>;
  readonly stop: () => void;
}

function connect<T>(worker: Worker): Client<T> {
  return { work: Comlink.wrap<T>(worker), stop: () => worker.terminate() };
}

export const pocketClient = (): Client<PocketWork> =>
  connect(new Worker(new URL("./pockets.worker.ts", import.meta.url), { type: "module" }));

export const readingClient = (): Client<ReadingWork> =>
  connect(new Worker(new URL("./reading.worker.ts", import.meta.url), { type: "module" }));

export const traceClient = (): Client<TraceWork> =>
  connect(new Worker(new URL("./trace.worker.ts", import.meta.url), { type: "module" }));

/** Paints the art's canvases (painting/art-link.ts). */
export const artWorker = (): Worker =>
  new Worker(new URL("./art.worker.ts", import.meta.url), { type: "module" });

export const pictureClient = (): Client<PictureWork> =>
  connect(new Worker(new URL("./picture.worker.ts", import.meta.url), { type: "module" }));
