/**
 * Plain values held against the rules that a record declares with class-validator's decorators. The rules of a class are
 * read once and asked of plain objects as they are, so that checking costs little more than looking; what is out of its
 * bounds is brought to them.
 */
import { getMetadataStorage, ValidateNested } from "class-validator";
import { weakMapMemoize } from "reselect";
import { cutShort } from "./plain-text.ts";

export type RecordClass = new () => object;

/** What a rule says beside whether it holds, in the context of its decorator. */
interface RuleContext {
  /** The nearest value that it allows; undefined where there is none. */
  readonly bring?: (value: unknown) => unknown;
  /** What the value is to whoever moves or copies its entity (meaning.ts). */
  readonly meaning?: string;
}

type Rules<T> = { readonly [K in keyof T]-?: readonly PropertyDecorator[] };

/**
 * Declares the rules of a record: class-validator's decorators, laid on by hand, so that no compiler has to know decorators. Each
 * property that the record has beside those of its base needs its rules.
 */
export function rules<T extends object, B extends object>(
  record: new () => T,
  _base: new () => B,
  own: Rules<Omit<T, keyof B>>,
): void {
  for (const [property, decorators] of Object.entries<readonly PropertyDecorator[]>(own))
    for (const decorate of decorators) decorate(record.prototype, property);
}

/** A record within another, or a list of them. */
export const Nested = (record: () => RecordClass, each = false): PropertyDecorator =>
  ValidateNested({ each, context: { record } });

/** A plain value as its record asks, and what had to be done for that. */
export interface Brought {
  readonly value: Loose;
  /** Ways to the values that were brought to their bounds, as "strokes.width". */
  readonly brought: readonly string[];
  /** What could not be used and was left out. */
  readonly lost: readonly Lost[];
}

export interface Lost {
  /** As "strokes" for a stroke. */
  readonly way: string;
  readonly value: unknown;
}

type Loose = Readonly<Record<string, unknown>>;

export const isLoose = (value: unknown): value is Loose =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/**
 * A plain value with the properties that its record knows, each within its bounds: the very same object where it came so. What
 * is optional, or an item of a list, is left out where it cannot be used. Undefined where the whole cannot be.
 */
export function broughtIn(record: RecordClass, plain: unknown): Brought | undefined {
  const notes: Notes = { brought: [], lost: [] };
  const value = bringRecord(record, plain, "", notes);
  return value === UNUSABLE ? undefined : { value: value as Loose, ...notes };
}

/**
 * What is not as it should be in a plain value, by the names of its properties; the value with what its record knows where
 * all is well.
 */
export function checked(
  record: RecordClass,
  plain: unknown,
): { readonly wrong: readonly string[] } | { readonly value: Loose } {
  const notes: Notes = { brought: [], lost: [] };
  const value = bringRecord(record, plain, "", notes);
  const ways = [...notes.brought, ...notes.lost.map(({ way }) => way)];
  const wrong = [...new Set(ways.map((way) => way.split(".")[0]))];
  return value === UNUSABLE || wrong.length > 0
    ? { wrong: wrong.length > 0 ? wrong : ["its structure"] }
    : { value: value as Loose };
}

interface Notes {
  readonly brought: string[];
  readonly lost: Lost[];
}

const UNUSABLE = Symbol("unusable");

interface Rule {
  readonly each: boolean;
  readonly holds: (value: unknown, object: object) => boolean;
  readonly bring: (value: unknown) => unknown;
}

export interface Property {
  readonly name: string;
  readonly meaning?: string;
  /** Whether it may be left out. */
  readonly optional: boolean;
  readonly rules: readonly Rule[];
  readonly nested?: { readonly record: () => RecordClass; readonly each: boolean };
}

/** The nearest values that class-validator's own rules allow, by the names of the rules. */
const BRINGS: Readonly<Record<string, (value: unknown, bound: number) => unknown>> = {
  min: (value, bound) => (isNumber(value) ? Math.max(bound, value) : undefined),
  max: (value, bound) => (isNumber(value) ? Math.min(bound, value) : undefined),
  isInt: (value) => (isNumber(value) ? Math.round(value) : undefined),
  maxLength: (value, bound) => (typeof value === "string" ? cutShort(value, bound) : undefined),
  arrayMaxSize: (value, bound) => (Array.isArray(value) ? value.slice(0, bound) : undefined),
};

const isNumber = (value: unknown): value is number => typeof value === "number" && !Number.isNaN(value);

/** The record that a property of another one is. */
export const recordWithin = (record: RecordClass, name: string): RecordClass =>
  propertiesOf(record)
    .find((property) => property.name === name)!
    .nested!.record();

/** What a record declares, its bases' properties among it. */
export const propertiesOf = weakMapMemoize((record: RecordClass): readonly Property[] => {
  const storage = getMetadataStorage();
  const all = storage.getTargetValidationMetadatas(record, "", false, false);
  return Object.entries(storage.groupByPropertyName(all)).map(([name, metadatas]): Property => {
    const nested = metadatas.find(({ type }) => type === "nestedValidation");
    const inner = nested?.context?.record as (() => RecordClass) | undefined;
    return {
      name,
      meaning: metadatas.map(({ context }) => (context as RuleContext | undefined)?.meaning).find(Boolean),
      optional: metadatas.some((one) => one.name === "isOptional"),
      rules: metadatas.flatMap((metadata) => rulesOf(name, metadata)),
      nested: inner && { record: inner, each: Boolean(nested?.each) },
    };
  });
});

type Metadata = ReturnType<ReturnType<typeof getMetadataStorage>["getTargetValidationMetadatas"]>[number];

function rulesOf(
  property: string,
  { type, name, constraintCls, constraints, each, context }: Metadata,
): Rule[] {
  if (type !== "customValidation") return [];
  const own = (context as RuleContext | undefined)?.bring;
  const bring = own ?? ((value: unknown) => BRINGS[name ?? ""]?.(value, constraints?.[0]));
  return getMetadataStorage()
    .getTargetValidatorConstraints(constraintCls)
    .map(({ instance }) => ({
      each: Boolean(each),
      bring,
      holds: (value, object) =>
        instance.validate(value, { value, constraints, object, property, targetName: "" }) === true,
    }));
}

function bringRecord(record: RecordClass, plain: unknown, way: string, notes: Notes): unknown {
  if (!isLoose(plain)) return UNUSABLE;
  const found: Record<string, unknown> = {};
  let count = 0;
  let same = true;
  for (const property of propertiesOf(record)) {
    const { name, optional } = property;
    const before = Object.hasOwn(plain, name) ? plain[name] : undefined;
    const own = way === "" ? name : `${way}.${name}`;
    let after = before;
    if (!optional || (before !== undefined && before !== null)) {
      after = bringProperty(property, before, plain, own, notes);
      if (after === UNUSABLE) {
        notes.lost.push({ way: own, value: before });
        if (!optional) return UNUSABLE;
        after = undefined;
      }
    }
    same &&= after === before;
    if (after === undefined) continue;
    found[name] = after;
    count++;
  }
  return same && count === Object.keys(plain).length ? plain : found;
}

function bringProperty(
  { rules, nested }: Property,
  before: unknown,
  object: object,
  way: string,
  notes: Notes,
): unknown {
  let value = before;
  for (const rule of rules) value = bringByRule(rule, value, object);
  if (value === UNUSABLE) return UNUSABLE;
  if (value !== before) {
    if (!rules.every((rule) => holds(rule, value, object))) return UNUSABLE;
    notes.brought.push(way);
  }
  if (!nested) return value;
  if (!nested.each) return bringRecord(nested.record(), value, way, notes);
  const items = value as readonly unknown[];
  const brought = items.map((item) => {
    const after = bringRecord(nested.record(), item, way, notes);
    if (after === UNUSABLE) notes.lost.push({ way, value: item });
    return after;
  });
  if (brought.every((item, i) => item === items[i])) return value;
  const usable = brought.filter((item) => item !== UNUSABLE);
  return rules.every((rule) => holds(rule, usable, object)) ? usable : UNUSABLE;
}

function holds({ each, holds: one }: Rule, value: unknown, object: object): boolean {
  if (!each) return one(value, object);
  return Array.isArray(value) && value.every((item) => one(item, object));
}

function bringByRule(rule: Rule, value: unknown, object: object): unknown {
  if (value === UNUSABLE || holds(rule, value, object)) return value;
  if (!rule.each) return rule.bring(value) ?? UNUSABLE;
  if (!Array.isArray(value)) return UNUSABLE;
  return value.map((item) => (rule.holds(item, object) ? item : rule.bring(item)));
}
