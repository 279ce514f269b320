/** Reads the marks of our own SVGs: each says what it stands for (svg-says.ts), and comes back as that. */
import { inkWidthWithin, isId, isNearPage } from "../drawing/bounds.ts";
import { BLENDS, type FlatShape, SHAPE_SHEETS, type Stroke } from "../drawing/drawing.ts";
import { calledAs, type Found } from "./svg-found.ts";
import { partOver, sheetOver } from "./svg-frames.ts";
import { closedPoints, isEvenOdd, type Mark } from "./svg-mark.ts";
import type { OurReading, ReadFlat, ReadPour, ReadShade } from "./svg-reading.ts";
import {
  drawnStroke,
  isDerived,
  KINDS,
  type Kind,
  kindOfEarlierFiles,
  placesIn,
  shareIn,
} from "./svg-says.ts";
import {
  FLAT_WORDS,
  fieldsIn,
  LAID_WORDS,
  LINE_WORDS,
  PEN_WORDS,
  POUR_WORDS,
  SHADE_WORDS,
  STROKE_WORDS,
} from "./svg-words.ts";

export function readOurs(
  marks: readonly Mark[],
  found: Found,
): Pick<OurReading, "paints" | "pours" | "shades"> {
  const paints = new Map<string, string>();
  const pours: ReadPour[] = [];
  const shades: ReadShade[] = [];
  for (const mark of marks) {
    const kind = kindOf(mark);
    if (isDerived(kind)) continue;
    const chains = found.nearChains(mark);
    const places = placesIn(mark.element.attributes);
    if (!kind) found.tell("unknown", mark);
    else if (!places.every((place) => isNearPage(place, found.box))) found.tell("beyond", mark);
    else if (chains.length === 0) continue;
    else if (kind === "pour") pours.push(...poursOf({ ...mark, chains }, found));
    else {
      const near = { ...mark, chains };
      const ids = kind === "shade" ? addShade(shades, near, found) : addShown(kind, near, found);
      for (const id of ids) paints.set(id, paintNameOf(mark));
    }
  }
  return { paints, pours, shades };
}

/** What a mark stands for; undefined for a kind that is not known here. */
function kindOf({ element }: Mark): Kind | undefined {
  const { attributes } = element;
  const said = attributes["data-is"];
  return said === undefined
    ? kindOfEarlierFiles(attributes, sheetOver(element))
    : KINDS.find((kind) => kind === said);
}

/** The name a mark's paint goes by in the file's style rules, without the letter for fills or strokes. */
const paintNameOf = ({ element }: Mark): string =>
  element.attributes["data-paint"] ?? (element.attributes.class ?? "").replace(/^[fs]-/, "");

function poursOf(mark: Mark, found: Found): ReadPour[] {
  const { attributes } = mark.element;
  const [seed] = placesIn(attributes);
  if (!seed) return [];
  const { rank: toldRank, ...over } = fieldsIn(POUR_WORDS, attributes);
  return [
    {
      seed,
      outline: mark.chains.map(closedPoints),
      paintName: paintNameOf(mark),
      rank: found.nextRank(),
      ...(toldRank === undefined ? {} : { toldRank }),
      ...partOver(mark.element),
      over,
    },
  ];
}

/** Steps of what is beneath are of another paint in each of their pockets, and so there is an element for each: they are one shade. */
function addShade(shades: ReadShade[], mark: Mark, found: Found): readonly string[] {
  const at = placesIn(mark.element.attributes);
  if (at.length === 0) return [];
  const rank = found.nextRank();
  const shade: ReadShade = {
    id: `h${rank}`,
    rank,
    kind: "drawn",
    ...regionOf(mark),
    opacity: shareIn(mark.element.attributes["data-opacity"]),
    at,
    ...fieldsIn(SHADE_WORDS, mark.element.attributes),
    ...laidIn(mark),
    ...partOver(mark.element),
  };
  const same = shades.findIndex((one) => isSameShade(one, shade));
  if (same < 0) shades.push(shade);
  else shades[same] = { ...shades[same], at: [...shades[same].at, ...at] };
  return same < 0 ? [shade.id] : [];
}

const isSameShade = (one: ReadShade, other: ReadShade): boolean =>
  one.deeper !== undefined &&
  one.deeper === other.deeper &&
  one.toldRank !== undefined &&
  one.toldRank === other.toldRank &&
  one.part === other.part;

function addShown(kind: "flat" | "stroke" | "shape", mark: Mark, found: Found): readonly string[] {
  if (kind === "stroke") return addStroke(mark, found);
  if (!mark.fill) return [];
  const { attributes } = mark.element;
  if (kind === "shape")
    return [
      found.addInk(regionOf(mark), mark.fill.value, {
        ...calledAs(mark),
        ...partOver(mark.element),
        ...lineSaidIn(mark),
      }),
    ];
  return [
    found.addFlat(regionOf(mark), {
      value: mark.fill.value,
      // Without what its colour's and the sheet's own opacity take from it.
      opacity: shareIn(attributes["data-opacity"] ?? mark.style["fill-opacity"]),
      ...(mark.name ? { name: mark.name } : {}),
      ...partOver(mark.element),
      ...fieldsIn(FLAT_WORDS, attributes),
      ...sheetIn(mark),
      ...laidIn(mark),
    }),
  ];
}

function addStroke(mark: Mark, found: Found): string[] {
  const { attributes } = mark.element;
  const had = isId(attributes["data-id"]) ? attributes["data-id"] : undefined;
  const called = { ...calledAs(mark), ...partOver(mark.element), ...lineSaidIn(mark) };
  const drawn = drawnStroke(attributes);
  if (drawn && isNearPage(drawn.points, found.box)) {
    const width = inkWidthWithin(drawn.width, found.box);
    return [found.addStroke({ ...drawn, width, ...called }, undefined, had)];
  }
  const { profile } = fieldsIn(PEN_WORDS, attributes);
  const own = { ...fieldsIn(STROKE_WORDS, attributes), ...(profile ? { profile } : {}) };
  return mark.chains.flatMap(({ points, closed }) => {
    const pen = mark.stroke && found.penOf(mark, points);
    return pen ? [found.addStroke({ points, closed, ...pen, ...own, ...called }, undefined, had)] : [];
  });
}

const regionOf = (mark: Mark) => ({ outline: mark.chains.map(closedPoints), evenOdd: isEvenOdd(mark) });

const lineSaidIn = ({
  element,
  style,
}: Mark): Partial<Pick<Stroke, "echo" | "hidden" | "locked" | "hold">> => ({
  ...fieldsIn(LINE_WORDS, element.attributes),
  ...(style.display === "none" ? { hidden: true } : {}),
});

function sheetIn({ element }: Mark): Pick<FlatShape, "sheet"> {
  const sheet = SHAPE_SHEETS.find((name) => name === sheetOver(element));
  return sheet && sheet !== "flats" ? { sheet } : {};
}

/** How a shape of colour lies over what is beneath. */
function laidIn({
  element,
  style,
}: Mark): Pick<ReadFlat, "blend" | "soft" | "gradient" | "paint" | "toldRank"> {
  const blend = BLENDS.find((mode) => mode === style["mix-blend-mode"]);
  const { rank: toldRank, ...laid } = fieldsIn(LAID_WORDS, element.attributes);
  return { ...(blend ? { blend } : {}), ...laid, ...(toldRank === undefined ? {} : { toldRank }) };
}
