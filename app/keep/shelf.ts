/**
 * Keeping drawings. Everything goes to the browser's storage; where that is unavailable a drawing lives in memory
 * for as long as the page is open, and the person is told.
 */
import type { Table } from "dexie";
import type { Drawing } from "#core/drawing/drawing.ts";
import { beginHistory, type History, type Step } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import { pack } from "#core/drawing/packed.ts";
import type { Mended } from "#core/drawing/say-repairs.ts";
import { VERSION } from "#core/drawing/upgrade.ts";
import { type DrawingRow, database, type PictureRow } from "./database.ts";
import { asideTold, putInPlace, type Rows, readRows, rowsFile, soundRow, versionOf } from "./mend.ts";
import { deleteStepsFrom, looseSteps } from "./step-blocks.ts";

export type Kept = "browser" | "memory";

/** Why the last change is not in the browser's storage. */
export class KeepProblem extends Error {
  constructor(readonly kind: "full" | "unavailable" | "elsewhere") {
    super(kind);
    this.name = "KeepProblem";
  }
}

/** A drawing as the drawer shows it. */
export type Shown = DrawingRow & Pick<PictureRow, "thumbnail">;

interface InMemory {
  readonly row: Shown;
  readonly history: History;
}

const onlyInMemory = new Map<string, InMemory>();

export function keepInMemory(id: string, history: History): void {
  const held = onlyInMemory.get(id);
  if (held) onlyInMemory.set(id, { ...held, history });
}

const changeInMemory = (id: string, { row, history }: InMemory, change: Partial<Shown>): void => {
  onlyInMemory.set(id, { history, row: { ...row, ...change } });
};

/** Who looks through the drawer needs nothing of what paints. */
const thumbnailOf = async (drawing: Drawing): Promise<string> =>
  (await import("./plain-thumbnail.ts")).plainThumbnail(drawing);

export async function listDrawings(): Promise<{ rows: Shown[]; storage: Kept }> {
  const inMemory = [...onlyInMemory.values()].flatMap(({ row }) =>
    row.deletedAt === undefined ? [row] : [],
  );
  try {
    const rows = (await database.drawings.toArray()).map(soundRow);
    const kept = rows.filter(({ deletedAt }) => deletedAt === undefined);
    const pictured = await withPictures(kept.sort((a, b) => b.changedAt - a.changedAt));
    return { rows: [...inMemory, ...pictured], storage: "browser" };
  } catch {
    return { rows: inMemory, storage: "memory" };
  }
}

async function withPictures(rows: readonly DrawingRow[]): Promise<Shown[]> {
  const pictures = await database.pictures.bulkGet(rows.map(({ id }) => id));
  return rows.map((row, k) => ({ ...row, thumbnail: textOf(pictures[k]?.thumbnail) }));
}

/** Of whatever was stored. */
const textOf = (value: unknown): string => (typeof value === "string" ? value : "");

const rowOf = (id: string, { name, strokes }: Drawing): DrawingRow => ({
  id,
  name,
  version: VERSION,
  changedAt: Date.now(),
  cursor: 0,
  revision: 0,
  strokes: Object.keys(strokes).length,
});

/** Puts a new drawing on the shelf and says where it landed. */
export const addDrawing = async (drawing: Drawing, thumbnail?: string): Promise<{ id: string; kept: Kept }> =>
  addHistory({ base: drawing, history: beginHistory(drawing) }, thumbnail ?? (await thumbnailOf(drawing)));

/** The same with all the steps that led to it. */
export async function addHistory(
  { base, history }: { readonly base: Drawing; readonly history: History },
  thumbnail: string,
): Promise<{ id: string; kept: Kept }> {
  const { drawing, steps: done, cursor } = history;
  const row = { ...rowOf(newId(), drawing), cursor };
  const { drawings, pictures, bases, steps } = database;
  try {
    await database.transaction("rw", drawings, pictures, bases, steps, async () => {
      await drawings.add(row);
      await pictures.add({ id: row.id, thumbnail });
      await bases.add({ id: row.id, base: pack(base) });
      await steps.bulkAdd(done.map((step, index) => ({ drawing: row.id, index, step })));
    });
    return { id: row.id, kept: "browser" };
  } catch {
    onlyInMemory.set(row.id, { row: { ...row, thumbnail }, history });
    return { id: row.id, kept: "memory" };
  }
}

/** Drawings put on the shelf elsewhere, for the desk that is about to open them. */
const justAdded = new Map<string, Drawing>();

/**
 * Takes over a drawing that a worker has put on the shelf; in memory where it could not, or the page does not find it. One with steps
 * is read from the shelf.
 */
export async function takeAdded(id: string, drawing: Drawing, hasSteps: boolean): Promise<void> {
  const row = await database.drawings.get(id).catch(() => undefined);
  if (row && !hasSteps) justAdded.set(id, drawing);
  else if (!row)
    onlyInMemory.set(id, {
      row: { ...rowOf(id, drawing), thumbnail: await thumbnailOf(drawing) },
      history: beginHistory(drawing),
    });
}

export interface Opened {
  readonly history: History;
  readonly revision: number;
  readonly kept: Kept;
  /** What had gone bad in storage; as it was it is put aside (mend.ts). */
  readonly mended?: Mended;
}

/** A drawing that a later version has kept: it is left alone. */
export class NewerDrawing extends Error {
  constructor(readonly id: string) {
    super("newer");
    this.name = "NewerDrawing";
  }
}

/** What storage has of a drawing as text for a file, though it cannot be opened here. */
export async function storedFile(id: string): Promise<string | undefined> {
  const rows = await rowsOf(id);
  return rows && rowsFile(rows);
}

/** Throws a NewerDrawing where a later version has kept it. */
export async function openDrawing(id: string): Promise<Opened | undefined> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory && inMemory.row.deletedAt === undefined) {
    const { row, history } = inMemory;
    const drawing = { ...history.drawing, name: row.name };
    return { history: { ...history, drawing }, revision: 0, kept: "memory" };
  }
  const added = justAdded.get(id);
  if (added) {
    justAdded.delete(id);
    return { history: beginHistory(added), revision: 0, kept: "browser" };
  }
  const rows = await rowsOf(id);
  if (!rows) return undefined;
  if (versionOf(rows.row) > VERSION) throw new NewerDrawing(id);
  const read = readRows(rows);
  const { history, mended } = read;
  if (mended || versionOf(rows.row) < VERSION)
    return { history, revision: await putInPlace(id, rows, read), kept: "browser", mended };
  return { history, revision: rows.row.revision, kept: "browser", mended: await asideTold(id) };
}

/** All that storage has of a drawing that is not deleted. */
export async function rowsOf(id: string): Promise<Rows | undefined> {
  const { drawings, bases, steps: table } = database;
  return database.transaction("r", drawings, bases, table, async () => {
    const row = await drawings.get(id);
    if (!row || row.deletedAt !== undefined) return undefined;
    const steps = looseSteps(await table.where("drawing").equals(id).sortBy("index"));
    return { row, begun: await bases.get(id), steps };
  });
}

/** What a change leaves behind: steps from `from` on are replaced by `steps`, and `cursor` of them are done. */
export interface Change {
  readonly from: number;
  readonly steps: readonly Step[];
  readonly cursor: number;
}

/** Writes one change in one transaction; fails whole, with nothing half written. */
export async function keepChange(
  id: string,
  revision: number,
  { from, steps, cursor }: Change,
): Promise<void> {
  const { drawings, steps: table } = database;
  try {
    await database.transaction("rw", drawings, table, async () => {
      const row = await drawings.get(id);
      if (!row) throw new KeepProblem("unavailable");
      if (row.revision !== revision) throw new KeepProblem("elsewhere");
      await deleteStepsFrom(id, from);
      await table.bulkPut(steps.map((step, k) => ({ drawing: id, index: from + k, step })));
      await drawings.update(id, { cursor, revision: revision + 1, changedAt: Date.now() });
    });
  } catch (error) {
    throw asKeepProblem(error);
  }
}

function asKeepProblem(error: unknown): KeepProblem {
  if (error instanceof KeepProblem) return error;
  const inner = (error as { inner?: unknown }).inner;
  if (inner instanceof KeepProblem) return inner;
  const names = [error, inner].map((e) => (e as { name?: string } | undefined)?.name ?? "");
  return new KeepProblem(names.some((name) => name.includes("Quota")) ? "full" : "unavailable");
}

/** What the drawer shows of a drawing now. */
export async function keepLook(id: string, look: Pick<Shown, "thumbnail" | "strokes">): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory) {
    changeInMemory(id, inMemory, look);
    return;
  }
  const { drawings, pictures } = database;
  await database.transaction("rw", drawings, pictures, async () => {
    if (!(await drawings.get(id))) return;
    await drawings.update(id, { strokes: look.strokes });
    await pictures.put({ id, thumbnail: look.thumbnail });
  });
}

/** A picture for a drawing that has none yet. */
export async function keepFirstThumbnail(id: string, thumbnail: string): Promise<void> {
  await database.pictures
    .where("id")
    .equals(id)
    .modify((row) => {
      if (!row.thumbnail) Object.assign(row, { thumbnail });
    });
}

export async function renameDrawing(id: string, name: string): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory) changeInMemory(id, inMemory, { name });
  else await database.drawings.update(id, { name });
}

/** A copy of a drawing with its history, named after it. */
export async function duplicateDrawing(id: string): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  const copyOf = <T extends DrawingRow>(row: T): T => ({
    ...row,
    id: newId(),
    name: `${row.name} copy`,
    changedAt: Date.now(),
  });
  if (inMemory) {
    const row = copyOf(inMemory.row);
    onlyInMemory.set(row.id, { ...inMemory, row });
    return;
  }
  const { drawings, pictures, bases, steps: table } = database;
  await database.transaction("rw", drawings, pictures, bases, table, async () => {
    const row = await drawings.get(id);
    const begun = await bases.get(id);
    if (!row || !begun) return;
    const copy = copyOf(row);
    const steps = await table.where("drawing").equals(id).toArray();
    const picture = await pictures.get(id);
    await drawings.add(copy);
    if (picture) await pictures.add({ ...picture, id: copy.id });
    await bases.add({ ...begun, id: copy.id });
    await table.bulkAdd(steps.map((step) => ({ ...step, drawing: copy.id })));
  });
}

/** Deleting only hides; what was hidden for a day is cleared away on the next visit. */
export const deleteDrawing = (id: string): Promise<void> => setDeleted(id, Date.now());

export const restoreDrawing = (id: string): Promise<void> => setDeleted(id, undefined);

async function setDeleted(id: string, deletedAt: number | undefined): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory) changeInMemory(id, inMemory, { deletedAt });
  else await database.drawings.update(id, { deletedAt });
}

const DAY_MS = 24 * 60 * 60 * 1000;

export async function clearDeleted(now = Date.now()): Promise<void> {
  const old = await database.drawings
    .filter(({ deletedAt }) => deletedAt !== undefined && now - deletedAt > DAY_MS)
    .primaryKeys();
  const { drawings, pictures, bases, steps, versions, deliveries } = database;
  await database.transaction("rw", [drawings, pictures, bases, steps, versions, deliveries], async () => {
    await drawings.bulkDelete(old);
    await pictures.bulkDelete(old);
    await bases.bulkDelete(old);
    for (const table of [steps, versions, deliveries])
      await (table as Table).where("drawing").anyOf(old).delete();
  });
}
