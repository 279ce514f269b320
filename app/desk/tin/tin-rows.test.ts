import { describe, expect, it } from "vitest";
import type { Colour } from "#core/drawing/drawing.ts";
import { groupsIn, inGroup, movedTo, rowsOf, type TinOrder } from "./tin-rows.ts";

/** Colours by their letters, in groups after a colon. */
const tinOf = (text: string): Record<string, Colour> =>
  Object.fromEntries(
    text.split(" ").map((one, i) => {
      const [id, group] = one.split(":");
      return [id, { id, rank: i, name: id, value: "#000000", ...(group ? { group } : {}) }];
    }),
  );
const told = (order: TinOrder) => order.map(({ id, group }) => (group ? `${id}:${group}` : id)).join(" ");

describe("the tin as a list", () => {
  const tin = tinOf("a b:G c d:H e:G");
  const rows = rowsOf(tin);

  it("has colours without a group first, and each group whole", () => {
    expect(rows.map(({ id }) => id)).toEqual(["a", "c", "group G", "b", "e", "group H", "d"]);
    expect(groupsIn(tin)).toEqual(["G", "H"]);
  });

  it("takes a colour into the group it is dragged to, and out again", () => {
    expect(told(movedTo(rows, "a", "b"))).toBe("c b:G a:G e:G d:H");
    expect(told(movedTo(rows, "d", "c"))).toBe("a d c b:G e:G");
    expect(told(movedTo(rows, "e", "d"))).toBe("a c b:G d:H e:H");
    expect(told(movedTo(rows, "a", "nowhere"))).toBe("a c b:G e:G d:H");
  });

  it("moves a group whole", () => {
    expect(told(movedTo(rows, "group H", "b"))).toBe("a c d:H b:G e:G");
    expect(told(movedTo(rows, "group G", "d"))).toBe("a c d:H b:G e:G");
    expect(told(movedTo(rows, "group H", "a"))).toBe("a c d:H b:G e:G");
    expect(told(movedTo(rows, "group G", "e"))).toBe("a c b:G e:G d:H");
  });

  it("puts a colour at the end of a group, an old or a new one, or of none", () => {
    expect(told(inGroup(tin, "a", "G"))).toBe("c b:G e:G a:G d:H");
    expect(told(inGroup(tin, "a", "New"))).toBe("c b:G e:G d:H a:New");
    expect(told(inGroup(tin, "b", undefined))).toBe("a c b e:G d:H");
  });
});
