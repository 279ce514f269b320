import { describe, expect, it } from "vitest";
import { polyline } from "#core/geometry/cubic.ts";
import type { Chain, Item, ScenePart, SceneSheet } from "#core/scene/items.ts";
import { HeldScene } from "./held-scene.ts";
import { memoryOfMessage } from "./scene-message.ts";
import { SceneSender } from "./scene-sender.ts";

const square = (id: string, x: number, size = 10): Item => ({
  id,
  says: { is: "flat", rank: 1, opacity: 1 },
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
const sent = (...messages: readonly (readonly SceneSheet[])[]) =>
  sentParts(...messages.map((sheets) => [{ id: "main", name: "", sheets, hides: NONE }]));

const NONE: readonly Chain[] = [];

/** Sends parts to the last slice. */
function sendAll(sender: SceneSender, held: HeldScene, parts: readonly ScenePart[]) {
  for (let sent = 0; ; ) {
    const { message, whole } = sender.next(parts);
    sent += message.frame.fresh.length;
    const damage = held.take(structuredClone(message, { transfer: memoryOfMessage(message) }));
    if (whole) return { damage, sent };
    expect(damage).toBeUndefined();
  }
}

function sentParts(...messages: readonly (readonly ScenePart[])[]) {
  const sender = new SceneSender();
  const held = new HeldScene();
  return messages.map((parts) => {
    const { damage, sent } = sendAll(sender, held, parts);
    const idsOf = (of: readonly { readonly sheets: readonly Pick<SceneSheet, "items">[] }[]) =>
      of.map(({ sheets }) => sheets.map(({ items }) => items.map(({ id }) => id)));
    expect(idsOf(held.parts)).toEqual(idsOf(parts));
    return { fresh: sent, damage };
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

  it("is sent the paint alone of items that differ in nothing else, also of thousands at once", () => {
    const many = Array.from({ length: 3000 }, (_, k) => square(`s${k}`, k));
    const paint = { kind: "tone", tone: { value: "#ffeedd", variable: "dusk" } } as const;
    const [sender, held] = [new SceneSender(), new HeldScene()];
    const partsOf = (items: readonly Item[]) => [
      { id: "main", name: "", sheets: [sheet(items)], hides: NONE },
    ];
    sendAll(sender, held, partsOf(many));
    const turned = many.map((item) => ({ ...item, paint }));
    const { message, whole } = sender.next(partsOf(turned));
    expect([whole, message.numbers.length]).toEqual([true, 0]);
    held.take(structuredClone(message));
    expect(held.itemsOf("main", "flats")).toEqual(turned);
    expect(sendAll(sender, held, partsOf(turned)).sent).toBe(0);
  });

  it("is damaged where items change places, and all over where a sheet fades", () => {
    const [, turned, faded] = sent(
      [sheet([a, b, c])],
      [sheet([a, c, b])],
      [sheet([a, c, b], { opacity: 0.5 })],
    );
    expect(turned.damage).toEqual({ x: 20, y: 0, width: 10, height: 10 });
    expect(faded.damage).toBe("all");
  });

  it("is damaged where a part hides more or less, and all over where parts change their order", () => {
    const part = (id: string, items: readonly Item[], hides: readonly Chain[] = NONE): ScenePart => ({
      id,
      name: id,
      sheets: [sheet(items)],
      hides,
    });
    const [over, further] = [square("over", 5).area, square("further", 8).area].map((area) =>
      area.kind === "region" ? area.chains : NONE,
    );
    const [, same, moved, turned, gone] = sentParts(
      [part("back", [a]), part("front", [b], over)],
      [part("back", [a]), part("front", [b], over)],
      [part("back", [a]), part("front", [b], further)],
      [part("front", [b], further), part("back", [a])],
      [part("front", [b], further)],
    );
    expect(same).toEqual({ fresh: 0, damage: undefined });
    expect(moved).toEqual({ fresh: 0, damage: { x: 5, y: 0, width: 13, height: 10 } });
    expect(turned.damage).toBe("all");
    expect(gone).toEqual({ fresh: 0, damage: { x: 0, y: 0, width: 10, height: 10 } });
  });

  it("goes in slices where there is much of it, each item once, also when it changes on the way", () => {
    const many = Array.from({ length: 2000 }, (_, k) => square(`s${k}`, k));
    const [first] = sent([sheet(many)]);
    expect(first.fresh).toBe(2000);
    const [sender, held] = [new SceneSender(), new HeldScene()];
    const partsOf = (items: readonly Item[]) => [
      { id: "main", name: "", sheets: [sheet(items)], hides: NONE },
    ];
    held.take(structuredClone(sender.next(partsOf(many)).message));
    const changed = many.map((item, k) => (k === 3 ? square("new", 3) : item));
    expect(sendAll(sender, held, partsOf(changed)).sent).toBe(1601);
    expect(held.itemsOf("main", "flats").map(({ id }) => id)).toEqual(changed.map(({ id }) => id));
  });

  it("takes another value of a colour with many uses as paints alone, and says so", () => {
    const many = Array.from({ length: 100 }, (_, i) => square(`i${i}`, 20 * i));
    const turned = (value: string, variable = "dusk") => {
      const paint = { kind: "tone" as const, tone: { value, variable } };
      return many.map((item, i) => (i % 10 === 0 ? item : { ...item, paint }));
    };
    const sender = new SceneSender();
    const held = new HeldScene();
    const show = (items: readonly Item[]) => {
      const result = sendAll(sender, held, [{ id: "main", name: "", sheets: [sheet(items)], hides: NONE }]);
      expect(held.itemsOf("main", "flats")).toEqual(items);
      return result;
    };
    show(many);
    expect(held.recoloured).toBeUndefined();
    const first = turned("#445566");
    expect(show(first)).toEqual({ sent: 0, damage: { x: 20, y: 0, width: 1970, height: 10 } });
    expect([...held.recoloured!]).toEqual([["dusk", "#445566"]]);
    // Items that came so are known from then on.
    const other = turned("#778899");
    show([...other.slice(0, 50), ...first.slice(50)]);
    show(other);
    expect([...held.recoloured!]).toEqual([["dusk", "#778899"]]);
    show(turned("#778899", "frond"));
    expect(held.recoloured).toBeUndefined();
    show([...many.slice(0, 99), square("new", 5)]);
    expect(held.recoloured).toBeUndefined();
  });
});
