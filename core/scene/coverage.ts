/**
 * How much of the page each tone is seen on: items are filled line by line over a lattice of places, the later over the
 * earlier, as a painter does (scan conversion: Foley, van Dam and others, "Computer Graphics", 2nd ed., 3.6).
 */
import { flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf } from "../geometry/point.ts";
import { type Chain, type Item, type RegionArea, type ScenePart, tonesIn } from "./items.ts";
import { memo } from "./memo.ts";
import type { Tone } from "./palette.ts";

/** Places along the longer side of the page. */
const PLACES = 256;
/** What is fainter than this shows what lies beneath more than itself. */
const FAINT = 0.5;
const NONE = 0;

interface Lattice {
  readonly box: Box;
  readonly columns: number;
  readonly rows: number;
  /** Page units from one place to the next. */
  readonly cell: number;
}

/**
 * The visible areas of the requested items' tones, in page units squared; other items only hide what is beneath
 * them.
 */
export function coverageOf(
  parts: readonly ScenePart[],
  page: Box,
  isCounted: (item: Item) => boolean,
): Map<Tone, number> {
  const cell = Math.max(page.width, page.height) / PLACES;
  const lattice = {
    box: page,
    cell,
    columns: Math.ceil(page.width / cell),
    rows: Math.ceil(page.height / cell),
  };
  const on = new Uint16Array(lattice.columns * lattice.rows);
  const tones: Tone[] = [];
  const numbers = new Map<Tone, number>();
  const numberOf = (tone: Tone): number => {
    const known = numbers.get(tone);
    if (known !== undefined) return known;
    tones.push(tone);
    numbers.set(tone, tones.length);
    return tones.length;
  };
  for (const { sheets, hides } of parts) {
    fill(on, spansOf(hides, false, lattice), NONE);
    for (const { items } of sheets)
      for (const item of items) {
        const { area, paint, effects } = item;
        if (area.kind !== "region" || (effects.opacity ?? 1) < FAINT || !isCounted(item)) continue;
        fill(on, shownSpans(area, effects.clip, lattice), numberOf(mainTone(tonesIn(paint))));
      }
  }
  const counts = new Float64Array(tones.length + 1);
  for (const number of on) counts[number]++;
  return new Map(tones.map((tone, i) => [tone, counts[i + 1] * cell * cell]));
}

/** Of a gradient the tone in its middle. */
const mainTone = (tones: readonly Tone[]): Tone => tones[tones.length >> 1];

/** Runs of places in a row after row: [first, end, …], places numbered row by row. */
type Spans = readonly number[];

function fill(on: Uint16Array, spans: Spans, number: number): void {
  for (let k = 0; k < spans.length; k += 2) on.fill(number, spans[k], spans[k + 1]);
}

const kept = memo<readonly Chain[], Spans>();

const spansOf = (chains: readonly Chain[], evenOdd: boolean, lattice: Lattice): Spans =>
  kept(chains, [evenOdd, lattice.cell, lattice.box], () => spansAnew(chains, evenOdd, lattice));

function shownSpans({ chains, evenOdd }: RegionArea, clip: readonly Chain[] | undefined, lattice: Lattice) {
  const own = spansOf(chains, evenOdd, lattice);
  return clip && clip !== chains ? common(own, spansOf(clip, false, lattice)) : own;
}

function spansAnew(chains: readonly Chain[], evenOdd: boolean, lattice: Lattice): Spans {
  const { box, cell, columns, rows } = lattice;
  const bounds = boundsOf(chains);
  if (!bounds) return [];
  const rowAt = (y: number) => Math.ceil((y - box.y) / cell - 0.5);
  const first = Math.max(0, rowAt(bounds.y));
  const last = Math.min(rows, rowAt(bounds.y + bounds.height));
  if (last <= first) return [];
  const crossings: { readonly x: number; readonly turn: number }[][] = Array.from(
    { length: last - first },
    () => [],
  );
  for (const chain of chains) {
    const ring = flatten(chain, cell / 4);
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
      const [x1, y1, x2, y2] = [ring[j], ring[j + 1], ring[i], ring[i + 1]];
      const [top, bottom] = y1 < y2 ? [y1, y2] : [y2, y1];
      for (let row = Math.max(first, rowAt(top)); row < Math.min(last, rowAt(bottom)); row++) {
        const y = box.y + (row + 0.5) * cell;
        crossings[row - first].push({
          x: x1 + ((y - y1) / (y2 - y1)) * (x2 - x1),
          turn: y1 < y2 ? 1 : -1,
        });
      }
    }
  }
  const spans: number[] = [];
  crossings.forEach((row, k) => {
    row.sort((a, b) => a.x - b.x);
    let winding = 0;
    for (let i = 0; i + 1 < row.length; i++) {
      winding += row[i].turn;
      if (evenOdd ? winding % 2 === 0 : winding === 0) continue;
      const columnAt = (x: number) => Math.max(0, Math.min(columns, Math.ceil((x - box.x) / cell - 0.5)));
      const [from, to] = [columnAt(row[i].x), columnAt(row[i + 1].x)];
      if (to > from) spans.push((first + k) * columns + from, (first + k) * columns + to);
    }
  });
  return spans;
}

/** Both are in rising order. */
function common(a: Spans, b: Spans): Spans {
  const spans: number[] = [];
  let j = 0;
  for (let i = 0; i < a.length; i += 2) {
    while (j < b.length && b[j + 1] <= a[i]) j += 2;
    for (let k = j; k < b.length && b[k] < a[i + 1]; k += 2)
      spans.push(Math.max(a[i], b[k]), Math.min(a[i + 1], b[k + 1]));
  }
  return spans;
}
