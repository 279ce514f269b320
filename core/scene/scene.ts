/**
 * The scene: one ordered display list, made from the drawing and its pockets, that every painter reads. Nothing
 * is drawn that is not in it.
 */
import {
  type Blend,
  type Drawing,
  type Nib,
  type Paint,
  ranked,
  SHEETS,
  type SheetName,
  type Stroke,
} from "../drawing/drawing.ts";
import { type Box, boxHolds, diagonal, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { poursOfPockets } from "../pockets/keep-pours.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { inkItemsOf } from "./ink-items.ts";
import { paletteOf, type Tone } from "./palette.ts";

type Chain = readonly number[];

/** A pocket's colour, with a point inside it. Its trap is drawn first: a hairline under each border with a pocket painted later. */
export interface FillItem {
  readonly kind: "fill";
  readonly id: string;
  readonly tone: Tone;
  readonly seed: Point;
  /** By the nonzero winding rule. */
  readonly outline: readonly Chain[];
  readonly traps: readonly Chain[];
  /** Width of the trap lines in page units. */
  readonly trapWidth: number;
}

export interface ShadeItem {
  readonly kind: "shade";
  readonly id: string;
  readonly tone: Tone;
  readonly points: Chain;
  readonly seed: Point;
  /** The pocket it is trimmed to. */
  readonly trim: readonly Chain[];
  readonly blend: Blend;
  readonly opacity: number;
}

interface Grouped {
  readonly name?: string;
  readonly groups?: readonly string[];
}

export interface StrokeItem extends Grouped {
  readonly kind: "stroke";
  readonly id: string;
  readonly tone: Tone;
  readonly points: Chain;
  readonly closed: boolean;
  readonly width: number;
  readonly cap: NonNullable<Stroke["cap"]>;
  readonly join: NonNullable<Stroke["join"]>;
  readonly miterLimit: number;
  readonly dash: readonly number[];
  readonly dashOffset: number;
  readonly nib?: string;
}

/** Ink as a filled shape. */
export interface InkItem extends Grouped {
  readonly kind: "ink";
  readonly id: string;
  readonly tone: Tone;
  readonly outline: readonly Chain[];
  readonly evenOdd: boolean;
  /** For a stroke whose width changes along it: the stroke and the nib whose ink this is. */
  readonly drawn?: { readonly stroke: Stroke; readonly nib?: Nib };
}

/** Colour as a shape of its own. */
export interface FlatItem {
  readonly kind: "flat";
  readonly id: string;
  readonly name?: string;
  readonly tone: Tone;
  readonly outline: readonly Chain[];
  readonly evenOdd: boolean;
  readonly opacity: number;
}

export type SceneItem = FillItem | FlatItem | ShadeItem | StrokeItem | InkItem;

export interface SceneSheet {
  readonly name: SheetName;
  readonly opacity: number;
  readonly items: readonly SceneItem[];
  /** There, but not to be seen. */
  readonly hidden?: true;
}

export interface Scene {
  readonly title: string;
  readonly box: Box;
  /** Sheets with something on them, from the bottom up; hidden ones only where they were asked for. */
  readonly sheets: readonly SceneSheet[];
  /** Every tone used, each once. */
  readonly tones: readonly Tone[];
}

/** Two colours overlap by this part of the page's diagonal where they meet, hidden under the later one. */
const TRAP = 1 / 1200;

export interface Derived {
  readonly pockets: readonly Pocket[];
  /** For each pocket the id of the pour that colours it. */
  readonly pourOf: readonly (string | undefined)[];
}

export const derive = (drawing: Drawing, pockets: readonly Pocket[]): Derived => ({
  pockets,
  pourOf: poursOfPockets(pockets, drawing.pours),
});

export function sceneOf(drawing: Drawing, derived: Derived, { hidden = false } = {}): Scene {
  const { toneOf: toneIn } = paletteOf(drawing);
  const tones = new Set<Tone>();
  const toneOf = (paint: Paint): Tone => {
    const tone = toneIn(paint);
    tones.add(tone);
    return tone;
  };
  const items: Record<SheetName, SceneItem[]> = {
    ground: [],
    flats: [],
    shade: [],
    light: [],
    ink: [],
    gloss: [],
  };
  items.flats = [...fillsOf(drawing, derived, toneOf), ...flatsOf(drawing, toneOf)]
    .sort((a, b) => a.rank - b.rank)
    .map(({ item }) => item);
  items.shade = shadesOf(drawing, derived.pockets, toneOf);
  items.ink = inkItemsOf(drawing, toneOf);
  const sheets = SHEETS.flatMap((name): SceneSheet[] => {
    const { visible, opacity } = drawing.sheets[name];
    if (items[name].length === 0 || !(visible || hidden)) return [];
    return [{ name, opacity, items: items[name], ...(visible ? {} : { hidden: true }) }];
  });
  return { title: drawing.name, box: drawing.page.box, sheets, tones: [...tones] };
}

/** Something on the flats sheet with its place in the order from the bottom up. */
interface Ranked<T> {
  readonly rank: number;
  readonly item: T;
}

const flatsOf = (drawing: Drawing, toneOf: (paint: Paint) => Tone): Ranked<FlatItem>[] =>
  Object.values(drawing.flatShapes).map(({ rank, id, name, outline, evenOdd, paint, opacity }) => ({
    rank,
    item: { kind: "flat", id, name, tone: toneOf(paint), outline, evenOdd, opacity },
  }));

/** Pockets by the rank of their pours; the later of two that meet covers the trap of the earlier. */
function fillsOf(
  drawing: Drawing,
  { pockets, pourOf }: Derived,
  toneOf: (paint: Paint) => Tone,
): Ranked<FillItem>[] {
  const poured = pockets
    .flatMap((pocket, index) => {
      const pour = drawing.pours[pourOf[index] ?? ""];
      return pour?.paint ? [{ pocket, paint: pour.paint, id: pour.id, rank: pour.rank }] : [];
    })
    .sort((a, b) => a.rank - b.rank);
  const trapWidth = diagonal(drawing.page.box) * TRAP;
  const { traps, seams } = underlapsOf(poured.map(({ pocket }) => pocket));
  return poured.map(({ pocket, paint, id, rank }, index) => ({
    rank,
    item: {
      kind: "fill",
      id,
      tone: toneOf(paint),
      seed: pocket.seed,
      outline: [...pocket.cover, ...(seams.get(index) ?? NOTHING)],
      traps: traps.get(index) ?? NOTHING,
      trapWidth,
    },
  }));
}

const NOTHING: readonly Chain[] = [];

/**
 * For each of some pockets in the order they are painted what lies under those painted after it: the borders it shares
 * with them, for a hairline, and where no ink hides the border a strip of its own colour.
 */
function underlapsOf(pockets: readonly Pocket[]) {
  const indexOf = new Map(pockets.map(({ key }, index) => [key, index]));
  const traps = new Map<number, Chain[]>();
  const seams = new Map<number, Chain[]>();
  const add = (to: Map<number, Chain[]>, index: number, chain: Chain) => {
    const known = to.get(index);
    if (known) known.push(chain);
    else to.set(index, [chain]);
  };
  pockets.forEach(({ borders }, index) => {
    for (const { neighbour, chain, seams: strips } of borders) {
      const other = indexOf.get(neighbour);
      if (other === undefined) continue;
      if (strips) add(seams, Math.min(index, other), strips[index < other ? 0 : 1]);
      else add(traps, Math.min(index, other), chain);
    }
  });
  return { traps, seams };
}

function shadesOf(drawing: Drawing, pockets: readonly Pocket[], toneOf: (paint: Paint) => Tone): ShadeItem[] {
  const shades: ShadeItem[] = [];
  for (const { id, points, seed, paint, blend, opacity } of ranked(drawing.shades)) {
    const pocket = pocketAt(pockets, seed);
    if (!pocket) continue;
    shades.push({ kind: "shade", id, tone: toneOf(paint), points, seed, trim: pocket.cover, blend, opacity });
  }
  return shades;
}

/** The pocket that holds a point. */
export const pocketAt = (pockets: readonly Pocket[], at: Point): Pocket | undefined =>
  pockets.find(({ rings, box }) => boxHolds(box, at) && regionContains(rings, at));
