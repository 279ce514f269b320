/** The rim of paper around all that is drawn: one item above the ground, beneath everything else. */
import type { Drawing } from "../drawing/drawing.ts";
import { type InkLine, type Region, rimAround } from "../lines/booleans.ts";
import { tonePaint } from "./colour-item.ts";
import type { Area, Chain, Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

const kept = memo<Area, readonly Chain[]>();

/** `drawn` are the items that the rim lies around; those that are trimmed lie within others. */
export function stickerItem(
  { width, paint }: NonNullable<Drawing["sticker"]>,
  drawn: readonly Item[],
  { toneOf }: Palette,
): Item | undefined {
  const areas = drawn.flatMap(({ area, effects, hidden }) => (hidden || effects.clip ? [] : [area]));
  if (areas.length === 0) return undefined;
  const tone = toneOf(paint);
  return {
    id: "sticker",
    says: { is: "over" },
    area: {
      kind: "region",
      chains: kept(areas[0], [...areas, width], () => rimAround(...sorted(areas), width)),
      evenOdd: false,
    },
    paint: tonePaint(tone),
    effects: tone.opacity === undefined ? {} : { opacity: tone.opacity },
  };
}

function sorted(areas: readonly Area[]): [Region[], InkLine[]] {
  const regions = areas.flatMap((area) =>
    area.kind === "region" ? [{ outline: area.chains, evenOdd: area.evenOdd }] : [],
  );
  return [regions, areas.flatMap((area) => (area.kind === "line" ? [area] : []))];
}
