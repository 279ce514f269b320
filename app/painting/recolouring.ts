/**
 * A colour with many uses turned by a slider: painting is linear in a colour that is laid normally, so what the canvas
 * shows is what it shows with that colour black, and for each pixel so much of the colour as it shows with that colour
 * white. Both are painted once; from then on every value costs one pass over the pixels it reaches. (Porter and Duff,
 * "Compositing digital images", 1984: over is linear in its source.)
 */
import type { Box } from "#core/geometry/point.ts";
import { type Item, tonesIn } from "#core/scene/items.ts";
import { type Context, type PaintedPart, paintParts } from "./canvas-painter.ts";
import type { View } from "./view.ts";

/** #rrggbb by the variable of a tone. */
export type Values = ReadonlyMap<string, string>;

/** Each tone is painted once more. */
const MOST_TONES = 5;

/** Where one tone shows: pixels by number, and for each how much of the tone's red, green and blue, 0 to 255. */
interface Reached {
  readonly pixels: Uint32Array;
  readonly shares: Uint8ClampedArray;
}

export interface Pixels extends Box {}

export class Recolouring {
  private constructor(
    private readonly pixels: Pixels,
    private readonly black: ImageData,
    private readonly reached: ReadonlyMap<string, Reached>,
  ) {}

  /** Of those tones on these parts, within whole pixels of a canvas; undefined where it would not be the same picture. */
  static of(
    parts: readonly PaintedPart[],
    values: Values,
    view: View,
    pixels: Pixels,
  ): Recolouring | undefined {
    if (values.size > MOST_TONES || !isLinear(parts, values)) return undefined;
    const canvas = new OffscreenCanvas(pixels.width, pixels.height);
    const context = canvas.getContext("2d", { willReadFrequently: true })!;
    const painted = (white: string | undefined) => {
      context.clearRect(0, 0, pixels.width, pixels.height);
      const at = { ...view, x: view.x - pixels.x, y: view.y - pixels.y };
      paintParts(context, withTones(parts, values, white), at);
      return context.getImageData(0, 0, pixels.width, pixels.height);
    };
    const black = painted(undefined);
    const reached = new Map([...values.keys()].map((name) => [name, between(black, painted(name))]));
    return new Recolouring(pixels, black, reached);
  }

  /** Whether all these tones are among those it knows. */
  knows(values: Values): boolean {
    return [...values.keys()].every((name) => this.reached.has(name));
  }

  paint(context: Context, values: Values): void {
    const image = new ImageData(this.black.data.slice(), this.black.width, this.black.height);
    const { data } = image;
    for (const [name, { pixels, shares }] of this.reached) {
      const [red, green, blue] = channelsOf(values.get(name)!);
      for (let k = 0; k < pixels.length; k++) {
        const at = 4 * pixels[k];
        data[at] += (shares[3 * k] * red + 127) / 255;
        data[at + 1] += (shares[3 * k + 1] * green + 127) / 255;
        data[at + 2] += (shares[3 * k + 2] * blue + 127) / 255;
      }
    }
    context.putImageData(image, this.pixels.x, this.pixels.y);
  }
}

const channelsOf = (value: string): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(value.slice(at, at + 2), 16));

/** Other colours may multiply or screen it; it may neither blend itself nor run through a gradient. */
function isLinear(parts: readonly PaintedPart[], values: Values): boolean {
  return parts.every(({ sheets }) =>
    sheets.every(({ items }) =>
      items.every(({ paint, effects: { blend = "normal" } }) => {
        const changes = tonesIn(paint).some(({ variable }) => values.has(variable));
        const base = paint.kind === "gradient" && values.has(paint.base.variable);
        if (changes || base) return paint.kind === "tone" && blend === "normal";
        return blend === "normal" || blend === "multiply" || blend === "screen";
      }),
    ),
  );
}

/** All of the tones black but one. */
function withTones(
  parts: readonly PaintedPart[],
  values: Values,
  white: string | undefined,
): readonly PaintedPart[] {
  const painted = (item: Item): Item => {
    if (item.paint.kind !== "tone" || !values.has(item.paint.tone.variable)) return item;
    const { tone } = item.paint;
    const value = tone.variable === white ? "#ffffff" : "#000000";
    return { ...item, paint: { kind: "tone", tone: { ...tone, value } } };
  };
  return parts.map((part) => ({
    ...part,
    sheets: part.sheets.map((sheet) => ({ ...sheet, items: sheet.items.map(painted) })),
  }));
}

function between(black: ImageData, white: ImageData): Reached {
  const [a, b] = [black.data, white.data];
  const differs = (at: number) => a[at] !== b[at] || a[at + 1] !== b[at + 1] || a[at + 2] !== b[at + 2];
  let count = 0;
  for (let at = 0; at < a.length; at += 4) if (differs(at)) count++;
  const pixels = new Uint32Array(count);
  const shares = new Uint8ClampedArray(3 * count);
  let k = 0;
  for (let at = 0; at < a.length; at += 4) {
    if (!differs(at)) continue;
    pixels[k] = at / 4;
    for (let c = 0; c < 3; c++) shares[3 * k + c] = b[at + c] - a[at + c];
    k++;
  }
  return { pixels, shares };
}
