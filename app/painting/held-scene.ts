/**
 * The scene as the art's worker holds it: items by number, so that only those that are new are sent, and the box around
 * what has changed, so that only that is painted again.
 */
import { memoryOfPacked, type Packed, pack, unpack } from "#core/drawing/packed.ts";
import { type Box, boundsOf } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import type { Area, Chain, Item, ItemPaint, ScenePart } from "#core/scene/items.ts";
import type { PaintedPart, PaintedSheet } from "./canvas-painter.ts";
import { fewChanges, type ListChange, withChanges } from "./few-changes.ts";
import type { Values } from "./recolouring.ts";

/** A sheet by the numbers of its items: of all, or of those added to what the message before had. */
export interface NumberedSheet {
  readonly name: string;
  readonly opacity: number;
  readonly blends?: true;
  readonly numbers: Uint32Array<ArrayBuffer>;
  readonly change?: ListChange;
  /** Where many items differ from those before them in their paint alone: `numbers` are those of what takes their places. */
  readonly repainted?: Repainted;
}

interface Repainted {
  /** Places in the sheet, rising. */
  readonly places: Uint32Array<ArrayBuffer>;
  /** For each the number of its paint among these. */
  readonly paintOf: Uint32Array<ArrayBuffer>;
  readonly paints: readonly ItemPaint[];
}

interface NumberedPart {
  readonly id: string;
  readonly dim: boolean;
  readonly sheets: readonly NumberedSheet[];
  /** Left out where it is that of the message before. */
  readonly hides?: readonly Chain[];
}

interface SceneNews {
  /** Left out where more items follow before the scene is whole. */
  readonly parts?: readonly NumberedPart[];
  /** Items not sent before, with their numbers. */
  readonly fresh: readonly Fresh[];
}

/** An item that differs from one that is held in its paint alone comes without the rest. */
export type Fresh =
  | readonly [number: number, item: Item]
  | readonly [number: number, paint: ItemPaint, like: number];

/** Packed: all ink of a large drawing, cloned number by number, would keep the hand waiting. */
export type SceneMessage = Packed<SceneNews>;

/** The memory that is handed over with a message. */
export const memoryOfMessage = (message: SceneMessage): ArrayBuffer[] => [
  ...memoryOfPacked(message),
  ...(message.frame.parts ?? []).flatMap(({ sheets }) =>
    sheets.flatMap(({ numbers, repainted }) => [
      numbers.buffer,
      ...(repainted ? [repainted.places.buffer, repainted.paintOf.buffer] : []),
    ]),
  ),
];

const keyOf = (part: string, sheet: string): string => `${sheet} ${part}`;

/** So many items are sent in one go: more of them would keep the hand waiting. */
const SLICE = 400;
/** What one weighs that comes with its paint alone. */
const PAINT_WEIGHT = 1 / 16;

/** Numbers items on the sending side. An item stays on its sheet. */
export class SceneSender {
  private readonly numbers = new WeakMap<Item, number>();
  private named = 0;
  /** Items that went ahead of the scene they are for. */
  private ahead = new Set<Item>();
  private items = new Map<string, readonly Item[]>();
  private hides = new Map<string, readonly Chain[]>();
  /** The item that had an area last. */
  private readonly ofArea = new WeakMap<Area, Item>();

  /** What is to be sent next, and whether the scene is whole with it; if not, more is to be asked for. */
  next(parts: readonly ScenePart[], alone: string | null = null): { message: SceneMessage; whole: boolean } {
    const { found, more } = this.missing(parts);
    const fresh = found.map(({ item, like }) => this.freshOf(item, like));
    if (more) {
      for (const { item } of found) this.ahead.add(item);
      return { message: pack<SceneNews>({ fresh }), whole: false };
    }
    const numbered = parts.map(({ id, sheets, hides }): NumberedPart => {
      const same = this.hides.get(id) === hides;
      return {
        id,
        dim: alone !== null && alone !== id,
        sheets: sheets.map((sheet) => this.numberedSheet(id, sheet)),
        ...(same ? {} : { hides }),
      };
    });
    this.ahead = new Set();
    this.items = new Map(
      parts.flatMap(({ id, sheets }) => sheets.map(({ name, items }) => [keyOf(id, name), items])),
    );
    this.hides = new Map(parts.map(({ id, hides }) => [id, hides]));
    return { message: pack<SceneNews>({ parts: numbered, fresh }), whole: true };
  }

  /** Items that the other side does not have, as many as go in a slice, and whether there are more. */
  private missing(parts: readonly ScenePart[]): {
    readonly found: readonly Missing[];
    readonly more: boolean;
  } {
    const found: Missing[] = [];
    let weight = 0;
    for (const { id, sheets } of parts)
      for (const { name, items } of sheets) {
        const last = this.items.get(keyOf(id, name)) ?? NONE;
        const change = fewChanges(last, items);
        if (!change && repaintedPlaces(last, items)) continue;
        const held = new Set(change ? change.removed.map((place) => last[place]) : last);
        for (const item of change ? change.added.map((place) => items[place]) : items) {
          if (held.has(item) || this.ahead.has(item)) continue;
          const before = this.ofArea.get(item.area);
          const like = before && held.has(before) && sameButPaint(before, item) ? before : undefined;
          weight += like ? PAINT_WEIGHT : 1;
          if (weight > SLICE) return { found, more: true };
          found.push({ item, like });
        }
      }
    return { found, more: false };
  }

  private numberedSheet(
    part: string,
    { name, opacity, blends, items }: ScenePart["sheets"][number],
  ): NumberedSheet {
    const last = this.items.get(keyOf(part, name)) ?? NONE;
    const change = fewChanges(last, items);
    const places = change ? undefined : repaintedPlaces(last, items);
    const sheet = { name, opacity, ...(blends && { blends }) };
    if (places) return { ...sheet, ...this.repainted(items, places) };
    const told = change ? change.added.map((place) => items[place]) : items;
    return { ...sheet, numbers: Uint32Array.from(told, (item) => this.numberOf(item)), change };
  }

  private repainted(
    items: readonly Item[],
    places: readonly number[],
  ): Pick<NumberedSheet, "numbers" | "repainted"> {
    const known = new Map<ItemPaint, number>();
    const paintOf = new Uint32Array(places.length);
    const numbers = new Uint32Array(places.length);
    places.forEach((place, k) => {
      const item = items[place];
      const paint = known.get(item.paint) ?? known.size;
      known.set(item.paint, paint);
      paintOf[k] = paint;
      numbers[k] = this.numberOf(item);
      this.ofArea.set(item.area, item);
    });
    return { numbers, repainted: { places: Uint32Array.from(places), paintOf, paints: [...known.keys()] } };
  }

  private freshOf(item: Item, like: Item | undefined): Fresh {
    this.ofArea.set(item.area, item);
    const number = this.numberOf(item);
    return like ? [number, item.paint, this.numberOf(like)] : [number, item];
  }

  private numberOf(item: Item): number {
    const known = this.numbers.get(item);
    if (known !== undefined) return known;
    this.numbers.set(item, ++this.named);
    return this.named;
  }
}

interface Missing {
  readonly item: Item;
  /** One that is held and differs in its paint alone. */
  readonly like: Item | undefined;
}

const sameButPaint = (a: Item, b: Item): boolean =>
  a.area === b.area && a.effects === b.effects && a.says === b.says && a.hidden === b.hidden;

/** Where two lists differ, if only in paints. */
function repaintedPlaces(before: readonly Item[], after: readonly Item[]): number[] | undefined {
  if (before.length !== after.length) return undefined;
  const places: number[] = [];
  for (let k = 0; k < after.length; k++) {
    if (before[k] === after[k]) continue;
    if (!sameButPaint(before[k], after[k])) return undefined;
    places.push(k);
  }
  return places;
}

const NONE: readonly Item[] = [];

/** What has to be painted again: a box in page units, everything, or nothing. */
export type Damage = Box | "all" | undefined;

interface HeldSheet extends PaintedSheet {
  /** Of each item in its order. */
  readonly numbers: readonly number[];
}

interface HeldPart extends PaintedPart {
  readonly id: string;
  readonly dim: boolean;
}

const NOTHING: HeldSheet = { opacity: 1, items: [], numbers: [] };

/** Holds what was sent on the receiving side, and nothing that is shown no more. */
export class HeldScene {
  private held = new Map<string, HeldSheet>();
  parts: readonly HeldPart[] = [];
  private ahead = new Map<number, Item>();
  /** Where the last message changed the values of tones and nothing else: these. */
  recoloured: Values | undefined;

  /** Takes a message in and says what it changes. */
  take(message: SceneMessage): Damage {
    const { parts, fresh } = unpack(message);
    const incoming = this.withFresh(fresh);
    this.ahead = parts ? new Map() : incoming;
    if (!parts) return undefined;
    const sheetsBefore = this.held;
    const before = this.parts;
    this.recoloured = fresh.length === 0 ? recolouredIn(parts, sheetsBefore) : undefined;
    this.held = new Map();
    this.parts = parts.map(({ id, dim, sheets, hides }): HeldPart => {
      const last = before.find((part) => part.id === id);
      return {
        id,
        dim,
        hides: hides ?? last?.hides ?? [],
        sheets: sheets.map((sheet) => this.takeSheet(keyOf(id, sheet.name), sheet, sheetsBefore, incoming)),
      };
    });
    return around2(damageOfParts(before, this.parts), damageOfSheets(sheetsBefore, this.held));
  }

  /** Items that went ahead and those that are new now, by number. */
  private withFresh(fresh: readonly Fresh[]): Map<number, Item> {
    const incoming = new Map(this.ahead);
    const held = fresh.some((one) => one.length === 3) ? this.byNumber() : undefined;
    for (const one of fresh)
      incoming.set(one[0], one.length === 3 ? { ...held!.get(one[2])!, paint: one[1] } : one[1]);
    return incoming;
  }

  private byNumber(): Map<number, Item> {
    const found = new Map<number, Item>();
    for (const { numbers, items } of this.held.values())
      for (let k = 0; k < numbers.length; k++) found.set(numbers[k], items[k]);
    return found;
  }

  /** The items of a sheet of a part. */
  itemsOf(part: string, sheet: string): readonly Item[] {
    return this.held.get(keyOf(part, sheet))?.items ?? NONE;
  }

  private takeSheet(
    key: string,
    { opacity, blends, numbers: told, change, repainted }: NumberedSheet,
    before: ReadonlyMap<string, HeldSheet>,
    incoming: ReadonlyMap<number, Item>,
  ): HeldSheet {
    const last = before.get(key) ?? NOTHING;
    if (repainted) {
      const sheet = { opacity, blends, ...withPaints(last, told, repainted) };
      this.held.set(key, sheet);
      return sheet;
    }
    const places = change?.removed ?? last.items.keys();
    const held = new Map(Array.from(places, (place) => [last.numbers[place], last.items[place]]));
    const named = Array.from(told, (number) => incoming.get(number) ?? held.get(number)!);
    const sheet = change
      ? {
          opacity,
          blends,
          items: withChanges(last.items, change, named),
          numbers: withChanges(last.numbers, change, [...told]),
        }
      : { opacity, blends, items: named, numbers: [...told] };
    this.held.set(key, sheet);
    return sheet;
  }
}

function withPaints(
  { items: before, numbers: had }: HeldSheet,
  told: Uint32Array,
  { places, paintOf, paints }: Repainted,
): Pick<HeldSheet, "items" | "numbers"> {
  const items = [...before];
  const numbers = [...had];
  for (let k = 0; k < places.length; k++) {
    items[places[k]] = { ...before[places[k]], paint: paints[paintOf[k]] };
    numbers[places[k]] = told[k];
  }
  return { items, numbers };
}

/** The new values of tones, where parts differ from before in nothing else. */
function recolouredIn(
  parts: readonly NumberedPart[],
  before: ReadonlyMap<string, HeldSheet>,
): Values | undefined {
  const values = new Map<string, string>();
  for (const { id, sheets, hides } of parts) {
    if (hides) return undefined;
    for (const { name, numbers, change, repainted, ...sheet } of sheets) {
      const last = before.get(keyOf(id, name));
      if (!last || !isFaintAlike(last, sheet)) return undefined;
      if (repainted) {
        for (let k = 0; k < repainted.places.length; k++) {
          const [was, now] = [last.items[repainted.places[k]].paint, repainted.paints[repainted.paintOf[k]]];
          if (was.kind !== "tone" || now.kind !== "tone") return undefined;
          if (was.tone.variable !== now.tone.variable) return undefined;
          values.set(now.tone.variable, now.tone.value);
        }
      } else if (numbers.length > 0 || !change || change.removed.length > 0) return undefined;
    }
  }
  return values.size > 0 ? values : undefined;
}

const around2 = (a: Damage, b: Damage): Damage => (a === "all" || b === "all" ? "all" : around(a, b));

/** All where parts change their order or faintness, else what they hide. */
function damageOfParts(before: readonly HeldPart[], after: readonly HeldPart[]): Damage {
  const old = new Map(before.map((part) => [part.id, part]));
  const now = new Set(after.map(({ id }) => id));
  const kept = after.filter(({ id }) => old.has(id));
  const stayed = before.filter(({ id }) => now.has(id));
  if (kept.some(({ id, dim }, i) => stayed[i].id !== id || stayed[i].dim !== dim)) return "all";
  let box: Box | undefined;
  for (const part of before.filter(({ id }) => !now.has(id))) box = around(box, boundsOf(part.hides));
  for (const part of after) {
    const last = old.get(part.id);
    if (last?.hides === part.hides) continue;
    box = around(box, around(boundsOf(part.hides), last && boundsOf(last.hides)));
  }
  return box;
}

type Sheets = ReadonlyMap<string, PaintedSheet>;

/** Whether two states of a sheet are as faint, and in the same way. */
function isFaintAlike(a: Pick<PaintedSheet, "opacity" | "blends">, b: typeof a): boolean {
  return a.opacity === b.opacity && (a.opacity === 1 || a.blends === b.blends);
}

function damageOfSheets(before: Sheets, after: Sheets): Damage {
  let box: Box | undefined;
  for (const key of new Set([...before.keys(), ...after.keys()])) {
    const [a, b] = [before.get(key), after.get(key)];
    if (a && b && !isFaintAlike(a, b)) return "all";
    if (a?.items === b?.items) continue;
    for (const item of differing(a?.items ?? NONE, b?.items ?? NONE)) box = around(box, boxOfItem(item));
  }
  return box;
}

/** Items that are in one list alone, or that have changed places. */
function differing(before: readonly Item[], after: readonly Item[]): Item[] {
  const change = fewChanges(before, after);
  if (change)
    return [...change.removed.map((place) => before[place]), ...change.added.map((place) => after[place])];
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
