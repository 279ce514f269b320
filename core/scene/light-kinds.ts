/** Kinds of light as the drawing has them set: hidden ones are left out, faint ones painted so. */
import type { Drawing, LightKind, LightSetting } from "../drawing/drawing.ts";
import type { Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { memo } from "./memo.ts";

const AS_THEY_BEGIN: LightSetting = { visible: true, strength: 1 };

export const lightSetting = ({ lights }: Pick<Drawing, "lights">, kind: LightKind): LightSetting =>
  lights[kind] ?? AS_THEY_BEGIN;

export function asSet(
  drawing: Pick<Drawing, "lights">,
  kind: LightKind,
  items: readonly Ranked[],
): readonly Ranked[] {
  const { visible, strength } = lightSetting(drawing, kind);
  if (!visible || strength === 0) return [];
  return strength === 1
    ? items
    : items.map(({ rank, item, over }) => ({
        rank,
        item: fainter(item, strength),
        ...(over && { over: over.map((one) => fainter(one, strength)) }),
      }));
}

const faint = memo<Item, Item>();

const fainter = (item: Item, strength: number): Item =>
  faint(item, [strength], () => ({
    ...item,
    effects: { ...item.effects, opacity: (item.effects.opacity ?? 1) * strength },
  }));
