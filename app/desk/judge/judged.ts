/** What there is to judge of the desk's colours, worked out once for all who ask. */
import { bin } from "d3-array";
import { createSelector } from "reselect";
import { type Judged, nearColours, VALUE_BINS } from "#core/colour/judging.ts";
import { oklchOf } from "#core/colour/oklch.ts";
import type { Drawing, Paint, SheetName } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { enclosedArea } from "#core/geometry/cubic.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { coverageOf } from "#core/scene/coverage.ts";
import { paletteOf, type Tone } from "#core/scene/palette.ts";
import type { Desk } from "../store/desk-state.ts";
import { shownTin } from "../tin/shown-tin.ts";

/** Colours nearer than this count as too near to tell apart: a distance in OKLab times 100. */
export const NEAR = 5;

interface Patch {
  readonly pocket: Pocket;
  readonly paint: Paint;
  /** #rrggbb as it is seen. */
  readonly value: string;
}

const patches = createSelector(
  [({ derived }: Desk) => derived, ({ drawing }: Desk) => drawing],
  ({ pockets, pourOf }, drawing): readonly Patch[] => {
    const { toneOf } = paletteOf(drawing);
    return pockets.flatMap((pocket, index) => {
      const pour = drawing.pours[pourOf[index] ?? ""];
      const paint = pour?.spot ? drawing.ink : pour?.paint;
      return paint ? [{ pocket, paint, value: toneOf(paint).value }] : [];
    });
  },
);

const named = (areas: ReadonlyMap<string, number>, tin: Drawing["tin"]): readonly Judged[] =>
  [...areas]
    .flatMap(([id, area]): Judged[] =>
      tin[id] ? [{ id, name: tin[id].name, value: tin[id].value, area }] : [],
    )
    .sort((a, b) => b.area - a.area);

/** The colours of pockets and shapes, whatever lies over them, the largest first: those that are to be told apart. */
export const usedColours = createSelector(
  [patches, ({ drawing }: Desk) => drawing.flatShapes, shownTin],
  (all, shapes, tin) => {
    const areas = new Map<string, number>();
    const add = (id: string, area: number) => areas.set(id, (areas.get(id) ?? 0) + area);
    for (const { paint, pocket } of all) add(paint.colour, pocket.area);
    for (const { paint, outline } of entitiesOf(shapes))
      add(paint.colour, Math.abs(outline.reduce((sum, chain) => sum + enclosedArea(chain), 0)));
    return named(areas, tin);
  },
);

interface SeenTone {
  readonly tone: Tone;
  readonly area: number;
}

/** What is seen of ground, flats and spot blacks. */
const seenTones = createSelector([({ scene }: Desk) => scene], ({ parts, box }): readonly SeenTone[] => {
  const coloured = parts.map((part) => ({
    ...part,
    sheets: part.sheets.filter(({ name }) => SHEETS_OF_COLOUR.includes(name)),
  }));
  const found = coverageOf(coloured, box, ({ says }) => says.is !== "nibbed" && says.is !== "shape");
  return [...found].map(([tone, area]) => ({ tone, area })).filter(({ area }) => area > 0);
});

const SHEETS_OF_COLOUR: readonly SheetName[] = ["ground", "flats", "ink"];

/** The colours that are seen, the most of the picture first. */
export const judgedColours = createSelector(
  [seenTones, ({ drawing }: Desk) => drawing, shownTin],
  (seen, drawing, tin) => {
    const { madeOf } = paletteOf(drawing);
    const areas = new Map<string, number>();
    for (const { tone, area } of seen) {
      const made = madeOf(tone);
      const id = made && ("share" in made ? made.a.colour : made.colour);
      if (id !== undefined) areas.set(id, (areas.get(id) ?? 0) + area);
    }
    return named(areas, tin);
  },
);

export interface ValueBar {
  /** In OKLCH lightness. */
  readonly from: number;
  readonly to: number;
  readonly area: number;
  readonly keys: readonly number[];
}

const lightnessBins = <T>(value: (one: T) => string) =>
  bin<T, number>()
    .domain([0, 1])
    .thresholds(VALUE_BINS)
    .value((one) => oklchOf(value(one)).l);

const tonesByLightness = lightnessBins<SeenTone>(({ tone }) => tone.value);
const patchesByLightness = lightnessBins<Patch>(({ value }) => value);

/** How much of the picture is how light, from black to white. */
export const valueBars = createSelector([seenTones, patches], (seen, all): readonly ValueBar[] => {
  const pockets = patchesByLightness([...all]);
  return tonesByLightness([...seen]).map((tones, i) => ({
    from: tones.x0!,
    to: tones.x1!,
    area: tones.reduce((sum, { area }) => sum + area, 0),
    keys: pockets[i].map(({ pocket }) => pocket.key),
  }));
});

/** Pairs of colours in the picture that someone can hardly tell apart. */
export const tooNear = createSelector([usedColours], (colours) => nearColours(colours, NEAR));

/** Id of the list that shows them. */
export const NEAR_LIST = "near-colours";
