/**
 * The scene as the art's worker holds it: items by number, so that only those that are new are sent, and the box around
 * what has changed, so that only that is painted again.
 */
import type { Box } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import type { Item, SceneSheet } from "#core/scene/items.ts";
import { sameList } from "#core/scene/kept.ts";
import type { PaintedSheet } from "./canvas-painter.ts";

/** A sheet by the numbers of its items; without them where they are those of the message before. */
export interface NumberedSheet {
  readonly name: string;
  readonly opacity: number;
  readonly numbers?: Uint32Array<ArrayBuffer>;
}

export interface SceneMessage {
  readonly sheets: readonly NumberedSheet[];
  /** Items not sent before, with their numbers. */
  readonly fresh: readonly (readonly [number: number, item: Item])[];
}

/** Numbers items on the sending side. An item stays on its sheet. */
export class SceneSender {
  private readonly numbers = new WeakMap<Item, number>();
  private named = 0;
  private sent = new Map<string, readonly Item[]>();

  message(sheets: readonly SceneSheet[]): SceneMessage {
    const fresh: [number, Item][] = [];
    const keys = keysOf(sheets);
    const numbered = sheets.map(({ name, opacity, items }, i): NumberedSheet => {
      const last = this.sent.get(keys[i]) ?? NONE;
      if (sameItems(last, items)) return { name, opacity };
      const held = new Set(last);
      const numbers = Uint32Array.from(items, (item) => this.numberOf(item));
      items.forEach((item, k) => {
        if (!held.has(item)) fresh.push([numbers[k], item]);
      });
      return { name, opacity, numbers };
    });
    this.sent = new Map(keys.map((key, i) => [key, sheets[i].items]));
    return { sheets: numbered, fresh };
  }

  private numberOf(item: Item): number {
    const number = this.numbers.get(item) ?? ++this.named;
    this.numbers.set(item, number);
    return number;
  }
}

const NONE: readonly Item[] = [];

const sameItems = (a: readonly Item[], b: readonly Item[]): boolean => a === b || sameList(a, b);

/** Names for sheets; those of one name are told apart by their order. */
function keysOf(sheets: readonly { readonly name: string }[]): string[] {
  const seen = new Map<string, number>();
  return sheets.map(({ name }) => {
    const nth = seen.get(name) ?? 0;
    seen.set(name, nth + 1);
    return `${name} ${nth}`;
  });
}

/** What has to be painted again: a box in page units, everything, or nothing. */
export type Damage = Box | "all" | undefined;

interface HeldSheet extends PaintedSheet {
  readonly byNumber: ReadonlyMap<number, Item>;
}

const NOTHING: HeldSheet = { opacity: 1, items: [], byNumber: new Map() };

/** Holds what was sent on the receiving side, and nothing that is shown no more. */
export class HeldScene {
  private held = new Map<string, HeldSheet>();
  sheets: readonly PaintedSheet[] = [];

  /** Takes a message in and says what it changes. */
  take({ sheets, fresh }: SceneMessage): Damage {
    const incoming = new Map(fresh);
    const before = this.held;
    const keys = keysOf(sheets);
    this.held = new Map(
      sheets.map(({ opacity, numbers }, i): [string, HeldSheet] => {
        const last = before.get(keys[i]) ?? NOTHING;
        if (!numbers) return [keys[i], { ...last, opacity }];
        const items = Array.from(numbers, (number) => incoming.get(number) ?? last.byNumber.get(number)!);
        return [keys[i], { opacity, items, byNumber: new Map(items.map((item, k) => [numbers[k], item])) }];
      }),
    );
    this.sheets = [...this.held.values()];
    return damageBetween(before, this.held);
  }
}

type Sheets = ReadonlyMap<string, PaintedSheet>;

function damageBetween(before: Sheets, after: Sheets): Damage {
  let box: Box | undefined;
  for (const key of new Set([...before.keys(), ...after.keys()])) {
    const [a, b] = [before.get(key), after.get(key)];
    if (a && b && a.opacity !== b.opacity) return "all";
    if (a?.items === b?.items) continue;
    for (const item of differing(a?.items ?? NONE, b?.items ?? NONE)) box = around(box, boxOfItem(item));
  }
  return box;
}

/** Items that are in one list alone, or that others in both lists have changed places with. */
function differing(before: readonly Item[], after: readonly Item[]): Item[] {
  const [old, now] = [new Set(before), new Set(after)];
  const found = before.filter((item) => !now.has(item));
  found.push(...after.filter((item) => !old.has(item)));
  const kept = after.filter((item) => old.has(item));
  const stayed = before.filter((item) => now.has(item));
  stayed.forEach((item, i) => {
    if (kept[i] !== item) found.push(item, kept[i]);
  });
  return found;
}
