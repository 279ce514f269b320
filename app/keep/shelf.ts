/**
 * Keeping drawings. Everything goes to the browser's storage; where that is unavailable a drawing lives in memory
 * for as long as the page is open, and the person is told.
 */
import type { Drawing } from "#core/drawing/drawing.ts";
import { beginHistory, type History, replay, type Step } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";
import { type DrawingRow, database } from "./database.ts";

export type Kept = "browser" | "memory";

/** Why the last change is not in the browser's storage. */
export class KeepProblem extends Error {
  constructor(readonly kind: "full" | "unavailable" | "elsewhere") {
    super(kind);
    this.name = "KeepProblem";
  }
}

const onlyInMemory = new Map<string, DrawingRow>();
/** What has become of them, for as long as the page is open. */
const inMemoryHistories = new Map<string, History>();

export const keepInMemory = (id: string, history: History): void => {
  inMemoryHistories.set(id, history);
};

/** The drawing's lines alone, for a drawer that has not seen it opened yet. */
export const plainThumbnail = (drawing: Drawing): string => writeSvg(sceneOf(drawing, derive(drawing, [])));

export async function listDrawings(): Promise<{ rows: DrawingRow[]; storage: Kept }> {
  try {
    const rows = await database.drawings.orderBy("changedAt").reverse().toArray();
    const kept = rows.filter(({ deletedAt }) => deletedAt === undefined);
    return { rows: [...onlyInMemory.values(), ...kept], storage: "browser" };
  } catch {
    return { rows: [...onlyInMemory.values()], storage: "memory" };
  }
}

/** Puts a new drawing on the shelf and says where it landed. */
export async function addDrawing(
  drawing: Drawing,
  thumbnail = plainThumbnail(drawing),
): Promise<{ id: string; kept: Kept }> {
  const row: DrawingRow = {
    id: newId(),
    name: drawing.name,
    changedAt: Date.now(),
    base: drawing,
    cursor: 0,
    revision: 0,
    thumbnail,
    strokes: Object.keys(drawing.strokes).length,
  };
  try {
    await database.drawings.add(row);
    return { id: row.id, kept: "browser" };
  } catch {
    onlyInMemory.set(row.id, row);
    return { id: row.id, kept: "memory" };
  }
}

export interface Opened {
  readonly history: History;
  readonly revision: number;
  readonly kept: Kept;
}

export async function openDrawing(id: string): Promise<Opened | undefined> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory) {
    const history = inMemoryHistories.get(id) ?? beginHistory(inMemory.base);
    const drawing = { ...history.drawing, name: inMemory.name };
    return { history: { ...history, drawing }, revision: 0, kept: "memory" };
  }
  const row = await database.drawings.get(id);
  if (!row || row.deletedAt !== undefined) return undefined;
  const steps = await database.steps.where("drawing").equals(id).sortBy("index");
  const history = replay(
    { ...row.base, name: row.name },
    steps.map(({ step }) => step),
    row.cursor,
  );
  return { history, revision: row.revision, kept: "browser" };
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
      await table.where("[drawing+index]").between([id, from], [id, Number.POSITIVE_INFINITY]).delete();
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

export async function keepThumbnail(id: string, thumbnail: string): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory) onlyInMemory.set(id, { ...inMemory, thumbnail });
  else await database.drawings.update(id, { thumbnail });
}

export async function renameDrawing(id: string, name: string): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  if (inMemory) onlyInMemory.set(id, { ...inMemory, name, base: { ...inMemory.base, name } });
  else await database.drawings.update(id, { name });
}

/** A copy of a drawing with its history, named after it. */
export async function duplicateDrawing(id: string): Promise<void> {
  const inMemory = onlyInMemory.get(id);
  const row = inMemory ?? (await database.drawings.get(id));
  if (!row) return;
  const copy: DrawingRow = { ...row, id: newId(), name: `${row.name} copy`, changedAt: Date.now() };
  if (inMemory) {
    onlyInMemory.set(copy.id, copy);
    const history = inMemoryHistories.get(id);
    if (history) inMemoryHistories.set(copy.id, history);
    return;
  }
  await database.transaction("rw", database.drawings, database.steps, async () => {
    const steps = await database.steps.where("drawing").equals(id).toArray();
    await database.drawings.add(copy);
    await database.steps.bulkAdd(steps.map((step) => ({ ...step, drawing: copy.id })));
  });
}

/** Deleting only hides; what was hidden for a day is cleared away on the next visit. */
export async function deleteDrawing(id: string): Promise<void> {
  if (!onlyInMemory.delete(id)) await database.drawings.update(id, { deletedAt: Date.now() });
}

export async function restoreDrawing(id: string): Promise<void> {
  await database.drawings.update(id, { deletedAt: undefined });
}

const DAY_MS = 24 * 60 * 60 * 1000;

export async function clearDeleted(now = Date.now()): Promise<void> {
  const old = await database.drawings
    .filter(({ deletedAt }) => deletedAt !== undefined && now - deletedAt > DAY_MS)
    .primaryKeys();
  await database.transaction("rw", database.drawings, database.steps, async () => {
    await database.drawings.bulkDelete(old);
    await database.steps.where("drawing").anyOf(old).delete();
  });
}
