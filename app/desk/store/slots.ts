/**
 * What tools keep in the store: each under a slot of its own, typed by the tool that made it. The store carries slots
 * without knowing what lies in them.
 */
export interface Slot<T> {
  readonly name: string;
  /** What the slot holds before anything was put there. */
  readonly empty: T;
}

export class Slots {
  static readonly none = new Slots(new Map());

  private constructor(private readonly filled: ReadonlyMap<Slot<unknown>, unknown>) {}

  /** What lies in a slot: only ever what `with` laid there, so its type is the slot's. */
  of<T>(slot: Slot<T>): T {
    return this.filled.has(slot) ? (this.filled.get(slot) as T) : slot.empty;
  }

  with<T>(slot: Slot<T>, what: T): Slots {
    return new Slots(new Map(this.filled).set(slot, what));
  }
}
