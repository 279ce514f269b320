import type { Table } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { partOf } from "#core/drawing/parts.ts";
import type { Desk } from "../store/desk-state.ts";

interface Picked {
  readonly part?: string;
  readonly echo?: unknown;
  readonly hidden?: true;
  readonly locked?: true;
}

type Of = Pick<Desk, "drawing" | "alone">;

/** Whether a thing can be pointed at: it and its part are seen, and it is no echo. */
export function isInSight({ drawing, alone }: Of, one: Picked): boolean {
  const part = partOf(one);
  if (one.echo || one.hidden) return false;
  return drawing.parts[part]?.visible === true && (!alone || part === alone);
}

/** Whether a hand can take it: it is not locked. */
export const isPickable = (desk: Of, one: Picked): boolean => !one.locked && isInSight(desk, one);

/** Those of a table that a hand can take. */
export const pickable = <T extends Picked>(desk: Of, table: Table<T>): T[] =>
  entitiesOf(table).filter((one) => isPickable(desk, one));

/** How far in front a thing lies: its part before its own place in it. */
export const depthOf = ({ drawing }: Pick<Desk, "drawing">, one: Picked): number =>
  drawing.parts[partOf(one)]?.rank ?? 0;
