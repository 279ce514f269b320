/** Makes files of a scene that is sent in slices. */
import * as Comlink from "comlink";
import { type FileRequest, filesOf } from "#core/deliver/files.ts";
import { type GoOn, Stopped } from "#core/deliver/studio.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import type { Scene } from "#core/scene/scene.ts";
import { HeldScene } from "../painting/held-scene.ts";
import type { SceneMessage } from "../painting/scene-message.ts";
import { canvasStudio } from "./canvas-studio.ts";

const held = new HeldScene();

const studio = canvasStudio(
  () => new Worker(new URL("./deflate.worker.ts", import.meta.url), { type: "module" }),
);

function take(message: SceneMessage): void {
  held.take(message);
}

/** Adds to a scene that came without its items those that are held here. */
const filled = (frame: Scene): Scene => ({
  ...frame,
  parts: frame.parts.map((part) => ({
    ...part,
    hides: held.parts.find(({ id }) => id === part.id)?.hides ?? [],
    sheets: part.sheets.map((sheet) => ({ ...sheet, items: held.itemsOf(part.id, sheet.name) })),
  })),
});

let stopped = false;

/** A request to stop comes as a message: it is heard between bands. */
const messagesHeard = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** A file as it is handed to the page. */
export interface FileBlob {
  readonly name: string;
  readonly blob: Blob;
}

/** Undefined where it was stopped. */
async function files(
  frame: Scene,
  request: FileRequest,
  onProgress: (share: number) => void,
): Promise<FileBlob[] | undefined> {
  stopped = false;
  const goOn: GoOn = async (share) => {
    onProgress(share);
    await messagesHeard();
    return !stopped;
  };
  try {
    const made = await filesOf(filled(frame), request, studio, goOn);
    return made.map(({ name, type, parts }) => ({
      name,
      blob: new Blob([...parts] as BlobPart[], { type }),
    }));
  } catch (error) {
    if (error instanceof Stopped) return undefined;
    throw error;
  }
}

/** Ends the files that are being made. */
function stop(): void {
  stopped = true;
}

const svg = (frame: Scene): string => writeSvg(filled(frame));

const work = { take, files, stop, svg };

export type PictureWork = typeof work;

Comlink.expose(work);
