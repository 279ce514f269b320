/** Lines that meet so often that finding their pockets would take minutes and gigabytes; nothing has been changed. */
export class TooDense extends Error {
  constructor() {
    super(
      "There are too many lines, or too many places where they touch, to find the pockets. Nothing is lost: thinner or fewer lines bring them back.",
    );
    this.name = "TooDense";
  }
}

/** Counts work of one kind and stops it beyond a sensible amount. */
export class Budget {
  private used = 0;

  constructor(private readonly most: number) {}

  /** Throws TooDense once it is used up. */
  spend(work: number): void {
    if (!this.affords(work)) throw new TooDense();
  }

  /** Counts work that may be skipped; gives whether the budget still covers it. */
  affords(work: number): boolean {
    this.used += work;
    return this.used <= this.most;
  }
}

/** The result of `work`, or of `otherwise` where the work was stopped as too much. */
export function unlessTooDense<T>(work: () => T, otherwise: (problem: TooDense) => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof TooDense) return otherwise(error);
    throw error;
  }
}
