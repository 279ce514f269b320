/**
 * A PNG in pieces (PNG specification, 3rd ed.): header, how large it prints, that its colours are sRGB, its title, rows
 * filtered for compression. Compressing is left to a stream, so that a picture need never be whole in memory. Kept libraries
 * want all pixels at once.
 */
import { crc32 } from "./crc32.ts";

export interface PngFacts {
  readonly width: number;
  readonly height: number;
  /** Pixels per inch. */
  readonly ppi: number;
  readonly title: string;
  /** Straight red, green, blue and alpha, four bytes a colour; at most 256. Each pixel is written as one of them. */
  readonly palette?: Uint8Array;
  /** Each pixel is one byte from black to white. */
  readonly grey?: true;
}

const SIGNATURE = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
const METRES_PER_INCH = 0.0254;
/** Relative colorimetric would be 1; the specification asks for perceptual where nothing else is known. */
const INTENT = 0;
const [GREY, PALETTE, COLOURS] = [0, 3, 6];

/** All that stands before the pixels. */
export function pngHead({ width, height, ppi, title, palette, grey }: PngFacts): Uint8Array[] {
  const size = new DataView(new ArrayBuffer(13));
  size.setUint32(0, width);
  size.setUint32(4, height);
  size.setUint8(8, 8);
  size.setUint8(9, grey ? GREY : palette ? PALETTE : COLOURS);
  const printed = new DataView(new ArrayBuffer(9));
  const perMetre = Math.round(ppi / METRES_PER_INCH);
  printed.setUint32(0, perMetre);
  printed.setUint32(4, perMetre);
  printed.setUint8(8, 1);
  return [
    SIGNATURE,
    chunk("IHDR", bytesOf(size)),
    ...(grey ? [] : [chunk("sRGB", Uint8Array.of(INTENT))]),
    chunk("pHYs", bytesOf(printed)),
    ...(title === "" ? [] : [chunk("iTXt", titleBytes(title))]),
    ...(palette ? paletteChunks(palette) : []),
  ];
}

export const pngTail = (): Uint8Array => chunk("IEND", new Uint8Array(0));

/** A piece of the compressed pixels. */
export const pngData = (compressed: Uint8Array): Uint8Array => chunk("IDAT", compressed);

const bytesOf = (view: DataView): Uint8Array => new Uint8Array(view.buffer as ArrayBuffer);

/** Keyword, not compressed, no language, text in UTF-8. */
function titleBytes(title: string): Uint8Array {
  const words = encodeURIComponent(title).replace(/%([0-9A-F]{2})/g, (_, hex: string) =>
    String.fromCharCode(Number.parseInt(hex, 16)),
  );
  return Uint8Array.from(`Title\0\0\0\0\0${words}`, (c) => c.charCodeAt(0));
}

function paletteChunks(palette: Uint8Array): Uint8Array[] {
  const count = palette.length / 4;
  const colours = new Uint8Array(3 * count);
  const alphas = new Uint8Array(count);
  for (let k = 0; k < count; k++) {
    colours.set(palette.subarray(4 * k, 4 * k + 3), 3 * k);
    alphas[k] = palette[4 * k + 3];
  }
  return [chunk("PLTE", colours), chunk("tRNS", alphas)];
}

function chunk(name: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(data.length + 12);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  for (let k = 0; k < 4; k++) out[4 + k] = name.charCodeAt(k);
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out.subarray(4, 8 + data.length)));
  return out;
}

const [NONE, SUB, UP] = [0, 1, 2];
const PIXEL = 4;

/** Filters rows of pixels as they come, each beside the one before it. */
export class RowFilter {
  private before: Uint8Array;

  /** `wide` bytes a row. */
  constructor(private readonly wide: number) {
    this.before = new Uint8Array(wide);
  }

  /** Of rows of four bytes a pixel, each with the filter (of left and above) that leaves less to be told. */
  colours(rows: Uint8Array | Uint8ClampedArray): Uint8Array {
    const { wide } = this;
    const count = rows.length / wide;
    const out = new Uint8Array(count * (wide + 1));
    const told = new Int32Array(wide / PIXEL);
    let above = pixelsOf(this.before);
    for (let row = 0; row < count; row++) {
      const own = pixelsOf(rows, row * wide, wide);
      const fromLeft = lessFromLeft(bytesIn(own), bytesIn(above));
      told[0] = fromLeft ? own[0] : lessPixel(own[0], above[0]);
      for (let k = 1; k < told.length; k++) told[k] = lessPixel(own[k], fromLeft ? own[k - 1] : above[k]);
      out[row * (wide + 1)] = fromLeft ? SUB : UP;
      out.set(bytesIn(told), row * (wide + 1) + 1);
      above = own;
    }
    if (count > 0) this.before = bytesIn(above).slice();
    return out;
  }

  /** Of rows of one byte a pixel: numbers of colours and flat greys compress best as they are. */
  numbers(rows: Uint8Array): Uint8Array {
    const { wide } = this;
    const count = rows.length / wide;
    const out = new Uint8Array(count * (wide + 1));
    for (let row = 0; row < count; row++) {
      out[row * (wide + 1)] = NONE;
      out.set(rows.subarray(row * wide, (row + 1) * wide), row * (wide + 1) + 1);
    }
    return out;
  }
}

/** Rows of pixels as whole numbers of four bytes each, over the same memory where that is laid so. */
function pixelsOf(rows: Uint8Array | Uint8ClampedArray, from = 0, length = rows.length): Int32Array {
  const at = rows.byteOffset + from;
  if (at % PIXEL === 0) return new Int32Array(rows.buffer as ArrayBuffer, at, length / PIXEL);
  return new Int32Array(rows.slice(from, from + length).buffer as ArrayBuffer);
}

const bytesIn = ({ buffer, byteOffset, byteLength }: Int32Array): Uint8Array =>
  new Uint8Array(buffer as ArrayBuffer, byteOffset, byteLength);

const TOPS = 0x80808080 | 0;

/** Each byte of a without that of b, all four at once: the top bits are kept from borrowing and put right after. */
const lessPixel = (a: number, b: number): number => (((a | TOPS) - (b & ~TOPS)) ^ ((a ^ ~b) & TOPS)) | 0;

/** Bytes looked at of those in a row: enough to tell which filter is better. */
const LOOK_EVERY = 13;

/** The smaller sum of differences decides, taken as signed (the heuristic the specification names). */
function lessFromLeft(own: Uint8Array | Uint8ClampedArray, above: Uint8Array | Uint8ClampedArray): boolean {
  let [left, up] = [0, 0];
  for (let k = PIXEL; k < own.length; k += LOOK_EVERY) {
    left += Math.abs(((own[k] - own[k - PIXEL] + 128) & 0xff) - 128);
    up += Math.abs(((own[k] - above[k] + 128) & 0xff) - 128);
  }
  return left < up;
}

const MOST_COLOURS = 256;

/** The colours of a picture as long as there are no more than a palette holds. */
export class PaletteFinder {
  private readonly numbers = new Map<number, number>();

  /** The numbers of some pixels' colours; undefined from when there are too many of these. */
  take(rows: Uint8Array | Uint8ClampedArray): Uint8Array | undefined {
    const { numbers } = this;
    const out = new Uint8Array(rows.length / PIXEL);
    let [last, lastNumber] = [-1, 0];
    for (let k = 0, at = 0; k < out.length; k++, at += PIXEL) {
      const clear = rows[at + 3] === 0;
      const colour = clear
        ? 0
        : ((rows[at] << 24) | (rows[at + 1] << 16) | (rows[at + 2] << 8) | rows[at + 3]) >>> 0;
      if (colour !== last) {
        const known = numbers.get(colour);
        if (known === undefined && numbers.size >= MOST_COLOURS) return undefined;
        lastNumber = known ?? numbers.size;
        if (known === undefined) numbers.set(colour, lastNumber);
        last = colour;
      }
      out[k] = lastNumber;
    }
    return out;
  }

  palette(): Uint8Array {
    return Uint8Array.from(
      [...this.numbers.keys()].flatMap((colour) => [24, 16, 8, 0].map((by) => (colour >>> by) & 0xff)),
    );
  }
}
