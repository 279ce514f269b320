/**
 * Work on a few entities of long tables. Immer copies a whole table for the first of its entities that is looked at, and an object
 * of ten thousand takes it more than ten milliseconds: it is given the few alone, and the table is filled anew from its list, which
 * takes a fifth of that.
 */
import type { Drawing, Table } from "./drawing.ts";
import { entitiesOf } from "./entities.ts";
import type { TableName } from "./fields.ts";

/** Ids of entities, by their tables; of a table that is not named all. */
export type Few = Readonly<Partial<Record<TableName, Iterable<string>>>>;

interface Entity {
  readonly id: string;
}

type Tables = Partial<Record<TableName, Table<Entity>>>;

/** A drawing whose named tables hold those few alone. */
export function narrowed(drawing: Drawing, few: Few): Drawing {
  const tables: Tables = {};
  for (const name of Object.keys(few) as TableName[]) {
    const table: Table<Entity> = drawing[name];
    const own: Record<string, Entity> = {};
    for (const id of few[name]!) if (Object.hasOwn(table, id)) put(own, id, table[id]);
    tables[name] = own;
  }
  return { ...drawing, ...tables } as Drawing;
}

/** The whole drawing again: what became of the few, `narrow` before and `after` now, with all others of it. */
export function widened(whole: Drawing, few: Few, narrow: Drawing, after: Drawing): Drawing {
  const tables: Tables = {};
  for (const name of Object.keys(few) as TableName[])
    tables[name] =
      narrow[name] === after[name] ? whole[name] : merged(whole[name], narrow[name], after[name]);
  return { ...after, ...tables } as Drawing;
}

/** In the order of the whole table; what is new comes last. */
function merged(whole: Table<Entity>, narrow: Table<Entity>, after: Table<Entity>): Table<Entity> {
  const table: Record<string, Entity> = {};
  for (const entity of entitiesOf(whole)) {
    const { id } = entity;
    if (!Object.hasOwn(narrow, id)) put(table, id, entity);
    else if (Object.hasOwn(after, id)) put(table, id, after[id]);
  }
  for (const entity of Object.values(after))
    if (!Object.hasOwn(whole, entity.id)) put(table, entity.id, entity);
  return table;
}

/** A file may name an entity as objects name what they inherit from. */
function put(table: Record<string, Entity>, id: string, entity: Entity): void {
  if (id === "__proto__")
    Object.defineProperty(table, id, { value: entity, enumerable: true, configurable: true, writable: true });
  else table[id] = entity;
}
