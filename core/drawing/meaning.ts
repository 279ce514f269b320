/**
 * What the fields of entities are: lengths and places that go along when the paper moves, names of lines and colours that
 * others have in another drawing. Each stands beside the rules of its field; whoever moves or copies entities reads it there.
 */
import type { Point } from "../geometry/point.ts";
import { type Property, propertiesOf, type RecordClass } from "./checked.ts";
import type { Paint } from "./facts/colours.ts";
import type { Meaning } from "./facts/rule.ts";

/** The meanings there are, with what a field of each holds; lengths in page units, areas in those squared. */
interface Meanings extends Record<Meaning, unknown> {
  readonly chain: readonly number[];
  readonly chains: readonly (readonly number[])[];
  readonly place: Point;
  readonly length: number;
  readonly lengths: readonly number[];
  readonly area: number;
  /** Degrees. */
  readonly turn: number;
  /** The left or the right hand of whoever walks along the entity's chain. */
  readonly side: 1 | -1;
  /** The id of a line, or of several; of a chain of an ink shape as "id/number". */
  readonly line: string;
  readonly lines: readonly string[];
  readonly nib: string;
  readonly tile: string;
  readonly style: string;
  /** What several things have in common that are changed together. */
  readonly cloth: string;
  readonly paint: Paint;
}

export type Changes = { readonly [M in Meaning]?: (value: Meanings[M]) => Meanings[M] };

/** An entity with its fields changed by what they mean, those within others too; what has no such meaning is shared with it. */
export function changedBy<T extends object>(record: RecordClass, entity: T, changes: Changes): T {
  const changed: Record<string, unknown> = {};
  for (const property of propertiesOf(record)) {
    const value = (entity as Record<string, unknown>)[property.name];
    if (value !== undefined && value !== null) changed[property.name] = valueBy(property, value, changes);
  }
  return { ...entity, ...changed };
}

function valueBy({ meaning, nested }: Property, value: unknown, changes: Changes): unknown {
  const change = changes[meaning as Meaning] as ((value: unknown) => unknown) | undefined;
  if (change) return change(value);
  if (!nested || meaning) return value;
  const within = (one: unknown) => changedBy(nested.record(), one as object, changes);
  return nested.each ? (value as readonly unknown[]).map(within) : within(value);
}
