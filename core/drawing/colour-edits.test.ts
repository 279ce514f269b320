import { describe, expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import { tinOf } from "../colour/colourways.ts";
import { seedOnly } from "./anchor.ts";
import {
  addColour,
  addColours,
  addColourway,
  changeColour,
  orderTin,
  removeColour,
  removeColourway,
  removeUnused,
  renameColour,
  renameColourway,
  renameGroup,
  setColourOpacity,
  setColourway,
  setLadder,
  showColourway,
} from "./colour-edits.ts";
import { type Drawing, ranked } from "./drawing.ts";
import { pour } from "./edits.ts";
import { applyEdit, beginHistory, undoLabel } from "./history.ts";
import { setGroundShadow } from "./light-edits.ts";
import { changeStrokes, setInk } from "./line-edits.ts";
import { addShade } from "./shape-edits.ts";

const anchor = seedOnly([1, 1]);
const shade = {
  id: "s",
  outline: [[0, 0, 1, 0, 2, 0, 3, 0]],
  kind: "drawn" as const,
  evenOdd: false,
  anchor,
  paint: { colour: "dusk", step: 1 },
  blend: "multiply" as const,
  opacity: 0.5,
};

describe("the tin", () => {
  const order = ({ tin }: Drawing) => ranked(tin).map(({ id }) => id);

  it("adds at the end, takes out, and puts in order and in groups", () => {
    const more = edited(smallDrawing(), addColour("moss", "Moss", "#334411"));
    expect(order(more).at(-1)).toBe("moss");
    const turned = order(more).reverse();
    const sorted = edited(
      more,
      orderTin(turned.map((id, i) => ({ id, group: i < 2 ? "Garden" : undefined }))),
    );
    expect(order(sorted)[0]).toBe("moss");
    expect(sorted.tin.moss.group).toBe("Garden");
    const renamed = edited(sorted, renameGroup("Garden", "Beds"), renameColour("moss", "Peat"));
    expect(Object.values(renamed.tin).filter(({ group }) => group === "Beds")).toHaveLength(2);
    expect(renamed.tin.moss.name).toBe("Peat");
    const plain = edited(renamed, orderTin(turned.map((id) => ({ id }))));
    expect(Object.values(plain.tin).every(({ group }) => group === undefined)).toBe(true);
    expect(order(edited(plain, removeColour("moss", "Moss", "frond")))).not.toContain("moss");
    const two = [
      { id: "a", name: "A", value: "#000000" },
      { id: "b", name: "B", value: "#ffffff" },
    ];
    expect(order(edited(plain, addColours(two))).slice(-2)).toEqual(["a", "b"]);
  });

  const moss = { colour: "moss", step: 2 };
  const used = edited(
    smallDrawing(),
    addColour("moss", "Moss", "#334411"),
    pour([{ anchor }], moss, ["p"]),
    addShade({ ...shade, paint: moss }),
    changeStrokes(["a", "blot"], { paint: moss }),
    addColourway("night", "Night", { moss: "#001100" }),
  );

  it("gives the places of a colour that goes to another, on the same step", () => {
    const inked = edited(used, setInk({ colour: "moss", step: 0 }, "Moss"));
    const after = edited(inked, removeColour("moss", "Moss", "frond"));
    const paints = [after.pours.p, after.shades[shade.id], after.strokes.a, after.inkShapes.blot];
    for (const { paint } of paints) expect(paint).toEqual({ colour: "frond", step: 2 });
    expect(after.ink).toEqual({ colour: "frond", step: 0 });
    expect(JSON.stringify(after)).not.toContain("moss");
  });

  it("or leaves them empty, lines in the drawing's ink, but never that ink without a colour", () => {
    const after = edited(used, removeColour("moss", "Moss", null));
    expect([after.pours, after.shades]).toEqual([{}, {}]);
    expect(after.strokes.a).not.toHaveProperty("paint");
    expect(JSON.stringify(after)).not.toContain("moss");
    const inked = edited(used, setInk({ colour: "moss", step: 0 }, "Moss"));
    expect(applyEdit(beginHistory(inked), removeColour("moss", "Moss", null))).toBeUndefined();
  });

  it("takes out all colours at once that nothing is of, in whatever colourway", () => {
    const after = edited(used, removeUnused(used));
    expect(order(after)).toEqual(
      ["moss", used.ink.colour].sort((a, b) => used.tin[a].rank - used.tin[b].rank),
    );
    expect(edited(after, removeUnused(after))).toBe(after);
    const shadowed = edited(
      used,
      setGroundShadow({ kind: "flat", paint: { colour: "dusk", step: 0 }, opacity: 1 }),
    );
    expect(order(edited(shadowed, removeUnused(shadowed)))).toContain("dusk");
  });

  it("changes a colour many times as one step, another colour as the next", () => {
    const steps = [
      changeColour("frond", "#111111", "Frond"),
      changeColour("frond", "#222222", "Frond"),
      changeColour("dusk", "#333333", "Dusk"),
    ];
    const done = steps.reduce((now, edit) => applyEdit(now, edit)!.history, beginHistory(smallDrawing()));
    expect(done.steps.map(({ label }) => label)).toEqual(["Change Frond", "Change Dusk"]);
    expect(done.steps[0].inverse).toHaveLength(1);
    expect(undoLabel(done)).toBe("Change Dusk");
  });

  it("keeps how a colour's ladder is made and how much shows through it", () => {
    const ladder = { steps: 5, drift: -4, own: [{ step: -1, l: 0.1, c: 0, h: 0 }] };
    const { tin } = edited(
      smallDrawing(),
      setLadder("frond", ladder, "Frond"),
      setColourOpacity("frond", 0.5, "Frond"),
      setColourOpacity("dusk", 0.5, "Dusk"),
      setColourOpacity("dusk", 1, "Dusk"),
    );
    expect(tin.frond).toMatchObject({ ladder, opacity: 0.5 });
    expect(tin.dusk).not.toHaveProperty("opacity");
  });
});

describe("colourways", () => {
  const night = edited(smallDrawing(), addColourway("night", "Night", { frond: "#102030" }));

  it("have values of their own for the same names, and a change is made in the one that is seen", () => {
    expect(night.shown).toBe("night");
    expect(tinOf(night).frond.value).toBe("#102030");
    expect(tinOf(night).dusk).toBe(night.tin.dusk);
    const changed = edited(night, changeColour("dusk", "#000011", "Dusk"));
    expect(tinOf(changed).dusk.value).toBe("#000011");
    expect(changed.tin).toBe(night.tin);
    const first = edited(changed, showColourway("first", "First"), changeColour("frond", "#ffffff", "Frond"));
    expect([tinOf(first).frond.value, tinOf(first, "night").frond.value]).toEqual(["#ffffff", "#102030"]);
  });

  it("are named, turned as a whole and removed; the first is shown instead of one that is gone", () => {
    const turned = edited(
      night,
      renameColourway("night", "Frost"),
      setColourway(night, "night", { frond: "#aabbcc", dusk: "#ddeeff" }),
      setColourway(night, "first", { frond: "#010101" }),
    );
    expect(turned.colourways.night).toMatchObject({ name: "Frost", values: { frond: "#aabbcc" } });
    expect(turned.tin.frond.value).toBe("#010101");
    const gone = edited(turned, removeColourway("night", "Frost"));
    expect([gone.shown, tinOf(gone)]).toEqual(["first", gone.tin]);
  });
});
