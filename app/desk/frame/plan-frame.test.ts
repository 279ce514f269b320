import { describe, expect, it } from "vitest";
import { planFrame } from "./plan-frame.ts";

const plan = (width: number, height: number, fingers = false, rem = 16) =>
  planFrame({ width, height, fingers, rem });

describe("the plan of the desk", () => {
  it("stands panels beside the paper where it keeps most of the window", () => {
    expect(plan(1280, 800).panels).toBe("beside");
    expect(plan(1920, 1080, true).panels).toBe("beside");
  });
  it("has them come in over it elsewhere", () => {
    expect(plan(1280, 800, true).panels).toBe("over");
    expect(plan(1180, 820).panels).toBe("over");
    expect(plan(820, 1180, true)).toEqual({ rail: 2, tray: 2, tools: "row", panels: "over" });
  });
  it("shows the tool in the hand alone on a phone", () => {
    expect(plan(390, 844, true)).toEqual({ rail: 2, tray: 2, tools: "one", panels: "over" });
  });
  it("counts larger text as a smaller window", () => {
    expect(plan(1280, 800, false, 24)).toEqual(plan(853, 533));
  });
  it("lets the page scroll where the window is too low for bars and paper", () => {
    expect(plan(640, 400).panels).toBe("below");
  });
});
