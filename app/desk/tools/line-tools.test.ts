import { afterEach, describe, expect, it, vi } from "vitest";
import {
  addNib,
  changeNib,
  changeStrokes,
  orderLines,
  removeLines,
  removeNib,
  setAllInk,
  setInk,
} from "#core/drawing/line-edits.ts";
import { curveCount } from "#core/geometry/cubic.ts";
import { aboutPoint } from "#core/geometry/matrix.ts";
import type { Point } from "#core/geometry/point.ts";
import type { KeyPress } from "../keys/key-names.ts";
import { strokeNear } from "../lines/lines-near.ts";
import { stageOf, toolNamed, toolOf } from "../stages/index.ts";
import type { DeskStore } from "../store/desk-state.ts";
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
} from "../store/testing.ts";
import { arrange, frameOf, transformChosen } from "./arrange/arrange-state.ts";
import { bend, heldPoints, holdPoints } from "./bend/bend-state.ts";
import { draw, drawWidth } from "./draw/draw-state.ts";
import { applyTidy } from "./tidy/apply-tidy.ts";
import { pinsOf, previewTidy, tidy, tidyPreview, tidyTargets, tidyTolerance } from "./tidy/tidy-state.ts";
import { caughtTails, shortTails, tailLimit, trim } from "./trim/trim-state.ts";
import { trimTails } from "./trim/trim-tails.ts";

vi.mock("../../work/clients.ts", async () => (await import("../../work/testing.ts")).inThread());

const BOX = svg(
  '<path id="top" d="M20 30H80"/><path id="bottom" d="M20 70H80"/><path id="left" d="M20 30V70"/><path id="right" d="M80 30V70"/><path id="post" d="M50 22V76"/>',
);

let desk: DeskStore;
const state = () => desk.getState();
const open = async (text = BOX) => {
  desk = await openDesk(text);
  state().chooseStage("Lines");
};
const drawing = (part: Parameters<typeof draw.change>[1]) => draw.change(desk, part);
const named = (name: string) => strokesOf(desk).find((stroke) => stroke.name === name)!;
const key = (name: string, shiftKey = false) => {
  const event = { key: name, shiftKey } as KeyPress;
  return toolOf(state()).key?.(desk, event) || (stageOf(state()).key?.(desk, event) ?? false);
};
const last = <T>(items: readonly T[]): T => items[items.length - 1];
afterEach(() => desk.getState().close());

describe("drawing on the desk", () => {
  const wave = Array.from({ length: 40 }, (_, i): Point => [10 + i * 2, 10 + 4 * Math.sin(i / 5)]);

  it("puts a freehand line in with the nib in hand and the usual width", async () => {
    await open();
    drawing({ steadying: 0 });
    dragTool(desk, "draw", wave);
    const line = last(strokesOf(desk));
    expect(line).toMatchObject({ nib: "taper-at-both", width: 1, closed: false });
    expect(line.profile).toBeUndefined();
    expect(curveCount(line.points)).toBeLessThan(12);
    expect(labels(desk)).toEqual(["Draw line"]);
  });

  it("keeps a pen's pressure only where that is wanted", async () => {
    await open();
    const press = (i: number) => ({ pressure: 0.2 + i / 60 });
    const drawn = () => {
      const gesture = beginDrag(desk, "draw", [wave[0]], press(0));
      wave.forEach((at, i) => {
        gesture?.move?.(pressAt(desk, at, press(i)));
      });
      gesture?.end?.(pressAt(desk, last(wave), press(39)));
      return last(strokesOf(desk));
    };
    expect(drawn().profile![1]).toBeLessThan(0.35);
    drawing({ pressed: false });
    expect(drawn().profile).toBeUndefined();
  });

  it("ends as firmly as it was drawn: lifting the pen presses no more", async () => {
    await open();
    drawing({ way: "hand", pressed: true, steadying: 0 });
    const at = (x: number, pressure: number) => pressAt(desk, [x, 50 + x / 40], { pressure });
    const gesture = toolNamed("draw").press(at(23, 0.6))!;
    for (let x = 24; x < 46; x++) gesture.move?.(at(x, 0.8));
    gesture.end?.(at(46, 0));
    const { profile } = last(strokesOf(desk));
    expect(profile!.at(-1)).toBeGreaterThan(0.75);
  });

  it("joins a line it begins or ends near, shows how far it is, and closes near its own start", async () => {
    await open();
    drawing({ nib: "even", steadying: 0 });
    const gesture = beginDrag(desk, "draw", [
      [35, 30.4],
      [36, 40],
      [37, 50],
      [36, 55],
      [37, 60],
      [37, 66.5],
    ]);
    expect(gesture!.marks!().some((mark) => mark.kind === "label" && /to join/.test(mark.text))).toBe(true);
    gesture?.move?.(pressAt(desk, [37, 69.5]));
    gesture?.end?.(pressAt(desk, [37, 69.5]));
    const line = last(strokesOf(desk));
    expect([line.points[1], line.points[line.points.length - 1]]).toEqual([30, 70]);
    expect(line.nib).toBeUndefined();
    const ring = Array.from(
      { length: 40 },
      (_, i): Point => [50 + 5 * Math.cos(i / 6.3), 90 + 5 * Math.sin(i / 6.3)],
    );
    dragTool(desk, "draw", ring);
    expect(last(strokesOf(desk)).closed).toBe(true);
    await settled();
    expect(state().derived.pockets).toHaveLength(4);
  });

  it("draws straight while Shift is held", async () => {
    await open();
    drawing({ nib: "even", steadying: 0 });
    const bow = Array.from({ length: 20 }, (_, i): Point => [5 + i * 0.5, 85 + 4 * Math.sin(i / 6)]);
    dragTool(desk, "draw", bow, { shift: true });
    const { points } = last(strokesOf(desk));
    expect(curveCount(points)).toBe(1);
    expect(points.slice(0, 2)).toEqual([5, 85]);
  });

  it("draws ovals and boxes, with Shift as wide as high, and nothing for a click", async () => {
    await open();
    drawing({ way: "oval", nib: "even" });
    dragTool(desk, "draw", [
      [5, 5],
      [15, 25],
    ]);
    drawing({ way: "box" });
    dragTool(
      desk,
      "draw",
      [
        [5, 80],
        [15, 95],
      ],
      { shift: true },
    );
    dragTool(desk, "draw", [[60, 90]]);
    expect(labels(desk)).toEqual(["Draw oval", "Draw box"]);
    const box = last(strokesOf(desk)).points;
    expect([
      Math.max(...box.filter((_, i) => i % 2 === 0)),
      Math.max(...box.filter((_, i) => i % 2 === 1)),
    ]).toEqual([20, 95]);
  });

  it("drives pegs by clicks with handles by drags, and ends with a double click", async () => {
    await open();
    drawing({ way: "pegs" });
    dragTool(desk, "draw", [[5, 5]]);
    dragTool(desk, "draw", [
      [15, 5],
      [18, 8],
    ]);
    toolNamed("draw").hover!(pressAt(desk, [25, 5]));
    expect(toolNamed("draw").marks!(state()).filter(({ kind }) => kind === "dot")).toHaveLength(3);
    dragTool(desk, "draw", [[25, 5]]);
    toolNamed("draw").doublePress!(pressAt(desk, [25, 5]));
    const line = last(strokesOf(desk));
    expect(curveCount(line.points)).toBe(2);
    expect(line.points.slice(4, 6)).toEqual([12, 2]);
    expect(draw.held(state()).pegs).toEqual([]);
  });

  it("drives pegs by keys, takes the last one back, and ends where Enter is pressed again", async () => {
    await open();
    drawing({ way: "pegs" });
    for (const step of ["ArrowUp", "Enter", "ArrowRight", "Enter", "ArrowDown", "Enter"])
      key(step, step.startsWith("A"));
    expect(draw.held(state()).pegs).toHaveLength(3);
    key("Backspace");
    expect(draw.held(state()).pegs).toHaveLength(2);
    key("ArrowLeft", true);
    key("Enter");
    key("Enter");
    expect(labels(desk)).toEqual(["Draw from point to point"]);
  });
});

describe("tidying on the desk", () => {
  it("works on what is chosen or on all, with figures, and pins points by a click", async () => {
    await open(
      svg(
        `<path id="wavy" d="M10 50${Array.from({ length: 20 }, (_, i) => `q2 ${i % 2 ? 1.2 : -1.2} 4 0`).join("")}"/><path id="plain" d="M10 80H90"/>`,
      ),
    );
    state().chooseTool("tidy");
    expect(tidyTargets(state())).toHaveLength(2);
    tidy.change(desk, { tolerance: 2 });
    expect(tidyTolerance(state())).toBe(2);
    await previewTidy(desk);
    expect(tidyPreview(state())).toMatchObject({ before: 23 });
    expect(tidyPreview(state())!.after).toBeLessThan(10);
    expect(tidyPreview(state())!.deviation).toBeLessThanOrEqual(2);
    dragTool(desk, "tidy", [[12, 50]]);
    await settled();
    expect(state().selected).toEqual([named("wavy").id]);
    dragTool(desk, "tidy", [[50, 50]]);
    await settled();
    expect(pinsOf(state())[named("wavy").id]).toEqual([10]);
    // What was worked out for all lines is not done to one.
    applyTidy(desk);
    expect(labels(desk)).toEqual([]);
    await previewTidy(desk);
    applyTidy(desk);
    expect(labels(desk)).toEqual(["Tidy line"]);
    const { points } = named("wavy");
    expect(points.some((n, k) => k % 6 === 0 && n === 50 && points[k + 1] === 50)).toBe(true);
    dragTool(desk, "tidy", [[50, 20]]);
    expect(state().selected).toEqual([]);
  });
});

describe("trimming on the desk", () => {
  it("takes the tail under a click, those a drag crosses, or all short ones, and loses no pocket", async () => {
    await open();
    expect(state().gaps.tails.map(({ length }) => Math.round(length))).toEqual([6, 8]);
    expect(state().derived.pockets).toHaveLength(2);
    toolNamed("trim").hover!(pressAt(desk, [50, 25]));
    expect(caughtTails(state())).toHaveLength(1);
    dragTool(desk, "trim", [[50, 25]]);
    await settled();
    expect(named("post").points[1]).toBeCloseTo(30, 9);
    state().undo();
    await settled();
    dragTool(desk, "trim", [
      [46, 24],
      [54, 24],
      [54, 74],
      [46, 74],
    ]);
    await settled();
    expect(named("post").points[1]).toBeCloseTo(30, 9);
    expect(last(named("post").points)).toBeCloseTo(70, 9);
    expect(state().derived.pockets).toHaveLength(2);
    expect(state().gaps.tails).toEqual([]);
    dragTool(desk, "trim", [[35, 50]]);
    expect(state().said).toContain("no loose tail here");
  });

  it("takes only those shorter than was asked", async () => {
    await open();
    trim.change(desk, { below: 7 });
    expect(tailLimit(state())).toBe(7);
    trimTails(desk, shortTails(state()));
    expect([named("post").points[1], last(named("post").points)]).toEqual([22, 70]);
  });

  it("shows no tail of a line that has just been cut, whose places are others now", async () => {
    await open(BOX.replace("M50 22V76", "M50 22V24V26V28V40V76"));
    expect(state().gaps.tails).toHaveLength(2);
    trimTails(desk, state().gaps.tails);
    expect(shortTails(state())).toEqual([]);
    expect(toolNamed("trim").marks!(state())).toEqual([]);
    await settled();
    expect(state().gaps.tails).toEqual([]);
    state().undo();
    expect(toolNamed("trim").marks!(state())).toEqual([]);
    await settled();
    expect(state().gaps.tails).toHaveLength(2);
  });
});

describe("picking", () => {
  it("takes ink where it is seen, across its width, the topmost first", async () => {
    await open(
      svg(
        '<path id="wide" stroke-width="12" d="M10 50H90"/><path id="thin" d="M10 54H90"/><path id="over" stroke-width="6" d="M50 20V80"/>',
      ),
    );
    const picked = (at: Point) => strokeNear(state(), at, 0.1)?.name;
    expect(picked([20, 44.6])).toBe("wide");
    expect(picked([20, 54])).toBe("thin");
    expect(picked([52, 45])).toBe("over");
    expect(picked([20, 40])).toBeUndefined();
  });

  it("bends and pins the point nearest to the pointer, not the first within reach", async () => {
    await open(svg('<path id="close" d="M20 50L20.6 50L21.2 50L80 50"/>'));
    const { id } = named("close");
    state().choose([id]);
    dragTool(desk, "bend", [[20.55, 50]]);
    expect(heldPoints(state())).toEqual([1]);
    dragTool(desk, "tidy", [[21.15, 50]]);
    expect(pinsOf(state())[id]).toEqual([2]);
  });
});

describe("bending on the desk", () => {
  it("moves points and handles; ends that meet follow if that is wanted, and colours stay", async () => {
    await open();
    dragTool(desk, "pour", [[35, 50]]);
    dragTool(desk, "bend", [[65, 30]]);
    expect(state().selected).toEqual([named("top").id]);
    dragTool(desk, "bend", [
      [20, 30],
      [18, 26],
      [16, 22],
    ]);
    expect(labels(desk)).toEqual(["Pour pocket", "Bend line"]);
    expect(named("left").points.slice(0, 2)).toEqual([16, 22]);
    await settled();
    expect(paintAt(desk, [34, 47])).toEqual({ colour: "frond", step: 0 });
    const [hx, hy] = named("top").points.slice(2, 4);
    dragTool(desk, "bend", [
      [hx, hy],
      [hx, hy - 10],
    ]);
    expect(named("top").points[3]).toBeCloseTo(hy - 10);
    bend.change(desk, { follow: false });
    const before = named("left").points;
    dragTool(desk, "bend", [
      [16, 22],
      [20, 30],
    ]);
    expect(named("left").points).toEqual(before);
  });

  it("adds, removes, smooths and holds several points, by pointer and by keys", async () => {
    await open();
    state().chooseTool("bend");
    dragTool(desk, "bend", [[65, 30]]);
    toolNamed("bend").doublePress!(pressAt(desk, [40, 30]));
    expect(curveCount(named("top").points)).toBe(2);
    expect(heldPoints(state())).toEqual([1]);
    toolNamed("bend").doublePress!(pressAt(desk, [40, 30]));
    expect(last(labels(desk))).toBe("Make a corner");
    key("ArrowUp", true);
    key("Enter");
    key("Enter");
    expect(labels(desk).slice(-2)).toEqual(["Make a corner", "Make smooth"]);
    key("ArrowDown", true);
    dragTool(desk, "bend", [[80, 30]], { shift: true });
    expect(heldPoints(state())).toEqual([1, 2]);
    key("ArrowUp", true);
    expect([named("top").points[7], named("top").points[13]]).toEqual([28, 28]);
    holdPoints(desk, [1]);
    key("a");
    expect(curveCount(named("top").points)).toBe(3);
    expect(heldPoints(state())).toEqual([2]);
    state().undo();
    expect(heldPoints(state())).toEqual([]);
    state().redo();
    holdPoints(desk, [2]);
    key("Backspace");
    expect(curveCount(named("top").points)).toBe(2);
    key("}");
    expect(state().said).toMatch(/^Point 1 of 3/);
    expect(toolNamed("bend").marks!(state()).filter(({ kind }) => kind === "dot").length).toBeGreaterThan(3);
  });
});

describe("arranging on the desk", () => {
  it("chooses by click, Shift and a loop; moves with the colours the lines alone bound", async () => {
    await open(
      svg(
        '<circle id="a" cx="30" cy="30" r="10"/><circle id="b" cx="70" cy="30" r="10"/><path id="far" d="M10 90H90"/>',
      ),
    );
    dragTool(desk, "pour", [[30, 30]]);
    dragTool(desk, "arrange", [[40, 30]]);
    dragTool(desk, "arrange", [[60, 30]], { shift: true });
    expect(state().selected).toHaveLength(2);
    dragTool(desk, "arrange", [[60, 30]], { shift: true });
    expect(state().selected).toEqual([named("a").id]);
    dragTool(desk, "arrange", [
      [40, 30],
      [44, 40],
      [45, 50],
    ]);
    expect(labels(desk)).toEqual(["Pour pocket", "Move line"]);
    await settled();
    expect(paintAt(desk, [35, 50])).toEqual({ colour: "frond", step: 0 });
    dragTool(desk, "arrange", [
      [5, 10],
      [95, 10],
      [95, 70],
      [5, 70],
      [5, 12],
    ]);
    expect(state().selected).toHaveLength(2);
  });

  it("scales by a corner and turns by the round grip, with widths by choice", async () => {
    await open(svg('<rect id="a" x="20" y="20" width="20" height="10"/>'));
    dragTool(desk, "arrange", [[30, 20]]);
    dragTool(desk, "arrange", [
      [40, 30],
      [60, 40],
    ]);
    expect(frameOf(state())).toMatchObject({ x: 20, y: 20, width: 40, height: 20 });
    expect(named("a").width).toBeCloseTo(2);
    arrange.change(desk, { scaleWidths: false });
    dragTool(
      desk,
      "arrange",
      [
        [60, 40],
        [100, 60],
      ],
      { shift: true },
    );
    expect(named("a").width).toBeCloseTo(2);
    expect(frameOf(state())!.width).toBeCloseTo(80);
    const { x, y, width, height } = frameOf(state())!;
    const middle: Point = [x + width / 2, y + height / 2];
    dragTool(desk, "arrange", [
      [middle[0], y - 2.6],
      [middle[0] + height / 2 + 2.6, middle[1]],
    ]);
    expect(frameOf(state())!.width).toBeCloseTo(height);
    transformChosen(desk, aboutPoint(middle, -1, 1, 0), "Mirror");
    expect(last(labels(desk))).toBe("Mirror");
  });

  it("orders, removes and colours lines, all or some; ink shapes too", async () => {
    await open(
      svg(
        '<path id="a" d="M0 0H9"/><path id="b" d="M0 5H9"/><path id="blot" fill="#111" stroke="none" d="M20 20h9v9z"/>',
      ),
    );
    const [a, b] = [named("a"), named("b")];
    const [blot] = Object.values(state().drawing.inkShapes);
    state().edit(orderLines([a.id], "front"));
    expect(named("a").rank).toBeGreaterThan(blot.rank);
    state().edit(orderLines([blot.id], "back"));
    expect(state().drawing.inkShapes[blot.id].rank).toBeLessThan(b.rank);
    state().edit(changeStrokes([a.id, blot.id], { paint: { colour: "radish", step: 0 }, width: 3 }));
    expect(named("a")).toMatchObject({ paint: { colour: "radish" }, width: 3 });
    expect(state().drawing.inkShapes[blot.id]).not.toHaveProperty("width");
    state().edit(setInk({ colour: "dusk", step: 0 }, "Dusk"));
    expect(named("a").paint).toBeDefined();
    state().edit(setAllInk({ colour: "dusk", step: -1 }, "Dusk"));
    expect(named("a").paint).toBeUndefined();
    expect(state().drawing.ink).toEqual({ colour: "dusk", step: -1 });
    state().edit(removeLines([a.id, blot.id]));
    expect(strokesOf(desk).map(({ name }) => name)).toEqual(["b"]);
  });

  it("steps through lines by key, says what they are, moves and removes them", async () => {
    await open();
    state().chooseTool("arrange");
    key("]");
    expect(state().said).toBe("Line 1 of 5, top, 1.0 mm wide");
    key("[");
    expect(state().said).toContain("Line 5 of 5, post");
    key("ArrowRight", true);
    expect(named("post").points[0]).toBeCloseTo(52);
    key("Delete");
    expect(strokesOf(desk)).toHaveLength(4);
    expect(key("z")).toBe(false);
  });

  it("turns strokes even whose nib is deleted", async () => {
    await open();
    state().edit(addNib({ id: "own", name: "Own", profile: [0, 1, 1, 0.2], strands: 1 }));
    state().edit(changeStrokes([named("post").id], { nib: "own" }));
    state().edit(removeNib("own", "Own"));
    expect(named("post")).not.toHaveProperty("nib");
    expect(state().drawing.nibs).not.toHaveProperty("own");
    state().undo();
    expect(named("post").nib).toBe("own");
  });

  it("has a nib's strokes follow when the nib is changed", async () => {
    await open();
    state().edit(addNib({ id: "own", name: "Own", profile: [0, 1, 1, 0.2], strands: 1 }));
    state().edit(changeStrokes([named("post").id], { nib: "own" }));
    const inkOf = () =>
      state()
        .scene.parts[0].sheets.find(({ name }) => name === "ink")!
        .items.find(({ id }) => id === named("post").id)!;
    const before = inkOf();
    expect(before.area.kind).toBe("region");
    state().edit(changeNib("own", { strands: 3 }, "Own"));
    expect(inkOf()).not.toEqual(before);
    expect(drawWidth(state())).toBe(1);
  });
});

describe("ink shapes", () => {
  const BLOT =
    '<path id="blot" fill="#000" stroke="none" d="M30 30H60V60H30Z"/><path id="tail" d="M61 45H90"/><path id="short" d="M45 10V24"/>';
  const shape = () => Object.values(state().drawing.inkShapes)[0];
  const at = (point: Point) => pressAt(desk, point);

  it("are bent by their points, and lines that meet them follow", async () => {
    await open(svg(BLOT));
    toolNamed("bend").press(at([30, 52]));
    expect(state().selected).toEqual([shape().id]);
    dragTool(desk, "bend", [
      [60, 60],
      [66, 66],
    ]);
    expect(labels(desk)).toEqual(["Bend line"]);
    expect(shape().outline[0].slice(12, 14).map(Math.round)).toEqual([66, 66]);
    expect(shape().outline[0].slice(0, 2)).toEqual([30, 30]);
    state().undo();
    expect(shape().outline[0].slice(12, 14)).toEqual([60, 60]);
  });

  it("are trimmed where they run on past a line, all at once too", async () => {
    const bar = '<path id="bar" fill="#000" stroke="none" d="M10 48H90V52H10Z"/>';
    await open(svg(`${bar}<path d="M30 20V80"/><path d="M75 20V80"/>`));
    expect(shortTails(state())).toEqual([]);
    dragTool(desk, "trim", [[83, 50]]);
    expect(labels(desk)).toEqual(["Trim tail"]);
    expect(Math.max(...shape().outline[0])).toBeCloseTo(75, 6);
    state().undo();
    await settled();
    trim.change(desk, { below: 40 });
    trimTails(
      desk,
      shortTails(state()).filter((tail) => "cut" in tail),
    );
    const xs = shape().outline[0].filter((_, i) => i % 2 === 0);
    expect([Math.min(...xs), Math.max(...xs)].map(Math.round)).toEqual([30, 75]);
  });

  it("hold bridges and loose ends that are pulled onto them", async () => {
    await open(svg(BLOT));
    dragTool(desk, "bridge", [
      [45.3, 24],
      [47, 29.4],
    ]);
    const [bridge] = Object.values(state().drawing.bridges);
    expect(bridge.points.slice(0, 2)).toEqual([45, 24]);
    expect(bridge.points.at(-1)).toBeCloseTo(30, 6);
    state().undo();
    await settled();
    dragTool(desk, "pull", [
      [45, 24],
      [47, 29.4],
    ]);
    const short = named("short").points;
    expect([short.at(-2), short.at(-1)].map((n) => Math.round(n! * 1e3) / 1e3)).toEqual([47, 30]);
  });
});
