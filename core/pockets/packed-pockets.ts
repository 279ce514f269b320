/**
 * Pockets as flat arrays of numbers, so that they travel between threads without being copied: tens of thousands arrive
 * in one task that the hand does not feel. On arrival each has its key, place and size at once; outlines, rings and
 * borders are read out of the arrays when they are asked for first.
 */
import { listOf } from "../drawing/packed.ts";
import { IntList } from "../geometry/lists.ts";
import type { Border, Pocket } from "./pockets.ts";

export interface PackedPockets {
  /** HEAD numbers a pocket: key, area, seed (2), box (4), number of its part, where its counts and numbers begin (2). */
  readonly heads: Float64Array<ArrayBuffer>;
  /** How long every list is, in the order of `bodyOf`. */
  readonly counts: Int32Array<ArrayBuffer>;
  /** Coordinates in page units, and before each border the key of the neighbour. */
  readonly numbers: Float64Array<ArrayBuffer>;
  /** Ids of parts and lines, each once; `counts` names lines by their place here. */
  readonly names: readonly string[];
}

type Chains = readonly (readonly number[])[];

const HEAD = 11;
/** Stands for a cover that is the outline itself. */
const AS_OUTLINE = -1;

/** Of pockets that show. */
export function packPockets(pockets: readonly Pocket[]): PackedPockets {
  const heads = new Float64Array(pockets.length * HEAD);
  const counts = new IntList(pockets.length * 16);
  const numbers: number[] = [];
  const names = new Map<string, number>();
  const numberOf = (name: string): number => {
    const number = names.get(name) ?? names.size;
    names.set(name, number);
    return number;
  };
  const putChain = (chain: readonly number[]) => {
    counts.push(chain.length);
    for (const number of chain) numbers.push(number);
  };
  const putChains = (chains: Chains) => {
    counts.push(chains.length);
    chains.forEach(putChain);
  };
  pockets.forEach((pocket, index) => {
    const { key, area, seed, box, part } = pocket;
    const place = [box.x, box.y, box.width, box.height, numberOf(part), counts.length, numbers.length];
    heads.set([key, area, ...seed, ...place], index * HEAD);
    putChains(pocket.outline);
    if (pocket.cover === pocket.outline) counts.push(AS_OUTLINE);
    else putChains(pocket.cover);
    for (const chains of [pocket.rings, pocket.hems, pocket.runsUnder]) putChains(chains);
    counts.push(pocket.lines.length);
    for (const line of pocket.lines) counts.push(numberOf(line));
    counts.push(pocket.borders.length);
    for (const { neighbour, chain, strip } of pocket.borders) {
      numbers.push(neighbour);
      putChain(chain);
      putChain(strip ?? []);
    }
  });
  return {
    heads,
    counts: counts.data.slice(0, counts.length),
    numbers: Float64Array.from(numbers),
    names: [...names.keys()],
  };
}

/** The memory that can be handed over with them. */
export const memoryOf = ({ heads, counts, numbers }: PackedPockets): ArrayBuffer[] => [
  heads.buffer,
  counts.buffer,
  numbers.buffer,
];

export const unpackPockets = (packed: PackedPockets): Pocket[] =>
  Array.from({ length: packed.heads.length / HEAD }, (_, index) => new ArrivedPocket(packed, index * HEAD));

type Body = Pick<Pocket, "outline" | "cover" | "rings" | "hems" | "runsUnder" | "lines" | "borders">;

class ArrivedPocket implements Pocket {
  readonly key: number;
  readonly area: number;
  readonly seed: Pocket["seed"];
  readonly box: Pocket["box"];
  readonly part: string;
  readonly hidden = false;
  private read: Body | undefined;

  constructor(
    private readonly packed: PackedPockets,
    private readonly at: number,
  ) {
    const { heads, names } = packed;
    this.key = heads[at];
    this.area = heads[at + 1];
    this.seed = [heads[at + 2], heads[at + 3]];
    this.box = { x: heads[at + 4], y: heads[at + 5], width: heads[at + 6], height: heads[at + 7] };
    this.part = names[heads[at + 8]];
  }

  private get body(): Body {
    this.read ??= bodyOf(this.packed, this.packed.heads[this.at + 9], this.packed.heads[this.at + 10]);
    return this.read;
  }

  get outline() {
    return this.body.outline;
  }
  get cover() {
    return this.body.cover;
  }
  get rings() {
    return this.body.rings;
  }
  get hems() {
    return this.body.hems;
  }
  get runsUnder() {
    return this.body.runsUnder;
  }
  get lines() {
    return this.body.lines;
  }
  get borders() {
    return this.body.borders;
  }
}

/** Reads what was packed of one pocket, in the order in which it was. */
function bodyOf({ counts, numbers, names }: PackedPockets, countsFrom: number, numbersFrom: number): Body {
  let count = countsFrom;
  let number = numbersFrom;
  const chain = (): number[] => {
    const from = number;
    number += counts[count++];
    return listOf(numbers, from, number);
  };
  const several = <T>(length: number, one: () => T): T[] => Array.from({ length }, one);
  const border = (): Border => {
    const neighbour = numbers[number++];
    const [line, strip] = [chain(), chain()];
    return strip.length > 0 ? { neighbour, chain: line, strip } : { neighbour, chain: line };
  };
  const outline = several(counts[count++], chain);
  const covers = counts[count++];
  const cover = covers === AS_OUTLINE ? outline : several(covers, chain);
  const [rings, hems, runsUnder] = several(3, () => several(counts[count++], chain));
  const lines = several(counts[count++], () => names[counts[count++]]);
  const borders = several(counts[count++], border);
  return { outline, cover, rings, hems, runsUnder, lines, borders };
}
