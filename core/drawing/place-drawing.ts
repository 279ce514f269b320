/** Putting one drawing into another: as parts of their own before all others, or into a part that is there. */
import { aboutPoint, composed, type Matrix, mappedPoint, translation } from "../geometry/matrix.ts";
import { type Box, boundsOf, type Point } from "../geometry/point.ts";
import { renaming, withCopies } from "./copies.ts";
import { difference } from "./difference.ts";
import { type Drawing, type Page, type Paint, ranked, type Tile, topRank, widthInInches } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { repainted } from "./light-styles.ts";
import { patchEdit } from "./part-edits.ts";
import { partsOf } from "./parts.ts";

export interface Placing {
  /** Where the middle of it goes, in the target's page units. */
  readonly middle: Point;
  /** The part it becomes a piece of; parts of its own where none is named. */
  readonly into?: string;
  readonly label: string;
}

export interface Placed {
  readonly edit: Edit;
  /** Ids of the lines put in. */
  readonly lines: readonly string[];
  /** The foremost part they are in. */
  readonly part: string;
}

/**
 * Lines keep their printed size where the page has room for them; colours, nibs and tiles that the target has in the same
 * name and value stay one.
 */
export function placeDrawing(target: Drawing, source: Drawing, { middle, into, label }: Placing): Placed {
  const idOf = renaming();
  const matrix = placeOf(target.page, source, middle);
  const base = into ? target : withPartsOf(target, source, idOf);
  const nibs = new Map(ranked(source.nibs).map((nib) => [nib.id, likeIn(base.nibs, nib, sameNib) ?? nib]));
  const colours = new Map(
    ranked(source.tin).map((colour) => [colour.id, likeIn(base.tin, colour, sameColour) ?? colour]),
  );
  const tin = { ...base.tin };
  const tiles = { ...base.tiles };
  const styles = { ...base.styles };
  const shelf = { ...base.nibs };
  const paintOf = ({ colour, step }: Paint): Paint => {
    const like = colours.get(colour);
    return { colour: like ? added(tin, like, idOf) : colour, step };
  };
  const nibOf = (nib: string): string => {
    const like = nibs.get(nib);
    return like ? added(shelf, like, idOf) : nib;
  };
  const tileOf = (tile: string): string => {
    const own = source.tiles[tile];
    return own ? added(tiles, likeIn(base.tiles, own, sameTile) ?? own, idOf) : tile;
  };
  const styleOf = (style: string): string => {
    const own = source.styles[style];
    return own ? added(styles, repainted(own, paintOf), idOf) : style;
  };
  const lines = withInkNamed(source, target);
  const next = partsOf(source).reduce(
    (now, { id }) =>
      withCopies(now, lines, {
        of: id,
        into: into ?? idOf(id),
        matrix,
        idOf,
        names: { paint: paintOf, nib: nibOf, tile: tileOf, style: styleOf },
      }),
    base,
  );
  const part = into ?? idOf(partsOf(source).at(-1)!.id);
  return {
    edit: {
      ...patchEdit(label, difference(target, { ...next, tin, tiles, styles, nibs: shelf })),
      sheet: "ink",
    },
    lines: [...Object.keys(source.strokes), ...Object.keys(source.inkShapes)].map(idOf),
    part,
  };
}

/** Puts what is new into a table, once, under an id of its own there. */
function added<T extends { readonly id: string; readonly rank: number }>(
  table: Record<string, T>,
  entity: T,
  idOf: (id: string) => string,
): string {
  if (table[entity.id] === entity) return entity.id;
  const id = idOf(entity.id);
  table[id] ??= { ...entity, id, rank: topRank(table) + 1 };
  return id;
}

const likeIn = <T>(
  table: Readonly<Record<string, T>>,
  one: T,
  same: (a: T, b: T) => boolean,
): T | undefined => Object.values(table).find((other) => same(one, other));

type Colour = Drawing["tin"][string];
const sameColour = (a: Colour, b: Colour): boolean => a.name === b.name && a.value === b.value;

type Nib = Drawing["nibs"][string];
const sameNib = (a: Nib, b: Nib): boolean =>
  a.name === b.name && a.strands === b.strands && a.profile.join() === b.profile.join();

const sameTile = (a: Tile, b: Tile): boolean =>
  a.name === b.name && JSON.stringify(a.tones) === JSON.stringify(b.tones);

/** A part of the target for each of the source's; the one part of a whole drawing takes its name. */
function withPartsOf(target: Drawing, source: Drawing, idOf: (id: string) => string): Drawing {
  const top = topRank(target.parts);
  const parts = partsOf(source);
  const fresh = parts.map((part, i) => ({
    ...part,
    id: idOf(part.id),
    rank: top + i + 1,
    name: parts.length === 1 ? source.name : part.name,
  }));
  return {
    ...target,
    parts: { ...target.parts, ...Object.fromEntries(fresh.map((part) => [part.id, part])) },
  };
}

/** The source with its ink's colour on every line that has none of its own, where the two inks differ. */
function withInkNamed(source: Drawing, target: Drawing): Drawing {
  const [from, to] = [source, target].map(({ tin, ink }) => `${tin[ink.colour]?.value} ${ink.step}`);
  if (from === to) return source;
  const named = <T extends { readonly paint?: Paint }>(table: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(table).map(([id, line]) => [id, { paint: source.ink, ...line }]));
  return { ...source, strokes: named(source.strokes), inkShapes: named(source.inkShapes) };
}

const unitsPerInch = (page: Page): number => page.box.width / (widthInInches(page) || 1);

/** From the source's page to the target's: the same printed size, no larger than the page, about a middle. */
function placeOf(page: Page, source: Drawing, middle: Point): Matrix {
  const box = boxOf(source);
  const printed = unitsPerInch(page) / unitsPerInch(source.page);
  const room = Math.min(page.box.width / (box.width || 1), page.box.height / (box.height || 1));
  const scale = Math.min(printed, room);
  const centre: Point = [box.x + box.width / 2, box.y + box.height / 2];
  const scaled = aboutPoint(centre, scale, scale, 0);
  const [x, y] = mappedPoint(centre, scaled);
  return composed(translation(middle[0] - x, middle[1] - y), scaled);
}

function boxOf({ strokes, inkShapes, flatShapes, page }: Drawing): Box {
  const shapes = [...Object.values(inkShapes), ...Object.values(flatShapes)].flatMap(
    ({ outline }) => outline,
  );
  return boundsOf([...Object.values(strokes).map(({ points }) => points), ...shapes]) ?? page.box;
}
