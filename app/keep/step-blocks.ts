/**
 * Old steps in blocks: a hundred of them as one packed row, a small part of the size. The latest stay rows of their own, since
 * they are the ones that are undone and replaced.
 */
import type { Step } from "#core/drawing/history.ts";
import { gunzipped, gzipped } from "#core/formats/gzip.ts";
import { database, type StepRow } from "./database.ts";

/** Steps from `index` on, as packed JSON. */
export interface BlockRow {
  readonly drawing: string;
  readonly index: number;
  readonly count: number;
  readonly packed: Uint8Array;
}

export type AnyStepRow = StepRow | BlockRow;

const BLOCK = 100;
/** So many of the latest are not packed. */
const LOOSE = 200;

const isBlock = (row: AnyStepRow): row is BlockRow => "packed" in row;

/** Steps in their order. A block that has gone bad counts as one step that makes no sense. */
export const looseSteps = (rows: readonly AnyStepRow[]): StepRow[] =>
  rows.flatMap((row) => (isBlock(row) ? stepsIn(row) : [row]));

function stepsIn({ drawing, index, packed }: BlockRow): StepRow[] {
  try {
    const steps = JSON.parse(gunzipped(packed)) as Step[];
    return steps.map((step, k) => ({ drawing, index: index + k, step }));
  } catch {
    return [{ drawing, index, step: { label: "", patches: null, inverse: null } as unknown as Step }];
  }
}

const blockOf = (rows: readonly StepRow[]): BlockRow => ({
  drawing: rows[0].drawing,
  index: rows[0].index,
  count: rows.length,
  packed: gzipped(JSON.stringify(rows.map(({ step }) => step))),
});

const rowsFrom = (id: string, from: number, to: number) =>
  database.steps.where("[drawing+index]").between([id, from], [id, to]);

/** Packs what is old of a drawing's steps. */
export async function packOldSteps(id: string): Promise<void> {
  const { steps } = database;
  await database.transaction("rw", steps, async () => {
    const last = await rowsFrom(id, 0, Number.POSITIVE_INFINITY).last();
    if (!last || isBlock(last)) return;
    const until = last.index + 1 - LOOSE;
    for (let from = 0; from + BLOCK <= until; from += BLOCK) {
      const rows = (await rowsFrom(id, from, from + BLOCK).toArray()) as AnyStepRow[];
      if (rows.length !== BLOCK || rows.some(isBlock)) continue;
      await rowsFrom(id, from, from + BLOCK).delete();
      await steps.put(blockOf(rows as StepRow[]) as never);
    }
  });
}

/** Deletes steps from a place on; a block that holds it is taken apart. To be called in a transaction. */
export async function deleteStepsFrom(id: string, from: number): Promise<void> {
  const before = (await rowsFrom(id, 0, from).last()) as AnyStepRow | undefined;
  await rowsFrom(id, from, Number.POSITIVE_INFINITY).delete();
  if (before && isBlock(before) && before.index + before.count > from) {
    await database.steps.delete([id, before.index]);
    await database.steps.bulkPut(stepsIn(before).filter(({ index }) => index < from));
  }
}
