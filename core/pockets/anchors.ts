/**
 * Which anchors hold in which pockets. A pocket takes the pour whose region fits it best: so after a split both halves
 * find the old pour, after a merge the larger wins, and a pocket that closes again has its colour back. Colour never
 * goes to a pocket that is not its own: what finds none waits. Whatever else lives in pockets goes where the pour with
 * its anchor goes, and where there is no such pour, to the pockets its own region meets.
 */
import Flatbush from "flatbush";
import { anchorKey } from "../drawing/anchor.ts";
import type { Anchor, Anchored, Table } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { inPart, partOf } from "../drawing/parts.ts";
import { type Box, boundsOf, boxesApart, boxHolds, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { Pocket } from "./pockets.ts";

export interface Matches {
  /** For each pocket the id of its pour, or undefined when it is bare and always was. */
  readonly pourOf: readonly (string | undefined)[];
  /** For each of the others the numbers of its pockets, rising; none where it waits. */
  readonly pocketsOf: ReadonlyMap<string, readonly number[]>;
  /** What this was made of, so that the next matching need not begin anew. */
  readonly of: {
    readonly pockets: readonly Pocket[];
    readonly pours: Table<Anchored>;
    readonly others: Table<Anchored>;
    /** For each pocket the pour whose region fits it best. */
    readonly byRegion: readonly (string | undefined)[];
    readonly near: PoursNear;
  };
}

/** `before` only makes it faster: matches of a drawing that differs little. */
export function matchAnchors(
  pockets: readonly Pocket[],
  pours: Table<Anchored>,
  others: Table<Anchored>,
  before?: Matches,
): Matches {
  if (before && isMadeOf(before, pockets, pours, others)) {
    const { pourOf, pocketsOf, of } = before;
    return { pourOf, pocketsOf, of };
  }
  const all = entitiesOf(pours);
  const { byRegion, near } = regionMatches(pockets, pours, all, before?.of);
  const pourOf = withLinesFollowed(pockets, all, byRegion);
  return {
    pourOf,
    pocketsOf: pocketsOfOthers(pockets, pours, pourOf, others),
    of: { pockets, pours, others, byRegion, near },
  };
}

const isMadeOf = ({ of }: Matches, pockets: readonly Pocket[], pours: object, others: object): boolean =>
  of.pockets === pockets && of.pours === pours && of.others === others;

/** The best pour of each pocket; looked for anew only where pockets or pours are not as they were. */
function regionMatches(
  pockets: readonly Pocket[],
  pours: Table<Anchored>,
  all: readonly Anchored[],
  before: Matches["of"] | undefined,
): Pick<Matches["of"], "byRegion" | "near"> {
  const fresh = before ? freshIn(pours, all, before.pours) : all;
  if (!before || fresh.length + before.near.since.length > FEW) {
    const near = new PoursNear(all);
    return { near, byRegion: pockets.map((pocket) => bestPour(pocket, near.to(pocket.box))) };
  }
  const near = before.near.with(fresh);
  const byRegion = byRegionBefore(pockets, before);
  const gone = goneFrom(before.pours, pours);
  const anew = new Set(fresh.flatMap(({ anchor }) => pocketsNear(pockets, boxOf(anchor))));
  for (let k = 0; k < pockets.length; k++) {
    const id = byRegion[k];
    if (id === UNKNOWN || (id !== undefined && gone.has(id))) anew.add(k);
  }
  const isThere = (pour: Anchored) => pours[pour.id] !== undefined && sameClaim(pour, pours[pour.id]);
  for (const k of anew) byRegion[k] = bestPour(pockets[k], near.to(pockets[k].box).filter(isThere));
  return { near, byRegion: byRegion as (string | undefined)[] };
}

const freshIn = (
  pours: Table<Anchored>,
  all: readonly Anchored[],
  before: Table<Anchored>,
): readonly Anchored[] => (pours === before ? [] : all.filter((pour) => !sameClaim(before[pour.id], pour)));

const UNKNOWN = Symbol("a pocket that was not there before");

/** What the pour of each pocket was before. */
function byRegionBefore(
  pockets: readonly Pocket[],
  before: Matches["of"],
): (string | undefined | typeof UNKNOWN)[] {
  if (pockets === before.pockets) return before.byRegion.slice();
  const known = new Map(before.pockets.map((pocket, index) => [pocket, before.byRegion[index]]));
  return pockets.map((pocket) => (known.has(pocket) ? known.get(pocket) : UNKNOWN));
}

/** Those that are gone, or claim another region. */
function goneFrom(before: Table<Anchored>, now: Table<Anchored>): Set<string> {
  const gone = new Set<string>();
  if (before === now) return gone;
  for (const pour of entitiesOf(before)) {
    const same = now[pour.id];
    if (!same || !sameClaim(same, pour)) gone.add(pour.id);
  }
  return gone;
}

/** How many pours are kept beside an index before it is rebuilt. */
const FEW = 64;

/** Pours by where they lie; some may have gone since. */
class PoursNear {
  constructor(
    private readonly indexed: readonly Anchored[],
    readonly since: readonly Anchored[] = [],
    private readonly index = indexOf(indexed.map(({ anchor }) => boxOf(anchor))),
  ) {}

  with(fresh: readonly Anchored[]): PoursNear {
    return fresh.length === 0 ? this : new PoursNear(this.indexed, [...this.since, ...fresh], this.index);
  }

  /** Those whose region comes near a box. */
  to(box: Box): Anchored[] {
    return [
      ...search(this.index, box).map((number) => this.indexed[number]),
      ...this.since.filter(({ anchor }) => !boxesApart(box, boxOf(anchor))),
    ];
  }
}

function indexOf(boxes: readonly Box[]): Flatbush | undefined {
  if (boxes.length === 0) return undefined;
  const index = new Flatbush(boxes.length);
  for (const { x, y, width, height } of boxes) index.add(x, y, x + width, y + height);
  index.finish();
  return index;
}

const search = (index: Flatbush | undefined, { x, y, width, height }: Box): number[] =>
  index?.search(x, y, x + width, y + height) ?? [];

/** The numbers of the pockets whose boxes meet a box: so few boxes are asked for that an index would take longer. */
function pocketsNear(pockets: readonly Pocket[], box: Box): number[] {
  const found: number[] = [];
  for (let k = 0; k < pockets.length; k++) if (!boxesApart(box, pockets[k].box)) found.push(k);
  return found;
}

const sameClaim = (a: Anchored | undefined, b: Anchored): boolean =>
  a === b || (a?.anchor === b.anchor && a.rank === b.rank);

function bestPour(pocket: Pocket, pours: readonly Anchored[]): string | undefined {
  let best: Anchored | undefined;
  let bestFit = 0;
  for (const pour of pours) {
    const fit = fitOf(pocket, pour.anchor);
    if (fit > bestFit || (fit === bestFit && best && pour.rank > best.rank)) {
      best = pour;
      bestFit = fit;
    }
  }
  return best?.id ?? mergedPour(pocket, pours);
}

/** What all of a pocket was covered by comes to this part of it: what parted it took a little. */
const COVERED = 0.9;

/** Where several pockets have become one, all of which were poured: the pour of the largest. */
function mergedPour(pocket: Pocket, pours: readonly Anchored[]): string | undefined {
  const within = pours
    .filter(({ anchor }) => partOf(anchor) === pocket.part && holdsPlace(pocket, anchor.seed))
    .sort((a, b) => b.anchor.area - a.anchor.area || b.rank - a.rank);
  const apart: Anchored[] = [];
  for (const pour of within)
    if (!apart.some(({ anchor }) => regionContains(anchor.region, pour.anchor.seed))) apart.push(pour);
  const covered = apart.reduce((sum, { anchor }) => sum + anchor.area, 0);
  return covered >= COVERED * pocket.area ? within[0]?.id : undefined;
}

const holdsPlace = ({ box, rings }: Pocket, at: Point): boolean =>
  boxHolds(box, at) && regionContains(rings, at);

/** A pocket whose lines have gone elsewhere keeps its pour: no other pocket lies within just these lines. */
function withLinesFollowed(
  pockets: readonly Pocket[],
  pours: readonly Anchored[],
  byRegion: readonly (string | undefined)[],
): readonly (string | undefined)[] {
  const taken = new Set(byRegion);
  const lost = pours.filter(({ id, anchor }) => !taken.has(id) && anchor.lines.length > 0);
  if (lost.length === 0) return byRegion;
  const within = new Map<string, number>();
  pockets.forEach(({ lines }, index) => {
    const key = linesKey(lines);
    within.set(key, within.has(key) ? AMBIGUOUS : index);
  });
  const found = [...byRegion];
  for (const { id, anchor } of lost) {
    const index = within.get(linesKey(anchor.lines)) ?? AMBIGUOUS;
    if (index !== AMBIGUOUS) found[index] ??= id;
  }
  return found;
}

const AMBIGUOUS = -1;

const linesKey = (lines: readonly string[]): string => [...lines].sort().join("\n");

function pocketsOfOthers(
  pockets: readonly Pocket[],
  pours: Table<Anchored>,
  pourOf: readonly (string | undefined)[],
  others: Table<Anchored>,
): Map<string, readonly number[]> {
  const all = entitiesOf(others);
  if (all.length === 0) return new Map();
  const byAnchor = pocketsByAnchor(pours, pourOf);
  return new Map(
    all.map(({ id, anchor }) => [id, byAnchor.get(anchorKey(anchor)) ?? touchedBy(anchor, pockets)]),
  );
}

/** The pockets of all pours that are there, by their anchors. */
function pocketsByAnchor(
  pours: Table<Anchored>,
  pourOf: readonly (string | undefined)[],
): Map<string, number[]> {
  const found = new Map(entitiesOf(pours).map(({ anchor }) => [anchorKey(anchor), [] as number[]]));
  pourOf.forEach((id, index) => {
    if (id !== undefined) found.get(anchorKey(pours[id].anchor))!.push(index);
  });
  return found;
}

const NONE: readonly number[] = [];
const touched = new WeakMap<readonly Pocket[], Map<Anchor, readonly number[]>>();

/** The pockets that an anchor's region meets, or else the one within just its lines. */
function touchedBy(anchor: Anchor, pockets: readonly Pocket[]): readonly number[] {
  const known = touched.get(pockets) ?? new Map<Anchor, readonly number[]>();
  touched.set(pockets, known);
  let found = known.get(anchor);
  if (!found) {
    const met = pockets.flatMap((pocket, index) => (meets(pocket, anchor) ? [index] : []));
    found = met.length > 0 ? met : withinLines(anchor, pockets);
    known.set(anchor, found);
  }
  return found;
}

function withinLines({ lines }: Anchor, pockets: readonly Pocket[]): readonly number[] {
  if (lines.length === 0) return NONE;
  const key = linesKey(lines);
  const found = pockets.flatMap((pocket, index) => (linesKey(pocket.lines) === key ? [index] : []));
  return found.length === 1 ? found : NONE;
}

/** Pours with paint that colour no pocket now. */
export function waitingPours<P extends Anchored & { readonly paint: unknown }>(
  pours: Table<P>,
  { pourOf }: Pick<Matches, "pourOf">,
): P[] {
  const found = new Set(pourOf);
  return entitiesOf(pours).filter(({ id, paint }) => paint && !found.has(id));
}

const boxes = new WeakMap<Anchor, Box>();

function boxOf(anchor: Anchor): Box {
  const known = boxes.get(anchor);
  if (known) return known;
  const [x, y] = anchor.seed;
  const box = boundsOf(anchor.region) ?? { x, y, width: 0, height: 0 };
  boxes.set(anchor, box);
  return box;
}

const anchors = new WeakMap<Pocket, Anchor>();

/** The anchor of what is put into a pocket now; the same pocket gives the same one. */
export function anchorOf(pocket: Pocket): Anchor {
  const known = anchors.get(pocket);
  if (known) return known;
  const { seed, area, lines, rings, part } = pocket;
  const anchor: Anchor = { seed, area, lines, region: rings, ...inPart(part) };
  anchors.set(pocket, anchor);
  return anchor;
}

/** The anchor of what lives in several pockets at once. */
export function anchorAround(pockets: readonly Pocket[]): Anchor {
  const [first, ...others] = pockets.map(anchorOf);
  if (others.length === 0) return first;
  return {
    ...first,
    area: pockets.reduce((sum, { area }) => sum + area, 0),
    lines: [...new Set(pockets.flatMap(({ lines }) => lines))],
    region: pockets.flatMap(({ rings }) => rings),
  };
}

/** A pocket this many times larger than the region lies mostly elsewhere: another pocket has merged into it. */
const GROWN = 2;

/** Likeness of a pocket and a region, 0 when it is not the region's own. One whose line was moved may grow. */
function fitOf(pocket: Pocket, anchor: Anchor): number {
  if (!meets(pocket, anchor)) return 0;
  const grown = pocket.area > GROWN * anchor.area;
  return grown && !anchor.lines.every((line) => pocket.lines.includes(line))
    ? 0
    : likeness(pocket.area, anchor.area);
}

const meets = (pocket: Pocket, anchor: Anchor): boolean =>
  pocket.part === partOf(anchor) &&
  ((boxHolds(boxOf(anchor), pocket.seed) && regionContains(anchor.region, pocket.seed)) ||
    holdsPlace(pocket, anchor.seed));

const likeness = (a: number, b: number): number => Math.min(a, b) / Math.max(a, b);
