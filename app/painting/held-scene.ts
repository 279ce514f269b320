/** The scene as the art's worker holds it, and what of it a message has changed. */
import { unpack } from "#core/drawing/packed.ts";
import type { Item } from "#core/scene/items.ts";
import type { PaintedSheet } from "./canvas-painter.ts";
import { withChanges } from "./few-changes.ts";
import type { Values } from "./recolouring.ts";
import { type Damage, damageOf, type HeldPart, isFaintAlike } from "./scene-damage.ts";
import {
  type Fresh,
  keyOf,
  type NumberedPart,
  type NumberedSheet,
  type Repainted,
  type SceneMessage,
} from "./scene-message.ts";

interface HeldSheet extends PaintedSheet {
  /** Of each item in its order. */
  readonly numbers: readonly number[];
}

const NOTHING: HeldSheet = { opacity: 1, items: [], numbers: [] };

/** The receiving side: holds what was sent, and lets go of what is not shown any more. */
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
    return damageOf({ parts: before, sheets: sheetsBefore }, { parts: this.parts, sheets: this.held });
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

const NONE: readonly Item[] = [];
