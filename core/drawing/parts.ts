/** Parts: pieces of a drawing with lines, bridges and colour of their own, one before the other. */
import { weakMapMemoize } from "reselect";
import { type Drawing, type Part, ranked, type Table } from "./drawing.ts";

/** The part that every drawing begins with; what names no part belongs to it. */
export const MAIN = "main";

export const startingParts = (): Table<Part> => ({
  [MAIN]: { id: MAIN, rank: 1, name: "Drawing", visible: true, locked: false },
});

/** The part of a line, a bridge or a shape; colour in pockets says it by its anchor. */
export const partOf = ({ part = MAIN }: { readonly part?: string }): string => part;

/** The field by which an entity names its part; none for the part that entities belong to without it. */
export const inPart = (part: string): { readonly part?: string } => (part === MAIN ? {} : { part });

/** From the back to the front. */
export const partsOf = (drawing: Pick<Drawing, "parts">): Part[] => ranked(drawing.parts);

/** The tables whose entities name their part themselves. */
export const PARTED = [
  "strokes",
  "inkShapes",
  "bridges",
  "declined",
  "flatShapes",
  "creases",
  "dabs",
] as const;

/** The drawing with the lines, bridges and shapes of one part alone; the same tables give the same again. */
export function drawingOfPart(drawing: Drawing, part: string): Drawing {
  if (Object.keys(drawing.parts).length === 1) return drawing;
  const { strokes, inkShapes, bridges, declined, flatShapes, creases, dabs } = drawing;
  return {
    ...drawing,
    strokes: ofPart(strokes, part),
    inkShapes: ofPart(inkShapes, part),
    bridges: ofPart(bridges, part),
    declined: ofPart(declined, part),
    flatShapes: ofPart(flatShapes, part),
    creases: ofPart(creases, part),
    dabs: ofPart(dabs, part),
  };
}

interface Parted {
  readonly part?: string;
}

/** Those of a table that are of one part; the same table gives the same again. */
export const ofPart = <T extends Parted>(table: Table<T>, part: string): Table<T> =>
  (byPart(table).get(part) ?? EMPTY) as Table<T>;

const EMPTY: Table<Parted> = {};

const byPart = weakMapMemoize((table: Table<Parted>): Map<string, Table<Parted>> => {
  const found = new Map<string, Record<string, Parted>>();
  for (const [id, entity] of Object.entries(table)) {
    const own = found.get(partOf(entity));
    if (own) own[id] = entity;
    else found.set(partOf(entity), { [id]: entity });
  }
  return found;
});

const isParted = (table: string): boolean => (PARTED as readonly string[]).includes(table);
const isAnchored = (table: string): boolean => (ANCHORED as readonly string[]).includes(table);

/** Tables of what lives in pockets: its anchor names the part. */
export const ANCHORED = ["pours", "shades"] as const;

/**
 * What names no part is of the backmost one where the part that drawings begin with is gone: an entity of a table as it is then,
 * the very same where it has its part.
 */
export function placedInPart<E extends object>(drawing: Pick<Drawing, "parts">, table: string, entity: E): E {
  if (Object.hasOwn(drawing.parts, MAIN) || !(isParted(table) || isAnchored(table))) return entity;
  const [backmost] = partsOf(drawing);
  if (!backmost) return entity;
  const placed = (one: Parted): Parted => (one.part === undefined ? { ...one, part: backmost.id } : one);
  if (isParted(table)) return placed(entity) as E;
  const { anchor } = entity as unknown as { readonly anchor: Parted };
  const own = placed(anchor);
  return own === anchor ? entity : { ...entity, anchor: own };
}

function withUnnamedPlaced(drawing: Drawing): Drawing {
  if (Object.hasOwn(drawing.parts, MAIN)) return drawing;
  const table = (name: keyof Drawing) =>
    Object.fromEntries(
      Object.entries(drawing[name] as Table<object>).map(([id, one]) => [
        id,
        placedInPart(drawing, name, one),
      ]),
    );
  return {
    ...drawing,
    ...Object.fromEntries([...PARTED, "pours", "shades"].map((name) => [name, table(name as keyof Drawing)])),
  };
}

/** The drawing with a record for every part that something in it names: a file may have lost one. */
export function withMissingParts(given: Drawing): Drawing {
  const drawing = withUnnamedPlaced(given);
  const named = PARTED.flatMap((name) => Object.values<Parted>(drawing[name]).map(partOf));
  const anchored = [...Object.values(drawing.pours), ...Object.values(drawing.shades)];
  const ids = new Set([...named, ...anchored.map(({ anchor }) => partOf(anchor))]);
  const missing = [...ids].filter((id) => !Object.hasOwn(drawing.parts, id));
  if (missing.length === 0 && Object.keys(drawing.parts).length > 0) return drawing;
  const top = Object.values(drawing.parts).reduce((most, { rank }) => Math.max(most, rank), 0);
  const found = (missing.length > 0 ? missing : [MAIN]).map(
    (id, i): Part => ({ id, rank: top + i + 1, name: "Missing part", visible: true, locked: false }),
  );
  return {
    ...drawing,
    parts: { ...drawing.parts, ...Object.fromEntries(found.map((part) => [part.id, part])) },
  };
}
