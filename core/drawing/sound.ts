/** A quick look whether something that was kept is a drawing: its fields, its tables, and numbers in all its lists. */
import type { Drawing } from "./drawing.ts";
import { FIELD_NAMES, FIELDS } from "./fields.ts";

export function isSound(value: unknown): value is Drawing {
  if (!isLoose(value)) return false;
  return FIELD_NAMES.every((name) => {
    const own = value[name];
    if (own === undefined) return false;
    if (FIELDS[name].form === "value") return isWhole(own);
    return isLoose(own) && Object.entries(own).every(([id, entity]) => isEntity(name, id, entity));
  });
}

type Loose = Readonly<Record<string, unknown>>;

const isLoose = (value: unknown): value is Loose =>
  typeof value === "object" && value !== null && !Array.isArray(value);

const isEntity = (table: string, id: string, entity: unknown): boolean =>
  isLoose(entity) && (table === "sheets" || entity.id === id) && isWhole(entity);

/** Nothing in it is undefined or no number. */
function isWhole(value: unknown): boolean {
  if (typeof value === "number") return Number.isFinite(value);
  if (Array.isArray(value)) {
    for (let k = 0; k < value.length; k++) if (!isWhole(value[k])) return false;
    return true;
  }
  if (typeof value !== "object" || value === null) return true;
  for (const part of Object.values(value)) if (part !== undefined && !isWhole(part)) return false;
  return true;
}
