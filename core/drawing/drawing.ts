/** The Drawing: plain immutable facts. Everything else (pockets, scene, pictures) is derived from them. */
import type { Box, Point } from "../geometry/point.ts";

/** Entities by id; `rank` orders them, so that undo can put one back where it was. */
export type Table<T> = Readonly<Record<string, T>>;

export const CAPS = ["round", "butt", "square"] as const;
export const JOINS = ["round", "miter", "bevel"] as const;

/** A tin colour, or one of its ladder's steps: negative is darker, positive lighter, 0 the base. */
export interface Paint {
  readonly colour: string;
  readonly step: number;
}

/** A piece of the drawing with lines and colour of its own; it hides what lies behind it. */
export interface Part {
  readonly id: string;
  /** From the back to the front. */
  readonly rank: number;
  readonly name: string;
  readonly visible: boolean;
  readonly locked: boolean;
  /** Falls on the parts behind it. */
  readonly cast?: Cast;
}

/** What belongs to a part; to the drawing's first where none is named (parts.ts). */
interface InPart {
  readonly part?: string;
}

/**
 * Drawn for the look alone, and no line to be read: what of another part reached into this one when it was made, seen
 * only within this one; or what lies over a place where a line was cut.
 */
export const ECHOES = ["within", "over"] as const;
export type Echo = (typeof ECHOES)[number];

/** Which of the colours beside a line it takes its own from: that laid last, the darker one, or that of the larger pocket. */
export const HOLDS = ["front", "darker", "larger"] as const;

/** A line that takes its colour from what lies beside it. */
export interface Hold {
  readonly by: (typeof HOLDS)[number];
  /** So many steps of the ladder deeper. */
  readonly deeper: number;
}

/** What everything drawn in ink has. */
interface Inked extends InPart {
  readonly id: string;
  readonly rank: number;
  readonly echo?: Echo;
  /** Not painted; it parts colours all the same. */
  readonly hidden?: true;
  /** Not to be changed. */
  readonly locked?: true;
  readonly name?: string;
  /** Names of the groups it came in, from the outermost in. */
  readonly groups?: readonly string[];
  /** Its own colour; otherwise that of the drawing's ink. */
  readonly paint?: Paint;
  /** In place of its own colour, where there is one beside it. */
  readonly hold?: Hold;
}

/**
 * Width along a line: flat pairs [place, share, …], places from 0 to 1 of its length in rising order, shares of its
 * width; straight between them.
 */
export type Profile = readonly number[];

export interface Stroke extends Inked {
  /** A chain of cubics (geometry/cubic.ts) in page units; a closed one ends where it starts. */
  readonly points: readonly number[];
  readonly closed: boolean;
  /** Ink width in page units, where profile and nib are at their full share. */
  readonly width: number;
  /** Its own width along the line, from the hand's pressure or a scan; even when left out. */
  readonly profile?: Profile;
  /** For a piece of a line that was cut for a part: the line, and which stretch of it by length; both may pass 1. */
  readonly cut?: { readonly of: string; readonly from: number; readonly to: number };
  /** The nib it is drawn with, whose profile comes on top of its own; even when left out. */
  readonly nib?: string;
  /** Round when left out, as are its joins. */
  readonly cap?: (typeof CAPS)[number];
  readonly join?: (typeof JOINS)[number];
  readonly miterLimit?: number;
  /** Lengths of dashes and the gaps between them in page units. */
  readonly dash?: readonly number[];
  readonly dashOffset?: number;
}

/** Ink as a filled shape: closed chains of cubics in page units. */
export interface InkShape extends Inked {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

/** A width profile that every stroke drawn with it follows. */
export interface Nib {
  readonly id: string;
  readonly rank: number;
  readonly name: string;
  readonly profile: Profile;
  /** How many lines side by side one stroke of it leaves. */
  readonly strands: number;
}

/** Sheets that colour shapes can lie on; those on the ink are seen on its lines alone. */
export const SHAPE_SHEETS = ["ground", "flats", "shade", "light", "ink", "gloss"] as const;
export const TRIMS = ["coloured", "part"] as const;

/** How colour is mixed with what lies beneath it (W3C Compositing and Blending, Level 1). */
export const BLENDS = [
  "normal",
  "multiply",
  "screen",
  "overlay",
  "darken",
  "lighten",
  "soft-light",
  "hard-light",
  "color-dodge",
  "color-burn",
] as const;
export type Blend = (typeof BLENDS)[number];

export const GRADIENTS = ["linear", "radial", "inward"] as const;
/** The space in which colours between two stops are found. */
export const MIXES = ["oklch", "srgb"] as const;

export interface GradientStop {
  /** 0 to 1 along the gradient. */
  readonly at: number;
  readonly paint: Paint;
  /** 0 to 1. */
  readonly opacity: number;
  /** Where between this stop and the next half of each colour is, above 0 and below 1; half way where left out. */
  readonly middle?: number;
}

/**
 * Colour that changes along a line, from a centre outward or from an outline inward, in page coordinates: it may lie over many
 * things as one.
 */
export interface Gradient {
  /** Things with the same one are changed together. */
  readonly cloth: string;
  readonly kind: (typeof GRADIENTS)[number];
  /** Where the first stop lies; of a radial one its centre, of one inward a place to measure from. */
  readonly from: Point;
  /** Where the last one lies; of a radial one a place on its rim, of one inward as far off as it reaches. */
  readonly to: Point;
  /** Of a radial one: its width across, as a share of that from centre to rim; 1 where left out. */
  readonly ratio?: number;
  /** Of a radial one: where the first stop lies, from the centre towards the rim, below 1; 0 where left out. */
  readonly focus?: number;
  readonly mix: (typeof MIXES)[number];
  readonly stops: readonly GradientStop[];
}

/** A shape of colour: what it covers, in what paint, and how it lies over what is beneath. */
export interface ColourShape {
  readonly id: string;
  readonly rank: number;
  /** Closed chains of cubics in page units. */
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
  readonly paint: Paint;
  readonly opacity: number;
  /** Normal where left out. */
  readonly blend?: Blend;
  /** How far its edge is blurred: the standard deviation in page units. Sharp where left out. */
  readonly soft?: number;
  /** In place of its paint. */
  readonly gradient?: Gradient;
}

/** Colour as a shape of its own, drawn freehand or as it came. */
export interface FlatShape extends ColourShape, InPart {
  readonly name?: string;
  readonly echo?: Echo;
  /** The flats where left out. */
  readonly sheet?: (typeof SHAPE_SHEETS)[number];
  /** Seen only on what is coloured, or only within its part; everywhere where left out. */
  readonly trim?: (typeof TRIMS)[number];
  /** Over its colour, as over that of a pocket. */
  readonly pattern?: Pattern;
}

/** An invisible line that closes a gap. */
export interface Bridge extends InPart {
  readonly id: string;
  readonly points: readonly number[];
  /** Left when a part was made: in the place of a line that was cut off there, or of a join that ink made by touching. */
  readonly left?: "cut" | "join";
  /** Colour of a part behind goes on beyond it: this part's colour runs out over that by a hairline. */
  readonly meets?: true;
}

/** An opening that is meant to stay open, remembered by where it is. */
export interface Declined extends InPart {
  readonly id: string;
  readonly at: Point;
}

/** What a step set by hand differs by from what the ladder makes of it, in OKLCH. */
export interface OwnStep {
  readonly step: number;
  readonly l: number;
  readonly c: number;
  /** Degrees. */
  readonly h: number;
}

/** How the lighter and darker steps of a colour are made (colour/ladder.ts). */
export interface Ladder {
  /** How many there are, the base among them. */
  readonly steps: number;
  /** Degrees by which hue turns with a step of usual size: lights warmer and shadows cooler; below 0 the other way. */
  readonly drift: number;
  /** As many steps each way, closer together where black or white is near. */
  readonly squeezed?: true;
  readonly own?: readonly OwnStep[];
}

export interface Colour {
  readonly id: string;
  readonly rank: number;
  readonly name: string;
  /** #rrggbb, in the first colourway. */
  readonly value: string;
  /** Below 1 what lies beneath shows through. */
  readonly opacity?: number;
  /** The name of the group it stands in. */
  readonly group?: string;
  /** The usual one where left out. */
  readonly ladder?: Ladder;
}

/** One set of values for the tin's colours. What it does not value is as in the first. */
export interface Colourway {
  readonly id: string;
  readonly rank: number;
  readonly name: string;
  /** #rrggbb by the ids of colours; none in the first, whose values the tin holds. */
  readonly values: Readonly<Record<string, string>>;
}

/**
 * How something that lives in a pocket finds it again after the lines have changed: what the pocket was like when it
 * was put there. An anchor without a region is known by its seed alone.
 */
export interface Anchor extends InPart {
  /** A point inside. */
  readonly seed: Point;
  /** Page units squared; 0 where there is no region. */
  readonly area: number;
  /** Ids of the lines around it. */
  readonly lines: readonly string[];
  /** Flattened outline: rings [x, y, …], outer first. */
  readonly region: readonly (readonly number[])[];
}

/** What lives in a pocket. */
export interface Anchored {
  readonly id: string;
  readonly rank: number;
  readonly anchor: Anchor;
}

export const PATTERNS = ["stripes", "checks", "dots", "hatching", "scales", "picture"] as const;

/** A picture that repeats, traced to shapes so that it stays sharp and takes its colours from the tin. */
export interface Tile {
  readonly id: string;
  readonly rank: number;
  readonly name: string;
  /** Its height where its width is 1. */
  readonly ratio: number;
  /** Its tones from the lightest that is painted to the darkest: closed chains of cubics in a space where it is 1 wide. */
  readonly tones: readonly (readonly (readonly number[])[])[];
}

/** Figures that repeat over the colour of a pocket or a shape, in page coordinates: what is of one cloth lies alike. */
export interface Pattern {
  /** Whatever has the same one is changed together. */
  readonly cloth: string;
  readonly kind: (typeof PATTERNS)[number];
  /** Where a figure stands. */
  readonly at: Point;
  /** From one figure to the next, in page units. */
  readonly size: number;
  /** Degrees. */
  readonly turn: number;
  /** How much of the cloth figures take, 0 to 1; of a picture how many of its tones, from the darkest, show. */
  readonly share: number;
  /** Of a picture the id of its tile; each of its tones is painted a step darker than the one before. */
  readonly tile?: string;
  readonly paint: Paint;
}

/** Bands of colour within a pocket that follow one of the lines around it. */
export interface Bands {
  /** The line's id. */
  readonly line: string;
  /** Along this stretch of it (lines/stretch.ts); all of it where left out. */
  readonly along?: { readonly from: number; readonly to: number };
  /** From the line inward; widths in page units. */
  readonly bands: readonly { readonly width: number; readonly paint: Paint }[];
}

/** Shade made from a pocket's outline and the lamp: steps of the ladder of whatever colour the pocket has. */
export interface Form {
  /** How many tones it has, 1 to 3. */
  readonly tones: number;
  /** Steps from one tone to the next; above 0 darker, below 0 lighter. */
  readonly deeper: number;
  /** 0 for flat to 1 for as round as it is wide. */
  readonly roundness: number;
  /** How far it reaches towards the light, 0 to 1. */
  readonly reach: number;
  /** How large a lighter spot is where it faces the lamp, 0 to 1; none where left out. */
  readonly shine?: number;
  /** Ink inside the pocket is a fold that the form goes down to; otherwise it lies on the form. */
  readonly folds?: true;
  /** The pocket is a piece of the form that its whole part has. */
  readonly whole?: true;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}

/** Light along the edge that faces the lamp, or the edge away from it, made as a form is. */
export interface Rim {
  /** Steps of the ladder; below 0 lighter. */
  readonly deeper: number;
  /** Where it is widest, and how far it stays back from the outline; page units. */
  readonly width: number;
  readonly gap: number;
  /** Light from behind: the edge that is turned away. */
  readonly behind?: true;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}

/** The shadow that something throws away from the lamp on what lies beside or behind it. */
export interface Cast {
  /** Steps of the ladder of whatever it falls on. */
  readonly deeper: number;
  /** How high the thing stands above that, in page units: the lower the lamp, the longer the shadow. */
  readonly high: number;
  /** How soft its edge is, as a share of its length; sharp where left out. */
  readonly soft?: number;
}

/** The shadow of all that is drawn on the ground it stands on. */
export interface GroundShadow {
  /** An ellipse at its foot, or its outline laid flat away from the lamp. */
  readonly kind: (typeof GROUND_SHADOWS)[number];
  readonly paint: Paint;
  readonly opacity: number;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}

export const GROUND_SHADOWS = ["ellipse", "flat"] as const;

/** Kinds of light, each of which can be hidden or made fainter wherever it lies. */
export const LIGHTS = ["form", "shine", "rim", "cast", "crease", "drawn"] as const;
export type LightKind = (typeof LIGHTS)[number];

export interface LightSetting {
  readonly visible: boolean;
  /** 0 to 1. */
  readonly strength: number;
}

/** A paint of light that is laid on many pockets: of a tin colour, or so many steps from whatever each pocket has. */
export interface StylePaint {
  /** null for the pocket's own. */
  readonly colour: string | null;
  readonly step: number;
}

export interface StyleStop extends Omit<GradientStop, "paint"> {
  readonly paint: StylePaint;
}

/** All the light of a pocket, to be laid on others: lengths and places in page units from the middle of its box. */
export interface Light {
  /** The width and height of the box it was taken from. */
  readonly size: Point;
  readonly form?: Form;
  readonly rim?: Rim;
  readonly cast?: Cast;
  readonly gradient?: Omit<Gradient, "cloth" | "stops"> & { readonly stops: readonly StyleStop[] };
  readonly shapes: readonly LightShape[];
}

/** A shade drawn by hand, relative to its pocket. */
export interface LightShape extends Pick<ColourShape, "outline" | "evenOdd" | "opacity" | "blend" | "soft"> {
  readonly paint: StylePaint;
}

/** Light with a name, which every pocket that uses it follows. */
export interface LightStyle extends Light {
  readonly id: string;
  readonly rank: number;
  readonly name: string;
}

export const FITS = ["same", "fitted"] as const;

/** How light lies in a pocket that it was not made for. */
export interface Laying {
  /** As large as it was, or as large as the pocket. */
  readonly fit: (typeof FITS)[number];
  readonly mirror?: true;
  /** A little turned, moved and scaled, in each pocket otherwise. */
  readonly vary?: true;
}

export interface StyleUse extends Laying {
  /** The style's id. */
  readonly style: string;
}

/** A line across pockets: on one side of it each is some steps deeper. Where it ends it goes on straight, or runs out. */
export interface Crease extends InPart {
  readonly id: string;
  readonly rank: number;
  /** An open chain of cubics in page units. */
  readonly points: readonly number[];
  /** Which side: 1 for the left hand of whoever walks along it, -1 for the right (light/side-of.ts). */
  readonly side: 1 | -1;
  /** Steps of the ladder; above 0 darker, below 0 lighter. */
  readonly deeper: number;
  /** Where it ends inside a pocket it grows fainter along its direction until nothing of it shows. */
  readonly runsOut?: true;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}

/** Where light comes from. */
export interface Lamp {
  /** In shares of the page's width and height from its corner, so that it stands alike in other drawings. */
  readonly at: Point;
  /** Above the page, as a share of its width. */
  readonly height: number;
  /** So far off that its light comes from one side, that of `at` from the middle of the page. */
  readonly far: boolean;
}

/** Colour put into one pocket. Without paint it remembers that the pocket was left bare on purpose. */
export interface Pour extends Anchored {
  readonly paint: Paint | null;
  /** Nothing is here, and what lies behind the part shows. */
  readonly through?: true;
  /** A spot black: it lies on the ink sheet, in the drawing's ink whatever its paint says. */
  readonly spot?: true;
  /** Colour shapes that its pocket lies in are cut out there; otherwise they go on beneath it. */
  readonly cuts?: true;
  /** Over its paint, as what follows. */
  readonly gradient?: Gradient;
  readonly pattern?: Pattern;
  readonly bands?: Bands;
  /** On the shade sheet, made by the lamp. */
  readonly form?: Form;
  readonly rim?: Rim;
  /** On the pockets around it. */
  readonly cast?: Cast;
  /** All its light that it has not of its own. */
  readonly style?: StyleUse;
}

/** A freehand shape on the shade sheet, trimmed to its pocket. */
export interface Shade extends ColourShape, Anchored {
  readonly kind: "drawn";
  /** Steps of its pocket's own colour, above 0 darker, below 0 lighter, whatever that becomes; its paint counts where it has none. */
  readonly deeper?: number;
}

/** From the bottom up. */
export const SHEETS = ["ground", "flats", "shade", "light", "ink", "gloss"] as const;
export type SheetName = (typeof SHEETS)[number];

export interface Sheet {
  readonly visible: boolean;
  readonly locked: boolean;
  readonly opacity: number;
}

export const UNITS = ["mm", "in"] as const;

export interface Page {
  /** The page in page units. */
  readonly box: Box;
  /** Printed width of the page. */
  readonly width: number;
  readonly unit: (typeof UNITS)[number];
  /** Pixels per inch wanted in pictures. */
  readonly ppi: number;
  /** How far the picture runs on beyond the page where it is printed and cut, in the page's unit; not at all where left out. */
  readonly bleed?: number;
}

/** A rim of paper around all that is drawn, as stickers have; what they enclose is of paper too. */
export interface Sticker {
  readonly paint: Paint;
  /** From the outermost ink or colour outward, in page units. */
  readonly width: number;
}

export interface Drawing {
  readonly name: string;
  readonly page: Page;
  readonly parts: Table<Part>;
  readonly strokes: Table<Stroke>;
  readonly inkShapes: Table<InkShape>;
  readonly nibs: Table<Nib>;
  readonly bridges: Table<Bridge>;
  /** Openings up to this width in page units count as closed; 0 for none. */
  readonly reach: number;
  readonly declined: Table<Declined>;
  readonly tin: Table<Colour>;
  readonly colourways: Table<Colourway>;
  /** The id of the colourway that is seen. */
  readonly shown: string;
  readonly tiles: Table<Tile>;
  readonly styles: Table<LightStyle>;
  readonly pours: Table<Pour>;
  readonly flatShapes: Table<FlatShape>;
  readonly shades: Table<Shade>;
  readonly creases: Table<Crease>;
  readonly sheets: Readonly<Record<SheetName, Sheet>>;
  readonly lamp: Lamp;
  /** What all ink is drawn in that has no colour of its own. */
  readonly ink: Paint;
  /** On the ground; null for none. */
  readonly groundShadow: GroundShadow | null;
  /** Above the ground; null for none. */
  readonly sticker: Sticker | null;
  /** Kinds of light that are not as they begin: seen, at full strength. */
  readonly lights: Readonly<Partial<Record<LightKind, LightSetting>>>;
  /** How strongly all gradients show, 0 to 1. */
  readonly gradientStrength: number;
  /** Beneath the flats, under everything that is enclosed; null for none. */
  readonly undercoat: Paint | null;
  /** Take centre lines alone when looking for pockets; otherwise touching ink counts as joined. */
  readonly strict: boolean;
  /** Whether hidden lines part colours. */
  readonly hiddenWalls: boolean;
  /** Whether the edges of colour shapes on the flats make pockets too. */
  readonly shapeWalls: boolean;
}

const lists = new WeakMap<object, readonly unknown[]>();

/** What is in a table that nobody changes any more; a large one is slow to list, so it is listed once. */
export function entitiesOf<T>(table: Table<T>): readonly T[] {
  const known = lists.get(table) as readonly T[] | undefined;
  if (known) return known;
  const list = Object.values(table);
  lists.set(table, list);
  return list;
}

export const ranked = <T extends { readonly rank: number }>(table: Table<T>): T[] =>
  Object.values(table).sort((a, b) => a.rank - b.rank);

export const topRank = (table: Table<{ readonly rank: number }>): number =>
  Object.values(table).reduce((top, { rank }) => Math.max(top, rank), 0);

export const MM_PER_INCH = 25.4;

export const widthInInches = (page: Page): number =>
  page.unit === "in" ? page.width : page.width / MM_PER_INCH;

/** The bleed in page units. */
export const bleedOf = ({ bleed = 0, box, width }: Page): number => (bleed * box.width) / width;

/** Pixels of a picture of the page at a number of pixels per inch. */
export function pixelsOf(page: Page, ppi: number): { width: number; height: number } {
  const width = Math.max(1, Math.round(widthInInches(page) * ppi));
  return { width, height: Math.max(1, Math.round((width * page.box.height) / page.box.width)) };
}
