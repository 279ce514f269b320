/** Edits of the page: what is drawn stays where it is, and the page lies otherwise around it. */
import type { Draft } from "immer";
import { type Box, grow } from "../geometry/point.ts";
import { rectangle } from "../lines/figures.ts";
import { bleedOf, type Drawing, MM_PER_INCH, type Page, type Paint, type Sticker } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { newId } from "./new-id.ts";
import { inPart, partsOf } from "./parts.ts";
import { addShape } from "./shape-edits.ts";

/** Changes the printed width, with the height and all that is drawn, or the pixels per inch. */
export const changePage = (change: Partial<Pick<Page, "width" | "ppi">>): Edit => ({
  label: "Change page size",
  merge: `page-${Object.keys(change).join()}`,
  change: (draft) => {
    Object.assign(draft.page, change);
  },
});

/** The same page, measured otherwise; lengths are rounded to thousandths. */
export const setUnit = (unit: Page["unit"]): Edit => ({
  label: "Change unit",
  change: (draft) => {
    const { page } = draft;
    if (page.unit === unit) return;
    const factor = unit === "in" ? 1 / MM_PER_INCH : MM_PER_INCH;
    const converted = (length: number) => Math.round(length * factor * 1000) / 1000;
    page.unit = unit;
    page.width = converted(page.width);
    if (page.bleed) page.bleed = converted(page.bleed);
  },
});

/** Width and height in the page's unit. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
}

export const sizeOf = ({ box, width }: Page): PageSize => ({
  width,
  height: (width * box.height) / box.width,
});

/** A page of another size around the middle of this one; the drawing is printed as large as before, or grows with the page. */
export const resizePage = (size: PageSize, how: "kept" | "scaled"): Edit => ({
  label: "Change page size",
  merge: `page-size-${how}`,
  change: (draft) => layPage(draft, resized(draft.page, size, how), size.width),
});

function resized({ box, width }: Page, size: PageSize, how: "kept" | "scaled"): Box {
  const ratio = size.height / size.width;
  // Scaled, the old page just fits into the new one.
  const wide = how === "kept" ? (box.width * size.width) / width : Math.max(box.width, box.height / ratio);
  const high = wide * ratio;
  return { x: box.x + (box.width - wide) / 2, y: box.y + (box.height - high) / 2, width: wide, height: high };
}

/** The page around what is drawn, with a margin in its unit; everything is printed as large as before. */
export const fitPage = (drawn: Box, margin: number): Edit => ({
  label: "Fit page to drawing",
  change: (draft) => {
    const { box, width } = draft.page;
    const next = grow(drawn, (margin * box.width) / width);
    layPage(draft, next, (width * next.width) / box.width);
  },
});

export const setBleed = (bleed: number): Edit => ({
  label: "Change bleed",
  merge: "bleed",
  change: (draft) => {
    const { bleed: _, ...page } = draft.page;
    covering(draft, bleed > 0 ? { ...page, bleed } : page);
  },
});

/** The lamp stays where it shines from. */
function layPage(draft: Draft<Drawing>, box: Box, width: number): void {
  const { page, lamp } = draft;
  const [x, y] = [page.box.x + lamp.at[0] * page.box.width, page.box.y + lamp.at[1] * page.box.height];
  lamp.at = [(x - box.x) / box.width, (y - box.y) / box.height];
  lamp.height *= page.box.width / box.width;
  covering(draft, { ...page, box, width });
}

/** What covered all of the page covers all of the next one too. */
function covering(draft: Draft<Drawing>, page: Page): void {
  const before = draft.page;
  for (const shape of Object.values(draft.flatShapes))
    if (shape.sheet === "ground" && covers(shape.outline, before)) shape.outline = [coverOf(page)];
  draft.page = page;
}

const coverOf = (page: Page): number[] => {
  const { x, y, width, height } = grow(page.box, bleedOf(page));
  return rectangle([x, y], [x + width, y + height]);
};

/** Of the page's width. */
const NEAR = 1e-6;

function covers(outline: readonly (readonly number[])[], page: Page): boolean {
  const own = outline.length === 1 ? outline[0] : [];
  const cover = coverOf(page);
  return own.length === cover.length && own.every((n, k) => Math.abs(n - cover[k]) <= NEAR * page.box.width);
}

/** A ground of one colour over all of the page and what it bleeds, beneath whatever lies on it. */
export const layGround = (page: Page, paint: Paint): Edit => {
  const id = newId();
  const lay = addShape({
    id,
    outline: [coverOf(page)],
    evenOdd: false,
    opacity: 1,
    paint,
    sheet: "ground",
    name: "Ground",
  });
  return {
    ...lay,
    label: "Lay ground",
    change: (draft) => {
      lay.change(draft);
      const lowest = Math.min(...Object.values(draft.flatShapes).map(({ rank }) => rank));
      const [backmost] = partsOf(draft as Drawing);
      Object.assign(draft.flatShapes[id], { rank: lowest - 1, ...inPart(backmost.id) });
    },
  };
};

/** The ids of shapes that cover all of the page. */
export const groundsOf = ({ flatShapes, page }: Pick<Drawing, "flatShapes" | "page">): string[] =>
  Object.values(flatShapes).flatMap(({ id, sheet, outline }) =>
    sheet === "ground" && covers(outline, page) ? [id] : [],
  );

export const setSticker = (sticker: Sticker | null): Edit => ({
  sheet: "ground",
  label: sticker ? "Lay rim of paper" : "Take rim of paper away",
  merge: sticker ? "sticker" : undefined,
  change: (draft) => {
    draft.sticker = sticker && { ...sticker, paint: { ...sticker.paint } };
  },
});
