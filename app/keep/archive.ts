/**
 * The whole drawer as one file: a zip with each drawing as a drawing file, which opens by itself, and beside it all its steps and
 * versions. Putting one in adds its drawings to those that are there; nothing is replaced.
 */
import { strFromU8, strToU8, unzipSync, type Zippable, zipSync } from "fflate";
import type { Drawing } from "#core/drawing/drawing.ts";
import { type Step, upgradedHistory } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import { pack, unpack } from "#core/drawing/packed.ts";
import { VERSION } from "#core/drawing/upgrade.ts";
import { drawingFileText, packedDrawingFile, readDrawingFile } from "#core/formats/drawing-file.ts";
import { FileProblem } from "#core/formats/file-problem.ts";
import { database, type StepRow, type VersionRow } from "./database.ts";
import { readRows, soundRow } from "./mend.ts";
import { openDrawing, rowsOf } from "./shelf.ts";

const FORMAT = "fern-pocket-drawer";

interface Listed {
  readonly name: string;
  readonly changedAt: number;
  readonly thumbnail: string;
  readonly drawing: string;
  readonly history: string;
}

/** What a drawing was before its first step, and all since. */
interface Past {
  readonly version: number;
  readonly base: Drawing;
  readonly steps: readonly Step[];
  readonly cursor: number;
  readonly versions: readonly {
    readonly name: string;
    readonly at: number;
    readonly own?: true;
    readonly file: string;
  }[];
}

export interface TakenOut {
  readonly zip: Blob;
  /** Names of drawings that could not be opened here, and so are not in it. */
  readonly left: readonly string[];
}

/** Hears how much is packed, 0 to 1. */
export async function drawerArchive(onProgress: (share: number) => void): Promise<TakenOut> {
  const rows = (await database.drawings.toArray()).filter(({ deletedAt }) => deletedAt === undefined);
  const files: Record<string, Zippable[string]> = {};
  const listed: Listed[] = [];
  const left: string[] = [];
  for (const [k, { id, name, changedAt }] of rows.entries()) {
    const opened = await openDrawing(id).catch(() => undefined);
    const kept = await rowsOf(id);
    if (!opened || !kept?.begun) {
      left.push(name);
      continue;
    }
    const called = `${k + 1} ${name.replace(/[^\p{L}\p{N} _-]+/gu, "").trim() || "drawing"}`;
    const entry = { drawing: `drawings/${called}.fern`, history: `history/${k + 1}.json` };
    const versions = await database.versions.where("drawing").equals(id).toArray();
    const past: Past = {
      version: VERSION,
      base: unpack(kept.begun.base),
      steps: opened.history.steps,
      cursor: opened.history.cursor,
      versions: versions.map(({ name: called, at, own, file }) => ({
        name: called,
        at,
        ...(own ? { own } : {}),
        file: inBase64(file),
      })),
    };
    files[entry.drawing] = [packedDrawingFile(opened.history.drawing), { level: 0 }];
    files[entry.history] = strToU8(JSON.stringify(past));
    const thumbnail = (await database.pictures.get(id))?.thumbnail ?? "";
    listed.push({ name, changedAt, thumbnail, ...entry });
    onProgress((k + 1) / rows.length);
  }
  files["drawer.json"] = strToU8(JSON.stringify({ format: FORMAT, version: VERSION, drawings: listed }));
  const zip = new Blob([zipSync(files) as Uint8Array<ArrayBuffer>], { type: "application/zip" });
  return { zip, left };
}

export interface TakenIn {
  readonly drawings: number;
  /** Names of those that came in as they are, without their steps; not quite as they were; and not at all. */
  readonly bare: readonly string[];
  readonly mended: readonly string[];
  readonly lost: readonly string[];
}

/** Throws a FileProblem for what is no archive of a drawer; then nothing has come in. */
export async function takeArchive(bytes: Uint8Array, onProgress: (share: number) => void): Promise<TakenIn> {
  const files = unzipped(bytes);
  const listed = listIn(files);
  const bare: string[] = [];
  const mended: string[] = [];
  const lost: string[] = [];
  for (const [k, entry] of listed.entries()) {
    const whole = await addPast(entry, pastIn(files[entry.history]));
    if (whole === "mended") mended.push(entry.name);
    if (whole === undefined) {
      const base = drawingIn(files[entry.drawing]);
      const past = base && { version: VERSION, base, steps: [], cursor: 0, versions: [] };
      ((await addPast(entry, past)) ? bare : lost).push(entry.name);
    }
    onProgress((k + 1) / listed.length);
  }
  return { drawings: listed.length - lost.length, bare, mended, lost };
}

function unzipped(bytes: Uint8Array): Record<string, Uint8Array> {
  try {
    return unzipSync(bytes);
  } catch {
    throw new FileProblem("broken", "This archive is damaged and cannot be opened.");
  }
}

function listIn(files: Record<string, Uint8Array>): Listed[] {
  try {
    const { format, drawings } = JSON.parse(strFromU8(files["drawer.json"]));
    if (format === FORMAT) return drawings;
  } catch {
    // told below
  }
  throw new FileProblem("not-ours", "This zip is not a Fern Pocket drawer.");
}

function pastIn(bytes: Uint8Array | undefined): Past | undefined {
  try {
    return bytes && JSON.parse(strFromU8(bytes));
  } catch {
    return undefined;
  }
}

function drawingIn(bytes: Uint8Array | undefined): Drawing | undefined {
  try {
    return bytes && readDrawingFile(drawingFileText(bytes));
  } catch {
    return undefined;
  }
}

/** Undefined where its steps make no sense. */
async function addPast(listed: Listed, past: Past | undefined): Promise<"whole" | "mended" | undefined> {
  const kept = past && keptIn(past);
  if (!kept) return undefined;
  const id = newId();
  const { drawings, pictures, bases, steps, versions } = database;
  const row = soundRow({
    ...listed,
    id,
    version: VERSION,
    cursor: kept.cursor,
    revision: kept.steps.length,
    strokes: 0,
  });
  const read = readRows({ row, begun: { id, base: pack(kept.base) }, steps: stepRows(id, kept.steps) });
  const { steps: done, drawing, cursor } = read.history;
  if (done.length < kept.steps.length) return undefined;
  const own = versionRows(id, past.versions);
  await database.transaction("rw", drawings, pictures, bases, steps, versions, async () => {
    await drawings.add({ ...row, cursor, strokes: Object.keys(drawing.strokes).length });
    await pictures.add({ id, thumbnail: listed.thumbnail });
    await bases.add({ id, base: pack(read.base) });
    await steps.bulkAdd(stepRows(id, done));
    await versions.bulkAdd(own.rows);
  });
  return read.mended || !own.whole ? "mended" : "whole";
}

const stepRows = (drawing: string, steps: readonly Step[]): StepRow[] =>
  steps.map((step, index) => ({ drawing, index, step }));

/** Those of a list of versions that make sense, and whether all do. */
function versionRows(drawing: string, list: unknown): { rows: VersionRow[]; whole: boolean } {
  if (!Array.isArray(list)) return { rows: [], whole: false };
  const rows = list.flatMap((version): VersionRow[] => {
    try {
      return [versionRow(drawing, version)];
    } catch {
      return [];
    }
  });
  return { rows, whole: rows.length === list.length };
}

/** Throws where it is none. */
const versionRow = (drawing: string, { name, at, own, file }: Past["versions"][number]): VersionRow => ({
  id: newId(),
  drawing,
  name: String(name),
  at: Number(at) || 0,
  ...(own ? { own } : {}),
  file: fromBase64(file),
  picture: null,
});

function keptIn(past: Past): Pick<Past, "base" | "steps" | "cursor"> | undefined {
  try {
    return past.version < VERSION ? upgradedHistory(past, past.version) : past;
  } catch {
    return undefined;
  }
}

function inBase64(bytes: Uint8Array): string {
  let text = "";
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}

const fromBase64 = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
