/**
 * The main colours of a picture. Its pixels, smoothed and without those on edges, are counted in a grid in OKLab; the
 * grid's cells are merged two by two by Ward's criterion along chains of nearest neighbours, so that any number of
 * colours is there at once; each colour is then moved to where its own pixels lie closest.
 * Ward, "Hierarchical grouping to optimize an objective function", 1963; Murtagh, "A survey of recent advances in
 * hierarchical clustering algorithms", 1983; Ottosson, "A perceptual color space for image processing", 2020.
 */
import { formatHex } from "culori";

export interface Pixels {
  /** RGBA, four bytes a pixel. */
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
}

export interface ColourTree {
  readonly width: number;
  readonly height: number;
  /** Of each cell: lightness, a and b. */
  readonly cells: Float64Array;
  /** How many pixels each stands for, edges counted little. */
  readonly weights: Float64Array;
  /** The cell of each pixel, or NO_CELL where it is clear. */
  readonly cellOf: Uint16Array;
  /** Pairs of clusters, the cheapest first: cells are the first clusters, each merge makes the next. */
  readonly merges: Uint32Array;
}

export interface PictureColour {
  /** #rrggbb */
  readonly value: string;
  /** Share of the picture. */
  readonly share: number;
  /** A pixel well inside a stretch of it. */
  readonly at: readonly [x: number, y: number];
}

const NO_CELL = 0xffff;
const CLEAR = 128;
/** The initial cells; coarser where there are too many. */
const CELL = 0.016;
const MOST_CELLS = 1200;
/** Lightness counts less, since one colour is seen both in light and in shade. */
const LIGHTNESS = 0.6;
/** A pixel that differs so much from those two away lies on an edge. */
const EDGE = 0.05;
const EDGE_WEIGHT = 0.02;
/** A colour is where those of its pixels lie that are so near. */
const CORE = 0.07;

export function colourTree(pixels: Pixels): ColourTree {
  const { width, height } = pixels;
  const lab = smoothed(labOf(pixels), width, height);
  for (let size = CELL; ; size *= 1.2) {
    const { cells, weights, cellOf } = cellsOf(lab, width, height, size);
    if (weights.length <= MOST_CELLS)
      return { width, height, cells, weights, cellOf, merges: mergesOf(cells, weights) };
  }
}

/** Lightness (NaN where the picture is clear), a and b of each pixel. */
function labOf({ data, width, height }: Pixels): Float32Array {
  const lab = new Float32Array(3 * width * height);
  const known = new Map<number, readonly [number, number, number]>();
  for (let k = 0; k < width * height; k++) {
    if (data[4 * k + 3] < CLEAR) {
      lab[3 * k] = Number.NaN;
      continue;
    }
    const key = (data[4 * k] << 16) | (data[4 * k + 1] << 8) | data[4 * k + 2];
    const at = known.get(key) ?? oklabOf(data[4 * k], data[4 * k + 1], data[4 * k + 2]);
    known.set(key, at);
    lab.set(at, 3 * k);
  }
  return lab;
}

const linear = Float64Array.from({ length: 256 }, (_, n) =>
  n / 255 <= 0.04045 ? n / 255 / 12.92 : ((n / 255 + 0.055) / 1.055) ** 2.4,
);

/** sRGB bytes in OKLab (Ottosson's matrices). */
function oklabOf(red: number, green: number, blue: number): [number, number, number] {
  const [r, g, b] = [linear[red], linear[green], linear[blue]];
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

/** Each pixel the mean of itself and its neighbours, by rows and then by columns. */
function smoothed(lab: Float32Array, width: number, height: number): Float32Array {
  const along = averaged(
    lab,
    width * height,
    (k) => (k % width > 0 ? k - 1 : k),
    (k) => (k % width < width - 1 ? k + 1 : k),
  );
  const last = width * (height - 1);
  return averaged(
    along,
    width * height,
    (k) => (k >= width ? k - width : k),
    (k) => (k < last ? k + width : k),
  );
}

function averaged(
  lab: Float32Array,
  count: number,
  before: (k: number) => number,
  after: (k: number) => number,
) {
  const out = new Float32Array(lab.length);
  for (let k = 0; k < count; k++) {
    const [a, b] = [before(k), after(k)];
    for (let c = 0; c < 3; c++) {
      const own = lab[3 * k + c];
      const from = Number.isNaN(lab[3 * a]) ? own : lab[3 * a + c];
      const to = Number.isNaN(lab[3 * b]) ? own : lab[3 * b + c];
      out[3 * k + c] = (from + own + to) / 3;
    }
  }
  return out;
}

function cellsOf(lab: Float32Array, width: number, height: number, size: number) {
  const places = new Map<number, number>();
  const sums: number[] = [];
  const weights: number[] = [];
  const cellOf = new Uint16Array(width * height).fill(NO_CELL);
  for (let k = 0; k < width * height; k++) {
    const l = lab[3 * k];
    if (Number.isNaN(l)) continue;
    const [a, b] = [lab[3 * k + 1], lab[3 * k + 2]];
    const key =
      (Math.round((l * LIGHTNESS) / size) * 512 + Math.round(a / size) + 256) * 512 +
      Math.round(b / size) +
      256;
    let place = places.get(key);
    if (place === undefined) {
      place = weights.push(0) - 1;
      if (place >= NO_CELL) break;
      places.set(key, place);
      sums.push(0, 0, 0);
    }
    const weight = isOnEdge(lab, width, height, k) ? EDGE_WEIGHT : 1;
    cellOf[k] = place;
    weights[place] += weight;
    sums[3 * place] += weight * l;
    sums[3 * place + 1] += weight * a;
    sums[3 * place + 2] += weight * b;
  }
  const cells = Float64Array.from(sums, (sum, i) => sum / weights[Math.floor(i / 3)]);
  return { cells, weights: Float64Array.from(weights), cellOf };
}

function isOnEdge(lab: Float32Array, width: number, height: number, k: number): boolean {
  const x = k % width;
  const y = (k - x) / width;
  return (
    apartAt(lab, k - Math.min(2, x), k + Math.min(2, width - 1 - x)) > EDGE ||
    apartAt(lab, k - width * Math.min(2, y), k + width * Math.min(2, height - 1 - y)) > EDGE
  );
}

const apartAt = (lab: Float32Array | Float64Array, i: number, j: number): number =>
  Math.hypot(
    LIGHTNESS * (lab[3 * i] - lab[3 * j]),
    lab[3 * i + 1] - lab[3 * j + 1],
    lab[3 * i + 2] - lab[3 * j + 2],
  );

/** All merges down to one cluster, by nearest-neighbour chains, sorted by what they cost. */
function mergesOf(cells: Float64Array, weights: Float64Array): Uint32Array {
  const count = weights.length;
  const at = new Float64Array(3 * Math.max(1, 2 * count - 1));
  at.set(cells);
  // The square root keeps small touches of colour from being swallowed by large ones.
  const mass = Float64Array.from({ length: 2 * count - 1 }, (_, i) =>
    i < count ? Math.sqrt(weights[i]) : 0,
  );
  const alive = Array.from({ length: count }, (_, i) => i);
  const cost = (i: number, j: number) => ((mass[i] * mass[j]) / (mass[i] + mass[j])) * apartAt(at, i, j) ** 2;
  const made: { readonly i: number; readonly j: number; readonly cost: number; readonly own: number }[] = [];
  const chain: number[] = [];
  while (alive.length > 1) {
    if (chain.length === 0) chain.push(alive[0]);
    const top = chain[chain.length - 1];
    const before = chain[chain.length - 2];
    let nearest = before ?? -1;
    let least = before === undefined ? Number.POSITIVE_INFINITY : cost(top, before);
    for (const other of alive) {
      if (other === top) continue;
      const far = cost(top, other);
      if (far < least) [nearest, least] = [other, far];
    }
    if (nearest !== before) {
      chain.push(nearest);
      continue;
    }
    chain.length -= 2;
    const own = count + made.length;
    made.push({ i: top, j: nearest, cost: least, own });
    mass[own] = mass[top] + mass[nearest];
    for (let c = 0; c < 3; c++)
      at[3 * own + c] = (mass[top] * at[3 * top + c] + mass[nearest] * at[3 * nearest + c]) / mass[own];
    alive.splice(alive.indexOf(top), 1);
    alive.splice(alive.indexOf(nearest), 1, own);
  }
  return renumbered(made, count);
}

/** Nearest-neighbour chains find merges out of order: here they are sorted by cost and the clusters renumbered. */
function renumbered(
  made: readonly { readonly i: number; readonly j: number; readonly cost: number; readonly own: number }[],
  count: number,
): Uint32Array {
  const number = new Map<number, number>();
  const merges = new Uint32Array(2 * made.length);
  [...made]
    .sort((a, b) => a.cost - b.cost || a.own - b.own)
    .forEach(({ i, j, own }, k) => {
      merges[2 * k] = number.get(i) ?? i;
      merges[2 * k + 1] = number.get(j) ?? j;
      number.set(own, count + k);
    });
  return merges;
}

/** So many colours of a picture, the most of it first, and of each pixel the number of its colour (NO_COLOUR where clear). */
export function coloursIn(
  tree: ColourTree,
  count: number,
): { colours: PictureColour[]; colourOf: Uint8Array } {
  const { cells, weights, cellOf, width, height } = tree;
  const cluster = clustersOf(tree, count);
  const numbers = [...new Set(cluster)];
  const share = new Float64Array(numbers.length);
  const place = new Map(numbers.map((number, i) => [number, i]));
  for (const cell of cellOf) if (cell !== NO_CELL) share[place.get(cluster[cell])!]++;
  const pixels = share.reduce((sum, n) => sum + n, 0);
  const order = [...numbers.keys()].sort((a, b) => share[b] - share[a]);
  const rank = new Uint8Array(numbers.length);
  order.forEach((i, k) => {
    rank[i] = k;
  });
  const colourOf = Uint8Array.from(cellOf, (cell) =>
    cell === NO_CELL ? NO_COLOUR : rank[place.get(cluster[cell])!],
  );
  const insides = insidesOf(colourOf, width, height, order.length);
  const colours = order.map((i, k): PictureColour => {
    const own = [...weights.keys()].filter((cell) => cluster[cell] === numbers[i]);
    return { value: middleOf(cells, weights, own), share: share[i] / pixels, at: insides[k] };
  });
  return { colours, colourOf };
}

export const NO_COLOUR = 0xff;

/** The cluster of each cell once so many are left. */
function clustersOf({ weights, merges }: ColourTree, count: number): Uint32Array {
  const cells = weights.length;
  const parent = Uint32Array.from({ length: 2 * cells }, (_, i) => i);
  for (let k = 0; k < cells - Math.max(1, count); k++) {
    parent[merges[2 * k]] = cells + k;
    parent[merges[2 * k + 1]] = cells + k;
  }
  const top = (i: number): number => (parent[i] === i ? i : top(parent[i]));
  return Uint32Array.from({ length: cells }, (_, i) => top(i));
}

/** Where most of a cluster lies together, by mean shift from its mean. */
function middleOf(cells: Float64Array, weights: Float64Array, own: readonly number[]): string {
  let middle = meanOf(cells, weights, own);
  for (let k = 0; k < 8; k++) {
    const near = own.filter((i) => Math.hypot(...[0, 1, 2].map((c) => cells[3 * i + c] - middle[c])) < CORE);
    if (near.length > 0) middle = meanOf(cells, weights, near);
  }
  const [l, a, b] = middle;
  return formatHex({ mode: "oklab", l, a, b });
}

function meanOf(cells: Float64Array, weights: Float64Array, own: readonly number[]): number[] {
  const sum = own.reduce((total, i) => total + weights[i], 0);
  return [0, 1, 2].map((c) => own.reduce((total, i) => total + weights[i] * cells[3 * i + c], 0) / sum);
}

/** For each colour the pixel farthest from all others, by the largest square of it that ends there. */
function insidesOf(colourOf: Uint8Array, width: number, height: number, count: number): [number, number][] {
  const found = Array.from({ length: count }, (): { size: number; at: [number, number] } => ({
    size: 0,
    at: [0, 0],
  }));
  const square = new Uint16Array(colourOf.length);
  for (let k = 0; k < colourOf.length; k++) {
    const colour = colourOf[k];
    if (colour === NO_COLOUR) continue;
    const [x, y] = [k % width, Math.floor(k / width)];
    const beside = [k - 1, k - width, k - width - 1];
    const inside = x > 0 && y > 0 && beside.every((other) => colourOf[other] === colour);
    square[k] = inside ? 1 + Math.min(...beside.map((other) => square[other])) : 1;
    if (square[k] <= found[colour].size) continue;
    const back = Math.floor(square[k] / 2);
    found[colour] = { size: square[k], at: [Math.min(width - 1, x - back), Math.min(height - 1, y - back)] };
  }
  return found.map(({ at }) => at);
}
