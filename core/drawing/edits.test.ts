import { describe, expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import { box } from "../../testing/line-work.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { pocketsOf } from "../pockets/pockets.ts";
import { seedOnly } from "./anchor.ts";
import { ranked } from "./drawing.ts";
import {
  addBridges,
  changeSheet,
  declineOpenings,
  fillSpecks,
  pour,
  reconsiderOpenings,
  removeBridge,
  setReach,
  setStrict,
} from "./edits.ts";
import { applyEdit, beginHistory, linePatches, undoLabel } from "./history.ts";
import { addShade, changeShapes, removeShapes } from "./shape-edits.ts";

const [big, small] = pocketsOf(buildMap([box(0, 0, 40, 40), box(60, 0, 20, 20)]));
const frond = { colour: "frond", step: 0 };
const dusk = { colour: "dusk", step: 1 };

describe("pouring", () => {
  it("remembers the region it filled, its inner point and the lines around", () => {
    const { pours } = edited(smallDrawing(), pour([{ anchor: anchorOf(big) }], frond, ["p"]));
    expect(pours.p).toMatchObject({ paint: frond, anchor: { seed: big.seed, area: big.area } });
    expect(pours.p.anchor).toMatchObject({ lines: big.lines, region: big.rings });
  });

  it("replaces what was there, and never stacks", () => {
    const once = edited(smallDrawing(), pour([{ anchor: anchorOf(big) }], frond, ["p"]));
    const twice = edited(once, pour([{ anchor: anchorOf(big), pourId: "p" }], dusk, ["q"]));
    expect(Object.keys(twice.pours)).toEqual(["q"]);
  });

  it("keeps a pour that colours other pockets too, and lies above it", () => {
    const once = edited(smallDrawing(), pour([{ anchor: anchorOf(big) }], frond, ["p"]));
    const twice = edited(once, pour([{ anchor: anchorOf(small), pourId: "p", shared: true }], dusk, ["q"]));
    expect(Object.keys(twice.pours)).toEqual(["p", "q"]);
    expect(twice.pours.q.rank).toBeGreaterThan(twice.pours.p.rank);
  });

  it("empties: the pour goes, or where it is shared the pocket is remembered as bare", () => {
    const once = edited(smallDrawing(), pour([{ anchor: anchorOf(big) }], frond, ["p"]));
    expect(edited(once, pour([{ anchor: anchorOf(big), pourId: "p" }], null, ["q"])).pours).toEqual({});
    const bare = edited(once, pour([{ anchor: anchorOf(small), pourId: "p", shared: true }], null, ["q"]));
    expect(bare.pours.q.paint).toBeNull();
    expect(
      applyEdit(beginHistory(smallDrawing()), pour([{ anchor: anchorOf(big) }], null, ["q"])),
    ).toBeUndefined();
  });

  it("says how many pockets, and fills specks each with its own colour", () => {
    expect(pour([{ anchor: anchorOf(big) }], frond, ["p"]).label).toBe("Pour pocket");
    expect(pour([{ anchor: anchorOf(big) }, { anchor: anchorOf(small) }], null, ["p", "q"]).label).toBe(
      "Empty 2 pockets",
    );
    const specks = fillSpecks([
      { target: { anchor: anchorOf(big) }, paint: frond },
      { target: { anchor: anchorOf(small) }, paint: dusk },
    ]);
    expect(specks.label).toBe("Fill 2 specks");
    const { pours } = edited(smallDrawing(), specks);
    expect(ranked(pours).map(({ paint }) => paint)).toEqual([frond, dusk]);
  });
});

const shade = {
  id: "s",
  outline: [[0, 0, 1, 0, 2, 0, 3, 0]],
  kind: "drawn" as const,
  evenOdd: false,
  anchor: seedOnly([1, 1]),
  paint: dusk,
  blend: "multiply" as const,
  opacity: 0.5,
};

describe("bridges and openings", () => {
  const points = [0, 0, 1, 0, 2, 0, 3, 0];

  it("adds and removes bridges, which pockets hear of", () => {
    const added = applyEdit(beginHistory(smallDrawing()), addBridges([{ id: "b1", points }]))!;
    expect(linePatches(added.patches)).toHaveLength(1);
    expect(edited(added.history.drawing, removeBridge("b1")).bridges).toEqual({});
    expect(addBridges([{ id: "b1", points }]).label).toBe("Add bridge");
  });

  it("leaves openings open until they are reconsidered", () => {
    const left = edited(
      smallDrawing(),
      declineOpenings([
        { id: "o1", at: [1, 2] },
        { id: "o2", at: [3, 4] },
      ]),
    );
    expect(Object.keys(left.declined)).toEqual(["o1", "o2"]);
    expect(edited(left, reconsiderOpenings()).declined).toEqual({});
  });

  it("sets the reach as one step however long it is dragged, and says when it is off", () => {
    const done = [1, 2, 3, 0].reduce(
      (now, reach) => applyEdit(now, setReach(reach))?.history ?? now,
      beginHistory(smallDrawing()),
    );
    expect(done.steps).toHaveLength(1);
    expect(undoLabel(done)).toBe("Reach off");
  });

  it("takes centre lines alone, or joins touching ink", () => {
    expect(edited(smallDrawing(), setStrict(true)).strict).toBe(true);
    expect(applyEdit(beginHistory(smallDrawing()), setStrict(false))).toBeUndefined();
  });
});

describe("shades, sheets and the page", () => {
  it("adds a shade above the others, changes and removes it", () => {
    const added = edited(smallDrawing(), addShade(shade), addShade({ ...shade, id: "t" }));
    expect(added.shades.t.rank).toBeGreaterThan(added.shades.s.rank);
    const changed = edited(added, changeShapes([added.shades.s], { opacity: 0.8 }));
    expect(changed.shades.s.opacity).toBe(0.8);
    expect(Object.keys(edited(changed, removeShapes([changed.shades.s])).shades)).toEqual(["t"]);
  });

  it("fades a sheet as one step; hiding it is a step of its own", () => {
    const steps = [{ opacity: 0.9 }, { opacity: 0.8 }, { visible: false }].map((change) =>
      changeSheet("flats", change),
    );
    const done = steps.reduce((now, edit) => applyEdit(now, edit)!.history, beginHistory(smallDrawing()));
    expect(done.steps).toHaveLength(2);
    expect(done.drawing.sheets.flats).toEqual({ visible: false, locked: false, opacity: 0.8 });
    expect(done.drawing.sheets.ink.locked).toBe(false);
  });
});
