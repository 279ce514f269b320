import { beforeEach, describe, expect, it, vi } from "vitest";
import { renameColour } from "#core/drawing/colour-edits.ts";
import { applyEdit, beginHistory, type History, undo } from "#core/drawing/history.ts";
import { blankDrawing } from "#core/drawing/new-drawing.ts";

interface Write {
  readonly revision: number;
  readonly change: {
    readonly from: number;
    readonly steps: readonly { label: string }[];
    readonly cursor: number;
  };
  readonly done: () => void;
  readonly fail: (problem: Error) => void;
}

const writes: Write[] = [];

class KeepProblem extends Error {
  constructor(readonly kind: string) {
    super(kind);
  }
}

vi.mock("./shelf.ts", () => ({
  KeepProblem,
  keepInMemory: () => {},
  openDrawing: async () => undefined,
  keepChange: (_id: string, revision: number, change: Write["change"]) =>
    new Promise<void>((done, fail) => writes.push({ revision, change, done, fail })),
}));

vi.mock("./step-blocks.ts", () => ({ packOldSteps: async () => {} }));

const { changeBetween, Keeper } = await import("./keeper.ts");

const begun = beginHistory(blankDrawing("Test", { width: 100, height: 100, unit: "mm", ppi: 300 }));
const named = (history: History, name: string): History =>
  applyEdit(history, renameColour("frond", name))!.history;

const turn = () => new Promise((resolve) => setTimeout(resolve));

function keeperOf(kept: "stored" | "memory" = "stored") {
  const states: string[] = [];
  const keeper = new Keeper(
    "id",
    { history: begun, revision: 5, kept: kept as never },
    { onState: (state) => states.push(state), onHistory: () => {} },
  );
  return { keeper, states };
}

beforeEach(() => {
  writes.length = 0;
});

describe("what changed between two histories", () => {
  it("is the steps that are new, from where they part", () => {
    const one = named(begun, "One");
    const two = named(one, "Two");
    expect(changeBetween(one, two)).toMatchObject({ from: 1, cursor: 2 });
    expect(changeBetween(one, two).steps).toHaveLength(1);
    expect(changeBetween(undefined, two).steps).toHaveLength(2);
  });

  it("is the cursor alone when a step is undone, and a new branch after that", () => {
    const two = named(named(begun, "One"), "Two");
    const back = undo(two)!.history;
    expect(changeBetween(two, back)).toEqual({ from: 2, steps: [], cursor: 1 });
    const other = named(back, "Other");
    expect(changeBetween(back, other)).toMatchObject({ from: 1, cursor: 2 });
  });
});

describe("keeping a drawing", () => {
  it("writes in order, one after another, and says kept when all is", async () => {
    const { keeper, states } = keeperOf();
    const one = named(begun, "One");
    keeper.keep(one);
    await turn();
    keeper.keep(named(one, "Two"));
    await turn();
    expect(writes).toHaveLength(1);
    writes[0].done();
    await turn();
    expect(writes.map(({ revision }) => revision)).toEqual([5, 6]);
    expect(states.at(-1)).toBe("keeping");
    writes[1].done();
    await turn();
    expect(states.at(-1)).toBe("kept");
  });

  it("writes what comes faster than the disk in one go", async () => {
    const { keeper, states } = keeperOf();
    const one = named(begun, "One");
    keeper.keep(one);
    keeper.keep(named(one, "Two"));
    await turn();
    expect(writes.map(({ change }) => change.steps.length)).toEqual([2]);
    writes[0].done();
    await turn();
    expect([states.at(-1), writes.length]).toEqual(["kept", 1]);
  });

  it("tells a problem, and writes everything again with the next change", async () => {
    const { keeper, states } = keeperOf();
    const one = named(begun, "One");
    keeper.keep(one);
    await turn();
    writes[0].fail(new KeepProblem("full"));
    await turn();
    expect(states.at(-1)).toBe("full");
    keeper.keep(named(one, "Two"));
    await turn();
    expect(writes[1]).toMatchObject({ revision: 5, change: { from: 0, cursor: 2 } });
    expect(writes[1].change.steps).toHaveLength(2);
    writes[1].done();
    await turn();
    expect(states.at(-1)).toBe("kept");
    keeper.keep(named(named(one, "Two"), "Three"));
    await turn();
    expect(writes[2].revision).toBe(6);
  });

  it("takes what it does not know for storage that is not there", async () => {
    const { keeper, states } = keeperOf();
    keeper.keep(named(begun, "One"));
    await turn();
    writes[0].fail(new Error("odd"));
    await turn();
    expect(states.at(-1)).toBe("unavailable");
  });

  it("writes nothing where the browser keeps nothing, and says so", async () => {
    const { keeper, states } = keeperOf("memory");
    keeper.keep(named(begun, "One"));
    await turn();
    expect(writes).toHaveLength(0);
    expect(states).toEqual(["memory"]);
  });
});
