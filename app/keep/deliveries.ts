/** What was taken home of each drawing: when, which files, and how to make them again. */
import { type DeliveryRow, database } from "./database.ts";

/** Per drawing; older ones are forgotten. */
const MOST = 40;

/** Nothing happens where there is no storage: the files are in the person's hands already. */
export async function keepDelivery(row: Omit<DeliveryRow, "id">): Promise<void> {
  const { deliveries } = database;
  await deliveries.add(row).catch(() => undefined);
  const old = await deliveriesOf(row.drawing);
  await deliveries.bulkDelete(old.slice(MOST).flatMap(({ id }) => id ?? [])).catch(() => undefined);
}

/** The latest first. */
export async function deliveriesOf(drawing: string): Promise<DeliveryRow[]> {
  const rows = await database.deliveries
    .where("drawing")
    .equals(drawing)
    .toArray()
    .catch(() => []);
  return rows.sort((a, b) => b.at - a.at);
}

export async function forgetDelivery(id: number): Promise<void> {
  await database.deliveries.delete(id);
}
