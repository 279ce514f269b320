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

/** Things of a table that can be pointed at: they and their part are seen, and they are no echoes. */
export const inSight = <T extends Picked>({ drawing, alone }: Of, table: Table<T>): T[] =>
  entitiesOf(table).filter((one) => {
    const part = partOf(one);
    if (one.echo || one.hidden) return false;
    return drawing.parts[part]?.visible && (!alone || part === alone);
  });

/** Those of them that a hand can take: they are not locked. */
export const pickable = <T extends Picked>(desk: Of, table: Table<T>): T[] =>
  inSight(desk, table).filter(({ locked }) => !locked);

/** How far in front a thing lies: its part before its own place in it. */
export const depthOf = ({ drawing }: Pick<Desk, "drawing">, one: Picked): number =>
  drawing.parts[partOf(one)]?.rank ?? 0;
