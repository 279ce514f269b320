import { describe, expect, it } from "vitest";
import { comboOf, pressOf } from "./combo.ts";
import { KEYS } from "./keys.ts";
import { asUsual, conflictsOf, readKeys, writeKeys } from "./own-keys.ts";

const heard = (combo: string, own: Record<string, string>) => asUsual(pressOf(combo), own).map(comboOf);
const entry = (name: string) => KEYS.find((one) => one.name === name)!;

describe("keys of one's own", () => {
  it("every usual combination is a press that is read as the same", () => {
    for (const { combo } of KEYS) expect(comboOf(pressOf(combo))).toBe(combo);
  });
  it("a given key is heard as the usual one, and that one as nothing", () => {
    const own = { undo: "Alt+U" };
    expect(heard("Alt+U", own)).toEqual(["Ctrl+Z"]);
    expect(heard("Ctrl+Z", own)).toEqual([]);
    expect(heard("Ctrl+Shift+Z", own)).toEqual(["Ctrl+Shift+Z"]);
  });
  it("two can change places", () => {
    const own = { "zoom-in": "-", "zoom-out": "+" };
    expect(heard("-", own)).toEqual(["+"]);
    expect(heard("+", own)).toEqual(["-"]);
  });
  it("one key may mean something else in another place, and is told only where both count", () => {
    expect(conflictsOf(entry("next-line"), {})).toEqual([]);
    expect(conflictsOf(entry("next-line"), { "next-snag": "]" })).toEqual([entry("next-snag")]);
    expect(KEYS.flatMap((one) => conflictsOf(one, {}))).toEqual([]);
  });
  it("are written as a file and read again, without what is not known", () => {
    const own = { undo: "Alt+U" };
    expect(readKeys(writeKeys(own))).toEqual(own);
    expect(readKeys('{"format":"fern-pocket-keys","keys":{"undo":"Alt+U","nothing":"X","redo":7}}')).toEqual(
      own,
    );
    expect(readKeys("{}")).toBeUndefined();
    expect(readKeys("no file")).toBeUndefined();
  });
});
