/** What numbers a drawing may hold: beyond these it cannot be drawn, printed or read exactly. */
import { type Box, type Coords, diagonal } from "../geometry/point.ts";

/** Sides of a page in page units, and how many times the longer one may be as long as the shorter. */
export const PAGE_SIDE = { least: 1e-4, most: 1e7 } as const;
const LONGEST_TO_SHORTEST = 1e4;
/** Any coordinate or length, in page units. */
export const LARGEST = 1e10;

export const MOST_DASHES = 64;
export const MOST_BANDS = 24;
export const MOST_STOPS = 24;
/** Letters of a name that people give, and of one that a file brings. */
export const LONGEST_NAME = 80;
export const LONGEST_TITLE = 200;
/** The farthest the lamp can be from the page, and the lowest it can be above it, in shares of the page. */
export const FARTHEST_LAMP = 20;
export const LOWEST_LAMP = 0.01;
/** Steps of a ladder, the base among them. */
export const MOST_STEPS = 11;
export const FEWEST_STEPS = 3;
/** Degrees by which hue may turn with a step, either way. */
export const MOST_DRIFT = 15;
/** No ladder has steps beyond these, however lopsided it is. */
export const FARTHEST_STEP = MOST_STEPS - 1;
/** Steps by which light may change a colour, either way. */
export const DEEPEST_LIGHT = 6;

/** Lines lie no farther from the page than this many of its diagonals. */
const FARTHEST = 1000;
/**
 * The least and the greatest width of ink as parts of the page's diagonal; the figures of patterns have the same
 * bounds.
 */
const THINNEST = 1e-6;
const WIDEST = 10;
/** Shapes are at least this part of the page's diagonal wide or high. */
const SMALLEST = 4e-6;
/** Dashes and gaps are, together, at least this part of the page's diagonal long. */
const FINEST_DASH = 1e-4;

export function isPageBox({ x, y, width, height }: Box): boolean {
  const [shorter, longer] = [Math.min(width, height), Math.max(width, height)];
  if (!(shorter >= PAGE_SIDE.least && longer <= PAGE_SIDE.most && longer <= LONGEST_TO_SHORTEST * shorter))
    return false;
  return Math.abs(x) <= LARGEST && Math.abs(y) <= LARGEST;
}

/** Whether all of a chain lies near enough to a page. */
export function isNearPage(points: Coords, page: Box): boolean {
  const reach = FARTHEST * diagonal(page);
  for (let i = 0; i + 1 < points.length; i += 2)
    if (!(Math.abs(points[i] - page.x) <= reach && Math.abs(points[i + 1] - page.y) <= reach)) return false;
  return true;
}

/** Whether a shape is large enough to be written and read again. */
export function isShapeSize({ width, height }: Box, page: Box): boolean {
  return Math.max(width, height) >= SMALLEST * diagonal(page);
}

export const isInkWidth = (width: number, page: Box): boolean =>
  width >= THINNEST * diagonal(page) && width <= WIDEST * diagonal(page);

/** The nearest width of ink that there can be. */
export const inkWidthWithin = (width: number, page: Box): number =>
  Math.min(WIDEST * diagonal(page), Math.max(THINNEST * diagonal(page), width));

/** The nearest size of a pattern's figures that there can be: of larger ones no page shows more than one. */
export const figureSizeWithin = (size: number, page: Box): number => Math.min(WIDEST * diagonal(page), size);

/** Whether a dash pattern can be told from a whole line. */
export const isDash = (dash: readonly number[], page: Box): boolean =>
  dash.every((length) => length >= 0 && length <= LARGEST) &&
  dash.reduce((sum, length) => sum + length, 0) >= FINEST_DASH * diagonal(page);

const MOST_KNOTS = 20_000;
const LARGEST_SHARE = 1000;

/** Whether numbers are pairs of a place from 0 to 1, rising, and a share of a width. */
export const isProfile = (numbers: readonly number[]): boolean =>
  numbers.length >= 4 &&
  numbers.length <= MOST_KNOTS &&
  numbers.length % 2 === 0 &&
  numbers.every((n, k) =>
    k % 2 === 0 ? n >= (numbers[k - 2] ?? 0) && n <= 1 : n >= 0 && n <= LARGEST_SHARE,
  );

/** Ids are keys of tables; those that every object has could not be told from its own. */
export const isId = (value: unknown): value is string =>
  typeof value === "string" && value.length > 0 && value.length <= 80 && !(value in {});
