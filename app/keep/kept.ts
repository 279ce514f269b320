/** Small things that are kept beside the drawings, by name. Without storage they are simply not there. */
import { database } from "./database.ts";

export async function keepValue(key: string, value: unknown): Promise<void> {
  await database.kept.put({ key, value }).catch(() => undefined);
}

export async function keptValue(key: string): Promise<unknown> {
  const row = await database.kept.get(key).catch(() => undefined);
  return row?.value;
}
