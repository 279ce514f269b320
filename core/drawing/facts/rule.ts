/** Rules that facts of several kinds share, beside those that class-validator brings. */
import { Equals, ValidateBy } from "class-validator";
import { isId, isProfile, LARGEST } from "../bounds.ts";

export const FINITE = { allowNaN: false, allowInfinity: false };

/** A rule of our own; `bring` gives the nearest value it allows, where there is one. */
export const rule =
  (name: string, validate: (value: unknown) => boolean, bring?: (value: unknown) => unknown) => () =>
    ValidateBy({ name, validator: { validate } }, { context: { bring } });

export const areNumbers = (list: unknown): list is number[] =>
  Array.isArray(list) && list.every((n) => typeof n === "number" && Math.abs(n) <= LARGEST);

export const everyOne = (check: (value: unknown) => boolean) => (value: unknown) =>
  Array.isArray(value) && value.length > 0 && value.every(check);

export const isChain = (list: unknown): boolean =>
  areNumbers(list) && list.length >= 2 && (list.length - 2) % 6 === 0;

/** A chain of cubics (geometry/cubic.ts) in page units. */
export const IsChain = rule("isChain", isChain);
export const IsChains = rule("isChains", everyOne(isChain));
export const IsPlace = rule("isPlace", (value) => areNumbers(value) && value.length === 2);
export const IsProfile = rule("isProfile", (value) => areNumbers(value) && isProfile(value));

/** A list of objects; a list within it would pass for one. */
export const IsRecords = rule(
  "isRecords",
  (value) =>
    Array.isArray(value) &&
    value.every((item) => typeof item === "object" && item !== null && !Array.isArray(item)),
);

export const IsId = rule("isId", isId);

/** A yes; there is no other answer than leaving it out. */
export const IsTrue = () => Equals(true);
