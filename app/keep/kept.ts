/** Small values kept beside the drawings, by name. Without storage there are none. */
import { database } from "./database.ts";

export async function keepValue(key: string, value: unknown): Promise<void> {
  await database.kept.put({ key, value }).catch(() => undefined);
}

export async function keptValue(key: string): Promise<unknown> {
  const row = await database.kept.get(key).catch(() => undefined);
  return row?.value;
}
