/**
 * The scene: one ordered display list, made from the drawing and its pockets, that every painter reads. Nothing
 * is drawn that is not in it.
 */
import { stepOf } from "../colour/ladder.ts";
import {
  type Blend,
  type Drawing,
  type InkShape,
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

type Chain = readonly number[];

/** A colour as painted, with the name it goes by in files. */
export interface Tone {
  readonly value: string;
  readonly variable: string;
}

/** A pocket's colour. Its trap is drawn first: a hairline under each border with a pocket painted later. */
export interface FillItem {
  readonly kind: "fill";
  readonly id: string;
  readonly tone: Tone;
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
  /** The pocket it is trimmed to. */
  readonly trim: readonly Chain[];
  readonly blend: Blend;
  readonly opacity: number;
}

export interface StrokeItem {
  readonly kind: "stroke";
  readonly id: string;
  readonly name?: string;
  readonly tone: Tone;
  readonly points: Chain;
  readonly closed: boolean;
  readonly width: number;
}

/** Ink as a filled shape. */
export interface InkItem {
  readonly kind: "ink";
  readonly id: string;
  readonly name?: string;
  readonly tone: Tone;
  readonly outline: readonly Chain[];
  readonly evenOdd: boolean;
}

export type SceneItem = FillItem | ShadeItem | StrokeItem | InkItem;

export interface SceneSheet {
  readonly name: SheetName;
  readonly opacity: number;
  readonly items: readonly SceneItem[];
}

export interface Scene {
  readonly title: string;
  readonly box: Box;
  /** Visible sheets with something on them, from the bottom up. */
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

export function sceneOf(drawing: Drawing, derived: Derived): Scene {
  const names = variableNames(drawing);
  const tones = new Map<string, Tone>();
  const toneOf = ({ colour, step }: Paint): Tone => {
    const base = drawing.tin[colour];
    const suffix = step === 0 ? "" : step > 0 ? `-up-${step}` : `-down-${-step}`;
    const variable = `${names.get(colour) ?? "missing"}${suffix}`;
    const known = tones.get(variable);
    if (known) return known;
    const tone = {
      value: base ? stepOf(base.value, step) : "#808080",
      variable,
    };
    tones.set(variable, tone);
    return tone;
  };
  const ink: Tone = { value: drawing.ink, variable: "ink" };
  const items: Record<SheetName, SceneItem[]> = {
    ground: [],
    flats: [],
    shade: [],
    light: [],
    ink: [],
    gloss: [],
  };
  items.flats = fillsOf(drawing, derived, toneOf);
  items.shade = shadesOf(drawing, derived.pockets, toneOf);
  items.ink = inkItemsOf(drawing, ink);
  const sheets = SHEETS.filter((name) => drawing.sheets[name].visible && items[name].length > 0).map(
    (name) => ({
      name,
      opacity: drawing.sheets[name].opacity,
      items: items[name],
    }),
  );
  return { title: drawing.name, box: drawing.page.box, sheets, tones: [...tones.values(), ink] };
}

const lastInk = new WeakMap<
  Drawing["strokes"],
  { readonly shapes: Drawing["inkShapes"]; readonly ink: string; readonly items: SceneItem[] }
>();

/** Ink is the largest part of a scene and changes seldom: the same lines give the very same items. */
function inkItemsOf({ strokes, inkShapes, ink }: Drawing, tone: Tone): SceneItem[] {
  const known = lastInk.get(strokes);
  if (known && known.shapes === inkShapes && known.ink === ink) return known.items;
  const items = [...Object.values(strokes), ...Object.values(inkShapes)]
    .sort((a, b) => a.rank - b.rank)
    .map((line) => ("outline" in line ? inkItem(line, tone) : strokeItem(line, tone)));
  lastInk.set(strokes, { shapes: inkShapes, ink, items });
  return items;
}

function strokeItem({ id, name, points, closed, width }: Stroke, tone: Tone): StrokeItem {
  return { kind: "stroke", id, name, tone, points, closed, width };
}

const inkItem = ({ id, name, outline, evenOdd }: InkShape, tone: Tone): InkItem => ({
  kind: "ink",
  id,
  name,
  tone,
  outline,
  evenOdd,
});

function fillsOf(drawing: Drawing, { pockets, pourOf }: Derived, toneOf: (paint: Paint) => Tone): FillItem[] {
  const paintOf = (index: number): Paint | null => {
    const id = pourOf[index];
    return (id !== undefined && drawing.pours[id]?.paint) || null;
  };
  const trapWidth = diagonal(drawing.page.box) * TRAP;
  const traps = trapsOf(pockets, paintOf);
  const fills: FillItem[] = [];
  pockets.forEach((pocket, index) => {
    const paint = paintOf(index);
    if (!paint) return;
    fills.push({
      kind: "fill",
      id: pourOf[index]!,
      tone: toneOf(paint),
      outline: pocket.cover,
      traps: traps.get(index) ?? NO_TRAPS,
      trapWidth,
    });
  });
  return fills;
}

const NO_TRAPS: readonly Chain[] = [];

/** For each pocket the borders it shares with poured pockets that are painted after it. */
function trapsOf(
  pockets: readonly Pocket[],
  paintOf: (index: number) => Paint | null,
): Map<number, readonly Chain[]> {
  const indexOf = new Map(pockets.map(({ key }, index) => [key, index]));
  const traps = new Map<number, Chain[]>();
  pockets.forEach(({ borders }, index) => {
    for (const { neighbour, chain } of borders) {
      const other = indexOf.get(neighbour);
      if (other === undefined || !paintOf(index) || !paintOf(other)) continue;
      const first = Math.min(index, other);
      const known = traps.get(first);
      if (known) known.push(chain);
      else traps.set(first, [chain]);
    }
  });
  return traps;
}

function shadesOf(drawing: Drawing, pockets: readonly Pocket[], toneOf: (paint: Paint) => Tone): ShadeItem[] {
  const shades: ShadeItem[] = [];
  for (const { id, points, seed, paint, blend, opacity } of ranked(drawing.shades)) {
    const pocket = pocketAt(pockets, seed);
    if (!pocket) continue;
    shades.push({ kind: "shade", id, tone: toneOf(paint), points, trim: pocket.cover, blend, opacity });
  }
  return shades;
}

/** The pocket that holds a point. */
export const pocketAt = (pockets: readonly Pocket[], at: Point): Pocket | undefined =>
  pockets.find(({ rings, box }) => boxHolds(box, at) && regionContains(rings, at));

/** One CSS custom property name for each tin colour, taken from its name. */
function variableNames(drawing: Drawing): Map<string, string> {
  const taken = new Set<string>(["ink"]);
  return new Map(
    ranked(drawing.tin).map(({ id, name }) => {
      const plain =
        name
          .toLowerCase()
          .normalize("NFKD")
          .replace(/[^a-z0-9]+/g, "-")
          .replace(/^-+|-+$/g, "") || "colour";
      let free = plain;
      for (let n = 2; taken.has(free); n++) free = `${plain}-${n}`;
      taken.add(free);
      return [id, free];
    }),
  );
}
