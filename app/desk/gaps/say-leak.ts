/** A leak in words. */
import type { Page } from "#core/drawing/drawing.ts";
import { showLength } from "#core/drawing/length.ts";
import type { Opening } from "#core/pockets/free-space.ts";
import type { Leak } from "#core/pockets/leak.ts";
import { plural } from "#core/words.ts";

/** Like "0.6 mm, 0.4 mm and 0.2 mm": the openings in the order in which they would be bridged. */
export function widthsOf(openings: readonly Opening[], page: Page): string {
  const widths = openings.map(({ width }) => showLength(page, width));
  return widths.length > 1 ? `${widths.slice(0, -1).join(", ")} and ${widths.at(-1)}` : widths[0];
}

/** "an opening", or "3 openings," before how wide they are. */
export const openingsWord = ({ length }: Leak["openings"]): string =>
  plural(length, "an opening", `${length} openings,`);

export function sayLeak({ openings }: Leak, page: Page): string {
  if (openings.length === 0) return "This is open ground: no narrow opening would close it.";
  return `Colour would run out here through ${openingsWord(openings)} ${widthsOf(openings, page)} wide. Nothing was poured.`;
}
