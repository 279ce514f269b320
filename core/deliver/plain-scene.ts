/**
 * A scene for programs that know neither blend modes nor filters: colours are mixed beforehand with what lies beneath them, and
 * soft edges are steps of see-through shapes that add up to the Gaussian's own curve.
 */
import { blend as blended, formatHex } from "culori";
import type { Blend } from "../drawing/drawing.ts";
import { enclosedArea, flatten } from "../geometry/cubic.ts";
import { boundsOf, boxesApart, diagonal, type Point } from "../geometry/point.ts";
import { innerPoint, regionContains } from "../geometry/polygon.ts";
import { combined, insets, united } from "../lines/booleans.ts";
import type { Chain, Item, ItemPaint, ScenePart, SceneSheet } from "../scene/items.ts";
import type { Tone } from "../scene/palette.ts";
import { type Scene, usedTones } from "../scene/scene.ts";

export interface Plain {
  readonly scene: Scene;
  /** How many items look different: each lies over several colours and is mixed with only one of them. */
  readonly mixed: number;
  /** How many soft edges are steps. */
  readonly stepped: number;
}

export function plainScene(scene: Scene): Plain {
  let mixed = 0;
  let stepped = 0;
  const parts = scene.parts.map((part): ScenePart => {
    const base = baseOf(part);
    const sheets = part.sheets.map((sheet): SceneSheet => {
      const items = sheet.items.flatMap((item): Item[] => {
        const flat = unblended(item, base);
        if (flat.unsure) mixed++;
        if (!item.effects.blur) return [flat.item];
        stepped++;
        return steps(flat.item);
      });
      return { ...sheet, items, blends: undefined };
    });
    return { ...part, sheets };
  });
  return { scene: { ...scene, parts, tones: usedTones(parts), ways: [] }, mixed, stepped };
}

/** The colours beneath shade and light: places of a part's flats, the uppermost first. */
interface Base {
  readonly tone: Tone;
  readonly rings: readonly (readonly number[])[];
}

const FLAT = 1 / 1000;

function baseOf({ sheets }: ScenePart): Base[] {
  const flats = sheets.find(({ name }) => name === "flats")?.items ?? [];
  return flats
    .flatMap(({ area, paint }): Base[] =>
      area.kind === "region" && paint.kind === "tone"
        ? [{ tone: paint.tone, rings: ringsOf(area.chains) }]
        : [],
    )
    .reverse();
}

function ringsOf(chains: readonly Chain[]): number[][] {
  const box = boundsOf(chains);
  return chains.map((chain) => flatten(chain, (box ? diagonal(box) : 1) * FLAT));
}

function unblended(item: Item, base: readonly Base[]): { readonly item: Item; readonly unsure: boolean } {
  const { blend, ...effects } = item.effects;
  if (!blend || blend === "normal") return { item, unsure: false };
  const beneath = tonesBeneath(item, base);
  const [first] = beneath;
  return {
    item: { ...item, effects, paint: first ? mixedPaint(item.paint, first, blend) : item.paint },
    unsure: beneath.length !== 1,
  };
}

/** Places of an item that are looked at. */
const PLACES = 12;

function tonesBeneath({ area, effects: { clip } }: Item, base: readonly Base[]): Tone[] {
  if (area.kind !== "region") return [];
  const own = ringsOf(area.chains);
  const seen = clip && ringsOf(clip);
  const at = (place: Point) => base.find(({ rings }) => regionContains(rings, place))?.tone;
  const places = placesIn(own).filter((place) => !seen || regionContains(seen, place));
  return [...new Set([...places, innerPoint(seen ?? own)].flatMap((place) => at(place) ?? []))];
}

/** Places of a region spread over its box. */
function placesIn(rings: readonly number[][]): Point[] {
  const box = boundsOf(rings);
  if (!box) return [];
  return Array.from(
    { length: PLACES * PLACES },
    (_, k): Point => [
      box.x + (box.width * ((k % PLACES) + 0.5)) / PLACES,
      box.y + (box.height * (Math.floor(k / PLACES) + 0.5)) / PLACES,
    ],
  ).filter((place) => regionContains(rings, place));
}

function mixedPaint(paint: ItemPaint, base: Tone, mode: Blend): ItemPaint {
  const mix = (tone: Tone): Tone => ({
    ...tone,
    value: formatHex(blended([base.value, tone.value], mode)),
    variable: `${tone.variable}-${mode}-${base.variable}`,
  });
  if (paint.kind === "tone") return { kind: "tone", tone: mix(paint.tone) };
  return {
    ...paint,
    base: mix(paint.base),
    stops: paint.stops.map((stop) => ({ ...stop, tone: mix(stop.tone) })),
  };
}

/** Where steps lie, in standard deviations outward from the edge; and the normal distribution there, between one step and the next. */
const STEPS = [1.75, 1.25, 0.75, 0.25, -0.25, -0.75, -1.25, -1.75];
const SHARES = [0.067, 0.159, 0.309, 0.5, 0.691, 0.841, 0.933, 1];

function steps(item: Item): Item[] {
  const { area } = item;
  const { blur = 0, opacity = 1, ...effects } = item.effects;
  if (area.kind !== "region") return [{ ...item, effects: item.effects }];
  const region = { outline: area.chains, evenOdd: area.evenOdd };
  const outlines = insets(
    region,
    STEPS.map((step) => -step * blur),
  );
  let before = 0;
  return outlines.flatMap((chains, k): Item[] => {
    // What shows through all so far and this one is the share that is wanted.
    const own = 1 - (1 - opacity * SHARES[k]) / (1 - before);
    before = opacity * SHARES[k];
    if (chains.length === 0) return [];
    const step: Item = {
      ...item,
      id: `${item.id}-${k + 1}`,
      area: { kind: "region", chains, evenOdd: false },
      effects: own < 1 ? { ...effects, opacity: own } : effects,
    };
    return [step];
  });
}

/** Touching pockets of one colour as one shape: what is painted looks the same, and is fewer pieces to take hold of. */
export const unitedScene = (scene: Scene): Scene => ({
  ...scene,
  parts: scene.parts.map((part) => ({
    ...part,
    sheets: part.sheets.map((sheet) =>
      sheet.name === "flats" ? { ...sheet, items: unitedItems(sheet.items) } : sheet,
    ),
  })),
});

/**
 * Among pours that follow one another. One is not moved before another colour that it covers, as it does where that runs on
 * under it across a bridge.
 */
function unitedItems(items: readonly Item[]): Item[] {
  const out: Item[] = [];
  let run = new Map<string, Item[]>();
  const add = (tone: string, item: Item) => run.set(tone, [...(run.get(tone) ?? []), item]);
  const finish = () => {
    for (const alike of run.values()) out.push(alike.length > 1 ? unitedItem(alike) : alike[0]);
    run = new Map();
  };
  for (const item of items) {
    const { says, paint, effects, area } = item;
    const plain =
      says.is === "pour" && area.kind === "region" && Object.keys(effects).every((key) => key === "seam");
    if (plain && paint.kind === "tone") {
      const tone = paint.tone.variable;
      if (coversOther(item, tone, run)) finish();
      add(tone, item);
    } else {
      finish();
      out.push(item);
    }
  }
  finish();
  return out;
}

/** Whether it would be painted before an item of another tone in its run that it lies over. */
function coversOther(item: Item, tone: string, run: ReadonlyMap<string, readonly Item[]>): boolean {
  if (!run.has(tone)) return false;
  return [...run].some(([other, items]) => other !== tone && items.some((one) => overlaps(one, item)));
}

/** Page units squared of two areas that count as one lying over the other. */
const OVER = 0.5;

function overlaps({ area: a }: Item, { area: b }: Item): boolean {
  if (a.kind !== "region" || b.kind !== "region") return false;
  const [one, other] = [boundsOf(a.chains), boundsOf(b.chains)];
  if (!one || !other || boxesApart(one, other)) return false;
  const { outline } = combined(
    { outline: a.chains, evenOdd: a.evenOdd },
    { outline: b.chains, evenOdd: b.evenOdd },
    "intersect",
  );
  return Math.abs(outline.reduce((sum, chain) => sum + enclosedArea(chain), 0)) > OVER;
}

function unitedItem(items: readonly Item[]): Item {
  const [first] = items;
  const regions = items.flatMap(({ area }) =>
    area.kind === "region" ? [{ outline: area.chains, evenOdd: area.evenOdd }] : [],
  );
  const seams = items.flatMap(({ effects }) => effects.seam ?? []);
  return {
    ...first,
    says: { is: "over" },
    area: { kind: "region", chains: united(regions), evenOdd: false },
    effects:
      seams.length > 0
        ? { seam: { chains: seams.flatMap(({ chains }) => chains), width: seams[0].width } }
        : {},
  };
}
