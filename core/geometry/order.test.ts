import fc from "fast-check";
import { expect, it } from "vitest";
import { range } from "./lists.ts";
import { largestFirst } from "./order.ts";

it("orders as a stable sort does, the largest first", () => {
  const key = fc.oneof(fc.double({ min: 0, noNaN: true }), fc.constantFrom(0, 1, 2, 1e-300, Infinity));
  fc.assert(
    fc.property(fc.array(key), (keys) => {
      const wanted = range(0, keys.length).sort((a, b) =>
        keys[a] === keys[b] ? a - b : keys[b] > keys[a] ? 1 : -1,
      );
      expect([...largestFirst(Float64Array.from(keys, (one) => one + 0))]).toEqual(wanted);
    }),
  );
});
