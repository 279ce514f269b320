/** Rules that facts of several kinds share, beside those that class-validator brings. */
import { Allow, Equals, IsPositive, IsString, Max, ValidateBy } from "class-validator";
import { isId, isProfile, LARGEST } from "../bounds.ts";

export const FINITE = { allowNaN: false, allowInfinity: false };

/** A rule of our own; `bring` gives the nearest value it allows, where there is one. */
export const rule =
  (name: string, validate: (value: unknown) => boolean, bring?: (value: unknown) => unknown) => () =>
    ValidateBy({ name, validator: { validate } }, { context: { bring } });

/** What a field can be to whoever moves or copies its entity (meaning.ts). */
export type Meaning =
  | "chain"
  | "chains"
  | "place"
  | "length"
  | "lengths"
  | "area"
  | "turn"
  | "side"
  | "line"
  | "lines"
  | "nib"
  | "tile"
  | "style"
  | "cloth"
  | "paint";

export const Means = (meaning: Meaning): PropertyDecorator => Allow({ context: { meaning } });

/** Several rules under one name. */
export const together =
  (...decorators: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, property) => {
    for (const decorate of decorators) decorate(target, property);
  };

export function areNumbers(list: unknown): list is number[] {
  if (!Array.isArray(list)) return false;
  for (let k = 0; k < list.length; k++)
    if (!(typeof list[k] === "number" && Math.abs(list[k]) <= LARGEST)) return false;
  return true;
}

export const everyOne = (check: (value: unknown) => boolean) => (value: unknown) =>
  Array.isArray(value) && value.length > 0 && value.every(check);

export const isChain = (list: unknown): boolean =>
  areNumbers(list) && list.length >= 2 && (list.length - 2) % 6 === 0;

/** A chain of cubics (geometry/cubic.ts) in page units. */
export const IsChain = () => together(rule("isChain", isChain)(), Means("chain"));
export const IsChains = () => together(rule("isChains", everyOne(isChain))(), Means("chains"));
export const IsPair = rule("isPair", (value) => areNumbers(value) && value.length === 2);
/** In page units. */
export const IsPlace = () => together(IsPair(), Means("place"));
/** Above 0, in page units. */
export const IsLength = () => together(IsPositive(), Max(LARGEST), Means("length"));
/** The id of something that is in another table. */
export const IsNameOf = (what: Extract<Meaning, "line" | "nib" | "tile" | "style" | "cloth">) =>
  together(what === "nib" ? IsString() : IsId(), Means(what));
export const IsProfile = rule("isProfile", (value) => areNumbers(value) && isProfile(value));

/** A list of objects; a list within it would pass for one. */
export const IsRecords = rule(
  "isRecords",
  (value) =>
    Array.isArray(value) &&
    value.every((item) => typeof item === "object" && item !== null && !Array.isArray(item)),
);

export const IsId = rule("isId", isId);

/** Only `true`: a no is said by leaving the field out. */
export const IsTrue = () => Equals(true);
