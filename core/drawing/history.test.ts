import fc from "fast-check";
import { applyPatches } from "immer";
import { describe, expect, it } from "vitest";
import { addColour, changeColour, orderTin, renameColour } from "./colour-edits.ts";
import { changeSheet, setStrict } from "./edits.ts";
import {
  applyEdit,
  beginHistory,
  type Edit,
  type History,
  redo,
  redoLabel,
  replay,
  toStep,
  undo,
  undoLabel,
} from "./history.ts";
import { defaultPage, newDrawing } from "./new-drawing.ts";

const fresh = () => beginHistory(newDrawing("Test", defaultPage({ x: 0, y: 0, width: 10, height: 10 }), []));
const then = (history: History, edit: Edit) => applyEdit(history, edit)?.history ?? history;

const edits: fc.Arbitrary<Edit> = fc.oneof(
  fc
    .integer({ min: 0, max: 0xffffff })
    .map((n) => changeColour("frond", `#${n.toString(16).padStart(6, "0")}`, "Frond")),
  fc.integer({ min: 0, max: 9 }).map((n) => addColour(`c${n}`, `Colour ${n}`, "#123456")),
  fc.string({ minLength: 1, maxLength: 8 }).map((name) => renameColour("dusk", name)),
  fc.boolean().map(setStrict),
  fc.double({ min: 0, max: 1, noNaN: true }).map((opacity) => changeSheet("flats", { opacity })),
  fc.constant(orderTin([{ id: "dusk", group: "Night" }, { id: "frond" }, { id: "radish" }])),
);

describe("history", () => {
  it("goes to any step and tells those who follow along all of it", () => {
    fc.assert(
      fc.property(fc.array(edits, { minLength: 1, maxLength: 12 }), fc.nat(12), (run, to) => {
        const done = run.reduce(then, fresh());
        const cursor = to % (done.steps.length + 1);
        const move = toStep(done, cursor);
        const there = replay(fresh().drawing, done.steps, cursor);
        expect(move?.history ?? done).toEqual(there);
        expect(applyPatches(done.drawing, move?.patches ?? [])).toEqual(there.drawing);
        expect(toStep(done, done.steps.length + 1)).toBeUndefined();
      }),
    );
  });

  it("undoes and redoes any run of edits exactly", () => {
    fc.assert(
      fc.property(fc.array(edits, { maxLength: 12 }), (run) => {
        const begun = fresh();
        const done = run.reduce(then, begun);
        let back: History = done;
        while (undoLabel(back) !== undefined) back = undo(back)!.history;
        expect(back.drawing).toEqual(begun.drawing);
        while (redoLabel(back) !== undefined) back = redo(back)!.history;
        expect(back.drawing).toEqual(done.drawing);
        expect(replay(begun.drawing, done.steps, done.cursor).drawing).toEqual(done.drawing);
      }),
    );
  });

  it("names its steps and drops what was undone once something new is done", () => {
    let history = then(fresh(), addColour("a", "Ash", "#111111"));
    history = undo(history)!.history;
    expect(redoLabel(history)).toBe("Add Ash");
    history = then(history, addColour("b", "Bark", "#222222"));
    expect(redoLabel(history)).toBeUndefined();
    expect(undoLabel(history)).toBe("Add Bark");
  });

  it("makes one step of a colour dragged about, and undoes it whole", () => {
    const before = fresh();
    const values = ["#000000", "#111111", "#222222"];
    const after = values.map((value) => changeColour("frond", value, "Frond")).reduce(then, before);
    expect(after.steps).toHaveLength(1);
    expect(undo(after)!.history.drawing).toEqual(before.drawing);
  });

  it("takes an edit that changes nothing for no step at all", () => {
    expect(applyEdit(fresh(), setStrict(false))).toBeUndefined();
  });
});
