/** Storage that fails at each write in turn: nothing is half written, what was called kept is there, and it is caught up with. */
import "fake-indexeddb/auto";
import { afterEach, beforeEach, expect, it } from "vitest";
import { addColour } from "#core/drawing/colour-edits.ts";
import { applyEdit, type History, undo } from "#core/drawing/history.ts";
import { defaultPage, newDrawing } from "#core/drawing/new-drawing.ts";
import { drawerArchive, takeArchive } from "./archive.ts";
import { database } from "./database.ts";
import { Keeper, type KeepState } from "./keeper.ts";
import {
  addDrawing,
  deleteDrawing,
  duplicateDrawing,
  listDrawings,
  openDrawing,
  renameDrawing,
} from "./shelf.ts";
import { packOldSteps } from "./step-blocks.ts";
import { keepVersion, versionsOf } from "./versions.ts";

const WRITES = ["add", "put", "delete"] as const;
type Fault = (store: IDBObjectStore) => void;

const FAULTS: Readonly<Record<string, Fault>> = {
  "the disk is full": () => {
    throw new DOMException("full", "QuotaExceededError");
  },
  "the transaction is aborted": (store) => store.transaction.abort(),
  "the database is closed": () => database.close(),
};

const own = Object.fromEntries(WRITES.map((name) => [name, IDBObjectStore.prototype[name]]));

/** Fails at the nth write from now; says how many there were. */
function failAt(n: number, fault: Fault): () => number {
  let count = 0;
  for (const name of WRITES)
    Object.assign(IDBObjectStore.prototype, {
      [name](this: IDBObjectStore, ...given: unknown[]) {
        if (++count === n) fault(this);
        return (own[name] as (...all: unknown[]) => unknown).apply(this, given);
      },
    });
  return () => count;
}

const mended = (): void => void Object.assign(IDBObjectStore.prototype, own);

beforeEach(async () => {
  await database.delete();
  await database.open();
});
afterEach(mended);

const drawing = (name: string) =>
  newDrawing(name, defaultPage({ x: 0, y: 0, width: 10, height: 10 }), [
    { id: "s1", rank: 1, points: [0, 0, 3, 0, 6, 0, 9, 9], closed: false, width: 1 },
  ]);

const coloured = (history: History, name: string): History =>
  applyEdit(history, addColour(name, name, "#123456"))!.history;

/** Everything that can be listed opens, and is whole. */
async function allOpens(): Promise<string[]> {
  if (!database.isOpen()) await database.open();
  const names: string[] = [];
  for (const { id, name } of (await listDrawings()).rows) {
    const opened = (await openDrawing(id))!;
    expect(opened.mended).toBeUndefined();
    names.push(name);
  }
  return names.sort();
}

/** What could not be stored was kept in memory: that goes too. */
async function emptied(): Promise<void> {
  for (const { id } of (await listDrawings()).rows) await deleteDrawing(id);
  await database.delete();
  await database.open();
}

/** Tries a piece of work with each of its writes failing in turn, in each way. */
async function atEachWrite(
  begin: () => Promise<string>,
  work: (id: string) => Promise<unknown>,
  check: (id: string, failed: boolean) => Promise<void>,
): Promise<void> {
  for (const [called, fault] of Object.entries(FAULTS))
    for (let n = 1; n < 40; n++) {
      await emptied();
      const id = await begin();
      const written = failAt(n, fault);
      const failed = await work(id).then(
        () => false,
        () => true,
      );
      const count = written();
      mended();
      await allOpens();
      await check(id, failed).catch((error) => {
        throw new Error(`${called} at write ${n}`, { cause: error });
      });
      if (count < n) break;
    }
}

const begun = async () => (await addDrawing(drawing("Radishes"))).id;

it("keeps a change whole or not at all, says so truly, and catches up", async () => {
  let states: KeepState[] = [];
  let last: History;
  let keeper: Keeper;
  await atEachWrite(
    begun,
    async (id) => {
      const opened = (await openDrawing(id))!;
      states = [];
      keeper = new Keeper(id, opened, { onState: (state) => states.push(state), onHistory: () => {} });
      last = coloured(coloured(opened.history, "one"), "two");
      keeper.keep(last);
      await keeper.settled();
    },
    async (id) => {
      const { history } = (await openDrawing(id))!;
      if (states.at(-1) === "kept") expect(history.drawing).toEqual(last.drawing);
      else expect(["full", "unavailable"]).toContain(states.at(-1));
      expect([0, 2]).toContain(history.steps.length);
      const next = undo(coloured(last, "three"))!.history;
      keeper.keep(next);
      await keeper.settled();
      expect(states.at(-1)).toBe("kept");
      expect((await openDrawing(id))!.history).toEqual(next);
    },
  );
}, 120_000);

it("adds, copies, renames and deletes drawings whole or not at all", async () => {
  const works: [(id: string) => Promise<unknown>, string[][]][] = [
    [() => addDrawing(drawing("Kettle")), [["Radishes"], ["Kettle", "Radishes"]]],
    [duplicateDrawing, [["Radishes"], ["Radishes", "Radishes copy"]]],
    [(id) => renameDrawing(id, "Long"), [["Radishes"], ["Long"]]],
    [deleteDrawing, [["Radishes"], []]],
  ];
  for (const [work, allowed] of works)
    await atEachWrite(begun, work, async () => expect(allowed).toContainEqual(await allOpens()));
}, 120_000);

it("keeps versions, packs steps and puts drawers in whole or not at all", async () => {
  const withSteps = async () => {
    const id = await begun();
    const opened = (await openDrawing(id))!;
    const keeper = new Keeper(id, opened, { onState: () => {}, onHistory: () => {} });
    keeper.keep(
      Array.from({ length: 320 }).reduce<History>((now, _, k) => coloured(now, `c${k}`), opened.history),
    );
    await keeper.settled();
    await keepVersion(id, opened.history.drawing, { name: "Bare", picture: null });
    return id;
  };
  const packs = (id: string) => packOldSteps(id);
  await atEachWrite(withSteps, packs, async (id) => {
    expect((await openDrawing(id))!.history.steps).toHaveLength(320);
  });
  const versioned = async (id: string) => {
    const { history } = (await openDrawing(id))!;
    await keepVersion(id, history.drawing, { name: "Coloured", picture: null });
  };
  await atEachWrite(begun, versioned, async (id, failed) => {
    expect([failed ? 0 : 1, 1]).toContain((await versionsOf(id)).length);
  });
  const putsIn = async () => {
    const bytes = new Uint8Array(await (await drawerArchive(() => {})).zip.arrayBuffer());
    await takeArchive(bytes, () => {});
  };
  await atEachWrite(begun, putsIn, async () => {
    expect([["Radishes"], ["Radishes", "Radishes"]]).toContainEqual(await allOpens());
  });
}, 300_000);
