/** Copies of what belongs to a part, under new ids: within a drawing, or from one drawing to another. */
import type { Matrix } from "../geometry/matrix.ts";
import { type Drawing, topRank } from "./drawing.ts";
import { type Changes, changedBy } from "./meaning.ts";
import { movesBy } from "./moved.ts";
import { newId } from "./new-id.ts";
import { ANCHORED, inPart, PARTED, partOf } from "./parts.ts";
import { ENTITY_RECORDS } from "./records.ts";

export interface Copying {
  /** The part copied. */
  readonly of: string;
  /** The part of the target that the copies belong to. */
  readonly into: string;
  /** From the source's page to the target's. */
  readonly matrix: Matrix;
  /** The new id of each copied thing; called repeatedly for things that others refer to. */
  readonly idOf: (id: string) => string;
  /** What the source's colours, nibs, tiles and styles are in the target; the same where left out. */
  readonly names?: Pick<Changes, "paint" | "nib" | "tile" | "style">;
}

/** New ids, the same for the same old one. */
export function renaming(): (id: string) => string {
  const ids = new Map<string, string>();
  return (old) => {
    const id = ids.get(old) ?? newId();
    ids.set(old, id);
    return id;
  };
}

/** The target with copies of what belongs to a part of the source, over all that is in it. */
export function withCopies(target: Drawing, source: Drawing, copying: Copying): Drawing {
  const { of, into, matrix, idOf, names } = copying;
  const above = Math.max(...RANKED_TABLES.map((table) => topRank(target[table])));
  const changes = {
    ...movesBy(matrix),
    line: idOf,
    lines: (lines: readonly string[]) => lines.map((line) => line.replace(/^[^/]+/, idOf)),
    cloth: idOf,
    ...names,
  };
  const copied = <T extends Owned>(table: Copied, entity: T): T => ({
    ...changedBy(ENTITY_RECORDS[table], entity, changes),
    id: idOf(entity.id),
    ...(entity.rank === undefined ? {} : { rank: entity.rank + above }),
  });
  const next = { ...target };
  const put = (table: Copied, copies: readonly Owned[]) =>
    Object.assign(next, {
      [table]: { ...target[table], ...Object.fromEntries(copies.map((one) => [one.id, one])) },
    });
  for (const table of PARTED) {
    const own = Object.values<Owned>(source[table]).filter((entity) => partOf(entity) === of);
    put(
      table,
      own.map((one) => intoPart(copied(table, one), into)),
    );
  }
  for (const table of ANCHORED) {
    const own = Object.values(source[table]).filter(({ anchor }) => partOf(anchor) === of);
    const copies = own.map((one) => copied(table, one));
    put(
      table,
      copies.map((one) => ({ ...one, anchor: intoPart(one.anchor, into) })),
    );
  }
  return next;
}

const intoPart = <T extends { readonly part?: string }>({ part: _, ...one }: T, into: string) => ({
  ...one,
  ...inPart(into),
});

const RANKED_TABLES = ["strokes", "inkShapes", "flatShapes", "pours", "shades", "creases"] as const;

type Copied = (typeof PARTED)[number] | (typeof ANCHORED)[number];

interface Owned {
  readonly id: string;
  readonly part?: string;
  readonly rank?: number;
}
