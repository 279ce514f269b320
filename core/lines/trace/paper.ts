/**
 * Evens out the paper: uneven light, the shadow of the page's edge and grey pencil that is no ink. The tone of the
 * paper is taken tile by tile from the brighter pixels there, carried over tiles that are mostly ink, smoothed, and
 * divided out (after Shafait et al., "Document image dewarping", 2007; Lu and Tan, "Binarization of badly
 * illuminated document images through shading estimation", 2007).
 */
import type { Grey } from "./grey.ts";

/** Tiles along the longer side. */
const TILES = 48;
/** The paper's tone is where this part of a tile's pixels is darker. */
const BRIGHT = 0.85;
/** Tiles darker than their brightest neighbours by this much hold more ink than paper. */
const MOSTLY_INK = 0.72;

/** The picture as it would be on even white paper. */
export function onEvenPaper(grey: Grey): Grey {
  const tones = paperTones(grey);
  const { width, height, data } = grey;
  const out = new Uint8Array(data.length);
  const column = new Float32Array(tones.columns);
  const { left, share } = columnsBeside(width, tones);
  for (let y = 0, i = 0; y < height; y++) {
    const ty = Math.max(0, Math.min(tones.rows - 1, (y + 0.5) / tones.size - 0.5));
    const top = Math.min(tones.rows - 2, Math.floor(ty));
    const v = tones.rows > 1 ? ty - top : 0;
    for (let c = 0; c < tones.columns; c++) {
      const upper = tones.tone[Math.max(0, top) * tones.columns + c];
      const lower = tones.rows > 1 ? tones.tone[(top + 1) * tones.columns + c] : upper;
      column[c] = upper + (lower - upper) * v;
    }
    for (let x = 0; x < width; x++, i++) {
      const from = column[left[x]];
      const tone = tones.columns > 1 ? from + (column[left[x] + 1] - from) * share[x] : from;
      const level = (data[i] * 255) / tone;
      out[i] = level > 255 ? 255 : level + 0.5;
    }
  }
  return { width, height, data: out };
}

/** For each pixel of a row the column of tiles at its left, and how far it lies to the next. */
function columnsBeside(width: number, { size, columns }: Tones): { left: Int32Array; share: Float64Array } {
  const left = new Int32Array(width);
  const share = new Float64Array(width);
  for (let x = 0; x < width; x++) {
    const at = Math.max(0, Math.min(columns - 1, (x + 0.5) / size - 0.5));
    left[x] = Math.max(0, Math.min(columns - 2, Math.floor(at)));
    share[x] = at - left[x];
  }
  return { left, share };
}

interface Tones {
  /** Pixels along a tile. */
  readonly size: number;
  readonly columns: number;
  readonly rows: number;
  readonly tone: Float32Array;
}

function paperTones({ width, height, data }: Grey): Tones {
  const size = Math.max(8, Math.ceil(Math.max(width, height) / TILES));
  const columns = Math.ceil(width / size);
  const rows = Math.ceil(height / size);
  const tone = new Float32Array(columns * rows);
  const counts = new Uint32Array(256);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      counts.fill(0);
      let all = 0;
      const bottom = Math.min(height, (row + 1) * size);
      const right = Math.min(width, (column + 1) * size);
      for (let y = row * size; y < bottom; y++)
        for (let x = column * size; x < right; x++) {
          counts[data[y * width + x]]++;
          all++;
        }
      let level = 0;
      for (let seen = 0; level < 255; level++) {
        seen += counts[level];
        if (seen > all * BRIGHT) break;
      }
      tone[row * columns + column] = Math.max(1, level);
    }
  return { size, columns, rows, tone: smoothed(withoutInk(tone, columns, rows), columns, rows) };
}

const RADIUS = 2;

/** Tiles that are mostly ink take the tone of the paper about them. */
function withoutInk(tone: Float32Array, columns: number, rows: number): Float32Array {
  const out = tone.slice();
  eachWithNeighbours(columns, rows, RADIUS, (i, around) => {
    let brightest = 0;
    for (const j of around) brightest = Math.max(brightest, tone[j]);
    if (tone[i] >= brightest * MOSTLY_INK) return;
    const paper = around.map((j) => tone[j]).filter((t) => t >= brightest * MOSTLY_INK);
    out[i] = paper.reduce((sum, t) => sum + t, 0) / paper.length;
  });
  return out;
}

function smoothed(tone: Float32Array, columns: number, rows: number): Float32Array {
  const out = new Float32Array(tone.length);
  eachWithNeighbours(columns, rows, 1, (i, around) => {
    out[i] = around.reduce((sum, j) => sum + tone[j], 0) / around.length;
  });
  return out;
}

function eachWithNeighbours(
  columns: number,
  rows: number,
  radius: number,
  visit: (i: number, around: number[]) => void,
): void {
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const around: number[] = [];
      for (let r = Math.max(0, row - radius); r <= Math.min(rows - 1, row + radius); r++)
        for (let c = Math.max(0, column - radius); c <= Math.min(columns - 1, column + radius); c++)
          around.push(r * columns + c);
      visit(row * columns + column, around);
    }
}
