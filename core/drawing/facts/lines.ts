/** What is drawn in ink, and what closes the gaps between it or leaves them open. */
import {
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import type { Point } from "../../geometry/point.ts";
import { FARTHEST_STEP, LARGEST, LONGEST_NAME, LONGEST_TITLE, MOST_DASHES } from "../bounds.ts";
import { Nested, rules } from "../checked.ts";
import { CAPS, ECHOES, type Echo, HOLDS, JOINS } from "../kinds.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { Ranked } from "./ranked.ts";
import {
  areNumbers,
  IsChain,
  IsChains,
  IsId,
  IsLength,
  IsNameOf,
  IsPlace,
  IsProfile,
  IsTrue,
  Means,
  rule,
} from "./rule.ts";

const IsDashes = rule(
  "isDashes",
  (value) =>
    areNumbers(value) &&
    value.length <= MOST_DASHES &&
    value.every((n) => n >= 0) &&
    value.some((n) => n > 0),
  (value) => (Array.isArray(value) ? value.slice(0, MOST_DASHES) : undefined),
);

/** A line that takes its colour from what lies beside it. */
export class Hold {
  readonly by!: (typeof HOLDS)[number];
  /** So many steps of the ladder deeper. */
  readonly deeper!: number;
}
rules(Hold, Object, {
  by: [IsIn(HOLDS)],
  deeper: [IsInt(), Min(-FARTHEST_STEP), Max(FARTHEST_STEP)],
});

/** What everything drawn in ink has. */
class Inked extends Ranked {
  readonly part?: string;
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
  /** Replaces its own colour, where there is a colour beside it. */
  readonly hold?: Hold;
}
rules(Inked, Ranked, {
  part: [IsOptional(), IsId()],
  echo: [IsOptional(), IsIn(ECHOES)],
  hidden: [IsOptional(), IsTrue()],
  locked: [IsOptional(), IsTrue()],
  name: [IsOptional(), IsString(), MaxLength(LONGEST_TITLE)],
  groups: [IsOptional(), IsArray(), IsString({ each: true })],
  paint: [IsOptional(), IsPaint()],
  hold: [IsOptional(), Nested(() => Hold)],
});

/** Which stretch of a line was cut for a part, by length; both ends may pass 1. */
export class Cut {
  /** The line's id. */
  readonly of!: string;
  readonly from!: number;
  readonly to!: number;
}
rules(Cut, Object, {
  of: [IsNameOf("line")],
  from: [Min(0), Max(2)],
  to: [Min(0), Max(3)],
});

/**
 * Width along a line: flat pairs [place, share, …], places from 0 to 1 of its length in rising order, shares of its
 * width; straight between them.
 */
export type Profile = readonly number[];

export class Stroke extends Inked {
  /** A chain of cubics (geometry/cubic.ts) in page units; a closed one ends where it starts. */
  readonly points!: readonly number[];
  readonly closed!: boolean;
  /** Ink width in page units, where profile and nib are at their full share. */
  readonly width!: number;
  /** Its own width along the line, from the hand's pressure or a scan; even when left out. */
  readonly profile?: Profile;
  /** For a piece of a line that was cut for a part. */
  readonly cut?: Cut;
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
rules(Stroke, Inked, {
  points: [IsChain()],
  closed: [IsBoolean()],
  width: [IsLength()],
  profile: [IsOptional(), IsProfile()],
  cut: [IsOptional(), Nested(() => Cut)],
  nib: [IsOptional(), IsNameOf("nib")],
  cap: [IsOptional(), IsIn(CAPS)],
  join: [IsOptional(), IsIn(JOINS)],
  miterLimit: [IsOptional(), Min(1), Max(LARGEST)],
  dash: [IsOptional(), IsDashes(), Means("lengths")],
  dashOffset: [IsOptional(), Min(-LARGEST), Max(LARGEST), Means("length")],
});

/** Ink as a filled shape: closed chains of cubics in page units. */
export class InkShape extends Inked {
  readonly outline!: readonly (readonly number[])[];
  readonly evenOdd!: boolean;
}
rules(InkShape, Inked, {
  outline: [IsChains()],
  evenOdd: [IsBoolean()],
});

/** A width profile that every stroke drawn with it follows. */
export class Nib extends Ranked {
  readonly name!: string;
  readonly profile!: Profile;
  /** How many lines side by side one stroke of it leaves. */
  readonly strands!: number;
}
rules(Nib, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  profile: [IsProfile()],
  strands: [IsInt(), Min(1), Max(9)],
});

/** An invisible line that closes a gap. */
export class Bridge {
  readonly id!: string;
  readonly part?: string;
  readonly points!: readonly number[];
  /** Left when a part was made: in the place of a line that was cut off there, or of a join that ink made by touching. */
  readonly left?: "cut" | "join";
  /** Colour of a part behind goes on beyond it: this part's colour runs out over that by a hairline. */
  readonly meets?: true;
}
rules(Bridge, Object, {
  id: [IsId()],
  part: [IsOptional(), IsId()],
  points: [IsChain(), ArrayMinSize(8)],
  left: [IsOptional(), IsIn(["cut", "join"])],
  meets: [IsOptional(), IsTrue()],
});

/** An opening that is meant to stay open, remembered by where it is. */
export class Declined {
  readonly id!: string;
  readonly part?: string;
  readonly at!: Point;
}
rules(Declined, Object, {
  id: [IsId()],
  part: [IsOptional(), IsId()],
  at: [IsPlace()],
});
