/**
 * Rows gone bad: a drawing opens as far as it can be read. What cannot is put aside whole, to be saved as a file, before anything
 * is written in its place.
 */
import "reflect-metadata";
import type { Drawing } from "#core/drawing/drawing.ts";
import { FIELD_NAMES } from "#core/drawing/fields.ts";
import { beginHistory, type History, replay, type Step } from "#core/drawing/history.ts";
import { pack, unpack } from "#core/drawing/packed.ts";
import { toRecord } from "#core/drawing/record-form.ts";
import { isSound } from "#core/drawing/sound.ts";
import { checked, recordOf } from "#core/formats/drawing-records.ts";
import { salvaged } from "#core/formats/salvage.ts";
import { type BaseRow, type DrawingRow, database, type StepRow } from "./database.ts";

/** All that storage has of one drawing, whatever it is. */
export interface Rows {
  readonly row: DrawingRow;
  readonly begun: BaseRow | undefined;
  readonly steps: readonly StepRow[];
}

export interface Read {
  readonly history: History;
  /** What had gone bad, in words; none where all is well. */
  readonly lost?: string;
}

const Whole = recordOf(FIELD_NAMES);

export function readRows({ row, begun, steps }: Rows): Read {
  const base = unpacked(begun);
  const history = base && replayed(base, steps, row);
  if (history && isSound(history.drawing) && "value" in checked(Whole, toRecord(history.drawing)))
    return { history };
  const { drawing, lost } = salvaged(history?.drawing ?? (base && asFarAsItGoes(base, steps)));
  const fields = Object.keys(lost);
  const what = fields.length > 0 ? fields.join(", ") : base ? "its steps" : "all of it";
  return { history: beginHistory({ ...drawing, name: nameOf(row) }), lost: what };
}

function unpacked(begun: BaseRow | undefined): Drawing | undefined {
  try {
    return begun && unpack(begun.base);
  } catch {
    return undefined;
  }
}

/** What a drawing had become before the first of its steps that makes no sense. */
function asFarAsItGoes(base: Drawing, rows: readonly StepRow[]): Drawing {
  let known = base;
  for (const { step } of rows)
    try {
      known = replay(known, [step as Step], 1).drawing;
    } catch {
      break;
    }
  return known;
}

/** Undefined where its steps make no sense. */
function replayed(base: Drawing, rows: readonly StepRow[], row: DrawingRow): History | undefined {
  const steps = rows.map(({ step }) => step as Step);
  const { cursor } = row;
  if (!(Number.isInteger(cursor) && cursor >= 0 && cursor <= steps.length)) return undefined;
  try {
    return replay({ ...base, name: nameOf(row) }, steps, cursor);
  } catch {
    return undefined;
  }
}

export const nameOf = ({ name }: Pick<DrawingRow, "name">): string =>
  typeof name === "string" && name !== "" ? name : "Untitled";

export const asideKey = (id: string): string => `aside ${id}`;

/** Puts what is there aside, and what could be read in its place; in one go. */
export async function putAside(id: string, rows: Rows, { history }: Read): Promise<number> {
  const { drawings, bases, steps, kept } = database;
  return database.transaction("rw", drawings, bases, steps, kept, async () => {
    await kept.put({ key: asideKey(id), value: { ...rows, at: Date.now() } });
    await bases.put({ id, base: pack(history.drawing) });
    await steps.where("drawing").equals(id).delete();
    const revision = (Number.isInteger(rows.row.revision) ? rows.row.revision : 0) + 1;
    await drawings.put({ ...soundRow(rows.row), cursor: 0, revision });
    return revision;
  });
}

/** A row of the drawer as it should be, whatever it is. */
export function soundRow(row: DrawingRow): DrawingRow {
  const number = (value: unknown): number => (Number.isFinite(value) ? (value as number) : 0);
  return {
    id: row.id,
    name: nameOf(row),
    changedAt: number(row.changedAt),
    cursor: number(row.cursor),
    revision: number(row.revision),
    thumbnail: typeof row.thumbnail === "string" ? row.thumbnail : "",
    strokes: number(row.strokes),
    ...(Number.isFinite(row.deletedAt) ? { deletedAt: row.deletedAt } : {}),
  };
}

/** What was put aside of a drawing, as text for a file; typed lists of numbers as plain ones. */
export async function asideFile(id: string): Promise<string | undefined> {
  const found = await database.kept.get(asideKey(id)).catch(() => undefined);
  if (!found) return undefined;
  return JSON.stringify(found.value, (_, value) =>
    ArrayBuffer.isView(value) ? Array.from(value as never) : value,
  );
}

/** Drawings whose row in the drawer is gone have one again. */
export async function mendDrawer(): Promise<void> {
  const { drawings, bases } = database;
  const ids = await bases.toCollection().primaryKeys();
  const known = new Set(await drawings.toCollection().primaryKeys());
  for (const id of ids) {
    if (known.has(id)) continue;
    const begun = await bases.get(id);
    const name = (begun?.base?.frame as Drawing | undefined)?.name;
    const steps = await database.steps.where("drawing").equals(id).count();
    await drawings.add(
      soundRow({ id, name, changedAt: Date.now(), cursor: steps, revision: steps } as DrawingRow),
    );
  }
}
