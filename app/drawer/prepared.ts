/** From a file that was read to a drawing on the shelf: it is made ready while its report is looked at, its pockets too. */
import type { Drawing } from "#core/drawing/drawing.ts";
import { unpack } from "#core/drawing/packed.ts";
import { takeAdded } from "../keep/shelf.ts";
import type { Client } from "../work/clients.ts";
import { readAhead } from "../work/read-ahead.ts";
import type { Finishing, ReadingWork } from "../work/reading.worker.ts";

/** The file that was read, as it would be put on the shelf. Its pockets are looked for from now on. */
export async function prepared({ work }: Client<ReadingWork>, options: Finishing): Promise<Drawing> {
  const packed = await work.finish(options);
  const drawing = unpack(packed);
  readAhead(drawing, packed);
  return drawing;
}

/**
 * Has what was prepared last put on the shelf, ready for the desk; gives its id. The worker does so while the page still takes the
 * drawing in. The reading ends by itself.
 */
export async function shelved({ work }: Client<ReadingWork>, preparing: Promise<Drawing>): Promise<string> {
  const [{ id, hasSteps }, drawing] = await Promise.all([work.shelve(), preparing]);
  await takeAdded(id, drawing, hasSteps);
  return id;
}
