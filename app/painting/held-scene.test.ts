import { describe, expect, it } from "vitest";
import { polyline } from "#core/geometry/cubic.ts";
import type { Item, SceneSheet } from "#core/scene/items.ts";
import { HeldScene, SceneSender } from "./held-scene.ts";

const square = (id: string, x: number, size = 10): Item => ({
  id,
  says: { is: "flat" },
  area: {
    kind: "region",
    chains: [
      polyline([
        [x, 0],
        [x + size, 0],
        [x + size, size],
        [x, 0],
      ]),
    ],
    evenOdd: false,
  },
  paint: { kind: "tone", tone: { value: "#112233", variable: "dusk" } },
  effects: {},
});
const sheet = (items: readonly Item[], more: Partial<SceneSheet> = {}): SceneSheet => ({
  name: "flats",
  opacity: 1,
  items,
  ...more,
});

/** Sends sheets one after another; gives of each how many items went and what was damaged. */
function sent(...messages: readonly (readonly SceneSheet[])[]) {
  const sender = new SceneSender();
  const held = new HeldScene();
  return messages.map((sheets) => {
    const message = structuredClone(sender.message(sheets));
    const damage = held.take(message);
    expect(held.sheets.map(({ items }) => items.map(({ id }) => id))).toEqual(
      sheets.map(({ items }) => items.map(({ id }) => id)),
    );
    return { fresh: message.fresh.length, damage };
  });
}

describe("the scene as the art's worker holds it", () => {
  const [a, b, c] = [square("a", 0), square("b", 20), square("c", 40)];

  it("is sent each item once, and is damaged where items come and go", () => {
    const changed = square("b", 25);
    const [first, same, other, gone] = sent(
      [sheet([a, b, c])],
      [sheet([a, b, c])],
      [sheet([a, changed, c])],
      [sheet([a, changed])],
    );
    expect(first).toEqual({ fresh: 3, damage: { x: 0, y: 0, width: 50, height: 10 } });
    expect(same).toEqual({ fresh: 0, damage: undefined });
    expect(other).toEqual({ fresh: 1, damage: { x: 20, y: 0, width: 15, height: 10 } });
    expect(gone).toEqual({ fresh: 0, damage: { x: 40, y: 0, width: 10, height: 10 } });
  });

  it("is damaged where items change places, and all over where a sheet fades", () => {
    const [, turned, faded] = sent(
      [sheet([a, b, c])],
      [sheet([a, c, b])],
      [sheet([a, c, b], { opacity: 0.5 })],
    );
    expect(turned.damage).toEqual({ x: 20, y: 0, width: 30, height: 10 });
    expect(faded.damage).toBe("all");
  });

  it("tells sheets of one name apart, so that a preview costs no more than itself", () => {
    const [, shown, hidden, back] = sent(
      [sheet([a, b]), sheet([c], { name: "ink" })],
      [sheet([a, b]), sheet([square("preview", 5)]), sheet([c], { name: "ink" })],
      [sheet([a, b]), sheet([c], { name: "ink" })],
      [sheet([a]), sheet([c], { name: "ink" })],
    );
    expect(shown).toEqual({ fresh: 1, damage: { x: 5, y: 0, width: 10, height: 10 } });
    expect(hidden.damage).toEqual({ x: 5, y: 0, width: 10, height: 10 });
    expect(back).toEqual({ fresh: 0, damage: { x: 20, y: 0, width: 10, height: 10 } });
  });
});
