/** The flats sheet: poured pockets and shapes of colour, in the order they were laid. */
import type { Drawing, FlatShape, Pour } from "../drawing/drawing.ts";
import { diagonal } from "../geometry/point.ts";
import type { Matches } from "../pockets/anchors.ts";
import { neighboursOf } from "../pockets/neighbours.ts";
import type { Border, Pocket } from "../pockets/pockets.ts";
import type { Item, Region } from "./items.ts";
import { keeper } from "./kept.ts";
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
  readonly region: Region;
}

export const flatItems = (drawing: Drawing, of: FlatsOf, derived: Derived, palette: Palette): Item[] =>
  inOrder(pourItems(drawing, of, derived, palette), shapeItems(drawing, of.region, palette)).map(
    ({ item }) => item,
  );

type Derived = Matches & { readonly pockets: readonly Pocket[] };

/** Two lists by rank; the first is in order already. */
const inOrder = (poured: readonly Ranked[], shapes: readonly Ranked[]): readonly Ranked[] =>
  shapes.length === 0 ? poured : [...poured, ...shapes].sort((a, b) => a.rank - b.rank);

const keptShape = keeper<FlatShape, Item>();

const shapeItems = ({ flatShapes }: Drawing, region: Region, { toneOf }: Palette): Ranked[] =>
  Object.values(flatShapes).map((shape) => {
    const { id, rank, name, outline, evenOdd, opacity, echo } = shape;
    const clip = echo === "within" ? region() : undefined;
    const tone = toneOf(shape.paint);
    const item = keptShape(shape, [tone, clip], () => ({
      id,
      says: { is: "flat", echo },
      area: { kind: "region", chains: outline, evenOdd },
      paint: { kind: "tone", tone },
      effects: { ...(clip && { clip }), ...(opacity < 1 && { opacity }) },
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
  const turn = new Int32Array(pockets.length).fill(-1);
  poured.forEach(({ index }, at) => {
    turn[index] = at;
  });
  const neighbours = neighboursOf(pockets);
  return poured.map(({ index, pour: { id, rank, paint } }, at) => {
    const beyond = neighbours(index);
    const isLater = (border: number) => turn[beyond[border]] > at;
    const tone = toneOf(paint!);
    return { rank, item: pourItem(pockets[index], { id, tone, width, isLater }) };
  });
}

/** What the item of a poured pocket is made of. */
interface Poured {
  readonly id: string;
  readonly tone: Tone;
  /** Of its seam, in page units. */
  readonly width: number;
  /** Whether the pocket beyond a border, by its number, is painted later: then its colour runs on under that one's. */
  readonly isLater: (border: number) => boolean;
}

interface KeptPour extends Omit<Poured, "isLater"> {
  /** The borders whose neighbours are painted later. */
  readonly under: readonly Border[];
  readonly item: Item;
}

const pouredItems = new WeakMap<Pocket, KeptPour>();

/** Made anew only where what it is made of has changed: there may be thousands. */
function pourItem(pocket: Pocket, of: Poured): Item {
  const before = pouredItems.get(pocket);
  const { id, tone, width, isLater } = of;
  const same = before?.id === id && before.tone === tone && before.width === width;
  if (same && holds(pocket.borders, isLater, before.under)) return before.item;
  const under = pocket.borders.filter((_, border) => isLater(border));
  const item = itemOf(pocket, of, under);
  pouredItems.set(pocket, { id, tone, width, under, item });
  return item;
}

/** Whether the borders that run under a later pocket are these. */
function holds(borders: readonly Border[], isLater: Poured["isLater"], under: readonly Border[]): boolean {
  let met = 0;
  for (let k = 0; k < borders.length; k++) if (isLater(k) && under[met++] !== borders[k]) return false;
  return met === under.length;
}

function itemOf(
  pocket: Pocket,
  { id, tone, width }: Omit<Poured, "isLater">,
  under: readonly Border[],
): Item {
  const lines = under.flatMap(({ chain, strip }) => (strip ? [] : [chain]));
  const chains = pocket.runsUnder.length > 0 ? [...lines, ...pocket.runsUnder] : lines;
  const strips = under.flatMap(({ strip }) => (strip ? [strip] : []));
  return {
    id,
    says: { is: "pour", at: pocket.seed },
    area: {
      kind: "region",
      chains: strips.length > 0 ? [...pocket.cover, ...strips] : pocket.cover,
      evenOdd: false,
    },
    paint: { kind: "tone", tone },
    effects: chains.length > 0 ? { seam: { chains, width } } : NO_EFFECTS,
  };
}
