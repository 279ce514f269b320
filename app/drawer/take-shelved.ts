import { unpack } from "#core/drawing/packed.ts";
import { takeAdded } from "../keep/shelf.ts";
import type { Client } from "../work/clients.ts";
import type { ReadingWork, Shelving } from "../work/reading.worker.ts";

/** Has the file that was read put on the shelf, ready for the desk; gives its id. The reading ends by itself. */
export async function takeShelved({ work }: Client<ReadingWork>, options: Shelving): Promise<string> {
  const { id, drawing } = await work.shelve(options);
  await takeAdded(id, unpack(drawing));
  return id;
}
