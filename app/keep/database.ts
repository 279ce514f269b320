/** The browser's own storage: drawings as they began, and every step since. */
import Dexie, { type EntityTable, type Table } from "dexie";
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Step } from "#core/drawing/history.ts";
import { type DrawingOfVersion1, upgradedDrawing, withOpenInk } from "#core/drawing/upgrade.ts";

export interface DrawingRow {
  readonly id: string;
  readonly name: string;
  readonly changedAt: number;
  /** The drawing before the first kept step. */
  readonly base: Drawing;
  /** How many kept steps are done; later ones can be redone. */
  readonly cursor: number;
  /** Grows with every write, so that two tabs cannot overwrite one another unseen. */
  readonly revision: number;
  /** SVG text for the drawer. */
  readonly thumbnail: string;
  readonly strokes: number;
  readonly deletedAt?: number;
}

export interface StepRow {
  readonly drawing: string;
  readonly index: number;
  readonly step: Step;
}

class FernDatabase extends Dexie {
  drawings!: EntityTable<DrawingRow, "id">;
  steps!: Table<StepRow, [string, number]>;

  constructor() {
    // A change is kept once it is on the disk, not once the browser means to write it.
    super("fern-pocket", { chromeTransactionDurability: "strict" });
    this.version(1).stores({ drawings: "id, changedAt", steps: "[drawing+index], drawing" });
    this.version(2).upgrade((change) =>
      change
        .table<DrawingRow & { base: DrawingOfVersion1 }>("drawings")
        .toCollection()
        .modify((row) => {
          Object.assign(row, { base: upgradedDrawing(row.base) });
        }),
    );
    this.version(3).upgrade((change) =>
      change
        .table<DrawingRow>("drawings")
        .toCollection()
        .modify((row) => {
          Object.assign(row, { base: { ...row.base, sheets: withOpenInk(row.base.sheets) } });
        }),
    );
  }
}

export const database = new FernDatabase();
