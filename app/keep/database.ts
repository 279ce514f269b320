/** The browser's own storage: drawings as they began, and every step since. */
import Dexie, { type EntityTable, type Table } from "dexie";
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Step } from "#core/drawing/history.ts";
import { type Packed, pack } from "#core/drawing/packed.ts";

/** What the drawer says of a drawing, and how far it is; light, since every step writes it anew. */
export interface DrawingRow {
  readonly id: string;
  readonly name: string;
  /** The version of the form it is kept in (core/drawing/upgrade.ts). */
  readonly version: number;
  readonly changedAt: number;
  /** How many kept steps are done; later ones can be redone. */
  readonly cursor: number;
  /** Grows with every write, so that two tabs cannot overwrite one another unseen. */
  readonly revision: number;
  readonly strokes: number;
  readonly deletedAt?: number;
}

/** The drawer's picture of a drawing. */
export interface PictureRow {
  readonly id: string;
  /** A PNG as a data URL; of a drawing that has not been on the desk SVG text, which may be as large as the drawing is. */
  readonly thumbnail: string;
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
interface KeptRow {
  readonly key: string;
  readonly value: unknown;
}

class FernDatabase extends Dexie {
  drawings!: EntityTable<DrawingRow, "id">;
  pictures!: EntityTable<PictureRow, "id">;
  bases!: EntityTable<BaseRow, "id">;
  steps!: Table<StepRow, [string, number]>;
  deliveries!: EntityTable<DeliveryRow, "id">;
  versions!: EntityTable<VersionRow, "id">;
  kept!: EntityTable<KeptRow, "key">;

  constructor() {
    // A change is kept once it is on the disk, not once the browser means to write it.
    super("fern-pocket", { chromeTransactionDurability: "strict" });
    // The version that the browser had.
    let had = FORM_OF.length - 1;
    const note = (version: number) => () => {
      had = Math.min(had, version);
    };
    this.version(1).stores({ drawings: "id, changedAt", steps: "[drawing+index], drawing" });
    for (const version of [2, 3, 4]) this.version(version).upgrade(note(version - 1));
    this.version(5)
      .stores({ bases: "id" })
      .upgrade(async (change) => {
        note(4)();
        const drawings = change.table<DrawingRow>("drawings");
        for (const { base, ...row } of await change.table<WholeRow>("drawings").toArray()) {
          await change.table<BaseRow>("bases").put({ id: row.id, base: pack(base) });
          await drawings.put(row);
        }
      });
    for (const version of [6, 7, 8]) this.version(version).upgrade(note(version - 1));
    this.version(9)
      .stores({ deliveries: "++id, drawing", versions: "id, drawing", kept: "key" })
      .upgrade(note(8));
    // From here on each drawing says its version itself; it is brought up when it is opened (mend.ts).
    this.version(10).upgrade(async (change) => {
      const version = FORM_OF[had];
      had = FORM_OF.length - 1;
      const rows = change.table<DrawingRow>("drawings").toCollection();
      await rows.modify((row) => void Object.assign(row, { version }));
    });
    this.version(11)
      .stores({ pictures: "id" })
      .upgrade(async (change) => {
        const [drawings, pictures] = [
          change.table<DrawingRow>("drawings"),
          change.table<PictureRow>("pictures"),
        ];
        for (const { thumbnail, ...row } of await change.table<PicturedRow>("drawings").toArray()) {
          await pictures.put({ id: row.id, thumbnail });
          await drawings.put(row);
        }
      });
  }
}

/** The version of its drawings, for each version of the database up to the ninth. */
const FORM_OF = [0, 1, 2, 3, 4, 4, 5, 6, 7, 8];

/** Up to version 10 of the database a row held its picture. */
type PicturedRow = DrawingRow & PictureRow;

/** Up to version 4 it held its drawing as well. */
export interface WholeRow extends PicturedRow {
  readonly base: Drawing;
}

export const database = new FernDatabase();
