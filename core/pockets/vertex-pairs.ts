import { IntList } from "../geometry/lists.ts";

/** A set of pairs of vertices, in either order: a linked list at the first of each. Vertices have few partners. */
export class VertexPairs {
  /** By vertex its last pair; -1 where there is none. */
  private readonly last: Int32Array;
  private readonly partner = new IntList();
  private readonly before = new IntList();

  constructor(vertices: number) {
    this.last = new Int32Array(vertices).fill(-1);
  }

  has(a: number, b: number): boolean {
    const [low, high] = a < b ? [a, b] : [b, a];
    for (let k = this.last[low]; k >= 0; k = this.before.data[k])
      if (this.partner.data[k] === high) return true;
    return false;
  }

  add(a: number, b: number): void {
    if (this.has(a, b)) return;
    const low = a < b ? a : b;
    this.partner.push(a < b ? b : a);
    this.before.push(this.last[low]);
    this.last[low] = this.partner.length - 1;
  }

  each(visit: (a: number, b: number) => void): void {
    this.last.forEach((last, a) => {
      for (let k = last; k >= 0; k = this.before.data[k]) visit(a, this.partner.data[k]);
    });
  }
}
