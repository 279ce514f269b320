/** What came in from a file and what did not, in sentences for people. */
import type { Drawing } from "../drawing/drawing.ts";
import type { Repairs } from "../drawing/salvage.ts";
import { isWhole, mendedBy, sayMended } from "../drawing/say-repairs.ts";
import { speckArea } from "../drawing/speck.ts";
import { boundsOf, boxesApart } from "../geometry/point.ts";
import { counted, plural } from "../words.ts";
import type { AsideKind, Asides } from "./svg-mark.ts";
import type { SvgReading } from "./svg-reading.ts";

/** Something left aside or changed, with the names it goes by in the file. */
export interface ReportLine {
  readonly kind: AsideKind | "cut" | "speck" | "outside-page" | "mended";
  readonly count: number;
  readonly sentence: string;
  readonly names: readonly string[];
}

export interface ImportReport {
  readonly strokes: number;
  readonly inkShapes: number;
  readonly pours: number;
  readonly flatShapes: number;
  /** Colours brought into the tin, and how many there were before near-same ones became one. */
  readonly colours: number;
  readonly coloursFound: number;
  /** Left out of the drawing. */
  readonly leftAside: readonly ReportLine[];
  /** In the drawing, but not quite as it was. */
  readonly changed: readonly ReportLine[];
}

const LEFT: Partial<Record<AsideKind, (n: number) => string>> = {
  text: (n) => `${counted(n, "piece")} of text: letters come in once they are outlines.`,
  image: (n) => `${counted(n, "picture")} made of pixels: bring one in as a scan instead.`,
  script: (n) => `${counted(n, "script")}, found and not run.`,
  outside: (n) => `${counted(n, "link")} to outside files, not followed.`,
  pattern: (n) => `${counted(n, "pattern fill")}.`,
  marker: (n) => `Arrow heads or other markers on ${counted(n, "line")}.`,
  foreign: (n) => `${counted(n, "block")} of web page inside the drawing.`,
  circular: (n) => `${counted(n, "item")} made of ${plural(n, "itself", "themselves")}.`,
  beyond: (n) => `${counted(n, "shape")} too far from the page, too small, too thin or too wide to be drawn.`,
  unknown: (n) => `${counted(n, "item")} of a kind that this Fern Pocket does not know yet.`,
  "too-many": (n) => `${counted(n, "shape")} beyond what one drawing holds: 50,000 shapes, 400,000 curves.`,
};

const CHANGED: Partial<Record<AsideKind, (n: number) => string>> = {
  gradient: (n) => `${counted(n, "gradient")} became ${plural(n, "its", "their")} middle colour.`,
  mask: (n) => `${counted(n, "masked item is", "masked items are")} shown whole.`,
  filter: (n) => `${counted(n, "item")} came in without ${plural(n, "its", "their")} filter effect.`,
  blend: (n) => `${counted(n, "item")} came in without ${plural(n, "its", "their")} blend mode.`,
  faint: (n) => `${counted(n, "see-through line is", "see-through lines are")} solid now.`,
  dash: (n) =>
    `${counted(n, "line")} with dashes too fine to tell apart ${plural(n, "is", "are")} whole now.`,
  uneven: (n) =>
    `${counted(n, "dashed line")} squeezed in one direction: ${plural(n, "its dashes are", "their dashes are")} even now.`,
  unhidden: (n) => `${counted(n, "item")} may show what later ones hid: there are too many to cut.`,
  "broken-off": (n) =>
    `${counted(n, "shape ends", "shapes end")} early: ${plural(n, "its", "their")} path makes no sense from there on.`,
  "paint-order": (n) =>
    `${counted(n, "line lies", "lines lie")} over ${plural(n, "its fill", "their fills")} now, wholly seen: the file painted the fill on top.`,
  seam: (n) =>
    `${counted(n, "thin edge")} in the colour of the shape above ${plural(n, "it is", "them are")} left out: no ground shows there anyway.`,
  unclipped: (n) => `${counted(n, "clipped item is", "clipped items are")} shown whole.`,
};

const NAMES_TOLD = 12;

export function asideLines(asides: Asides): Pick<ImportReport, "leftAside" | "changed"> {
  const linesOf = (sentences: typeof LEFT): ReportLine[] =>
    [...asides].flatMap(([kind, names]) => {
      const sentence = sentences[kind];
      return sentence
        ? [{ kind, count: names.length, sentence: sentence(names.length), names: told(names) }]
        : [];
    });
  return { leftAside: linesOf(LEFT), changed: linesOf(CHANGED) };
}

const told = (names: readonly string[]): string[] => [...new Set(names)].slice(0, NAMES_TOLD);

export const cutLine = (count: number): ReportLine => ({
  kind: "cut",
  count,
  sentence: `${counted(count, "line was", "lines were")} cut where the picture hid or clipped ${plural(count, "it", "them")}.`,
  names: [],
});

export const speckLine = (count: number): ReportLine => ({
  kind: "speck",
  count,
  sentence: `${counted(count, "coloured shape is", "coloured shapes are")} too small to see at printed size.`,
  names: [],
});

const outsideLine = (count: number): ReportLine => ({
  kind: "outside-page",
  count,
  sentence: `${counted(count, "line or shape lies", "lines and shapes lie")} outside the page: there, but in no picture of it.`,
  names: [],
});

/** What was brought to its bounds or left out, since nothing else could be made of it; none where all was well. */
export const mendedLines = (repairs: Repairs): ReportLine[] => {
  const mended = mendedBy(repairs);
  if (isWhole(mended)) return [];
  const count = repairs.brought.length + repairs.lost.length;
  return [{ kind: "mended", count, sentence: sayMended(mended), names: [] }];
};

/** Like "12 strokes, 2 ink shapes and 3 pours came in." */
export function cameIn({ strokes, inkShapes, pours, flatShapes }: ImportReport): string {
  const parts = [
    strokes > 0 ? counted(strokes, "stroke") : "",
    inkShapes > 0 ? counted(inkShapes, "ink shape") : "",
    pours > 0 ? counted(pours, "poured pocket") : "",
    flatShapes > 0 ? counted(flatShapes, "flat shape") : "",
  ].filter(Boolean);
  const last = parts.pop() ?? "Nothing";
  return `${parts.length > 0 ? `${parts.join(", ")} and ${last}` : last} came in.`;
}

/** What a drawing takes from a reading, and how the two differ; colours as they were found and kept. */
export function reportOf(
  drawing: Drawing,
  { asides, cut }: SvgReading,
  colours: { readonly found: number; readonly kept: number },
): ImportReport {
  const { strokes, inkShapes, pours, flatShapes, page } = drawing;
  const speck = speckArea(page);
  const specks = Object.values(flatShapes).filter(({ outline }) => {
    const box = boundsOf(outline);
    return box && box.width * box.height < speck;
  }).length;
  const placed = [
    ...Object.values(strokes).map(({ points }) => [points]),
    ...[...Object.values(inkShapes), ...Object.values(flatShapes)].map(({ outline }) => outline),
  ];
  const outside = placed.filter((chains) => {
    const box = boundsOf(chains);
    return box && boxesApart(box, page.box);
  }).length;
  const { leftAside, changed } = asideLines(asides);
  return {
    strokes: Object.keys(strokes).length,
    inkShapes: Object.keys(inkShapes).length,
    pours: Object.keys(pours).length,
    flatShapes: Object.keys(flatShapes).length,
    colours: colours.kept,
    coloursFound: colours.found,
    leftAside,
    changed: [
      ...changed,
      ...(cut > 0 ? [cutLine(cut)] : []),
      ...(specks > 0 ? [speckLine(specks)] : []),
      ...(outside > 0 ? [outsideLine(outside)] : []),
    ],
  };
}
