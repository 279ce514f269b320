/** The tin as a list: colours without a group first, then each group under its name. */
import { type Colour, ranked, type Table } from "#core/drawing/drawing.ts";

export type TinRow =
  | { readonly kind: "colour"; readonly id: string; readonly colour: Colour }
  | { readonly kind: "group"; readonly id: string; readonly name: string };

export type TinOrder = readonly Pick<Colour, "id" | "group">[];

const groupRow = (name: string): TinRow => ({ kind: "group", id: `group ${name}`, name });

export const groupsIn = (tin: Table<Colour>): string[] => [
  ...new Set(ranked(tin).flatMap(({ group }) => group ?? [])),
];

export function rowsOf(tin: Table<Colour>): TinRow[] {
  const colours = ranked(tin);
  const within = (name?: string): TinRow[] =>
    colours
      .filter(({ group }) => group === name)
      .map((colour) => ({ kind: "colour", id: colour.id, colour }));
  return [...within(), ...groupsIn(tin).flatMap((name) => [groupRow(name), ...within(name)])];
}

const orderOf = (rows: readonly TinRow[]): TinOrder => {
  let group: string | undefined;
  return rows.flatMap((row) => {
    if (row.kind === "group") group = row.name;
    return row.kind === "colour" ? [{ id: row.id, group }] : [];
  });
};

/** The order after a row was dragged to where another is: a colour joins the group it comes to, a group moves whole. */
export function movedTo(rows: readonly TinRow[], id: string, over: string): TinOrder {
  const from = rows.findIndex((row) => row.id === id);
  const to = rows.findIndex((row) => row.id === over);
  const row = rows[from];
  if (!row || to < 0 || from === to) return orderOf(rows);
  if (row.kind === "group") return groupMovedTo(rows, row.name, rows[to]);
  const rest = rows.filter((one) => one !== row);
  return orderOf([...rest.slice(0, to), row, ...rest.slice(to)]);
}

function groupMovedTo(rows: readonly TinRow[], name: string, over: TinRow): TinOrder {
  const order = orderOf(rows);
  const goal = over.kind === "group" ? over.name : over.colour.group;
  if (goal === name) return order;
  const names = [...new Set(order.flatMap(({ group }) => group ?? []))];
  const others = names.filter((one) => one !== name);
  const at = goal === undefined ? 0 : names.indexOf(goal);
  const sorted = [undefined, ...others.slice(0, at), name, ...others.slice(at)];
  return sorted.flatMap((group) => order.filter((one) => one.group === group));
}

/** The order with one colour at the end of a group, or of those without. */
export function inGroup(tin: Table<Colour>, id: string, group: string | undefined): TinOrder {
  const order = orderOf(rowsOf(tin)).filter((one) => one.id !== id);
  const last = order.findLastIndex((one) => one.group === group);
  const at = last < 0 && group !== undefined ? order.length : last + 1;
  return [...order.slice(0, at), { id, group }, ...order.slice(at)];
}
