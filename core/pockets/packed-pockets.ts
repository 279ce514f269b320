/**
 * Pockets as flat arrays of numbers, so that they travel between threads without being copied: tens of thousands arrive
 * in one task that the hand does not feel. On arrival each has its key, place and size at once; rings are read
 * out of the arrays when they are asked for first, as the hand passes over them, and all else when that is.
 */
import { listOf } from "../drawing/packed.ts";
import { FloatList, IntList } from "../geometry/lists.ts";
import type { Border, Pocket } from "./pockets.ts";

export interface PackedPockets {
  /** HEAD numbers a pocket: key, area, seed (2), box (4), number of its part, where counts and numbers begin of its rings (2) and of all else (2). */
  readonly heads: Float64Array<ArrayBuffer>;
  /** How long every list is, in the order of `bodyOf`, after that of the rings. */
  readonly counts: Int32Array<ArrayBuffer>;
  /** Coordinates in page units, and before each border the key of the neighbour. */
  readonly numbers: Float64Array<ArrayBuffer>;
  /** Ids of parts and lines, each once; `counts` names lines by their place here. */
  readonly names: readonly string[];
}

type Chains = readonly (readonly number[])[];

const HEAD = 13;
/** Stands for a cover that is the outline itself. */
const AS_OUTLINE = -1;

/** Of pockets that show. */
export function packPockets(pockets: readonly Pocket[]): PackedPockets {
  const heads = new Float64Array(pockets.length * HEAD);
  const counts = new IntList(pockets.length * 16);
  const numbers = new FloatList(pockets.reduce((sum, pocket) => sum + numbersOf(pocket), 0));
  const names = new Map<string, number>();
  const numberOf = (name: string): number => {
    const number = names.get(name) ?? names.size;
    names.set(name, number);
    return number;
  };
  const putChain = (chain: readonly number[]) => {
    counts.push(chain.length);
    numbers.pushAll(chain);
  };
  const putChains = (chains: Chains) => {
    counts.push(chains.length);
    chains.forEach(putChain);
  };
  pockets.forEach((pocket, index) => {
    const { key, area, seed, box, part } = pocket;
    const place = [box.x, box.y, box.width, box.height, numberOf(part)];
    const ringsAt = [counts.length, numbers.length];
    putChains(pocket.rings);
    heads.set([key, area, ...seed, ...place, ...ringsAt, counts.length, numbers.length], index * HEAD);
    putChains(pocket.outline);
    if (pocket.cover === pocket.outline) counts.push(AS_OUTLINE);
    else putChains(pocket.cover);
    for (const chains of [pocket.hems, pocket.runsUnder]) putChains(chains);
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
    numbers: numbers.trimmed(),
    names: [...names.keys()],
  };
}

/** How many numbers a pocket comes to: so many are millions that a list which grew would copy them all several times. */
function numbersOf({ rings, outline, cover, hems, runsUnder, borders }: Pocket): number {
  let count = borders.length;
  for (const chains of [rings, outline, cover === outline ? [] : cover, hems, runsUnder])
    for (const chain of chains) count += chain.length;
  for (const { chain, strip } of borders) count += chain.length + (strip?.length ?? 0);
  return count;
}

/** The memory that can be handed over with them. */
export const memoryOf = ({ heads, counts, numbers }: PackedPockets): ArrayBuffer[] => [
  heads.buffer,
  counts.buffer,
  numbers.buffer,
];

export const unpackPockets = (packed: PackedPockets): Pocket[] =>
  Array.from({ length: packed.heads.length / HEAD }, (_, index) => new ArrivedPocket(packed, index * HEAD));

type Body = Pick<Pocket, "outline" | "cover" | "hems" | "runsUnder" | "lines" | "borders">;

class ArrivedPocket implements Pocket {
  readonly key: number;
  readonly area: number;
  readonly seed: Pocket["seed"];
  readonly box: Pocket["box"];
  readonly part: string;
  readonly hidden = false;
  private readRings: readonly number[][] | undefined;
  private readBody: Body | undefined;

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

  get rings() {
    this.readRings ??= this.listsFrom(this.at + 9).chains();
    return this.readRings;
  }

  private get body(): Body {
    this.readBody ??= bodyOf(this.listsFrom(this.at + 11));
    return this.readBody;
  }

  /** `place` is where their places stand among the heads. */
  private listsFrom(place: number): PackedLists {
    const { heads } = this.packed;
    return new PackedLists(this.packed, heads[place], heads[place + 1]);
  }

  get outline() {
    return this.body.outline;
  }
  get cover() {
    return this.body.cover;
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

/** All but its rings, in the order in which it was packed. */
function bodyOf(lists: PackedLists): Body {
  const outline = lists.chains();
  const cover = lists.chainsOr(outline);
  const [hems, runsUnder] = [lists.chains(), lists.chains()];
  return { outline, cover, hems, runsUnder, lines: lists.names(), borders: lists.borders() };
}

/** Reads the lists of one pocket, one after the other. */
class PackedLists {
  constructor(
    private readonly packed: PackedPockets,
    private count: number,
    private number: number,
  ) {}

  chains(): number[][] {
    return several(this.next(), () => this.chain());
  }

  chainsOr(others: Chains): Chains {
    const length = this.next();
    return length === AS_OUTLINE ? others : several(length, () => this.chain());
  }

  names(): string[] {
    return several(this.next(), () => this.packed.names[this.next()]);
  }

  borders(): Border[] {
    return several(this.next(), () => {
      const neighbour = this.packed.numbers[this.number++];
      const [chain, strip] = [this.chain(), this.chain()];
      return strip.length > 0 ? { neighbour, chain, strip } : { neighbour, chain };
    });
  }

  private next(): number {
    return this.packed.counts[this.count++];
  }

  private chain(): number[] {
    const from = this.number;
    this.number += this.next();
    return listOf(this.packed.numbers, from, this.number);
  }
}

function several<T>(length: number, one: () => T): T[] {
  const list = new Array<T>(length);
  for (let k = 0; k < length; k++) list[k] = one();
  return list;
}
