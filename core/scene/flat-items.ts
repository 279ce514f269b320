/** The flats sheet: poured pockets and shapes of colour, in the order they were laid. */
import type { Drawing, FlatShape, Pour } from "../drawing/drawing.ts";
import { diagonal } from "../geometry/point.ts";
import type { Matches } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { Chain, Item } from "./items.ts";
import { keeper, sameList } from "./kept.ts";
import type { Palette, Tone } from "./palette.ts";

/** Two colours overlap by this part of the page's diagonal where they meet, hidden under the later one. */
const SEAM = 1 / 1200;

interface Ranked {
  readonly rank: number;
  readonly item: Item;
}

/** The part whose flats they are. */
export interface FlatsOf {
  readonly part: string;
  /** Its region. */
  readonly hides: readonly Chain[];
}

export const flatItems = (drawing: Drawing, of: FlatsOf, derived: Derived, palette: Palette): Item[] =>
  inOrder(pourItems(drawing, of, derived, palette), shapeItems(drawing, of.hides, palette)).map(
    ({ item }) => item,
  );

type Derived = Matches & { readonly pockets: readonly Pocket[] };

/** Two lists by rank; the first is in order already. */
const inOrder = (poured: readonly Ranked[], shapes: readonly Ranked[]): readonly Ranked[] =>
  shapes.length === 0 ? poured : [...poured, ...shapes].sort((a, b) => a.rank - b.rank);

const keptShape = keeper<FlatShape, Item>();

const shapeItems = ({ flatShapes }: Drawing, region: readonly Chain[], { toneOf }: Palette): Ranked[] =>
  Object.values(flatShapes).map((shape) => {
    const { id, rank, name, outline, evenOdd, opacity, echo } = shape;
    const clip = echo === "within" ? { clip: region } : NO_EFFECTS;
    const tone = toneOf(shape.paint);
    const item = keptShape(shape, [tone, echo && region], () => ({
      id,
      says: { is: "flat", echo },
      area: { kind: "region", chains: outline, evenOdd },
      paint: { kind: "tone", tone },
      effects: opacity < 1 ? { ...clip, opacity } : clip,
      name,
    }));
    return { rank, item };
  });

const NO_EFFECTS = {};

/** Pockets by the rank of their pours; the later of two that meet covers the seam of the earlier. */
function pourItems(
  { pours, page }: Drawing,
  { part }: FlatsOf,
  { pockets, pourOf }: Derived,
  { toneOf }: Palette,
): Ranked[] {
  const poured: { readonly index: number; readonly pour: Pour }[] = [];
  pourOf.forEach((id, index) => {
    const pour = id === undefined || pockets[index].part !== part ? undefined : pours[id];
    if (pour?.paint) poured.push({ index, pour });
  });
  poured.sort((a, b) => a.pour.rank - b.pour.rank);
  const width = diagonal(page.box) * SEAM;
  const place = new Int32Array(pockets.length).fill(-1);
  poured.forEach(({ index }, at) => {
    place[index] = at;
  });
  const borders = bordersOf(pockets);
  return poured.map(({ index, pour: { id, rank, paint } }, at) => {
    const isLater = ({ other }: Underlap) => place[other] > at;
    const tone = toneOf(paint!);
    return {
      rank,
      item: pourItem(pockets[index], { id, tone, width, borders: borders[index], isLater }),
    };
  });
}

/** What the item of a poured pocket is made of. */
interface Poured {
  readonly id: string;
  readonly tone: Tone;
  /** Of its seam, in page units. */
  readonly width: number;
  readonly borders: readonly Underlap[];
  /** Whether the pocket beyond a border is painted later: then its colour runs on under that one's. */
  readonly isLater: (border: Underlap) => boolean;
}

interface KeptPour extends Omit<Poured, "isLater"> {
  readonly later: number;
  /** Lines, and where no ink hides a border strips. */
  readonly chains: readonly Chain[];
  readonly strips: readonly Chain[];
  readonly item: Item;
}

const pouredItems = new WeakMap<Pocket, KeptPour>();

/** Made anew only where what it is made of has changed: there may be thousands. */
function pourItem(pocket: Pocket, of: Poured): Item {
  const before = pouredItems.get(pocket);
  const later = laterOf(of);
  const { id, tone, width, borders } = of;
  const same = before?.id === id && before.tone === tone && before.width === width;
  if (same && before.borders === borders && before.later === later) return before.item;
  const under = borders.filter(of.isLater);
  const lines = under.flatMap(({ chain, strip }) => (strip ? [] : [chain]));
  const chains = pocket.runsUnder.length > 0 ? [...lines, ...pocket.runsUnder] : lines;
  const strips = under.flatMap(({ strip }) => (strip ? [strip] : []));
  const kept = same && sameList(before.chains, chains) && sameList(before.strips, strips);
  const item = kept ? before.item : itemOf(pocket, of, chains, strips);
  pouredItems.set(pocket, { id, tone, width, borders, later, chains, strips, item });
  return item;
}

/** Numbers that doubles hold exactly have so many bits. */
const BITS = 53;

/** A bit for each border with a later neighbour; no number where there are too many borders. */
function laterOf({ borders, isLater }: Poured): number {
  if (borders.length > BITS) return Number.NaN;
  let later = 0;
  let bit = 1;
  for (const border of borders) {
    if (isLater(border)) later += bit;
    bit *= 2;
  }
  return later;
}

const itemOf = (
  pocket: Pocket,
  { id, tone, width }: Poured,
  chains: readonly Chain[],
  strips: readonly Chain[],
): Item => ({
  id,
  says: { is: "pour", at: pocket.seed },
  area: {
    kind: "region",
    chains: strips.length > 0 ? [...pocket.cover, ...strips] : pocket.cover,
    evenOdd: false,
  },
  paint: { kind: "tone", tone },
  effects: chains.length > 0 ? { seam: { chains, width } } : NO_EFFECTS,
});

/** A border seen from one of its pockets: a hairline of it, or where no ink hides it a strip, runs on under the other. */
interface Underlap {
  /** Number of the pocket beyond. */
  readonly other: number;
  readonly chain: Chain;
  readonly strip?: Chain;
}

const known = new WeakMap<readonly Pocket[], Underlap[][]>();

/** The borders of each pocket with its neighbours; the same pockets give the same. */
function bordersOf(pockets: readonly Pocket[]): Underlap[][] {
  const before = known.get(pockets);
  if (before) return before;
  const byKey = new Map(pockets.map(({ key }, index) => [key, index]));
  const found = pockets.map((): Underlap[] => []);
  pockets.forEach(({ borders }, index) => {
    for (const { neighbour, chain, strips } of borders) {
      const other = byKey.get(neighbour);
      if (other === undefined) continue;
      found[index].push({ other, chain, strip: strips?.[0] });
      found[other].push({ other: index, chain, strip: strips?.[1] });
    }
  });
  known.set(pockets, found);
  return found;
}
