/** What there is to judge of the desk's colours, worked out once for all who ask. */
import { bin } from "d3-array";
import { createSelector } from "reselect";
import { type Judged, nearColours, VALUE_BINS } from "#core/colour/judging.ts";
import { oklchOf } from "#core/colour/oklch.ts";
import type { Paint } from "#core/drawing/drawing.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { paletteOf } from "#core/scene/palette.ts";
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

/** The colours that fill pockets, the most of the picture first. */
export const judgedColours = createSelector([patches, shownTin], (all, tin): readonly Judged[] => {
  const areas = new Map<string, number>();
  for (const { paint, pocket } of all) areas.set(paint.colour, (areas.get(paint.colour) ?? 0) + pocket.area);
  return [...areas]
    .flatMap(([id, area]): Judged[] =>
      tin[id] ? [{ id, name: tin[id].name, value: tin[id].value, area }] : [],
    )
    .sort((a, b) => b.area - a.area);
});

export interface ValueBar {
  /** In OKLCH lightness. */
  readonly from: number;
  readonly to: number;
  readonly area: number;
  readonly keys: readonly number[];
}

const byLightness = bin<Patch, number>()
  .domain([0, 1])
  .thresholds(VALUE_BINS)
  .value(({ value }) => oklchOf(value).l);

/** How much of the picture is how light, from black to white. */
export const valueBars = createSelector([patches], (all): readonly ValueBar[] =>
  byLightness([...all]).map((patches) => ({
    from: patches.x0!,
    to: patches.x1!,
    area: patches.reduce((sum, { pocket }) => sum + pocket.area, 0),
    keys: patches.map(({ pocket }) => pocket.key),
  })),
);

/** Pairs of colours in the picture that someone can hardly tell apart. */
export const tooNear = createSelector([judgedColours], (colours) => nearColours(colours, NEAR));

/** Id of the list that shows them. */
export const NEAR_LIST = "near-colours";
