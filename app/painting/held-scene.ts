/**
 * The scene as the art's worker holds it: items by number, so that only those that are new are sent, and the box around
 * what has changed, so that only that is painted again.
 */
import type { Box } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import type { Item, SceneSheet } from "#core/scene/items.ts";
import type { PaintedSheet } from "./canvas-painter.ts";

/** A sheet by the numbers of its items; sheets of one name are told apart by their order. */
export interface NumberedSheet {
  readonly name: string;
  readonly opacity: number;
  readonly numbers: Uint32Array<ArrayBuffer>;
}

export interface SceneMessage {
  readonly sheets: readonly NumberedSheet[];
  /** Items not sent before, with their numbers. */
  readonly fresh: readonly (readonly [number: number, item: Item])[];
}

/** Numbers items on the sending side. */
export class SceneSender {
  private readonly numbers = new WeakMap<Item, number>();
  private named = 0;
  private held = new Set<number>();

  message(sheets: readonly SceneSheet[]): SceneMessage {
    const fresh: [number, Item][] = [];
    const now = new Set<number>();
    const numbered = sheets.map(({ name, opacity, items }) => {
      const numbers = Uint32Array.from(items, (item) => {
        const number = this.numberOf(item);
        if (!this.held.has(number) && !now.has(number)) fresh.push([number, item]);
        now.add(number);
        return number;
      });
      return { name, opacity, numbers };
    });
    this.held = now;
    return { sheets: numbered, fresh };
  }

  private numberOf(item: Item): number {
    const known = this.numbers.get(item);
    if (known !== undefined) return known;
    this.numbers.set(item, ++this.named);
    return this.named;
  }
}

/** What has to be painted again: a box in page units, everything, or nothing. */
export type Damage = Box | "all" | undefined;

/** Holds what was sent on the receiving side. */
export class HeldScene {
  private items = new Map<number, Item>();
  private numbered: readonly NumberedSheet[] = [];
  sheets: readonly PaintedSheet[] = [];

  /** Takes a message in and says what it changes. */
  take({ sheets, fresh }: SceneMessage): Damage {
    const before = this.items;
    const incoming = new Map(fresh);
    const item = (number: number) => before.get(number) ?? incoming.get(number)!;
    this.items = new Map();
    this.sheets = sheets.map(({ opacity, numbers }) => ({
      opacity,
      items: Array.from(numbers, (number) => {
        const one = item(number);
        this.items.set(number, one);
        return one;
      }),
    }));
    const damage = damageBetween(this.numbered, sheets, item);
    this.numbered = sheets;
    return damage;
  }
}

function damageBetween(
  before: readonly NumberedSheet[],
  after: readonly NumberedSheet[],
  item: (number: number) => Item,
): Damage {
  const old = byKey(before);
  const now = byKey(after);
  let box: Box | undefined;
  for (const key of new Set([...old.keys(), ...now.keys()])) {
    const [a, b] = [old.get(key), now.get(key)];
    if (a && b && a.opacity !== b.opacity) return "all";
    for (const number of differing(a?.numbers ?? NONE, b?.numbers ?? NONE))
      box = around(box, boxOfItem(item(number)));
  }
  return box;
}

const NONE = new Uint32Array(0);

function byKey(sheets: readonly NumberedSheet[]): Map<string, NumberedSheet> {
  const seen = new Map<string, number>();
  return new Map(
    sheets.map((sheet) => {
      const nth = seen.get(sheet.name) ?? 0;
      seen.set(sheet.name, nth + 1);
      return [`${sheet.name} ${nth}`, sheet];
    }),
  );
}

/** Numbers that are in one list alone, or that others in both lists have changed places with. */
function differing(before: Uint32Array, after: Uint32Array): number[] {
  const [old, now] = [new Set(before), new Set(after)];
  const found = [...before].filter((number) => !now.has(number));
  found.push(...[...after].filter((number) => !old.has(number)));
  const kept = after.filter((number) => old.has(number));
  before
    .filter((number) => now.has(number))
    .forEach((number, i) => {
      if (kept[i] !== number) found.push(number, kept[i]);
    });
  return found;
}
