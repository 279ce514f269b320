import { pack } from "#core/drawing/packed.ts";
import type { Area, Chain, Item, ItemPaint, ScenePart } from "#core/scene/items.ts";
import { fewChanges } from "./few-changes.ts";
import {
  type Fresh,
  keyOf,
  type NumberedPart,
  type NumberedSheet,
  type SceneMessage,
  type SceneNews,
} from "./scene-message.ts";

/** So many items are sent in one go: more of them would keep the hand waiting. */
const SLICE = 400;
/** The cost of an item that is sent with its paint alone. */
const PAINT_WEIGHT = 1 / 16;

/** Assigns numbers to items on the sending side. An item never changes its sheet. */
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
