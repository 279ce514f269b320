/** What everything lies on: the page, its sheets and parts, and a rim of paper around it all. */
import {
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsPositive,
  IsString,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import type { Box } from "../../geometry/point.ts";
import { isPageBox, LONGEST_NAME, PAGE_SIDE } from "../bounds.ts";
import { Nested, rules } from "../checked.ts";
import { SHEETS, type SheetName, UNITS } from "../kinds.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { Cast } from "./light.ts";
import { Ranked } from "./ranked.ts";
import { FINITE, rule } from "./rule.ts";

class PageBox implements Box {
  readonly x!: number;
  readonly y!: number;
  readonly width!: number;
  readonly height!: number;
}
rules(PageBox, Object, {
  x: [IsNumber(FINITE)],
  y: [IsNumber(FINITE)],
  width: [IsPositive()],
  height: [IsPositive()],
});

const IsPageBox = rule("isPageBox", (value) => isPageBox(value as Box));

/** A page of another size would be another picture. */
const NOT_BROUGHT = { context: { bring: () => undefined } };

export class Page {
  /** The page in page units. */
  readonly box!: Box;
  /** Printed width of the page. */
  readonly width!: number;
  readonly unit!: (typeof UNITS)[number];
  /** Pixels per inch wanted in pictures. */
  readonly ppi!: number;
  /** How far the picture runs on beyond the page where it is printed and cut, in the page's unit; not at all where left out. */
  readonly bleed?: number;
}
rules(Page, Object, {
  box: [IsDefined(), Nested(() => PageBox), IsPageBox()],
  width: [IsPositive(), Max(PAGE_SIDE.most, NOT_BROUGHT)],
  unit: [IsIn(UNITS)],
  ppi: [IsInt(), Min(1), Max(2400)],
  bleed: [IsOptional(), Min(0), Max(PAGE_SIDE.most)],
});

export class Sheet {
  readonly visible!: boolean;
  readonly locked!: boolean;
  readonly opacity!: number;
}
rules(Sheet, Object, {
  visible: [IsBoolean()],
  locked: [IsBoolean()],
  opacity: [Min(0), Max(1)],
});

/** A sheet as files have it. */
export class FiledSheet extends Sheet {
  readonly name!: SheetName;
}
rules(FiledSheet, Sheet, {
  name: [IsIn(SHEETS)],
});

/** A piece of the drawing with lines and colour of its own; it hides what lies behind it. Ranks go from the back to the front. */
export class Part extends Ranked {
  readonly name!: string;
  readonly visible!: boolean;
  readonly locked!: boolean;
  /** Falls on the parts behind it. */
  readonly cast?: Cast;
}
rules(Part, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  visible: [IsBoolean()],
  locked: [IsBoolean()],
  cast: [IsOptional(), Nested(() => Cast)],
});

/** A rim of paper around all that is drawn, as stickers have; what they enclose is of paper too. */
export class Sticker {
  readonly paint!: Paint;
  /** From the outermost ink or colour outward, in page units. */
  readonly width!: number;
}
rules(Sticker, Object, {
  paint: [IsDefined(), IsObject(), IsPaint()],
  width: [IsPositive(), Max(PAGE_SIDE.most)],
});
