/** Hands files to the person: one by itself, several as a zip or into a folder; and remembers that it did. */
import { type Zippable, zipSync } from "fflate";
import { FILE_KINDS } from "#core/deliver/kinds.ts";
import { keepDelivery } from "../../keep/deliveries.ts";
import { downloadFile } from "../../ui/download.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { type MadeFile, makeFiles, type Progress, plainFileName } from "./make-files.ts";
import type { TakeHome } from "./request.ts";

/** Compressed already. */
const PACKED = /\.(png|pdf|ora)$/;

/** Where files go. */
export type Place = "download" | "folder";

/** A folder that the person chose: the browser may have none to offer. */
interface Folder {
  getFileHandle(name: string, options?: { create: true }): Promise<FileHandle>;
}
interface FileHandle {
  createWritable(): Promise<{ write(blob: Blob): Promise<void>; close(): Promise<void> }>;
}
type WithFolders = { showDirectoryPicker?: (options: { mode: "readwrite" }) => Promise<Folder> };

export const hasFolders = (): boolean =>
  typeof window !== "undefined" && "showDirectoryPicker" in (window as WithFolders);

/** What was handed over; undefined where it was stopped or no folder was chosen. Throws an Error that says what went wrong. */
export async function handOver(
  desk: DeskStore,
  request: TakeHome,
  place: Place,
  onProgress: Progress,
): Promise<readonly string[] | undefined> {
  const folder = place === "folder" ? await chosenFolder() : undefined;
  if (place === "folder" && !folder) return undefined;
  const made = await makeFiles(desk, request, onProgress);
  if (!made) return undefined;
  if (made.length === 0) throw new Error("There is nothing to save of what is chosen.");
  const saved: MadeFile[] = [];
  if (folder) for (const file of made) saved.push(await write(folder, file));
  else saved.push(...(await download(desk, made)));
  remember(desk, request, saved);
  return saved.map(({ name }) => name);
}

const chosenFolder = (): Promise<Folder | undefined> =>
  (window as WithFolders).showDirectoryPicker!({ mode: "readwrite" }).catch((error: unknown) => {
    if ((error as Error).name === "AbortError") return undefined;
    throw new Error("The browser did not open that folder.");
  });

/** Nothing in the folder is overwritten: a taken name gets a number. */
async function write(folder: Folder, { name, blob }: MadeFile): Promise<MadeFile> {
  const own = await nameIn(folder, name);
  const handle = await folder.getFileHandle(own, { create: true });
  const writable = await handle.createWritable();
  await writable.write(blob);
  await writable.close();
  return { name: own, blob };
}

async function nameIn(folder: Folder, name: string): Promise<string> {
  const [, base, ending] = /^(.*?)(\.\w+)?$/.exec(name)!;
  for (let n = 1; ; n++) {
    const one = n === 1 ? name : `${base}-${n}${ending ?? ""}`;
    const isTaken = await folder.getFileHandle(one).then(
      () => true,
      (error: unknown) => (error as Error).name !== "NotFoundError",
    );
    if (!isTaken) return one;
    if (n > MOST_NUMBERED) throw new Error("That folder has too many files of this name.");
  }
}

const MOST_NUMBERED = 999;

async function download(desk: DeskStore, made: readonly MadeFile[]): Promise<readonly MadeFile[]> {
  if (made.length === 1) {
    downloadFile(made[0].blob, made[0].name);
    return made;
  }
  const entries = await Promise.all(
    made.map(
      async ({ name, blob }): Promise<[string, Zippable[string]]> => [
        name,
        [new Uint8Array(await blob.arrayBuffer()), { level: PACKED.test(name) ? 0 : 6 }],
      ],
    ),
  );
  const zip = zipSync(Object.fromEntries(entries));
  downloadFile(
    new Blob([zip as Uint8Array<ArrayBuffer>], { type: "application/zip" }),
    `${plainFileName(desk.getState().drawing.name)}.zip`,
  );
  return made;
}

function remember(desk: DeskStore, request: TakeHome, made: readonly MadeFile[]): void {
  const { id, noteExport, say } = desk.getState();
  const kinds = request.kinds.map((kind) => FILE_KINDS[kind].word);
  noteExport(
    kinds.length === 1
      ? `${kinds[0] === "Drawing file" ? "file" : kinds[0]} saved`
      : `${made.length} files saved`,
  );
  say(`Saved ${made.map(({ name }) => name).join(", ")}`);
  const files = made.map(({ name, blob }) => ({ name, bytes: blob.size }));
  void keepDelivery({ drawing: id, at: Date.now(), wish: request, files });
}

/** What clipboards take: PNG for pictures, the text of an SVG. */
export async function copyFile(desk: DeskStore, request: TakeHome, onProgress: Progress): Promise<boolean> {
  const [kind] = request.kinds;
  const blob = makeFiles(desk, request, onProgress).then((made) => made?.[0]?.blob ?? new Blob());
  const type = kind === "png" ? "image/png" : "text/plain";
  const typed = blob.then((one) => new Blob([one], { type }));
  await navigator.clipboard.write([new ClipboardItem({ [type]: typed })]);
  return (await blob).size > 0;
}

export const bytesWord = (bytes: number): string =>
  bytes < 1000
    ? `${bytes} bytes`
    : bytes < 1e6
      ? `${Math.round(bytes / 1000)} kB`
      : `${(bytes / 1e6).toFixed(1)} MB`;
