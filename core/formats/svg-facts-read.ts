/** Reads back what svg-facts.ts wrote; every part of it is checked for itself. */
import { isLoose } from "../drawing/checked.ts";
import type { Colour, Drawing, FlatShape, Pour, Shade } from "../drawing/drawing.ts";
import { fromRecord, type RecordForm } from "../drawing/record-form.ts";
import { type Repairs, salvagedRecord } from "../drawing/salvage.ts";
import { upgradedRecord } from "../drawing/upgrade.ts";
import { FACT_FIELDS } from "./svg-facts.ts";
import { plainIn } from "./svg-words.ts";

export interface ReadFacts extends Repairs {
  /** What the picture itself does not tell. */
  readonly facts: Omit<Drawing, "name" | "strokes" | "inkShapes" | "flatShapes" | "pours" | "shades">;
  /** Ids of the tin's colours by the names they go by in the file's classes. */
  readonly colours: ReadonlyMap<string, string>;
  /** Colour and shade that the picture does not show. */
  readonly waitingPours: readonly Pour[];
  readonly waitingShades: readonly Shade[];
  readonly unseenShapes: readonly FlatShape[];
}

/** Undefined when the text is not what we wrote, or says nothing of its page: then the picture alone is read. */
export function readFacts(text: string): ReadFacts | undefined {
  const plain = parsed(text);
  const before = plain && upgradedFacts(plain);
  if (!before) return undefined;
  const { record, brought, lost } = salvagedRecord(before, FACT_FIELDS);
  if (before.page === undefined || lost.some(({ way }) => way.startsWith("page"))) return undefined;
  const tin = record.tin as readonly NamedColour[];
  const unnamed = tin.map(({ variable: _, ...colour }) => colour);
  const { pours, shades, flatShapes, ...facts } = fromRecord(
    { ...record, tin: unnamed },
    FACT_FIELDS,
  ) as Pick<Drawing, (typeof FACT_FIELDS)[number]>;
  return {
    facts,
    colours: coloursByName(tin),
    waitingPours: Object.values(pours),
    waitingShades: Object.values(shades),
    unseenShapes: Object.values(flatShapes),
    brought,
    lost,
  };
}

/**
 * Up to version 2 facts had their own version numbers, and version 2 held drawings of version 3; unseen things
 * had names of their own.
 */
function upgradedFacts({ version, ...rest }: RecordForm): RecordForm | undefined {
  if (typeof version !== "number") return undefined;
  if (version > 2) return upgradedRecord({ flatShapes: [], ...rest }, version);
  const { waitingPours = [], waitingShades = [], ...facts } = rest;
  return upgradedRecord(
    { ...facts, pours: waitingPours, shades: waitingShades, flatShapes: [] },
    version + 1,
  );
}

type NamedColour = Colour & { readonly variable?: string };

function coloursByName(tin: readonly NamedColour[]): Map<string, string> {
  const names = namesOfEarlierFiles(tin);
  return new Map(tin.map(({ id, variable }) => [variable ?? names.get(id)!, id]));
}

/** How colours were named before files said it: from Latin letters and digits alone. */
function namesOfEarlierFiles(tin: readonly NamedColour[]): Map<string, string> {
  const taken = new Set<string>();
  return new Map(
    [...tin]
      .sort((a, b) => a.rank - b.rank)
      .map(({ id, name }) => {
        const letters = name.toLowerCase().normalize("NFKD");
        const plain = letters.replace(/[^a-z0-9]+/g, "-").replace(/^-+|-+$/g, "") || "colour";
        let free = plain;
        for (let n = 2; taken.has(free); n++) free = `${plain}-${n}`;
        taken.add(free);
        return [id, free];
      }),
  );
}

function parsed(text: string): RecordForm | undefined {
  const value = plainIn(text);
  return isLoose(value) ? value : undefined;
}
