import { afterEach, describe, expect, it, vi } from "vitest";
import { removeLines } from "#core/drawing/line-edits.ts";
import type { Point } from "#core/geometry/point.ts";
import { Hand } from "../canvas/hand.ts";
import type { DeskStore, StageName } from "../store/desk-state.ts";
import { labels, openDesk, settled, strokesOf, svg } from "../store/testing.ts";
import { bend, heldPoints } from "../tools/bend/bend-state.ts";
import { draw } from "../tools/draw/draw-state.ts";
import { pinsOf } from "../tools/tidy/tidy-state.ts";
import { onPointerKey } from "./key-pointer.ts";

vi.mock("../../work/clients.ts", async () => (await import("../../work/testing.ts")).inThread());

/** A box with a gap of 4 at its top right, and a post that runs on past its bottom. */
const BOX = svg('<path id="box" d="M76 20H20V70H80V20"/><path id="post" d="M50 20V80"/>');

let desk: DeskStore;
let hand: Hand;
const state = () => desk.getState();
const at = () => state().keyPointer!;

async function open(stage: StageName, tool: string, art = BOX): Promise<void> {
  desk = await openDesk(art);
  hand = new Hand(desk);
  state().chooseStage(stage);
  state().chooseTool(tool);
}

/** Presses keys by name, with "Shift+" and "Alt+" before them. */
function keys(...names: readonly string[]): void {
  for (const name of names) {
    const [key, ...held] = name.split("+").reverse();
    const event = { key, shiftKey: held.includes("Shift"), altKey: held.includes("Alt") } as KeyboardEvent;
    expect(onPointerKey(desk, hand, event), name).toBe(true);
  }
}

const times = (count: number, key: string): string[] => Array.from({ length: count }, () => key);

/** Brings the pointer to a place by arrows; the desk of tests shows ten pixels to a page unit. */
function goTo([x, y]: Point): void {
  if (!state().keyPointer) keys("k");
  const steps = (way: number, back: string, forth: string) => {
    const pixels = Math.round(Math.abs(way) * 10);
    const key = way < 0 ? back : forth;
    const [far, left] = [Math.floor(pixels / 40), pixels % 40];
    return [
      ...times(far, `Shift+${key}`),
      ...times(Math.floor(left / 8), key),
      ...times(left % 8, `Alt+${key}`),
    ];
  };
  keys(...steps(x - at()[0], "ArrowLeft", "ArrowRight"), ...steps(y - at()[1], "ArrowUp", "ArrowDown"));
  expect(Math.hypot(x - at()[0], y - at()[1])).toBeLessThan(0.11);
}

afterEach(() => state().close());

describe("a pointer that keys move", () => {
  it("comes out in the middle of the mat, says where it is, and is put away", async () => {
    await open("Flats", "pour");
    keys("k");
    expect(at()[0]).toBeCloseTo(50, 0);
    expect(state().said).toMatch(/right, .* down, in no pocket\. Arrows move it/);
    keys("Shift+ArrowRight");
    expect(at()[0]).toBeCloseTo(54, 0);
    keys("Escape");
    expect(state().keyPointer).toBeNull();
    expect(onPointerKey(desk, hand, { key: "Enter" } as KeyboardEvent)).toBe(false);
  });

  it("takes the paper along where it would leave the mat", async () => {
    await open("Flats", "pour");
    keys("k", ...times(40, "Shift+ArrowLeft"));
    const { view } = state();
    expect(at()[0] * view.scale + view.x).toBeCloseTo(48, 3);
  });

  it("goes to a place in lines that are still being read once they are", async () => {
    await open("Gaps", "bridge");
    const post = strokesOf(desk).find(({ name }) => name === "post")!;
    state().edit(removeLines([post.id]));
    keys("j");
    expect(state().said).toBe("The lines are still being read.");
    await settled();
    expect(state().said).toMatch(/^Place 1 of 2/);
  });

  it("gives up what it has begun", async () => {
    await open("Gaps", "bridge");
    keys("j", "Enter", "Shift+ArrowLeft");
    expect(hand.gesture).not.toBeNull();
    hand.cancel();
    expect(labels(desk)).toEqual([]);
    expect(hand.gesture).toBeNull();
  });

  it("stays in its drawer while a real pointer presses", async () => {
    await open("Gaps", "bridge");
    hand.gesture = {};
    expect(onPointerKey(desk, hand, { key: "k" } as KeyboardEvent)).toBe(false);
  });
});

describe("by keys alone", () => {
  it("a bridge is drawn from side to side of an opening, and taken away again", async () => {
    await open("Gaps", "bridge");
    keys("j", "Enter", "j", "Enter");
    await settled();
    expect(Object.keys(state().drawing.bridges)).toHaveLength(1);
    expect(state().derived.pockets).toHaveLength(2);
    state().chooseTool("unbridge");
    keys("j", "Enter");
    expect(state().drawing.bridges).toEqual({});
  });

  it("a loose end is pulled onto the line it should meet", async () => {
    await open("Gaps", "pull");
    keys("j", "Enter", "Enter");
    await settled();
    expect(labels(desk)).toEqual(["Pull end"]);
    expect(state().derived.pockets).toHaveLength(2);
  });

  it("an open place is explained", async () => {
    await open("Gaps", "explain");
    goTo([65, 45]);
    keys("Enter");
    await settled();
    expect(state().leak?.openings).toHaveLength(1);
  });

  it.each(["oval", "box"] as const)("an %s is drawn from corner to corner", async (way) => {
    await open("Lines", "draw");
    draw.change(desk, { way });
    goTo([85, 85]);
    keys("Enter", "Shift+ArrowRight", "Shift+ArrowRight", "Shift+ArrowDown", "Enter");
    expect(labels(desk)).toEqual([`Draw ${way}`]);
  });

  it("a shade is drawn within its pocket", async () => {
    await open("Gaps", "bridge");
    keys("j", "Enter", "j", "Enter");
    await settled();
    state().chooseStage("Light");
    state().chooseTool("shade");
    goTo([30, 30]);
    keys(
      "Enter",
      ...times(3, "Shift+ArrowRight"),
      ...times(3, "Shift+ArrowDown"),
      ...times(3, "Shift+ArrowLeft"),
    );
    keys("Enter");
    expect(Object.values(state().drawing.shades)).toHaveLength(1);
  });

  it("a point is held and its handle dragged", async () => {
    await open("Lines", "bend");
    const post = strokesOf(desk).find(({ name }) => name === "post")!;
    state().choose([post.id]);
    bend.hold(desk, { points: [], of: null });
    keys("j", "Enter", "Enter");
    expect(heldPoints(state())).toEqual([0]);
    const before = state().drawing.strokes[post.id].points;
    goTo([before[2], before[3]]);
    keys("Enter", "Shift+ArrowRight", "Enter");
    expect(state().drawing.strokes[post.id].points[2]).toBeCloseTo(before[2] + 4, 5);
    expect(state().drawing.strokes[post.id].points[0]).toBe(before[0]);
  });

  it("a corner is pinned", async () => {
    await open("Lines", "tidy");
    const box = strokesOf(desk).find(({ name }) => name === "box")!;
    state().choose([box.id]);
    keys("j", "j", "Enter");
    expect(pinsOf(state())).toEqual({ [box.id]: [1] });
  });

  it("one tail is trimmed and the others are left", async () => {
    await open("Lines", "trim", svg('<path d="M10 20H90"/><path d="M30 10V90"/>'));
    expect(state().gaps.tails).toHaveLength(2);
    keys("j", "Enter", "Enter");
    await settled();
    expect(labels(desk)).toEqual(["Trim tail"]);
    expect(state().gaps.tails).toHaveLength(1);
  });

  it("lines are chosen, and more of them added to those that are", async () => {
    await open("Lines", "arrange");
    goTo([20, 50]);
    keys("Enter", "Enter");
    expect(state().selected).toHaveLength(1);
    goTo([50, 75]);
    keys("Shift+Enter");
    expect(state().selected).toHaveLength(2);
  });
});
