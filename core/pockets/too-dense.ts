/** Lines that meet so often that finding their pockets would take minutes and gigabytes; nothing has been changed. */
export class TooDense extends Error {
  constructor() {
    super(
      "There are too many lines, or too many places where they touch, to find the pockets. Nothing is lost: thinner or fewer lines bring them back.",
    );
    this.name = "TooDense";
  }
}

/** Counts work of one kind and stops it once there is more than is sensible. */
export class Budget {
  private used = 0;

  constructor(private readonly most: number) {}

  /** Throws TooDense once it is used up. */
  spend(work: number): void {
    if (!this.affords(work)) throw new TooDense();
  }

  /** Counts work that may also be left undone; whether there was enough left for it. */
  affords(work: number): boolean {
    this.used += work;
    return this.used <= this.most;
  }
}

/** What `work` gives, or, where that asks for too much, `otherwise`. */
export function unlessTooDense<T>(work: () => T, otherwise: (problem: TooDense) => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof TooDense) return otherwise(error);
    throw error;
  }
}
