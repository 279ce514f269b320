import type { Table } from "#core/drawing/drawing.ts";
import { partOf } from "#core/drawing/parts.ts";
import type { Desk } from "../store/desk-state.ts";

interface Picked {
  readonly part?: string;
  readonly echo?: unknown;
  readonly hidden?: true;
  readonly locked?: true;
}

/** Things of a table that a hand can take: they and their part are seen, and they are neither locked nor echoes. */
export const pickable = <T extends Picked>(
  { drawing, alone }: Pick<Desk, "drawing" | "alone">,
  table: Table<T>,
): T[] =>
  Object.values(table).filter((one) => {
    const part = partOf(one);
    if (one.echo || one.hidden || one.locked) return false;
    return drawing.parts[part]?.visible && (!alone || part === alone);
  });

/** How far in front a thing lies: its part before its own place in it. */
export const depthOf = ({ drawing }: Pick<Desk, "drawing">, one: Picked): number =>
  drawing.parts[partOf(one)]?.rank ?? 0;
