/** Typed clients of the workers. */
import * as Comlink from "comlink";
import type { LightWork } from "./light.worker.ts";
import type { PaletteWork } from "./palette.worker.ts";
import type { PictureWork } from "./picture.worker.ts";
import type { PocketWork } from "./pocket-work.ts";
import type { ReadingWork } from "./reading.worker.ts";
import type { TraceWork } from "./trace.worker.ts";

export interface Client<T> {
  readonly work: Comlink.Remote<T>;
  readonly stop: () => void;
}

const START = {
  pockets: () => new Worker(new URL("./pockets.worker.ts", import.meta.url), { type: "module" }),
  reading: () => new Worker(new URL("./reading.worker.ts", import.meta.url), { type: "module" }),
  trace: () => new Worker(new URL("./trace.worker.ts", import.meta.url), { type: "module" }),
  art: () => new Worker(new URL("./art.worker.ts", import.meta.url), { type: "module" }),
  light: () => new Worker(new URL("./light.worker.ts", import.meta.url), { type: "module" }),
  palette: () => new Worker(new URL("./palette.worker.ts", import.meta.url), { type: "module" }),
  picture: () => new Worker(new URL("./picture.worker.ts", import.meta.url), { type: "module" }),
};

type Name = keyof typeof START;

/** Started ahead; each is taken once. */
const ready = new Map<Name, Worker>();

/** Starts what opening a drawing will ask for, while nobody waits: together they take a good part of a second. */
export function readyWorkers(): void {
  for (const name of ["reading", "pockets", "art", "picture", "light"] as const)
    if (!ready.has(name)) ready.set(name, START[name]());
}

function taken(name: Name): Worker {
  const worker = ready.get(name) ?? START[name]();
  ready.delete(name);
  return worker;
}

function connect<T>(name: Name): Client<T> {
  const worker = taken(name);
  return { work: Comlink.wrap<T>(worker), stop: () => worker.terminate() };
}

export const pocketClient = (): Client<PocketWork> => connect("pockets");

/** What waits to be used gives way to the reading: any word makes it rest (warm-up.ts). */
export function readingClient(): Client<ReadingWork> {
  ready.get("pockets")?.postMessage("rest");
  return connect("reading");
}

export const traceClient = (): Client<TraceWork> => connect("trace");

/** Paints the art's canvases (painting/art-link.ts). */
export const artWorker = (): Worker => taken("art");

export const pictureClient = (): Client<PictureWork> => connect("picture");

export const lightClient = (): Client<LightWork> => connect("light");

export const paletteClient = (): Client<PaletteWork> => connect("palette");
