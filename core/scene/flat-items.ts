/** The flats sheet: poured pockets and shapes of colour, in the order they were laid. */
import type { Drawing, FlatShape, Paint } from "../drawing/drawing.ts";
import { diagonal } from "../geometry/point.ts";
import type { Matches } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { Chain, Item } from "./items.ts";
import { keeper } from "./kept.ts";
import type { Tone } from "./palette.ts";

/** Two colours overlap by this part of the page's diagonal where they meet, hidden under the later one. */
const SEAM = 1 / 1200;

interface Ranked {
  readonly rank: number;
  readonly item: Item;
}

export const flatItems = (
  drawing: Drawing,
  pockets: readonly Pocket[],
  matches: Matches,
  toneOf: (paint: Paint) => Tone,
): Item[] =>
  [...pourItems(drawing, pockets, matches, toneOf), ...shapeItems(drawing, toneOf)]
    .sort((a, b) => a.rank - b.rank)
    .map(({ item }) => item);

const keptShape = keeper<FlatShape, Item>();

const shapeItems = ({ flatShapes }: Drawing, toneOf: (paint: Paint) => Tone): Ranked[] =>
  Object.values(flatShapes).map((shape) => {
    const { id, rank, name, outline, evenOdd, opacity } = shape;
    const tone = toneOf(shape.paint);
    const item = keptShape(shape, [tone], () => ({
      id,
      says: { is: "flat" },
      area: { kind: "region", chains: outline, evenOdd },
      paint: { kind: "tone", tone },
      effects: opacity < 1 ? { opacity } : NO_EFFECTS,
      name,
    }));
    return { rank, item };
  });

const NO_EFFECTS = {};
const NOTHING: readonly Chain[] = [];

const keptPour = keeper<Pocket, Item>();

/** Pockets by the rank of their pours; the later of two that meet covers the seam of the earlier. */
function pourItems(
  { pours, page }: Drawing,
  pockets: readonly Pocket[],
  { pourOf }: Matches,
  toneOf: (paint: Paint) => Tone,
): Ranked[] {
  const poured = pockets
    .flatMap((pocket, index) => {
      const pour = pours[pourOf[index] ?? ""];
      return pour?.paint ? [{ pocket, tone: toneOf(pour.paint), id: pour.id, rank: pour.rank }] : [];
    })
    .sort((a, b) => a.rank - b.rank);
  const width = diagonal(page.box) * SEAM;
  const { seams, strips } = underlapsOf(poured.map(({ pocket }) => pocket));
  return poured.map(({ pocket, tone, id, rank }, index) => {
    const chains = seams.get(index) ?? NOTHING;
    const more = strips.get(index) ?? NOTHING;
    const item = keptPour(pocket, [id, tone, width, ...chains, null, ...more], () => ({
      id,
      says: { is: "pour", at: pocket.seed },
      area: {
        kind: "region",
        chains: more.length > 0 ? [...pocket.cover, ...more] : pocket.cover,
        evenOdd: false,
      },
      paint: { kind: "tone", tone },
      effects: chains.length > 0 ? { seam: { chains, width } } : NO_EFFECTS,
    }));
    return { rank, item };
  });
}

/**
 * For each of some pockets in the order they are painted what lies under those painted after it: the borders it shares
 * with them, for a hairline, and where no ink hides the border a strip of its own colour.
 */
function underlapsOf(pockets: readonly Pocket[]) {
  const indexOf = new Map(pockets.map(({ key }, index) => [key, index]));
  const seams = new Map<number, Chain[]>();
  const strips = new Map<number, Chain[]>();
  const add = (to: Map<number, Chain[]>, index: number, chain: Chain) => {
    const known = to.get(index);
    if (known) known.push(chain);
    else to.set(index, [chain]);
  };
  pockets.forEach(({ borders }, index) => {
    for (const { neighbour, chain, strips: both } of borders) {
      const other = indexOf.get(neighbour);
      if (other === undefined) continue;
      if (both) add(strips, Math.min(index, other), both[index < other ? 0 : 1]);
      else add(seams, Math.min(index, other), chain);
    }
  });
  return { seams, strips };
}
