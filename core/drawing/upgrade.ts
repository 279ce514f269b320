/**
 * Brings drawings of earlier versions up to this one, one step a version, each kept for good. Steps work on the form
 * that files have (record-form.ts), also on part of one, and on input nobody has checked: what is not as expected is
 * left for the check that comes after.
 */
import { weakMapMemoize } from "reselect";
import { seedOnly } from "./anchor.ts";
import type { Drawing } from "./drawing.ts";
import { startingParts } from "./parts.ts";
import { fromRecord, type RecordForm, toRecord } from "./record-form.ts";
import { FIRST_COLOURWAY, startingColourways, startingLamp, startingNibs } from "./start.ts";

/** The version of the form that drawings have now, in files, in SVG facts and in the browser's storage. */
export const VERSION = 9;

type Loose = Readonly<Record<string, unknown>>;

/** From each version to the next. */
const STEPS: Readonly<Record<number, (record: RecordForm) => RecordForm>> = {
  1: withInkInTin,
  2: withOpenInk,
  3: withAnchors,
  4: withColourways,
  5: withShadeOutlines,
  6: withTiles,
  7: withSticker,
  8: withDabs,
};

/** A record of some version as one of this; undefined where there never was such a version. */
export function upgradedRecord(record: RecordForm, version: number): RecordForm | undefined {
  let now: RecordForm | undefined = record;
  for (let v = version; v < VERSION && now; v++) now = STEPS[v]?.(now);
  return version <= VERSION ? now : undefined;
}

/** A drawing of some version as one of this. Entities that need no change are the same objects. */
export function upgradedDrawing(drawing: object, version: number): Drawing {
  const record = toRecord(drawing as Drawing, Object.keys(drawing) as (keyof Drawing)[]);
  return fromRecord(upgradedRecord(record, version)!) as Drawing;
}

const isLoose = (value: unknown): value is Loose =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** A field's list with each object changed; anything but a list stays as it is. */
function changed(record: RecordForm, field: string, change: (item: Loose) => Loose): RecordForm {
  const list = record[field];
  if (!Array.isArray(list)) return record;
  return { ...record, [field]: list.map((item) => (isLoose(item) ? change(item) : item)) };
}

const INK_ID = "lamp-black";

/** Version 1: ink was a value of its own, and lines knew no nibs. The ink becomes the tin's last colour. */
function withInkInTin(record: RecordForm): RecordForm {
  const { tin, ink } = record;
  if (!Array.isArray(tin) || typeof ink !== "string") return record;
  const rank = tin.reduce((top: number, colour) => Math.max(top, Number(colour?.rank) || 0), 0) + 1;
  return {
    ...record,
    nibs: Object.values(startingNibs()),
    flatShapes: [],
    tin: [...tin, { id: INK_ID, rank, name: "Lamp black", value: ink }],
    ink: { colour: INK_ID, step: 0 },
  };
}

/** Up to version 2 the ink was marked as locked in every drawing, though its lines could be changed. */
function withOpenInk(record: RecordForm): RecordForm {
  return changed(record, "sheets", (sheet) => (sheet.name === "ink" ? { ...sheet, locked: false } : sheet));
}

/** Up to version 3 there were no parts, pours were their own anchors, and shades knew their pockets by a place alone. */
function withAnchors(record: RecordForm): RecordForm {
  const { parts = Object.values(startingParts()) } = record;
  return { parts, ...changed(changed(record, "pours", pourWithAnchor), "shades", shadeWithAnchor) };
}

const pourWithAnchor = weakMapMemoize(({ seed, area, lines, region, ...pour }) => ({
  ...pour,
  anchor: { seed, area, lines, region },
}));

const shadeWithAnchor = weakMapMemoize(({ seed, ...shade }) => ({
  ...shade,
  kind: "drawn",
  anchor: seedOnly(seed as [number, number]),
}));

/**
 * Up to version 4 every colour had one value, and a ladder that squeezed its steps near black and white; nothing lay
 * beneath the flats; hidden lines parted colours, and edges of colour did not.
 */
function withColourways(record: RecordForm): RecordForm {
  const colours = {
    colourways: Object.values(startingColourways()),
    shown: FIRST_COLOURWAY,
    undercoat: null,
  };
  const walls = { hiddenWalls: true, shapeWalls: false };
  return { ...colours, ...walls, ...changed(record, "tin", squeezed) };
}

/** Up to version 5 there were no gradients, a shade was one closed chain and lay beneath all shapes of its sheet. */
function withShadeOutlines(record: RecordForm): RecordForm {
  const { shades, gradientStrength = 1, lamp = startingLamp(), creases = [] } = record;
  const now = { ...record, gradientStrength, lamp, creases };
  if (!Array.isArray(shades) || !shades.some((shade) => isLoose(shade) && "points" in shade)) return now;
  const top = Math.max(0, ...shades.map((shade) => Number(shade?.rank) || 0));
  const raised = (shape: Loose) =>
    shape.sheet === "shade" ? { ...shape, rank: Number(shape.rank) + top } : shape;
  return changed(changed(now, "shades", shadeWithOutline), "flatShapes", raised);
}

/** Up to version 6 no pattern was made of a picture, and nothing threw a shadow. */
const NEW_IN_7 = { tiles: [], styles: [], groundShadow: null, lights: {} };
function withTiles(record: RecordForm): RecordForm {
  return { ...NEW_IN_7, ...record };
}

/** Up to version 7 nothing had a rim of paper. */
function withSticker(record: RecordForm): RecordForm {
  return { sticker: null, ...record };
}

/** Version 8 knew no dabs. */
function withDabs(record: RecordForm): RecordForm {
  return { dabs: [], ...record };
}

// The same object gives the same one, so that states of one history share what they shared before.
const shadeWithOutline = weakMapMemoize(
  ({ points, ...shade }: Loose): Loose => ({ ...shade, outline: [points], evenOdd: false }),
);

const squeezed = weakMapMemoize(
  (colour: Loose): Loose => ({ ...colour, ladder: { steps: 7, drift: 6, squeezed: true } }),
);
