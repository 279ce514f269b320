/** Colour as shapes of its own, free or trimmed to a pocket. */
import {
  Equals,
  IsDefined,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import { DEEPEST_LIGHT, LONGEST_TITLE } from "../bounds.ts";
import { Nested, rules } from "../checked.ts";
import { ECHOES, type Echo, SHAPE_SHEETS, TRIMS } from "../kinds.ts";
import { Anchor } from "./anchor.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { Covering } from "./covering.ts";
import { Gradient } from "./gradients.ts";
import { Pattern } from "./patterns.ts";
import { RANKED_RULES, type Ranked } from "./ranked.ts";
import { IsId } from "./rule.ts";

/** A shape of colour with its paint. */
export class ColourShape extends Covering implements Ranked {
  readonly id!: string;
  readonly rank!: number;
  readonly paint!: Paint;
  /** In place of its paint. */
  readonly gradient?: Gradient;
}
rules(ColourShape, Covering, {
  ...RANKED_RULES,
  paint: [IsDefined(), IsPaint()],
  gradient: [IsOptional(), Nested(() => Gradient)],
});

/** Colour as a shape of its own, drawn freehand or as it came. */
export class FlatShape extends ColourShape {
  readonly part?: string;
  readonly echo?: Echo;
  readonly name?: string;
  /** The flats where left out. */
  readonly sheet?: (typeof SHAPE_SHEETS)[number];
  /** Seen only on what is coloured, or only within its part; everywhere where left out. */
  readonly trim?: (typeof TRIMS)[number];
  /** Over its colour, as over that of a pocket. */
  readonly pattern?: Pattern;
}
rules(FlatShape, ColourShape, {
  part: [IsOptional(), IsId()],
  echo: [IsOptional(), IsIn(ECHOES)],
  name: [IsOptional(), IsString(), MaxLength(LONGEST_TITLE)],
  sheet: [IsOptional(), IsIn(SHAPE_SHEETS)],
  trim: [IsOptional(), IsIn(TRIMS)],
  pattern: [IsOptional(), Nested(() => Pattern)],
});

/** A freehand shape on the shade sheet, trimmed to its pocket. */
export class Shade extends ColourShape {
  readonly anchor!: Anchor;
  readonly kind!: "drawn";
  /** Steps of its pocket's own colour, above 0 darker, below 0 lighter, whatever that becomes; its paint counts where it has none. */
  readonly deeper?: number;
}
rules(Shade, ColourShape, {
  anchor: [IsDefined(), IsObject(), Nested(() => Anchor)],
  kind: [Equals("drawn")],
  deeper: [IsOptional(), Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
});
