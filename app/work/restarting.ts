import type { Client } from "./clients.ts";

/** A worker that can be begun anew: what it knew is gone, and all that is asked from then on goes to the new one. */
export class Restarting<T> implements Client<T> {
  constructor(
    private readonly start: () => Client<T>,
    private client: Client<T> = start(),
  ) {}

  get work(): Client<T>["work"] {
    return this.client.work;
  }

  readonly stop = (): void => this.client.stop();

  restart(): void {
    this.client.stop();
    this.client = this.start();
  }
}
