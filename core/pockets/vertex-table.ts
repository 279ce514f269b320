import type { IntList } from "../geometry/lists.ts";

/**
 * Finds vertices by their place: open addressing with linear probing (Knuth, vol. 3, 6.4). Those of squares left behind
 * count as empty places, so that nothing has to be cleared.
 */
export class VertexTable {
  /** A power of two of them. */
  private slots = new Int32Array(256).fill(-1);
  private first = -1;
  private entered = 0;

  /** The vertex at a place, numbered from `first` on; a new one where there is none. */
  vertexAt(x: number, y: number, vx: IntList, vy: IntList, first: number): number {
    const count = vx.length;
    if (first !== this.first) {
      this.first = first;
      this.entered = first;
    }
    if ((count - first) * 2 > this.slots.length) {
      this.slots = new Int32Array(this.slots.length * 4).fill(-1);
      this.entered = first;
    }
    for (; this.entered < count; this.entered++) {
      const v = this.entered;
      this.slots[this.slotFor(vx.data[v], vy.data[v], vx.data, vy.data)] = v;
    }
    const slot = this.slotFor(x, y, vx.data, vy.data);
    if (this.slots[slot] >= first) return this.slots[slot];
    vx.push(x);
    vy.push(y);
    this.slots[slot] = count;
    this.entered = count + 1;
    return count;
  }

  /** Where the vertex of a place is, or would be entered. */
  private slotFor(x: number, y: number, vx: Int32Array, vy: Int32Array): number {
    const { slots, first } = this;
    const mask = slots.length - 1;
    const hash = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca6b);
    let slot = (hash ^ (hash >>> 15)) & mask;
    while (slots[slot] >= first && (vx[slots[slot]] !== x || vy[slots[slot]] !== y)) slot = (slot + 1) & mask;
    return slot;
  }
}
