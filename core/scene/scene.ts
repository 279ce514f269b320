/**
 * The scene: one ordered display list, made from the drawing and its pockets, that every painter reads. Nothing
 * is drawn that is not in it. Items an edit did not touch are the very same objects as before.
 */
import {
  type Drawing,
  type FlatShape,
  type LightKind,
  type Part,
  SHEETS,
  type SheetName,
} from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { drawingOfPart, partsOf } from "../drawing/parts.ts";
import { type Box, boxHolds, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { type Matches, matchAnchors } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { castItems } from "./cast-items.ts";
import { creaseItems } from "./crease-items.ts";
import { flatItems } from "./flat-items.ts";
import type { LightSource, PocketsDerived, Ranked } from "./flat-of.ts";
import { formItems } from "./form-items.ts";
import { groundShadowItem } from "./ground-shadow-item.ts";
import { heldTones } from "./holds.ts";
import { inkItems } from "./ink-items.ts";
import { type Chain, type Item, type ScenePart, type SceneSheet, settledBy } from "./items.ts";
import { asSet } from "./light-kinds.ts";
import { memo } from "./memo.ts";
import { type Palette, paletteOf, type Tone, wayNames } from "./palette.ts";
import { rimItems } from "./rim-items.ts";
import { shadeItems } from "./shade-items.ts";
import { shapeItems } from "./shape-items.ts";
import { spotItems } from "./spot-items.ts";
import { stickerItem } from "./sticker-item.ts";
import { styleItems } from "./style-items.ts";

export interface Scene {
  readonly title: string;
  readonly box: Box;
  /** From the back to the front: parts with something on them; hidden ones only where they were asked for. */
  readonly parts: readonly ScenePart[];
  /** Every tone used, each once. */
  readonly tones: readonly Tone[];
  /** The same in each colourway, in their order, where there are several. */
  readonly ways: readonly SceneWay[];
}

export interface SceneWay {
  /** For an attribute; no other has it. */
  readonly name: string;
  readonly tones: readonly Tone[];
  /** Whether it is the one that is seen. */
  readonly shown: boolean;
}

/** What is derived from a drawing and read beside it. */
export interface Derived extends Matches {
  /** Those that can be worked on, those of the front part first: nothing shows through them, and their part is seen. */
  readonly pockets: readonly Pocket[];
  /** All pockets that were given, with what lives in them. */
  readonly whole: PocketsDerived;
}

interface DeriveOptions {
  readonly before?: Derived;
  readonly only?: string | null;
  readonly light?: LightSource;
}

/**
 * `before` only makes it faster: what was derived from a drawing that differs little. `only` leaves other parts out, `light`
 * works out soft forms and rings elsewhere.
 */
export function derive(
  drawing: Drawing,
  all: readonly Pocket[],
  { before, only, light }: DeriveOptions = {},
): Derived {
  const matches = matchAnchors(all, drawing.pours, drawing.shades, before?.whole);
  const whole: PocketsDerived = { ...matches, pockets: all, ...(light && { light }) };
  const through = poursThrough(drawing.pours);
  const open = new Set(
    Object.values(drawing.parts).flatMap(({ id, visible }) =>
      visible && (!only || id === only) ? [id] : [],
    ),
  );
  const kept: number[] = [];
  for (let k = 0; k < all.length; k++)
    if (open.has(all[k].part) && !through.has(matches.pourOf[k] ?? "")) kept.push(k);
  if (kept.length === all.length) return { ...whole, whole };
  const place = new Map(kept.map((index, at) => [index, at]));
  return {
    ...matches,
    pourOf: kept.map((index) => matches.pourOf[index]),
    pocketsOf: new Map(
      [...matches.pocketsOf].map(([id, places]) => [id, places.flatMap((index) => place.get(index) ?? [])]),
    ),
    pockets: kept.map((index) => all[index]),
    whole,
  };
}

export function sceneOf(drawing: Drawing, derived: Derived, { hidden = false } = {}): Scene {
  const palette = paletteOf(drawing);
  const { whole } = derived;
  const inOrder = partsOf(drawing);
  const backmost = Math.max(
    0,
    inOrder.findIndex(({ visible }) => visible),
  );
  const own = inOrder.flatMap((part, index): ScenePart[] => {
    if (!part.visible && !hidden) return [];
    const sheets = sheetsOf(drawing, part, {
      derived: whole,
      palette,
      hidden,
      isBackmost: index === backmost,
    });
    if (sheets.length === 0) return [];
    const hides = index === 0 ? NOTHING : hiddenBehind(part, drawing, whole);
    return [{ id: part.id, name: part.name, sheets, hides, ...(part.visible ? {} : { hidden: true }) }];
  });
  const parts = withSticker(own, drawing, palette);
  const used = usedTones(parts);
  const ways = waysOf(drawing, used);
  return { title: drawing.name, box: drawing.page.box, parts, tones: used, ways };
}

/** Every tone that something is painted in, each once: a tone is known by its variable. */
export function usedTones(parts: readonly ScenePart[]): Tone[] {
  const tones = new Map<string, Tone>();
  let last: Tone | undefined;
  const use = (tone: Tone) => {
    // Most items are painted as the one before.
    if (tone !== last) tones.set(tone.variable, tone);
    last = tone;
  };
  for (const { sheets } of parts)
    for (const { items } of sheets)
      for (const { paint } of items)
        if (paint.kind === "tone") use(paint.tone);
        else for (const { tone } of paint.stops) use(tone);
  return [...tones.values()];
}

function waysOf(drawing: Drawing, tones: readonly Tone[]): SceneWay[] {
  const names = wayNames(drawing);
  if (names.size < 2) return [];
  const { madeOf } = paletteOf(drawing);
  return [...names].map(([id, name]) => {
    const { toneOf, mixOf } = paletteOf(drawing, id);
    const inWay = (tone: Tone): Tone => {
      const made = madeOf(tone);
      if (!made) return tone;
      return "share" in made ? mixOf(made.a, made.b, made.share, made.mix) : toneOf(made);
    };
    return { name, tones: tones.map(inWay), shown: paletteOf(drawing) === paletteOf(drawing, id) };
  });
}

/** The sheets that a rim of paper lies around. */
const RIMMED: readonly SheetName[] = ["flats", "ink", "gloss"];

/** The rim of paper lies on the ground of the backmost part that is seen, above what else is there. */
function withSticker(parts: readonly ScenePart[], drawing: Drawing, palette: Palette): readonly ScenePart[] {
  const { visible, opacity } = drawing.sheets.ground;
  if (!drawing.sticker || !visible) return parts;
  const seen = parts.filter((part) => !part.hidden);
  const drawn = seen.flatMap(({ sheets }) =>
    sheets.flatMap(({ name, hidden, items }) => (RIMMED.includes(name) && !hidden ? items : [])),
  );
  const item = stickerItem(drawing.sticker, drawn, palette);
  if (!item) return parts;
  return parts.map((part) => {
    if (part !== seen[0]) return part;
    const [first, ...more] = part.sheets;
    const ground = first.name === "ground" ? first : { name: "ground" as const, opacity, items: [] };
    const rest = ground === first ? more : part.sheets;
    return { ...part, sheets: [{ ...ground, items: [...ground.items, item] }, ...rest] };
  });
}

const NOTHING: readonly Chain[] = [];

type Whole = Derived["whole"];

interface PartWork {
  readonly derived: Whole;
  readonly palette: Palette;
  /** Whether hidden sheets are wanted. */
  readonly hidden: boolean;
  /** Whether all else lies before it. */
  readonly isBackmost: boolean;
}

function sheetsOf(
  drawing: Drawing,
  { id }: Part,
  { derived, palette, hidden, isBackmost }: PartWork,
): SceneSheet[] {
  const own = drawingOfPart(drawing, id);
  const region = () => hiddenBehind({ id }, drawing, derived);
  const of = { part: id, region };
  const shapes = (sheet: NonNullable<FlatShape["sheet"]>) => shapeItems(own, of, derived, palette, sheet);
  const made = [own, id, derived, palette] as const;
  const lit = (kind: LightKind, items: readonly Ranked[]) => asSet(drawing, kind, items);
  const shadow = isBackmost ? groundShadowItem(drawing, derived.pockets, palette) : undefined;
  const items: Record<SheetName, Item[]> = {
    ground: [...(shadow ? [shadow] : []), ...stacked(shapes("ground"))],
    flats: flatItems(own, of, derived, palette),
    shade: stacked([
      ...lit("form", formItems("form", ...made)),
      ...lit("rim", rimItems("deeper", ...made)),
      ...lit("cast", castItems(...made)),
      ...lit("crease", creaseItems(...made)),
      ...lit("drawn", [...styleItems(...made), ...shadeItems(...made), ...shapes("shade")]),
    ]),
    light: stacked([
      ...lit("shine", formItems("shine", ...made)),
      ...lit("rim", rimItems("lighter", ...made)),
      ...lit("drawn", shapes("light")),
    ]),
    ink: [
      ...spotItems(...made),
      ...inkItems(own, { region, palette, hidden, held: heldTones(...made) }),
      ...stacked(shapes("ink")),
    ],
    gloss: stacked(lit("drawn", shapes("gloss"))),
  };
  return SHEETS.flatMap((name): SceneSheet[] => {
    const { visible, opacity } = drawing.sheets[name];
    if (items[name].length === 0 || !(visible || hidden)) return [];
    const own = items[name];
    return [{ name, opacity, items: own, ...settledBy(own), ...(visible ? {} : { hidden: true }) }];
  });
}

/** From the lowest up. */
const stacked = (items: readonly Ranked[]): Item[] =>
  [...items].sort((a, b) => a.rank - b.rank).flatMap(({ item, over }) => (over ? [item, ...over] : item));

const hidden = memo<readonly Pocket[], Map<string, readonly Chain[]>>();

/** The region of a part: all its pockets but the windows, where what lies behind shows. */
function hiddenBehind(
  { id }: Pick<Part, "id">,
  { pours }: Drawing,
  { pockets: all, pourOf }: Whole,
): readonly Chain[] {
  const ids = poursThrough(pours);
  const through = ids.size === 0 ? NOWHERE : all.filter((_, index) => ids.has(pourOf[index] ?? ""));
  const regions = hidden(all, through, () => {
    const found = new Map<string, Chain[]>();
    for (const pocket of all) {
      if (through.includes(pocket)) continue;
      const chains = found.get(pocket.part);
      if (chains) chains.push(...pocket.outline, ...pocket.hems);
      else found.set(pocket.part, [...pocket.outline, ...pocket.hems]);
    }
    return found;
  });
  return regions.get(id) ?? NOTHING;
}

const NOWHERE: readonly Pocket[] = [];

/** The ids of pours without paint: what lies behind shows through. */
function poursThrough(pours: Drawing["pours"]): ReadonlySet<string> {
  const found = new Set<string>();
  for (const { id, through } of entitiesOf(pours)) if (through) found.add(id);
  return found;
}

/** The pocket that holds a point; of several the one in front. */
export const pocketAt = (pockets: readonly Pocket[], at: Point): Pocket | undefined =>
  pockets.find(({ rings, box }) => boxHolds(box, at) && regionContains(rings, at));
