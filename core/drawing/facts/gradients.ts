/** Colour that changes along a line, from a centre outward or from an outline inward. */
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsDefined,
  IsIn,
  IsOptional,
  IsPositive,
  Max,
  Min,
} from "class-validator";
import type { Point } from "../../geometry/point.ts";
import { MOST_STOPS } from "../bounds.ts";
import { Nested, type RecordClass, rules } from "../checked.ts";
import { GRADIENTS, MIXES } from "../kinds.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { IsNameOf, IsPlace, IsRecords, together } from "./rule.ts";

/** Where a gradient has a colour, whatever that is. */
export class Stop {
  /** 0 to 1 along the gradient. */
  readonly at!: number;
  /** 0 to 1. */
  readonly opacity!: number;
  /** Where between this stop and the next half of each colour is, above 0 and below 1; half way where left out. */
  readonly middle?: number;
}
rules(Stop, Object, {
  at: [Min(0), Max(1)],
  opacity: [Min(0), Max(1)],
  middle: [IsOptional(), Min(0.01), Max(0.99)],
});

export class GradientStop extends Stop {
  readonly paint!: Paint;
}
rules(GradientStop, Stop, {
  paint: [IsDefined(), IsPaint()],
});

export const AreStops = (record: () => RecordClass): PropertyDecorator =>
  together(IsRecords(), ArrayMinSize(2), ArrayMaxSize(MOST_STOPS), Nested(record, true));

/** How a gradient runs, whatever its colours, in page units. */
export class Run {
  readonly kind!: (typeof GRADIENTS)[number];
  /** Where the first stop lies; of a radial one its centre, of one inward a place to measure from. */
  readonly from!: Point;
  /** Where the last one lies; of a radial one a place on its rim, of one inward as far off as it reaches. */
  readonly to!: Point;
  /** Of a radial one: its width across, as a share of that from centre to rim; 1 where left out. */
  readonly ratio?: number;
  /** Of a radial one: where the first stop lies, from the centre towards the rim, below 1; 0 where left out. */
  readonly focus?: number;
  readonly mix!: (typeof MIXES)[number];
}
rules(Run, Object, {
  kind: [IsIn(GRADIENTS)],
  from: [IsPlace()],
  to: [IsPlace()],
  ratio: [IsOptional(), IsPositive(), Max(1000)],
  focus: [IsOptional(), Min(0), Max(0.99)],
  mix: [IsIn(MIXES)],
});

/** In page coordinates: it may lie over many things as one. */
export class Gradient extends Run {
  /** Things with the same one are changed together. */
  readonly cloth!: string;
  readonly stops!: readonly GradientStop[];
}
rules(Gradient, Run, {
  cloth: [IsNameOf("cloth")],
  stops: [AreStops(() => GradientStop)],
});
