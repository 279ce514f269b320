/** What had to be done to read a drawing, in sentences for people. */
import { FIELDS, type FieldName } from "./fields.ts";
import type { Repairs } from "./salvage.ts";

/** The same as plain values, by the names of fields. */
export interface Mended {
  readonly brought: readonly string[];
  readonly lost: readonly string[];
}

/** The fields in which something had to be done. */
const fieldsOf = (ways: readonly string[]): string[] => [...new Set(ways.map((way) => way.split(".")[0]))];

export const mendedBy = ({ brought, lost }: Repairs): Mended => ({
  brought: fieldsOf(brought),
  lost: fieldsOf(lost.map(({ way }) => way)),
});

export const isWhole = ({ brought, lost }: Mended): boolean => brought.length + lost.length === 0;

/** Like "Some values were out of bounds and have been brought to them: lines, colours." */
export function sayMended({ brought, lost }: Mended): string {
  const sentences = [
    lost.length > 0 ? `Some of it could not be read: ${words(lost)}.` : "",
    brought.length > 0
      ? `Some values were out of bounds and have been brought to them: ${words(brought)}.`
      : "",
  ];
  return sentences.filter(Boolean).join(" ");
}

const words = (fields: readonly string[]): string =>
  fields.map((field) => (Object.hasOwn(FIELDS, field) ? FIELDS[field as FieldName].word : field)).join(", ");
