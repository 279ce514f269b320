import { expect, it } from "vitest";
import { counted, plural } from "./words.ts";

it("says one thing, and several, none among them", () => {
  expect([0, 1, 2, 21].map((count) => counted(count, "pocket"))).toEqual([
    "0 pockets",
    "1 pocket",
    "2 pockets",
    "21 pockets",
  ]);
  expect([1, 3].map((count) => plural(count, "goes", "go"))).toEqual(["goes", "go"]);
});
