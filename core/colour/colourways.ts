/** Colourways: the same named colours with other values. */
import type { Colour, Drawing, Table } from "../drawing/drawing.ts";

type Coloured = Pick<Drawing, "tin" | "colourways" | "shown">;
type Ways = Drawing["colourways"];

const known = new WeakMap<Table<Colour>, WeakMap<Ways, Map<string, Table<Colour>>>>();

/** The tin with the values it has in a colourway, or in the one that is seen; the same facts give the same table. */
export function tinOf({ tin, colourways, shown }: Coloured, way = shown): Table<Colour> {
  const values = colourways[way]?.values;
  if (!values || Object.keys(values).length === 0) return tin;
  const byWays = known.get(tin) ?? new WeakMap<Ways, Map<string, Table<Colour>>>();
  known.set(tin, byWays);
  const byId = byWays.get(colourways) ?? new Map<string, Table<Colour>>();
  byWays.set(colourways, byId);
  const before = byId.get(way);
  if (before) return before;
  const valued = Object.fromEntries(
    Object.entries(tin).map(([id, colour]) => {
      const value = Object.hasOwn(values, id) ? values[id] : colour.value;
      return [id, value === colour.value ? colour : { ...colour, value }];
    }),
  );
  byId.set(way, valued);
  return valued;
}
