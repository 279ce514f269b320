/** A growing list of whole numbers over one typed array, for hot paths that do not know their size. */
export class IntList {
  data: Int32Array;
  length = 0;

  constructor(capacity = 1024) {
    this.data = new Int32Array(Math.max(16, capacity));
  }

  push(value: number): void {
    if (this.length === this.data.length) {
      const grown = new Int32Array(this.data.length * 2);
      grown.set(this.data);
      this.data = grown;
    }
    this.data[this.length++] = value;
  }
}
