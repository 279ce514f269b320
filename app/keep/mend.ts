/**
 * Rows gone bad: a drawing opens as far as it can be read. What cannot is put aside whole, to be saved as a file, before anything
 * is written in its place.
 */
import { checked, isLoose } from "#core/drawing/checked.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { FIELD_NAMES } from "#core/drawing/fields.ts";
import { type History, historyThrough, replay, type Step, upgradedHistory } from "#core/drawing/history.ts";
import { pack, unpack } from "#core/drawing/packed.ts";
import { toRecord } from "#core/drawing/record-form.ts";
import { recordOf } from "#core/drawing/records.ts";
import { salvaged } from "#core/drawing/salvage.ts";
import { isWhole, type Mended, mendedBy } from "#core/drawing/say-repairs.ts";
import { isSound } from "#core/drawing/sound.ts";
import { upgradedDrawing, VERSION } from "#core/drawing/upgrade.ts";
import { type BaseRow, type DrawingRow, database, type StepRow } from "./database.ts";

/** All that storage has of one drawing, whatever it is. */
export interface Rows {
  readonly row: DrawingRow;
  readonly begun: BaseRow | undefined;
  readonly steps: readonly StepRow[];
}

export interface Read {
  /** What the drawing was before the first step. */
  readonly base: Drawing;
  readonly history: History;
  /** What had to be done; nothing where all is well. */
  readonly mended?: Mended;
}

const Whole = recordOf(FIELD_NAMES);

export function readRows({ row, begun, steps: rows }: Rows): Read {
  const kept = unpacked(begun);
  const before = rows.map(({ step }) => step as Step);
  const up = kept && broughtUp(kept, before, row);
  const { base, steps } = up ?? { base: kept, steps: before };
  const history = base && replayed(base, steps, row);
  if (base && history && isSound(history.drawing) && "value" in checked(Whole, toRecord(history.drawing)))
    return { base, history };
  return mendedHistory(kept, before, row);
}

/** A drawing of an earlier version with all its steps, as of now; undefined where not all of it can be followed. */
function broughtUp(
  base: Drawing,
  steps: readonly Step[],
  row: DrawingRow,
): { readonly base: Drawing; readonly steps: readonly Step[] } | undefined {
  if (versionOf(row) === VERSION) return { base, steps };
  try {
    const up = upgradedHistory({ base, steps, cursor: 0 }, versionOf(row));
    return up.followed === steps.length ? up : undefined;
  } catch {
    return undefined;
  }
}

export const versionOf = ({ version }: Pick<DrawingRow, "version">): number =>
  Number.isInteger(version) && version > 0 ? version : VERSION;

/** A history each of whose states was brought to its bounds: every step that can be followed is there. */
function mendedHistory(base: Drawing | undefined, steps: readonly Step[], row: DrawingRow): Read {
  const brought = new Set<string>();
  const lost = new Set<string>();
  const kept = { base: base ?? {}, steps, cursor: cursorOf(row, steps.length) };
  const mended = historyThrough(kept, (state) => {
    const { drawing, ...repairs } = salvaged(asOfNow(state, versionOf(row)));
    const mended = mendedBy(repairs);
    for (const field of mended.brought) brought.add(field);
    for (const field of mended.lost) lost.add(field);
    return { ...drawing, name: nameOf(row) };
  });
  if (mended.followed < steps.length) lost.add("its latest steps");
  const history = replay(mended.base, mended.steps, mended.cursor);
  const told = base ? { brought: [...brought], lost: [...lost] } : { brought: [], lost: ["all of it"] };
  return { base: mended.base, history, ...(isWhole(told) ? {} : { mended: told }) };
}

/** A state of an earlier version as of now; as it is where it makes too little sense for that. */
function asOfNow(state: object, version: number): object {
  try {
    return version < VERSION ? upgradedDrawing(state, version) : state;
  } catch {
    return state;
  }
}

function unpacked(begun: BaseRow | undefined): Drawing | undefined {
  try {
    return begun && unpack(begun.base);
  } catch {
    return undefined;
  }
}

const isCursor = (cursor: unknown, count: number): cursor is number =>
  Number.isInteger(cursor) && (cursor as number) >= 0 && (cursor as number) <= count;

const cursorOf = ({ cursor }: DrawingRow, count: number): number =>
  isCursor(cursor, count) ? cursor : count;

/** Undefined where its steps make no sense. */
function replayed(base: Drawing, steps: readonly Step[], row: DrawingRow): History | undefined {
  if (!isCursor(row.cursor, steps.length)) return undefined;
  try {
    return replay({ ...base, name: nameOf(row) }, steps, row.cursor);
  } catch {
    return undefined;
  }
}

const nameOf = ({ name }: Pick<DrawingRow, "name">): string =>
  typeof name === "string" && name !== "" ? name : "Untitled";

const asideKey = (id: string): string => `aside ${id}`;

/** What was put aside: rows, and what had to be done to open them; it is told at every opening until it was saved. */
interface Aside extends Rows {
  readonly at: number;
  readonly mended?: Mended;
}

/** Puts what could be read in the place of what is there, in the form of now; what had to be mended is put aside. In one go. */
export async function putInPlace(id: string, rows: Rows, { base, history, mended }: Read): Promise<number> {
  const { drawings, bases, steps, kept } = database;
  return database.transaction("rw", drawings, bases, steps, kept, async () => {
    if (mended)
      await kept.put({ key: asideKey(id), value: { ...rows, at: Date.now(), mended } satisfies Aside });
    await bases.put({ id, base: pack(base) });
    await steps.where("drawing").equals(id).delete();
    await steps.bulkPut(history.steps.map((step, index) => ({ drawing: id, index, step })));
    const revision = (Number.isInteger(rows.row.revision) ? rows.row.revision : 0) + 1;
    await drawings.put({ ...soundRow(rows.row), version: VERSION, cursor: history.cursor, revision });
    return revision;
  });
}

/** A sound row of the drawer, made of whatever was stored. */
export function soundRow(row: DrawingRow): DrawingRow {
  const number = (value: unknown): number => (Number.isFinite(value) ? (value as number) : 0);
  return {
    id: row.id,
    name: nameOf(row),
    version: versionOf(row),
    changedAt: number(row.changedAt),
    cursor: number(row.cursor),
    revision: number(row.revision),
    strokes: number(row.strokes),
    ...(Number.isFinite(row.deletedAt) ? { deletedAt: row.deletedAt } : {}),
  };
}

const asideOf = async (id: string): Promise<Aside | undefined> =>
  (await database.kept.get(asideKey(id)).catch(() => undefined))?.value as Aside | undefined;

/** The repairs made when a drawing was opened, held until its original has been saved. */
export const asideTold = async (id: string): Promise<Mended | undefined> => (await asideOf(id))?.mended;

/** What was put aside of a drawing, as text for a file. */
export async function asideFile(id: string): Promise<string | undefined> {
  const aside = await asideOf(id);
  if (!aside) return undefined;
  const { mended: _, ...rows } = aside;
  await database.kept.put({ key: asideKey(id), value: rows }).catch(() => {});
  return rowsFile(rows);
}

/** Rows as text for a file, whatever they hold; typed lists of numbers as plain ones. */
export function rowsFile(rows: Rows): string {
  return JSON.stringify(rows, (_, value) => (ArrayBuffer.isView(value) ? Array.from(value as never) : value));
}

/** A drawing from the text of such a file; undefined where it is none. */
export function readAside(text: string): (Read & { readonly name: string }) | undefined {
  try {
    const { row, begun, steps } = JSON.parse(text) as Rows;
    if (!isLoose(row) || !Array.isArray(steps)) return undefined;
    const base = begun && { ...begun, base: typedAgain(begun.base) };
    return { ...readRows({ row, begun: base, steps }), name: nameOf(row) };
  } catch {
    return undefined;
  }
}

const typedAgain = ({ frame, lengths, numbers }: BaseRow["base"]): BaseRow["base"] => ({
  frame,
  lengths: Uint32Array.from(lengths),
  numbers: Float64Array.from(numbers),
});

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
