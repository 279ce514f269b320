import { describe, expect, it } from "vitest";
import { whichOpen } from "./which-open.ts";

const SECTIONS = [
  { name: "sheets", height: 150 },
  { name: "snags", height: 150 },
  { name: "judge", height: 250 },
];
const openIn = (room: number, wishes: Parameters<typeof whichOpen>[2] = []) => [
  ...whichOpen(SECTIONS, room, wishes),
];

describe("which sections of the press stand open", () => {
  it("as many from the top down as there is room for", () => {
    expect(openIn(600)).toEqual(["sheets", "snags", "judge"]);
    expect(openIn(320)).toEqual(["sheets", "snags"]);
  });
  it("what is asked for comes first, and others make way", () => {
    expect(openIn(420, [{ name: "judge", open: true }])).toEqual(["judge", "sheets"]);
  });
  it("what was asked for last is seen even where it is too tall", () => {
    expect(openIn(100, [{ name: "judge", open: true }])).toEqual(["judge"]);
  });
  it("the first one is seen even where it is too tall", () => {
    expect(openIn(100)).toEqual(["sheets"]);
  });
  it("what was folded stays so, and gives its room to others", () => {
    expect(openIn(400, [{ name: "snags", open: false }])).toEqual(["sheets", "judge"]);
  });
});
