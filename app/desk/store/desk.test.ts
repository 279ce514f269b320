import { afterEach, describe, expect, it, vi } from "vitest";
import { addColour, changeColour, removeColour } from "#core/drawing/colour-edits.ts";
import { changeSheet, setReach, setStrict } from "#core/drawing/edits.ts";
import { setLamp } from "#core/drawing/light-edits.ts";
import { changeStrokes, removeLines } from "#core/drawing/line-edits.ts";
import { changePart } from "#core/drawing/part-edits.ts";
import { changeShapes } from "#core/drawing/shape-edits.ts";
import { readDrawingFile, writeDrawingFile } from "#core/formats/drawing-file.ts";
import type { Point } from "#core/geometry/point.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import { tonesIn } from "#core/scene/items.ts";
import { bridgeOpenings, leaveOpen, reconsider, sortOpenings } from "../gaps/openings.ts";
import { makePart } from "../parts/part-actions.ts";
import { describeDrawing } from "../pockets/describe.ts";
import { pourInto } from "../pockets/pour-into.ts";
import { paintRequest } from "../pockets/pour-request.ts";
import { fillSpecksOf } from "../pockets/specks.ts";
import { pocketCounts, usesOf } from "../pockets/stats.ts";
import { describePocket, walk, walkedPocket } from "../pockets/walk.ts";
import { goToOpening, goToPocket } from "../press/next-snag.ts";
import { STAGES, stageOf } from "../stages/index.ts";
import { nudgeChosen } from "../tools/arrange/arrange-state.ts";
import { draw } from "../tools/draw/draw-state.ts";
import { lampState, makeAll } from "../tools/lamp/lamp-state.ts";
import { takeOver } from "../tools/lamp/take-over.ts";
import { pourSettings } from "../tools/pour/pour-state.ts";
import type { DeskStore } from "./desk-state.ts";
import {
  beginDrag,
  dragTool,
  labels,
  openDesk,
  paintAt,
  pressAt,
  settled,
  strokesOf,
  svg,
} from "./testing.ts";

vi.mock("../../work/clients.ts", async () => (await import("../../work/testing.ts")).inThread());

/** Two rooms side by side, with a way in at the top of the right one. */
const ROOMS = svg('<path d="M10 10H50V90H10Z"/><path d="M50 10H66M70 10H90V90H50"/>');
const CLOSED = svg('<path d="M10 10H50V90H10Z"/><path d="M50 10H90V90H50"/>');

let desk: DeskStore;
const state = () => desk.getState();
const open = async (text: string) => {
  desk = await openDesk(text);
};
afterEach(() => desk.getState().close());

describe("pouring", () => {
  it("colours the pocket under a click, replaces what is there and empties it again", async () => {
    await open(CLOSED);
    dragTool(desk, "pour", [[30, 50]]);
    expect(paintAt(desk, [30, 50])).toEqual({ colour: "frond", step: 0 });
    state().takePaint({ colour: "radish", step: -1 });
    dragTool(desk, "pour", [[30, 50]]);
    expect(Object.keys(state().drawing.pours)).toHaveLength(1);
    expect(paintAt(desk, [30, 50])).toEqual({ colour: "radish", step: -1 });
    dragTool(desk, "empty", [[30, 50]]);
    expect(paintAt(desk, [30, 50])).toBeNull();
    expect(labels(desk)).toEqual(["Pour pocket", "Pour pocket", "Empty pocket"]);
  });

  it("leaves a pocket bare on purpose: it is not missed any more, until it is poured or that is undone", async () => {
    await open(CLOSED);
    const { all, bare } = pocketCounts(state());
    state().edit(pourInto(state(), [state().derived.pockets[0]], { kind: "bare" })!);
    expect(pocketCounts(state())).toMatchObject({ all: all - 1, bare: bare.slice(1) });
    expect(describePocket(state(), 0)).toContain("left bare");
    expect(pourInto(state(), [state().derived.pockets[0]], { kind: "bare" })).toBeUndefined();
    state().edit(pourInto(state(), [state().derived.pockets[0]], paintRequest(state().paint))!);
    expect(pocketCounts(state())).toMatchObject({ all, coloured: 1 });
    state().undo();
    state().undo();
    expect(pocketCounts(state())).toMatchObject({ all, coloured: 0, bare });
  });

  it("colours every pocket a drag crosses as one step, and says beforehand which", async () => {
    await open(CLOSED);
    const gesture = beginDrag(desk, "pour", [
      [30, 50],
      [70, 50],
    ]);
    expect(gesture?.marks?.()).toHaveLength(2);
    expect(pocketCounts(state()).coloured).toBe(2);
    expect(labels(desk)).toEqual([]);
    gesture?.end?.(pressAt(desk, [70, 50]));
    state().keep();
    expect(state().underway).toBeNull();
    expect([paintAt(desk, [30, 50]), paintAt(desk, [70, 50])]).toEqual(
      Array(2).fill({ colour: "frond", step: 0 }),
    );
    expect(labels(desk)).toEqual(["Pour 2 pockets"]);
    state().undo();
    expect(pocketCounts(state()).coloured).toBe(0);
    expect(state().said).toBe("Undone: Pour 2 pockets");
  });

  it("says when colour begins to wait, and not again", async () => {
    await open(CLOSED);
    dragTool(desk, "pour", [[70, 50]]);
    const [left, right] = strokesOf(desk);
    state().edit(removeLines([right.id]));
    await settled();
    expect(state().said).toBe("Frond waits until its pocket is closed again.");
    state().edit(removeLines([left.id]));
    await settled();
    expect(state().said).toBe("Remove line");
  });

  it("does nothing where the pocket holds that paint already, and explains what is open", async () => {
    await open(ROOMS);
    const [left] = state().derived.pockets;
    state().edit(pourInto(state(), [left], paintRequest(state().paint))!);
    expect(pourInto(state(), [left], paintRequest(state().paint))).toBeUndefined();
    dragTool(desk, "pour", [[70, 50]]);
    await settled();
    expect(state().leak!.openings[0].width).toBeCloseTo(4, 0);
    expect(state().said).toContain("Colour would run out here");
  });

  it("never says why colour would run out of lines that have changed meanwhile", async () => {
    await open(ROOMS);
    const right: Point = [70, 50];
    const asked = state().explainLeak(right);
    state().edit(setReach(3));
    await asked;
    expect(state().leak).toBeNull();
  });

  it("pours what was asked for while the lines were being read that close it", async () => {
    await open(ROOMS);
    state().edit(setReach(5));
    dragTool(desk, "pour", [[70, 50]]);
    await settled();
    expect(paintAt(desk, [70, 50])).toEqual(state().paint);
  });

  it("dips up what is under the pointer", async () => {
    await open(CLOSED);
    state().takePaint({ colour: "enamel", step: 2 });
    dragTool(desk, "pour", [[30, 50]]);
    state().takePaint({ colour: "frond", step: 0 });
    dragTool(desk, "dip", [[30, 50]]);
    expect(state().paint).toEqual({ colour: "enamel", step: 2 });
    dragTool(desk, "dip", [[70, 50]]);
    expect(state().paint.colour).toBe("enamel");
  });
});

describe("a colour that goes", () => {
  it("is never left in the hand, nor by undoing", async () => {
    await open(CLOSED);
    state().edit(addColour("moss", "Moss", "#334411"));
    state().takePaint({ colour: "moss", step: 1 });
    dragTool(desk, "pour", [[30, 50]]);
    state().edit(removeColour("moss", "Moss", "radish"));
    expect(paintAt(desk, [30, 50])).toEqual({ colour: "radish", step: 1 });
    expect(state().drawing.tin[state().paint.colour]).toBeDefined();
    state().undo();
    state().takePaint({ colour: "moss", step: 0 });
    state().undo();
    state().undo();
    expect(state().drawing.tin[state().paint.colour]).toBeDefined();
  });
});

describe("gaps", () => {
  it("are sorted by what the drawing makes of them", async () => {
    await open(ROOMS);
    expect(sortOpenings(state())).toEqual({ closed: [], open: [0], declined: [] });
    state().edit(setReach(5));
    expect(sortOpenings(state()).closed).toEqual([0]);
    leaveOpen(state(), [0]);
    expect(sortOpenings(state()).declined).toEqual([0]);
    reconsider(state());
    expect(sortOpenings(state()).closed).toEqual([0]);
  });

  it("stay chosen when lines are read anew, as long as they are there", async () => {
    await open(ROOMS);
    goToOpening(desk, 0);
    const { stamp } = state();
    state().edit(changeStrokes([Object.keys(state().drawing.strokes)[0]], { width: 1.9 }));
    await settled();
    expect(state().gaps.stamp).toBeGreaterThan(stamp);
    expect(state().chosenOpening).toBe(0);
    bridgeOpenings(state(), [0]);
    await settled();
    expect(state().chosenOpening).toBeNull();
  });

  it("are bridged for good, and the worker's pockets follow", async () => {
    await open(ROOMS);
    expect(state().derived.pockets).toHaveLength(1);
    bridgeOpenings(state(), [0]);
    await settled();
    expect(state().derived.pockets).toHaveLength(2);
    expect(state().gaps.openings).toEqual([]);
    dragTool(desk, "unbridge", [[68, 10]]);
    await settled();
    expect(state().derived.pockets).toHaveLength(1);
  });

  it("show what a reach would close without touching the drawing", async () => {
    await open(ROOMS);
    await state().tryReach(5);
    expect(state().triedReach).toMatchObject({ width: 5, fresh: 1 });
    expect(labels(desk)).toEqual([]);
    state().edit(setStrict(true));
    expect(state().triedReach).toBeNull();
  });

  it("are closed by a bridge drawn by hand, whose ends snap, or by pulling the loose end", async () => {
    await open(ROOMS);
    dragTool(desk, "bridge", [
      [66.4, 10.5],
      [69.7, 9.6],
    ]);
    const [bridge] = Object.values(state().drawing.bridges);
    expect([bridge.points.slice(0, 2), bridge.points.slice(-2)].flat().map(Math.round)).toEqual([
      66, 10, 70, 10,
    ]);
    state().undo();
    await settled();
    dragTool(desk, "pull", [[66, 10]]);
    await settled();
    expect(labels(desk)).toEqual(["Pull end"]);
    expect(state().derived.pockets).toHaveLength(2);
    dragTool(desk, "pull", [[30, 50]]);
    expect(state().said).toContain("Press on a loose end");
  });

  it("are explained by a click, and closed pockets said to be so", async () => {
    await open(ROOMS);
    dragTool(desk, "explain", [[30, 50]]);
    expect(state().reason?.text).toBe("This pocket is closed: colour stays in it.");
    dragTool(desk, "explain", [[70, 50]]);
    await settled();
    expect(state().leak?.openings).toHaveLength(1);
  });
});

describe("snags and figures", () => {
  it("step through openings on Gaps and uncoloured pockets elsewhere, with the view following", async () => {
    await open(ROOMS);
    state().chooseStage("Gaps");
    stageOf(state()).nextSnag(desk, 1);
    expect(state().chosenOpening).toBe(0);
    expect(state().said).toMatch(/^Opening 1 of 1, 4\.\d mm wide/);
    goToOpening(desk, 0);
    state().chooseStage("Flats");
    const before = state().view;
    stageOf(state()).nextSnag(desk, 1);
    expect(state().walked).toBe(0);
    // It can be seen well from here.
    expect(state().view).toBe(before);
    state().moveView({ scale: 10, x: 2028, y: 28 });
    stageOf(state()).nextSnag(desk, 1);
    expect(state().view.x).toBeLessThan(1000);
    state().edit(pourInto(state(), state().derived.pockets, paintRequest(state().paint))!);
    stageOf(state()).nextSnag(desk, 1);
    expect(state().view.x).toBe(2028);
    expect(state().reason?.text).toBe("Every pocket has its colour.");
  });

  it("count pockets, uses of colours and specks; specks take their neighbour's colour", async () => {
    await open(
      svg(
        '<rect x="10" y="10" width="70" height="70"/><path d="M10 10.12H10.12V10" stroke-width=".01"/>',
      ).replace('stroke-width="1"', 'stroke-width="0.01"'),
    );
    expect(pocketCounts(state())).toMatchObject({ all: 2, coloured: 0, bare: [0], specks: [1] });
    fillSpecksOf(state());
    expect(state().said).toContain("Pour around them first");
    dragTool(desk, "pour", [[45, 45]]);
    fillSpecksOf(state());
    expect(pocketCounts(state()).coloured).toBe(2);
    expect(usesOf(state()).get("frond")).toBe(2);
    expect(describeDrawing(state())).toContain("Test: 2 pockets, 2 coloured.");
  });

  it("are walked by direction, and said with what they touch", async () => {
    await open(CLOSED);
    walk(desk, [1, 0]);
    const first = walkedPocket(state())!;
    walk(desk, first.seed[0] < 50 ? [1, 0] : [-1, 0]);
    expect(walkedPocket(state())).not.toBe(first);
    dragTool(desk, "pour", [[first.seed[0], first.seed[1]]]);
    expect(describePocket(state(), state().derived.pockets.indexOf(walkedPocket(state())!))).toMatch(
      /^Pocket \d of 2, uncoloured, touches Frond base/,
    );
  });
});

describe("shade", () => {
  const loop = [
    [20, 20],
    [40, 22],
    [42, 60],
    [22, 62],
    [20, 24],
  ] as const;

  it("is drawn in the pocket it began in, chosen by a click, and gone from the hand when it is removed", async () => {
    await open(CLOSED);
    dragTool(desk, "shade", loop);
    const [shade] = Object.values(state().drawing.shades);
    expect(shade).toMatchObject({ blend: "multiply", anchor: anchorOf(state().derived.pockets[0]) });
    // Not chosen, so that settings are those of the next one.
    expect(state().selected).toEqual([]);
    state().chooseStage("Light");
    dragTool(desk, "shapes", [[30, 40]]);
    expect(state().selected).toEqual([shade.id]);
    state().undo();
    expect(state().selected).toEqual([]);
  });

  it("needs a pocket and an open sheet", async () => {
    await open(CLOSED);
    dragTool(desk, "shade", [
      [2, 2],
      [4, 4],
      [2, 6],
      [1, 3],
      [2, 2],
    ]);
    expect(state().said).toContain("Begin inside a pocket");
    state().edit(changeSheet("shade", { locked: true }));
    dragTool(desk, "shade", loop);
    expect(state().reason?.text).toContain("The shade sheet is locked");
    expect(state().drawing.shades).toEqual({});
  });
});

describe("what would change nothing", () => {
  it("is said: a step past the end of a ladder, and one where nothing is poured", async () => {
    await open(CLOSED);
    pourSettings.change(desk, { lays: "darker" });
    dragTool(desk, "pour", [[30, 50]]);
    expect(state().reason?.text).toBe("Nothing is poured here that could be made darker.");
    const [pocket] = state().derived.pockets;
    state().edit(pourInto(state(), [pocket], paintRequest({ colour: "frond", step: -3 }))!);
    dragTool(desk, "pour", [pocket.seed]);
    expect(state().reason?.text).toBe("Frond goes no darker: this is the end of its ladder.");
    expect(labels(desk)).toEqual(["Pour pocket"]);
  });

  it("is said of a crease over bare pockets, and none is drawn", async () => {
    await open(CLOSED);
    const across: Point[] = [
      [20, 40],
      [25, 50],
      [30, 60],
    ];
    dragTool(desk, "crease", across);
    expect(state().reason?.text).toContain("runs through none");
    expect(labels(desk)).toEqual([]);
    dragTool(desk, "pour", [[30, 50]]);
    dragTool(desk, "crease", across);
    expect(labels(desk)).toEqual(["Pour pocket", "Draw crease"]);
  });
});

describe("light by the lamp", () => {
  const makes = (what: "form" | "rim" | "cast") => lampState.change(desk, { makes: what });

  it("says where the colour has no room for it", async () => {
    await open(CLOSED);
    state().edit(changeColour("frond", "#ffffff", "Frond"));
    dragTool(desk, "pour", [[30, 50]]);
    makes("rim");
    dragTool(desk, "lamp", [[30, 50]]);
    expect(state().said).toMatch(/^Frond has no tone that is \d lighter/);
    state().edit(changeColour("frond", "#6f9a4a", "Frond"));
    makeAll(desk, false);
    dragTool(desk, "lamp", [[30, 50]]);
    expect(state().said).toBe("Light the rim of pocket");
  });

  it("is, taken over, so many steps of what it lies on, whatever that becomes", async () => {
    await open(CLOSED);
    dragTool(desk, "pour", [[30, 50]]);
    makes("form");
    dragTool(desk, "lamp", [[30, 50]]);
    const [pour] = Object.keys(state().drawing.pours);
    takeOver(desk, [pour], ["form"]);
    const tones = () =>
      state().scene.parts.flatMap(({ sheets }) =>
        sheets.flatMap(({ name, items }) =>
          name === "shade"
            ? items.flatMap(({ paint }) => tonesIn(paint).map(({ variable }) => variable))
            : [],
        ),
      );
    expect(tones()).toEqual(["frond-down-1"]);
    state().takePaint({ colour: "radish", step: -1 });
    dragTool(desk, "pour", [[30, 50]]);
    expect(tones()).toEqual(["radish-down-2"]);
    const again = readDrawingFile(writeDrawingFile(state().drawing));
    expect(Object.values(again.shades)).toMatchObject([{ deeper: 1 }]);
    // Given a colour of its own it is no step of another any more.
    state().edit(changeShapes(Object.values(state().drawing.shades), { paint: { colour: "dusk", step: 0 } }));
    expect(tones()).toEqual(["dusk"]);
  });

  it("says that pockets as high as one another throw no shadow", async () => {
    await open(CLOSED);
    dragTool(desk, "pour", [
      [30, 50],
      [70, 50],
    ]);
    makes("cast");
    makeAll(desk, true);
    expect(state().said).toContain("throw no shadow on one another");
    makeAll(desk, false);
    state().edit(setLamp({ at: [0, 0.5], far: true }));
    dragTool(desk, "lamp", [[30, 50]]);
    expect(state().said).not.toContain("throw no shadow");
  });
});

describe("the store", () => {
  it("makes nudges by key that follow one another one step", async () => {
    await open(CLOSED);
    state().choose([strokesOf(desk)[0].id]);
    for (let k = 0; k < 5; k++) nudgeChosen(desk, [1, 0], "Move line");
    expect(labels(desk)).toEqual(["Move line"]);
    expect(strokesOf(desk)[0].points[0]).toBe(15);
    state().undo();
    expect(strokesOf(desk)[0].points[0]).toBe(10);
  });

  it("makes changes of one colour in a row one step, and redoes what was undone", async () => {
    await open(CLOSED);
    for (const value of ["#111111", "#222222", "#333333"])
      state().edit(changeColour("frond", value, "Frond"));
    expect(labels(desk)).toEqual(["Change Frond"]);
    state().undo();
    expect(state().drawing.tin.frond.value).toBe("#6f9a4a");
    state().redo();
    expect(state().drawing.tin.frond.value).toBe("#333333");
    expect(state().said).toBe("Redone: Change Frond");
  });

  it("keeps lines in the selection only while they exist, and lets the hand go when another tool is taken", async () => {
    await open(CLOSED);
    const [first] = strokesOf(desk);
    state().chooseStage("Lines");
    state().choose([first.id]);
    draw.hold(desk, { pegs: [{ at: [1, 1] }] });
    state().chooseTool("trim");
    expect([draw.held(state()).pegs, state().tools.Lines]).toEqual([[], "trim"]);
    state().edit(removeLines([first.id]));
    expect(state().selected).toEqual([]);
  });

  it("shows an edit under way everywhere, keeps it as one step, and lets it go without a trace", async () => {
    await open(CLOSED);
    const [left] = state().derived.pockets;
    const before = state().history;
    state().show(pourInto(state(), [left], paintRequest({ colour: "radish", step: 0 }))!);
    expect(pocketCounts(state()).coloured).toBe(1);
    expect(state().scene.parts[0].sheets[0].name).toBe("flats");
    expect(state().history).toBe(before);
    state().show(null);
    expect(state().drawing).toBe(before.drawing);
    expect(pocketCounts(state()).coloured).toBe(0);
    for (const value of ["#111111", "#222222", "#333333"])
      state().show(changeColour("frond", value, "Frond"));
    expect(state().drawing.tin.frond.value).toBe("#333333");
    state().keep();
    expect(labels(desk)).toEqual(["Change Frond"]);
    state().keep();
    expect(labels(desk)).toEqual(["Change Frond"]);
  });

  it("reads the pockets of lines under way as they are moved, and those of before when they are let go of", async () => {
    await open(CLOSED);
    const [first] = strokesOf(desk);
    state().show(removeLines([first.id]));
    await settled();
    expect(state().derived.pockets).toHaveLength(0);
    state().show(null);
    await settled();
    expect(state().derived.pockets).toHaveLength(2);
  });

  it("has a name of its own for every tool of each stage", () => {
    const tools = new Set(STAGES.flatMap((stage) => stage.tools));
    expect(new Set([...tools].map(({ name }) => name)).size).toBe(tools.size);
  });
});

describe("snags of a drawing with parts", () => {
  it("say which part they belong to, and make it the one at work", async () => {
    await open(svg('<path d="M10 10H50V90H10Z"/><path d="M76 10H60V90H95V10H80"/>'));
    const { edit } = state();
    expect(state().gaps.openings.length).toBeGreaterThan(0);
    goToOpening(desk, 0);
    expect(state().said).toMatch(/^Opening 1 of \d+, /);
    await makePart(desk, { pockets: [state().derived.pockets[0]] });
    await settled();
    edit(changePart({ id: "main", name: "Drawing" }, { name: "House" }));
    await settled();
    const inPart = state().derived.pockets.findIndex(({ part }) => part !== "main");
    goToPocket(desk, inPart);
    expect(state().said).toContain(" of Part 2, uncoloured");
    expect(state().part).not.toBe("main");
    goToOpening(desk, 0);
    expect(state().said).toContain(" of House, ");
    expect(state().part).toBe("main");
  });
});
