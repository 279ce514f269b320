import { beforeEach, describe, expect, it, vi } from "vitest";
import { carriedBy } from "#core/drawing/carried.ts";
import {
  addBridges,
  changeSheet,
  fillSpecks,
  pour,
  pourEach,
  removeBridge,
  setReach,
  setUndercoat,
} from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import {
  addStroke,
  changeLines,
  orderLines,
  removeLines,
  reshapeLine,
  setInk,
  transformLines,
} from "#core/drawing/line-edits.ts";
import { changePart, orderParts, patchEdit } from "#core/drawing/part-edits.ts";
import { addShade } from "#core/drawing/shape-edits.ts";
import { translation } from "#core/geometry/matrix.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import type { DeskStore } from "./desk-state.ts";
import { openDesk, strokesOf, svg } from "./testing.ts";

vi.mock("../../work/clients.ts", async () => (await import("../../work/testing.ts")).inThread());

let desk: DeskStore;
const state = () => desk.getState();

beforeEach(async () => {
  desk = await openDesk(
    svg('<rect x="10" y="10" width="40" height="40"/><rect x="60" y="10" width="30" height="30"/>'),
  );
});

/** What closes gaps, whatever is locked. */
const closing = (): Edit[] => [
  addBridges([{ id: "b", points: [0, 0, 1, 0, 2, 0, 3, 0] }]),
  setReach(2),
  removeBridge("b"),
];

/** An edit of every kind for each sheet. */
function editsOf(): Record<"ink" | "flats" | "shade", Edit[]> {
  const { drawing } = state().history;
  const [pocket] = state().derived.pockets;
  const [stroke] = strokesOf(desk);
  const target = { anchor: anchorOf(pocket) };
  const paint = { colour: "frond", step: 0 };
  const carried = carriedBy(drawing, [stroke.id], state().derived.pockets);
  return {
    ink: [
      addStroke({ ...stroke, id: "fresh" }),
      removeLines([stroke.id]),
      reshapeLine(stroke.id, stroke.points.slice(0, -6), "Bend line"),
      orderLines([stroke.id], "front"),
      transformLines(carried, translation(1, 0), { scaleWidths: false, label: "Move" }),
      changeLines([stroke.id], { name: "Wall" }),
      changeLines([stroke.id], { hidden: true }),
      pourEach([{ target, paint: drawing.ink, spot: true }], "Spot black"),
      setInk({ colour: "radish", step: 0 }, "Radish"),
      patchEdit("Make part", [{ op: "replace", path: ["strokes", stroke.id, "part"], value: "other" }]),
    ],
    flats: [pour([target], paint, ["p"]), fillSpecks([{ target, paint }]), setUndercoat(paint)],
    shade: [
      addShade({
        id: "s",
        outline: [[20, 20, 30, 20, 30, 30, 20, 20]],
        kind: "drawn",
        evenOdd: false,
        anchor: target.anchor,
        paint,
        blend: "multiply",
        opacity: 0.5,
      }),
    ],
  };
}

describe("one guard for locked and hidden sheets", () => {
  it.each(["ink", "flats", "shade"] as const)("refuses every edit of %s, and says which lock", (sheet) => {
    for (const [change, word] of [
      [{ locked: true }, "locked"],
      [{ visible: false }, "hidden"],
    ] as const) {
      state().edit(changeSheet(sheet, change));
      const before = state().history;
      for (const edit of editsOf()[sheet]) {
        state().edit(edit);
        expect(state().history, edit.label).toBe(before);
        expect(state().reason?.text).toContain(`The ${sheet} sheet is ${word}`);
        expect(state().said).toBe(state().reason?.text);
      }
      state().reason?.next?.run(state());
      expect(state().drawing.sheets[sheet]).toMatchObject({ locked: false, visible: true });
    }
  });

  it("lets gaps be closed while the ink or all parts are locked", () => {
    state().edit(changeSheet("ink", { locked: true }));
    state().edit(changePart(state().drawing.parts.main, { locked: true }));
    for (const edit of closing()) {
      state().edit(edit);
      expect(state().history.steps.at(-1)?.label).toBe(edit.label);
    }
  });

  it("keeps locked parts in their order", () => {
    const second = { ...state().drawing.parts.main, id: "second", rank: 2, name: "Second" };
    state().edit({ label: "Part", change: (draft) => void Object.assign(draft.parts, { second }) });
    state().edit(orderParts(["second", "main"]));
    expect(state().history.steps.at(-1)?.label).toBe("Reorder parts");
    for (const part of Object.values(state().drawing.parts)) state().edit(changePart(part, { locked: true }));
    const before = state().history;
    state().edit(orderParts(["main", "second"]));
    expect(state().history).toBe(before);
    expect(state().reason?.text).toContain("is locked");
  });

  it("lets what lies on other sheets be changed, and all of it once the sheet is open", () => {
    state().edit(changeSheet("flats", { locked: true }));
    state().edit(editsOf().shade[0]);
    expect(Object.keys(state().history.drawing.shades)).toEqual(["s"]);
    state().edit(changeSheet("flats", { locked: false }));
    state().edit(editsOf().flats[0]);
    expect(Object.keys(state().history.drawing.pours)).toEqual(["p"]);
  });
});

describe("a gesture taken back", () => {
  it("leaves history as it was, with what could be redone", () => {
    const { edit, undo, show } = state();
    edit(editsOf().ink[0]);
    undo();
    const before = state().history;
    const [stroke] = strokesOf(desk);
    for (const x of [1, 2])
      show(
        reshapeLine(
          stroke.id,
          stroke.points.map((n) => n + x),
          "Move",
        ),
      );
    show(null);
    expect(state().history).toBe(before);
    state().redo();
    expect(state().drawing.strokes.fresh).toBeDefined();
  });

  it("is refused like any other edit where the sheet is locked", () => {
    state().edit(changeSheet("ink", { locked: true }));
    const { drawing } = state();
    state().show(editsOf().ink[0]);
    expect(state().drawing).toBe(drawing);
    expect(state().reason?.text).toContain("The ink sheet is locked");
  });
});

describe("one guard for locked and hidden parts", () => {
  const part = () => state().drawing.parts.main;
  const refusing = () => [...editsOf().ink.slice(1, 5), ...editsOf().flats.slice(0, 1), ...editsOf().shade];

  it.each([
    [{ locked: true }, "The part Drawing is locked"],
    [{ visible: false }, "The part Drawing is hidden"],
  ] as const)("refuses every edit of what is theirs: %o", (change, sentence) => {
    const edits = refusing();
    state().edit(changePart(part(), change));
    const before = state().history;
    for (const edit of edits) {
      state().edit(edit);
      expect(state().history, edit.label).toBe(before);
      expect(state().reason?.text, edit.label).toContain(sentence);
      state().show(edit);
      expect(state().drawing, edit.label).toBe(before.drawing);
    }
    state().edit(edits[0]);
    state().reason?.next?.run(state());
    state().edit(edits[0]);
    expect(state().history.steps.at(-1)?.label).toBe(edits[0].label);
  });
});

describe("one guard for locked and hidden lines", () => {
  it.each([
    [{ locked: true }, "The line Wall is locked"],
    [{ hidden: true }, "The line Wall is hidden"],
  ] as const)("refuses to change one, and does once it was opened as offered: %o", (close, sentence) => {
    const [stroke, other] = strokesOf(desk);
    const bend = reshapeLine(stroke.id, stroke.points.slice(0, -6), "Bend line");
    state().edit(changeLines([stroke.id], { name: "Wall" }));
    state().edit(changeLines([stroke.id], close));
    const before = state().history;
    for (const edit of [bend, removeLines([other.id, stroke.id])]) {
      state().edit(edit);
      expect(state().history).toBe(before);
      expect(state().reason?.text).toContain(sentence);
    }
    state().reason?.next?.run(state());
    state().edit(bend);
    expect(state().history.steps.at(-1)?.label).toBe("Bend line");
  });
});
