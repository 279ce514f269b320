/** Poured pockets, in the order they were poured; made anew only where pours differ and beside them. */
import type { Drawing, Pour } from "../drawing/drawing.ts";
import { overOf } from "../drawing/over.ts";
import { enclosedArea, reversed } from "../geometry/cubic.ts";
import { diagonal } from "../geometry/point.ts";
import { nibOutline } from "../lines/nib-outline.ts";
import { neighboursOf } from "../pockets/neighbours.ts";
import type { Border, Pocket } from "../pockets/pockets.ts";
import { tonePaint } from "./colour-item.ts";
import { type FlatsOf, NO_EFFECTS, type PocketsDerived, type Ranked } from "./flat-of.ts";
import type { Chain, Effects, Item } from "./items.ts";
import { litPour } from "./lit-pour.ts";
import { sameList } from "./memo.ts";
import { overItems } from "./over-items.ts";
import type { Palette, Tone } from "./palette.ts";

/** Two colours overlap by this part of the page's diagonal where they meet, hidden under the later one. */
const SEAM = 1 / 1200;

/** What was laid into some pockets last, so that a few pours more need not lay all of them anew. */
interface Laid {
  readonly pourIn: readonly (Pour | undefined)[];
  /** The numbers of those that are poured, by the rank of their pours. */
  readonly order: readonly number[];
  /** By the number of the pocket. */
  readonly items: readonly (Ranked | undefined)[];
  readonly toneOf: Palette["toneOf"];
  readonly width: number;
}

const laid = new WeakMap<readonly Pocket[], Map<string, Laid>>();

/** Pockets by the rank of their pours; the later of two that meet covers the seam of the earlier. */
export function pourItems(
  { pours, strokes, tiles, styles, page, gradientStrength }: Drawing,
  { part }: FlatsOf,
  { pockets, pourOf, light }: PocketsDerived,
  palette: Palette,
): Ranked[] {
  const { toneOf } = palette;
  const pourIn = new Array<Pour | undefined>(pockets.length);
  for (let k = 0; k < pockets.length; k++) {
    const id = pockets[k].part === part ? pourOf[k] : undefined;
    const pour = id === undefined ? undefined : pours[id];
    pourIn[k] = pour?.paint ? pour : undefined;
  }
  const width = diagonal(page.box) * SEAM;
  const lists = laid.get(pockets) ?? new Map<string, Laid>();
  laid.set(pockets, lists);
  const last = lists.get(part);
  const same = last?.width === width ? last : undefined;
  const now =
    same && same.toneOf !== toneOf && sameList(same.pourIn, pourIn)
      ? recoloured(same, pockets, toneOf)
      : lay(pockets, { pourIn, toneOf, width }, same?.toneOf === toneOf ? same : undefined);
  lists.set(part, now);
  return now.order.flatMap((index) => {
    const laid = now.items[index];
    const pour = laid && litPour(pourIn[index]!, pockets[index], styles);
    if (!laid || !pour || !(pour.gradient || pour.pattern || pour.bands)) return laid ?? [];
    const over = { strokes, tiles, gradientStrength, palette, rings: light };
    return { ...laid, over: overItems(pour, pockets[index], over) };
  });
}

/** Spot blacks lie above all colour, on another sheet: it runs on under them. */
const turnOf = ({ rank, spot }: Pour): number => (spot ? Number.MAX_SAFE_INTEGER : rank);

/** Where more pours differ than this, all are laid anew. */
const FEW = 64;

function lay(
  pockets: readonly Pocket[],
  { pourIn, toneOf, width }: Omit<Laid, "order" | "items">,
  before: Laid | undefined,
): Laid {
  const changed: number[] = [];
  for (let k = 0; k < pourIn.length; k++) if (before?.pourIn[k] !== pourIn[k]) changed.push(k);
  const few = before && changed.length <= FEW;
  if (few && changed.length === 0) return before;
  const neighbours = neighboursOf(pockets);
  const stayed = few ? before.order.filter((index) => pourIn[index] === before.pourIn[index]) : [];
  const fresh = (few ? changed : [...pockets.keys()]).filter((index) => pourIn[index]);
  const rankIn = (index: number) => turnOf(pourIn[index]!);
  const order = [...stayed, ...fresh].sort((a, b) => rankIn(a) - rankIn(b) || a - b);
  const turn = new Int32Array(pockets.length).fill(-1);
  for (let at = 0; at < order.length; at++) turn[order[at]] = at;
  const items = few ? [...before.items] : new Array<Ranked | undefined>(pockets.length);
  const around = (index: number) => [index, ...neighbours(index).filter((other) => other >= 0)];
  for (const index of few ? new Set(changed.flatMap(around)) : order) {
    const pour = pourIn[index];
    const beyond = neighbours(index);
    const isLater = (border: number) =>
      turn[beyond[border]] > turn[index] && !isClear(toneOf(pourIn[beyond[border]]!.paint!));
    items[index] =
      pour && !pour.spot
        ? {
            rank: pour.rank,
            item: pourItem(pockets[index], { pour, tone: toneOf(pour.paint!), width, isLater }),
          }
        : undefined;
  }
  return { pourIn, order, items, toneOf, width };
}

/** The same pours in other colours; laid anew where one of them has become see-through, or has ceased to be. */
function recoloured(before: Laid, pockets: readonly Pocket[], toneOf: Palette["toneOf"]): Laid {
  const { pourIn, order, width } = before;
  const items = [...before.items];
  for (const index of order) {
    const laid = items[index];
    if (laid?.item.paint.kind !== "tone") continue;
    const before = laid.item.paint.tone;
    const tone = toneOf(pourIn[index]!.paint!);
    if (before === tone) continue;
    if (before.opacity !== tone.opacity) return lay(pockets, { pourIn, toneOf, width }, undefined);
    items[index] = { rank: laid.rank, item: { ...laid.item, paint: tonePaint(tone) } };
  }
  return { ...before, items, toneOf };
}

/** What the item of a poured pocket is made of. */
interface Poured {
  readonly pour: Pour;
  readonly tone: Tone;
  /** Of its seam, in page units. */
  readonly width: number;
  /**
   * Whether the pocket beyond a border, by its number, is painted later: then its colour runs on under that one's, unless
   * that would show through.
   */
  readonly isLater: (border: number) => boolean;
}

interface KeptPour extends Omit<Poured, "isLater"> {
  /** The borders whose neighbours are painted later. */
  readonly under: readonly Border[];
  readonly item: Item;
}

const pouredItems = new WeakMap<Pocket, KeptPour>();

/** Made anew only where its sources have changed: there may be thousands. */
function pourItem(pocket: Pocket, of: Poured): Item {
  const before = pouredItems.get(pocket);
  const { pour, tone, width, isLater } = of;
  const same = before?.pour === pour && before.tone === tone && before.width === width;
  if (same && holds(pocket.borders, isLater, before.under)) return before.item;
  const under = pocket.borders.filter((_, border) => isLater(border));
  const sameArea =
    before?.pour === pour &&
    before.width === width &&
    before.tone.opacity === tone.opacity &&
    sameList(before.under, under);
  const item: Item = sameArea ? { ...before.item, paint: tonePaint(tone) } : itemOf(pocket, of, under);
  pouredItems.set(pocket, { pour, tone, width, under, item });
  return item;
}

/** Whether these are still the borders that run under a later pocket. */
function holds(borders: readonly Border[], isLater: Poured["isLater"], under: readonly Border[]): boolean {
  let met = 0;
  for (let k = 0; k < borders.length; k++) if (isLater(k) && under[met++] !== borders[k]) return false;
  return met === under.length;
}

function itemOf(
  pocket: Pocket,
  { pour, tone, width }: Omit<Poured, "isLater">,
  under: readonly Border[],
): Item {
  const lines = under.flatMap(({ chain, strip }) => (strip ? [] : [chain]));
  const chains = pocket.runsUnder.length > 0 ? [...lines, ...pocket.runsUnder] : lines;
  const strips = under.flatMap(({ strip }) => (strip ? [strip] : []));
  // Painted twice, colour that is seen through would build up: then what runs on is a piece of the area itself.
  const ribbons = isClear(tone) ? ribbonsAlong(chains, width, pocket.cover) : [];
  const beyond = [...strips, ...ribbons];
  return {
    id: pour.id,
    says: {
      is: "pour",
      at: pocket.seed,
      rank: pour.rank,
      ...(pour.cuts && { cuts: pour.cuts }),
      ...overOf(pour),
    },
    area: {
      kind: "region",
      chains: beyond.length > 0 ? [...pocket.cover, ...beyond] : pocket.cover,
      evenOdd: false,
    },
    paint: tonePaint(tone),
    effects: isClear(tone) ? { opacity: tone.opacity } : seamEffects(chains, width),
  };
}

const seamEffects = (chains: readonly Chain[], width: number): Effects =>
  chains.length > 0 ? { seam: { chains, width } } : NO_EFFECTS;

const isClear = ({ opacity = 1 }: Tone): boolean => opacity < 1;

/** What lines of a width cover, winding as the outline does. */
function ribbonsAlong(chains: readonly Chain[], width: number, [outer]: readonly Chain[]): Chain[] {
  const turns = Math.sign(enclosedArea(outer));
  return chains.flatMap((points) =>
    nibOutline({ points, closed: false, cap: "butt", width, profile: EVEN, strands: 1 }).map((ring) =>
      Math.sign(enclosedArea(ring)) === turns ? ring : reversed(ring),
    ),
  );
}

const EVEN = [0, 1, 1, 1];
