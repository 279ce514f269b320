import { describe, expect, it } from "vitest";
import { USUAL } from "../../prefs/prefs.ts";
import { leanOf, penButton, pressureOf } from "./pen-press.ts";

const event = (own: Partial<PointerEvent>) =>
  ({
    pointerType: "pen",
    button: 0,
    buttons: 1,
    pressure: 0.5,
    altitudeAngle: 1,
    azimuthAngle: 0.3,
    ...own,
  }) as PointerEvent;

describe("what a pen says", () => {
  it("its point draws; its button and its other end do as is set", () => {
    const set = { ...USUAL, barrel: "dip", eraser: "move" } as const;
    expect(penButton(event({}), set)).toBeUndefined();
    expect(penButton(event({ button: 2, buttons: 2 }), set)).toBe("dip");
    expect(penButton(event({ button: 5, buttons: 32 }), set)).toBe("move");
    // While it is drawn with, moves say no button but which are held.
    expect(penButton(event({ button: -1, buttons: 32 }), set)).toBe("move");
    expect(penButton(event({ pointerType: "mouse", button: 2, buttons: 2 }), set)).toBeUndefined();
  });
  it("it leans where it does not stand upright", () => {
    expect(leanOf(event({}))).toBe(0.3);
    expect(leanOf(event({ altitudeAngle: 1.5 }))).toBeUndefined();
    expect(leanOf(event({ pointerType: "touch" }))).toBeUndefined();
  });
  it("its pressure goes through the curve; a mouse has none", () => {
    const firm = { ...USUAL, pressure: [0.5, 0.75, 1] as const };
    expect(pressureOf(event({ pressure: 0.5 }), firm)).toBeCloseTo(0.75);
    expect(pressureOf(event({ pointerType: "mouse", pressure: 0.5 }), firm)).toBe(0.5);
  });
});
