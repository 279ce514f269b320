/** Disjoint sets over 0..n-1 with path halving (Tarjan and van Leeuwen, 1984). */
export class UnionFind {
  private readonly up: Int32Array;

  constructor(n: number) {
    this.up = new Int32Array(n);
    for (let i = 0; i < n; i++) this.up[i] = i;
  }

  find(i: number): number {
    const up = this.up;
    while (up[i] !== i) {
      up[i] = up[up[i]];
      i = up[i];
    }
    return i;
  }

  /** Hangs the set of `loser` under that of `winner`; both must be roots. */
  join(winner: number, loser: number): void {
    this.up[loser] = winner;
  }

  /** Makes one set of those of two members. */
  unite(i: number, j: number): void {
    const [a, b] = [this.find(i), this.find(j)];
    if (a !== b) this.join(a, b);
  }
}
