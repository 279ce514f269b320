import { describe, expect, it } from "vitest";
import { aboutPoint, type Matrix } from "../geometry/matrix.ts";
import { propertiesOf, type RecordClass } from "./checked.ts";
import { Gradient } from "./facts/gradients.ts";
import { Crease } from "./facts/light.ts";
import { Stroke } from "./facts/lines.ts";
import { changedBy } from "./meaning.ts";
import { moved } from "./moved.ts";
import { ENTITY_RECORDS } from "./records.ts";

const MIRROR: Matrix = [-1, 0, 0, 1, 0, 0];

describe("what goes along with the paper", () => {
  it("is every place and length, those within others too", () => {
    const gradient = {
      kind: "linear",
      from: [1, 0],
      to: [2, 0],
      mix: "oklch",
      cloth: "c",
      stops: [{ at: 0.5, opacity: 1, paint: { colour: "frond", step: 0 } }],
    };
    const after = moved(Gradient, gradient as unknown as Gradient, aboutPoint([0, 0], 3, 3, 0));
    expect([after.from, after.to]).toEqual([
      [3, 0],
      [6, 0],
    ]);
    // Where a stop lies along it is no place on the paper.
    expect(after.stops).toEqual(gradient.stops);
  });

  it("turns the side of a crease in a mirror image", () => {
    const crease: Crease = { id: "c", rank: 1, points: [0, 0, 1, 0, 2, 0, 3, 0], side: 1, deeper: 1 };
    expect(moved(Crease, crease, MIRROR)).toMatchObject({ side: -1, deeper: 1 });
  });

  it("has its names changed by what they mean", () => {
    const stroke = { id: "a", nib: "n", cut: { of: "b", from: 0, to: 1 } } as unknown as Stroke;
    const after = changedBy(Stroke, stroke, { line: (id) => `${id}2`, nib: () => "other" });
    expect(after).toEqual({ id: "a", nib: "other", cut: { of: "b2", from: 0, to: 1 } });
  });
});

/** Names under which facts hold places, lengths, and what stands in other tables. */
const TELLING =
  /^(points|outline|seed|region|width|gap|high|soft|dash|dashOffset|area|paint|nib|tile|cloth|lines?|style)$/;

describe("the facts", () => {
  it("say of every field that looks like a place, a length or a name what it means", () => {
    const silent: string[] = [];
    const seen = new Set<RecordClass>();
    const look = (record: RecordClass) => {
      if (seen.has(record)) return;
      seen.add(record);
      for (const { name, meaning, nested } of propertiesOf(record)) {
        if (!meaning && TELLING.test(name)) silent.push(`${record.name}.${name}`);
        if (nested) look(nested.record());
      }
    };
    for (const record of Object.values(ENTITY_RECORDS)) look(record);
    // A share of the shadow's length; paints that may be relative to a pocket's; a record with a name of its own.
    expect(silent).toEqual(["Cast.soft", "StyleStop.paint", "LightShape.paint", "Pour.style"]);
  });
});
