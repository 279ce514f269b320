/** The browser's own storage: drawings as they began, and every step since. */
import Dexie, { type EntityTable, type Table, type Transaction } from "dexie";
import type { Drawing } from "#core/drawing/drawing.ts";
import { type Step, upgradedHistory } from "#core/drawing/history.ts";
import { type Packed, pack, unpack } from "#core/drawing/packed.ts";
import { VERSION } from "#core/drawing/upgrade.ts";

/** What the drawer shows of a drawing, and how far it is; light, since every step writes it anew. */
export interface DrawingRow {
  readonly id: string;
  readonly name: string;
  readonly changedAt: number;
  /** How many kept steps are done; later ones can be redone. */
  readonly cursor: number;
  /** Grows with every write, so that two tabs cannot overwrite one another unseen. */
  readonly revision: number;
  /** SVG text for the drawer. */
  readonly thumbnail: string;
  readonly strokes: number;
  readonly deletedAt?: number;
}

/** A drawing before the first kept step. */
export interface BaseRow {
  readonly id: string;
  readonly base: Packed<Drawing>;
}

export interface StepRow {
  readonly drawing: string;
  readonly index: number;
  readonly step: Step;
}

/** What was delivered of a drawing. */
export interface DeliveryRow {
  readonly id?: number;
  readonly drawing: string;
  readonly at: number;
  /** As plain values, by which it is repeated. */
  readonly wish: unknown;
  readonly files: readonly { readonly name: string; readonly bytes: number }[];
}

/** A drawing as it was at some time, to be returned to. */
export interface VersionRow {
  readonly id: string;
  readonly drawing: string;
  readonly at: number;
  readonly name: string;
  /** Whether it was kept by itself, before a risky step. */
  readonly own?: true;
  /** A drawing file, packed. */
  readonly file: Uint8Array;
  /** A PNG; null where none could be made. */
  readonly picture: Uint8Array | null;
}

/** What is kept beside drawings, by its name. */
export interface KeptRow {
  readonly key: string;
  readonly value: unknown;
}

class FernDatabase extends Dexie {
  drawings!: EntityTable<DrawingRow, "id">;
  bases!: EntityTable<BaseRow, "id">;
  steps!: Table<StepRow, [string, number]>;
  deliveries!: EntityTable<DeliveryRow, "id">;
  versions!: EntityTable<VersionRow, "id">;
  kept!: EntityTable<KeptRow, "key">;

  constructor() {
    // A change is kept once it is on the disk, not once the browser means to write it.
    super("fern-pocket", { chromeTransactionDurability: "strict" });
    // Drawings are brought up in one go, from whichever version the browser had, so that steps come along.
    let had = VERSION;
    const note = (version: number) => () => {
      had = Math.min(had, version);
    };
    this.version(1).stores({ drawings: "id, changedAt", steps: "[drawing+index], drawing" });
    this.version(2).upgrade(note(1));
    this.version(3).upgrade(note(2));
    this.version(4).upgrade(async (change) => {
      note(3)();
      const drawings = change.table<WholeRow>("drawings");
      const steps = change.table<StepRow>("steps");
      for (const row of await drawings.toArray()) await upgradeRow(row, had, drawings, steps);
      had = VERSION;
    });
    this.version(5)
      .stores({ bases: "id" })
      .upgrade(async (change) => {
        const drawings = change.table<DrawingRow>("drawings");
        for (const { base, ...row } of await change.table<WholeRow>("drawings").toArray()) {
          await change.table<BaseRow>("bases").put({ id: row.id, base: pack(base) });
          await drawings.put(row);
        }
      });
    // From before version 4 they were brought up all the way there.
    this.version(6).upgrade((change) => upgradeBases(change, 4, ({ base }) => !("shown" in base.frame)));
    // Those that were brought up all the way just now stay as they are.
    this.version(7).upgrade((change) => upgradeBases(change, 5, () => true));
    this.version(8).upgrade((change) => upgradeBases(change, 6, ({ base }) => !("tiles" in base.frame)));
    this.version(9)
      .stores({ deliveries: "++id, drawing", versions: "id, drawing", kept: "key" })
      .upgrade((change) => upgradeBases(change, 7, ({ base }) => !("sticker" in base.frame)));
  }
}

/** Brings drawings up, from the version that those are of which are meant. */
async function upgradeBases(
  change: Transaction,
  version: number,
  isMeant: (row: BaseRow) => boolean,
): Promise<void> {
  const bases = change.table<BaseRow>("bases");
  const drawings = change.table<DrawingRow>("drawings");
  for (const row of await drawings.toArray()) {
    const kept = await bases.get(row.id);
    if (!kept || !isMeant(kept)) continue;
    const { base, cursor } = await upgradeSteps(row, unpack(kept.base), version, change.table("steps"));
    await bases.put({ id: row.id, base: pack(base) });
    await drawings.put({ ...row, cursor });
  }
}

/** Up to version 4 a row held its drawing. */
export interface WholeRow extends DrawingRow {
  readonly base: Drawing;
}

async function upgradeRow(
  row: WholeRow,
  version: number,
  drawings: Table<WholeRow>,
  steps: Table<StepRow>,
): Promise<void> {
  await drawings.put({ ...row, ...(await upgradeSteps(row, row.base, version, steps)) });
}

/** Steps in the form of now, with what they begin from; where they make no sense the drawing stays and loses the way to it. */
async function upgradeSteps(
  { id, cursor: at }: DrawingRow,
  from: Drawing,
  version: number,
  steps: Table<StepRow>,
): Promise<{ readonly base: Drawing; readonly cursor: number }> {
  const rows = await steps.where("drawing").equals(id).sortBy("index");
  const kept = { base: from, cursor: at, steps: rows.map(({ step }) => step) };
  const { base, cursor, steps: upgraded } = upgradedHistory(kept, version);
  await steps.where("drawing").equals(id).delete();
  await steps.bulkPut(upgraded.map((step, index) => ({ drawing: id, index, step })));
  return { base, cursor };
}

export const database = new FernDatabase();
