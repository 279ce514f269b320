/** A scene as a piece of another: everything on it moved and made larger or smaller alike. */
import { composed, type Matrix, mapped, meanScale } from "../geometry/matrix.ts";
import type { Area, Chain, Effects, Item, ItemPaint, ScenePart } from "./items.ts";
import type { Tone } from "./palette.ts";
import type { Scene } from "./scene.ts";

/** By a matrix that keeps circles; `suffix` tells its tones from those of others. */
export function placedParts({ parts }: Scene, matrix: Matrix, suffix: string): ScenePart[] {
  const tones = new Map<string, Tone>();
  const toneOf = (tone: Tone): Tone => {
    const own = tones.get(tone.variable) ?? { ...tone, variable: `${tone.variable}${suffix}` };
    tones.set(tone.variable, own);
    return own;
  };
  return parts.map((part) => ({
    ...part,
    id: `${part.id}${suffix}`,
    hides: moved(part.hides, matrix),
    sheets: part.sheets.map((sheet) => ({
      ...sheet,
      items: sheet.items.map((item) => placedItem(item, matrix, suffix, toneOf)),
    })),
  }));
}

const placedItem = (item: Item, matrix: Matrix, suffix: string, toneOf: (tone: Tone) => Tone): Item => ({
  ...item,
  id: `${item.id}${suffix}`,
  // As a piece of another picture it says nothing of a drawing.
  says: { is: "over" },
  area: placedArea(item.area, matrix),
  paint: placedPaint(item.paint, matrix, toneOf),
  effects: placedEffects(item.effects, matrix),
});

const moved = (chains: readonly Chain[], matrix: Matrix): Chain[] =>
  chains.map((chain) => mapped(chain, matrix));

function placedArea(area: Area, matrix: Matrix): Area {
  if (area.kind === "region") return { ...area, chains: moved(area.chains, matrix) };
  const scale = meanScale(matrix);
  return {
    ...area,
    points: mapped(area.points, matrix),
    width: area.width * scale,
    dash: area.dash.map((length) => length * scale),
    dashOffset: area.dashOffset * scale,
  };
}

function placedPaint(paint: ItemPaint, matrix: Matrix, toneOf: (tone: Tone) => Tone): ItemPaint {
  if (paint.kind === "tone") return { kind: "tone", tone: toneOf(paint.tone) };
  return {
    ...paint,
    base: toneOf(paint.base),
    space: composed(matrix, paint.space),
    stops: paint.stops.map((stop) => ({ ...stop, tone: toneOf(stop.tone) })),
  };
}

function placedEffects({ clip, seam, blur, ...rest }: Effects, matrix: Matrix): Effects {
  const scale = meanScale(matrix);
  return {
    ...rest,
    ...(clip ? { clip: moved(clip, matrix) } : {}),
    ...(seam ? { seam: { chains: moved(seam.chains, matrix), width: seam.width * scale } } : {}),
    ...(blur ? { blur: blur * scale } : {}),
  };
}
