/** Keys of one's own: what is pressed is heard as the usual combination, so that the desk and its tools know only that. */
import { comboOf, pressOf } from "./combo.ts";
import type { KeyPress } from "./key-names.ts";
import { KEYS, type KeyEntry } from "./keys.ts";

/** Combinations by the names of their entries; what is not here is as usual. */
export type OwnKeys = Readonly<Record<string, string>>;

export const comboFor = ({ name, combo }: KeyEntry, own: OwnKeys): string => own[name] ?? combo;

/**
 * What a press means: the press itself, the usual one of the entries that were given this combination, or nothing, where the
 * combination was given up. The first that means something counts.
 */
export function asUsual(press: KeyPress, own: OwnKeys): readonly KeyPress[] {
  const combo = comboOf(press);
  const given = KEYS.filter(({ name }) => own[name] === combo);
  if (given.length > 0) return given.map((entry) => pressOf(entry.combo));
  const usual = KEYS.filter((entry) => entry.combo === combo);
  const isGivenUp = usual.length > 0 && usual.every(({ name }) => own[name] !== undefined);
  return isGivenUp ? [] : [press];
}

/** Others that a press of this entry's combination could mean as well: in the same place, or anywhere. */
export const conflictsOf = (entry: KeyEntry, own: OwnKeys): readonly KeyEntry[] =>
  KEYS.filter(
    (other) =>
      other !== entry &&
      comboFor(other, own) === comboFor(entry, own) &&
      (!other.where || !entry.where || other.where === entry.where),
  );

const FORMAT = "fern-pocket-keys";

export const writeKeys = (own: OwnKeys): string =>
  `${JSON.stringify({ format: FORMAT, keys: own }, null, 2)}\n`;

/** Undefined where the text is no file of keys; entries it does not know are left out. */
export function readKeys(text: string): OwnKeys | undefined {
  try {
    const { format, keys } = JSON.parse(text) as { format?: unknown; keys?: unknown };
    return format === FORMAT ? ownKeysFrom(keys) : undefined;
  } catch {
    return undefined;
  }
}

const LONGEST = 40;

/** Of what was kept, what can be used. */
export function ownKeysFrom(kept: unknown): OwnKeys {
  if (typeof kept !== "object" || kept === null) return {};
  const names = new Set(KEYS.map(({ name }) => name));
  return Object.fromEntries(
    Object.entries(kept).filter(
      ([name, combo]) =>
        names.has(name) && typeof combo === "string" && combo.length > 0 && combo.length <= LONGEST,
    ),
  );
}
