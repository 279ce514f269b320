/**
 * Plates: what of the flat picture each printing ink has, in grey, black where it is full. A tone of the tin is an ink. Where
 * a lighter ink meets a darker one it runs on under that by the overlap, so that no paper shows where plates are a little out
 * of register (trapping: Yule, "Principles of Color Reproduction", 1967, ch. 14): what is seen of each ink is spread so far, and
 * kept off what is not darker than it.
 */
import { oklchOf } from "../colour/oklch.ts";
import type { SheetName } from "../drawing/drawing.ts";
import { pngData, pngHead, pngTail, RowFilter } from "../formats/png-chunks.ts";
import { polyline } from "../geometry/cubic.ts";
import { type Box, grow, type Point, type Size } from "../geometry/point.ts";
import { ellipse } from "../lines/figures.ts";
import type { Item, ItemPaint, LineArea, ScenePart } from "../scene/items.ts";
import type { Tone } from "../scene/palette.ts";
import type { Scene } from "../scene/scene.ts";
import { nearInk } from "./near-ink.ts";
import { deflated, type PictureRequest } from "./picture.ts";
import { type Bands, type GoOn, type Studio, within } from "./studio.ts";

/** The sheets that are flat colour. */
const PLATE_SHEETS: readonly SheetName[] = ["ground", "flats", "ink"];

export interface PlateRequest extends PictureRequest {
  /** How far lighter inks run on under darker ones, in page units. */
  readonly overlap: number;
  /** The margin around the page in page units. It holds the registration marks. */
  readonly margin: number;
}

/** One ink's share of the picture. */
export interface Plate {
  readonly tone: Tone;
  readonly size: Size;
  /** Of the page and its margin, in page units. */
  readonly box: Box;
  /** One byte a pixel from black to white, filtered and compressed as PNG has them. */
  readonly pixels: readonly Uint8Array[];
}

/** The inks of a picture from the lightest to the darkest: in that order they are printed. */
export function inksOf({ parts }: Scene): Tone[] {
  const tones = new Map<string, Tone>();
  for (const { sheets } of parts)
    for (const { items } of sheets)
      for (const { paint } of items) {
        const tone = paint.kind === "tone" ? paint.tone : paint.base;
        tones.set(tone.variable, tone);
      }
  const lightness = ({ value }: Tone) => oklchOf(value).l;
  return [...tones.values()].sort((a, b) => lightness(b) - lightness(a));
}

/** What is flat of a scene: no shade, no light, nothing faint, soft or blended. */
export const flatScene = (scene: Scene): Scene => ({
  ...scene,
  parts: scene.parts.map((part) => ({
    ...part,
    sheets: part.sheets
      .filter(({ name, hidden }) => PLATE_SHEETS.includes(name) && !hidden)
      .map((sheet) => ({ ...sheet, opacity: 1, items: sheet.items.filter(isFlat).map(flat) })),
  })),
});

const isFlat = ({ says, effects, hidden }: Item): boolean =>
  !hidden && !effects.blend && !effects.blur && !(says.is === "over" && (effects.opacity ?? 1) < 1);

function flat(item: Item): Item {
  const { opacity: _, ...effects } = item.effects;
  const tone = item.paint.kind === "tone" ? item.paint.tone : item.paint.base;
  return { ...item, effects, paint: { kind: "tone", tone } };
}

const BLACK: Tone = { value: "#000000", variable: "black" };
const WHITE: Tone = { value: "#ffffff", variable: "white" };

/** A scene with some of its tones black and all others white. */
const inBlack = (scene: Scene, isBlack: (tone: Tone) => boolean): Scene => ({
  ...scene,
  parts: scene.parts.map((part) => ({
    ...part,
    sheets: part.sheets.map((sheet) => ({
      ...sheet,
      items: sheet.items.map((item) => ({ ...item, paint: blackened(item.paint, isBlack) })),
    })),
  })),
});

function blackened(paint: ItemPaint, isBlack: (tone: Tone) => boolean): ItemPaint {
  const tone = paint.kind === "tone" ? paint.tone : paint.base;
  return isBlack(tone) ? BLACK_PAINT : WHITE_PAINT;
}

const BLACK_PAINT: ItemPaint = { kind: "tone", tone: BLACK };
const WHITE_PAINT: ItemPaint = { kind: "tone", tone: WHITE };

/** The plates of a picture, one after the other, as it is printed. Throws Stopped where it was stopped. */
export async function* platesOf(
  scene: Scene,
  request: PlateRequest,
  studio: Studio,
  goOn: GoOn,
): AsyncGenerator<Plate> {
  const { overlap, margin } = request;
  const flats = flatScene(scene);
  const inks = inksOf(flats);
  const box = grow(scene.box, margin);
  const scale = request.size.width / scene.box.width;
  const size = { width: Math.round(box.width * scale), height: Math.round(box.height * scale) };
  const marks = marksPart(scene.box, margin);
  const page = { ...flats, box, parts: [...flats.parts, marks] };
  for (const [k, tone] of inks.entries()) {
    const darker = new Set(inks.slice(k + 1).map(({ variable }) => variable));
    const bands = [
      inBlack(page, (one) => one === BLACK || one.variable === tone.variable),
      inBlack(page, (one) => one !== BLACK && darker.has(one.variable)),
    ].map((one) => studio.bands(one, size));
    const share = within(goOn, k / inks.length, (k + 1) / inks.length);
    const pixels = await inkIn(bands, { ...size, reach: overlap * scale }, studio, share);
    yield { tone, size, box, pixels };
  }
}

/** Its own share, and so far as it reaches what of darker inks lies beside it. */
function inkIn(
  [own, darker]: readonly Bands[],
  { width, reach }: Size & { readonly reach: number },
  studio: Studio,
  goOn: GoOn,
): Promise<readonly Uint8Array[]> {
  const filter = new RowFilter(width);
  let before: Uint8Array | undefined;
  return deflated(own, studio, goOn, (rows, band) => {
    const ink = inkOf(rows);
    const after = band + 1 < own.count ? inkOf(own.paint(band + 1)) : undefined;
    const under = inkOf(darker.paint(band));
    const wide = nearInk({ ink, width }, before, after, reach);
    before = ink;
    return filter.numbers(ink.map((one, i) => 255 - overlapping(one, under[i], wide[i])));
  });
}

/** Ink of 255. Where a darker ink covers only part of a pixel the rest may be paper, so a lighter ink stops there. */
const overlapping = (own: number, darker: number, wide: number): number =>
  own > 0 || darker === 255 ? Math.min(255, own + Math.min(darker, wide)) : 0;

/** How black pixels are, 0 to 255: what is clear is paper. */
function inkOf(rows: Uint8Array | Uint8ClampedArray): Uint8Array {
  const ink = new Uint8Array(rows.length / 4);
  for (let k = 0; k < ink.length; k++) ink[k] = Math.round(((255 - rows[4 * k]) * rows[4 * k + 3]) / 255);
  return ink;
}

const lineOf = (points: readonly number[], closed: boolean, width: number): LineArea => ({
  kind: "line",
  points,
  closed,
  width,
  cap: "round",
  join: "round",
  miterLimit: 4,
  dash: [],
  dashOffset: 0,
});

/** Of the margin: how far a mark reaches from its middle, its ring, and its lines. */
const MARK = { reach: 0.4, ring: 0.22, line: 0.025 };

/** A cross in a ring beside the middle of each side, on every plate in the same place. */
function marksPart({ x, y, width, height }: Box, margin: number): ScenePart {
  const [middleX, middleY, half] = [x + width / 2, y + height / 2, margin / 2];
  const places: Point[] = [
    [middleX, y - half],
    [middleX, y + height + half],
    [x - half, middleY],
    [x + width + half, middleY],
  ];
  const lines = places.flatMap(([px, py]) => {
    const reach = MARK.reach * margin;
    return [
      polyline([
        [px - reach, py],
        [px + reach, py],
      ]),
      polyline([
        [px, py - reach],
        [px, py + reach],
      ]),
      ellipse([px, py], MARK.ring * margin, MARK.ring * margin),
    ];
  });
  const items = lines.map(
    (points, k): Item => ({
      id: `mark-${k}`,
      says: { is: "over" },
      area: lineOf(points, k % 3 === 2, MARK.line * margin),
      paint: BLACK_PAINT,
      effects: {},
    }),
  );
  return { id: "marks", name: "Marks", hides: [], sheets: [{ name: "ink", opacity: 1, items }] };
}

/** A plate as a grey PNG, in pieces. */
export const platePng = ({ size, pixels }: Plate, title: string, ppi: number): Uint8Array[] => [
  ...pngHead({ ...size, ppi, title, grey: true }),
  ...pixels.map(pngData),
  pngTail(),
];
