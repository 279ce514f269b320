/** Pockets of a drawing that is about to come onto the desk: the worker looks for them while the desk is laid out. */
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Packed } from "#core/drawing/packed.ts";
import { type Client, pocketClient } from "./clients.ts";
import type { PocketReading, PocketWork } from "./pocket-work.ts";

export interface ReadAhead {
  readonly client: Client<PocketWork>;
  readonly reading: Promise<PocketReading>;
}

let ahead: (ReadAhead & { readonly drawing: Drawing }) | undefined;

/** One drawing at a time: what was begun for another ends. */
export function readAhead(drawing: Drawing, packed: Packed<Drawing>): void {
  dropAhead();
  const client = pocketClient();
  const reading = client.work.open(packed);
  // Whoever takes it hears of it; the desk may never come.
  reading.catch(() => {});
  ahead = { drawing, client, reading };
}

/** What was begun is not wanted. */
export function dropAhead(): void {
  ahead?.client.stop();
  ahead = undefined;
}

/** What was begun for this very drawing, once. */
export function takeAhead(drawing: Drawing): ReadAhead | undefined {
  if (ahead?.drawing !== drawing) dropAhead();
  const found = ahead;
  ahead = undefined;
  return found;
}
