/** Growing lists of numbers over typed arrays, for hot paths that do not know their size. */

export class IntList {
  data: Int32Array;
  length = 0;

  constructor(capacity = 1024) {
    this.data = new Int32Array(Math.max(16, capacity));
  }

  push(value: number): void {
    if (this.length === this.data.length) {
      const grown = new Int32Array(this.data.length + (this.data.length >> 1));
      grown.set(this.data);
      this.data = grown;
    }
    this.data[this.length++] = value;
  }

  /** The numbers alone; the list is not to be used any more. */
  trimmed(): Int32Array {
    if (this.data.length > this.length) this.data = this.data.slice(0, this.length);
    return this.data;
  }
}

/** Numbers that come in runs. */
export class FloatList {
  private data: Float64Array<ArrayBuffer>;
  length = 0;

  constructor(capacity: number) {
    this.data = new Float64Array(Math.max(16, capacity));
  }

  push(value: number): void {
    this.makeRoom(1);
    this.data[this.length++] = value;
  }

  pushAll(values: ArrayLike<number>): void {
    this.makeRoom(values.length);
    for (let k = 0; k < values.length; k++) this.data[this.length + k] = values[k];
    this.length += values.length;
  }

  private makeRoom(count: number): void {
    const needed = this.length + count;
    if (needed <= this.data.length) return;
    const grown = new Float64Array(needed + (needed >> 1));
    grown.set(this.data);
    this.data = grown;
  }

  /** The numbers alone; the list is not to be used any more. */
  trimmed(): Float64Array<ArrayBuffer> {
    return this.data.length > this.length ? this.data.slice(0, this.length) : this.data;
  }
}

const BLOCK = 2 ** 14;

/** Pairs (key, value) in blocks, so that growing copies nothing. */
export class PairList {
  private readonly blocks: Int32Array[] = [];
  private block = new Int32Array(0);
  private used = 0;

  push(key: number, value: number): void {
    if (this.used === this.block.length) {
      this.block = new Int32Array(BLOCK * 2);
      this.blocks.push(this.block);
      this.used = 0;
    }
    this.block[this.used++] = key;
    this.block[this.used++] = value;
  }

  /** The values by key in the order they came: those of key k are items[start[k]] .. items[start[k + 1] - 1]. */
  grouped(keys: number): { start: Int32Array; items: Int32Array } {
    const start = new Int32Array(keys + 1);
    const used = (block: Int32Array) => (block === this.block ? this.used : block.length);
    for (const block of this.blocks) for (let k = 0; k < used(block); k += 2) start[block[k]]++;
    for (let k = 1; k <= keys; k++) start[k] += start[k - 1];
    const items = new Int32Array(start[keys]);
    for (let b = this.blocks.length - 1; b >= 0; b--) {
      const block = this.blocks[b];
      for (let k = used(block) - 2; k >= 0; k -= 2) items[--start[block[k]]] = block[k + 1];
    }
    return { start, items };
  }
}

/** The whole numbers from `from` up to, not including, `to`. */
export const range = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);
