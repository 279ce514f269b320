import { unpack } from "#core/drawing/packed.ts";
import { takeAdded } from "../keep/shelf.ts";
import type { Client } from "../work/clients.ts";
import { readAhead } from "../work/read-ahead.ts";
import type { ReadingWork, Shelving } from "../work/reading.worker.ts";

/**
 * Has the file that was read put on the shelf, ready for the desk; gives its id. Its pockets are looked for meanwhile. The reading
 * ends by itself.
 */
export async function takeShelved({ work }: Client<ReadingWork>, options: Shelving): Promise<string> {
  const packed = await work.finish(options);
  const shelving = work.shelve();
  const drawing = unpack(packed);
  readAhead(drawing, packed);
  const { id, hasSteps } = await shelving;
  await takeAdded(id, drawing, hasSteps);
  return id;
}
