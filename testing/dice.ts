/** Choices that follow from a seed. */
export class Dice {
  constructor(private readonly random: () => number) {}

  share = (): number => this.random();
  chance = (share: number): boolean => this.random() < share;
  whole = (low: number, high: number): number => Math.floor(low + (high - low + 1) * this.random());
  one = <T>(list: readonly T[]): T | undefined => list[this.whole(0, list.length - 1)];
  of = <T>(list: readonly T[]): T => list[this.whole(0, list.length - 1)];

  some<T>(list: readonly T[], most = 4): T[] {
    const count = Math.min(list.length, this.whole(1, most));
    return Array.from({ length: count }, () => this.of(list)).filter((one, i, all) => all.indexOf(one) === i);
  }

  /** A length in a drawing of some size: mostly such as people set, now and then none, tiny or beyond all bounds. */
  length(size: number): number {
    if (this.chance(0.9)) return size * (0.002 + 0.1 * this.random());
    return this.of([0, size * 1e-9, size, size * 50, 1e5, 1e9, 1e12]);
  }

  name = (): string => (this.chance(0.9) ? `Row ${this.whole(1, 99)}` : "Leeks and onions ".repeat(15));
  colour = (): string => `#${this.whole(0, 0xffffff).toString(16).padStart(6, "0")}`;
}
