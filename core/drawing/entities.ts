/**
 * What is in the tables of drawings that nobody changes any more, as lists. To list ten thousand entries of an object takes
 * milliseconds and to copy a list next to nothing, so each table is listed once, and an edit hands the lists on.
 */
import type { Patch } from "immer";
import type { Drawing, Table } from "./drawing.ts";
import { FIELD_NAMES, FIELDS } from "./fields.ts";

const lists = new WeakMap<object, readonly unknown[]>();

/** The entities of a table, in its own order; the same table gives the same list. */
export function entitiesOf<T>(table: Table<T>): readonly T[] {
  const known = lists.get(table);
  if (known) return known as readonly T[];
  const listed = Object.values(table);
  lists.set(table, listed);
  return listed;
}

/** Where more entities of a table have changed, it is listed anew. */
const FEW = 500;

/** Gives the tables that patches changed their lists, where those of the tables before are known. */
export function handOnLists(before: Drawing, after: Drawing, patches: readonly Patch[]): void {
  for (const name of FIELD_NAMES) {
    if (FIELDS[name].form !== "table" || before[name] === after[name]) continue;
    const own = patches.filter(({ path }) => path[0] === name);
    const ids = new Set(own.map(({ path }) => String(path[1])));
    const list = lists.get(before[name] as Entities);
    if (!list || ids.size > FEW || own.some(({ path }) => path.length === 1)) continue;
    const next = followed(list, before[name] as Entities, after[name] as Entities, ids);
    if (next) lists.set(after[name] as Entities, next);
  }
}

type Entities = Table<unknown>;

/** Names that an object lists before all others, wherever they were added. */
const COUNTS = /^\d+$/;

function followed(
  list: readonly unknown[],
  before: Entities,
  after: Entities,
  ids: ReadonlySet<string>,
): readonly unknown[] | undefined {
  const next = list.slice();
  const gone = new Set<unknown>();
  for (const id of ids) {
    const was = Object.hasOwn(before, id) ? before[id] : undefined;
    const is = Object.hasOwn(after, id) ? after[id] : undefined;
    if (was === is) continue;
    if (was === undefined && COUNTS.test(id)) return undefined;
    if (was === undefined) next.push(is);
    else if (is === undefined) gone.add(was);
    else next[list.indexOf(was)] = is;
  }
  return gone.size > 0 ? next.filter((one) => !gone.has(one)) : next;
}
