/** What repeats over colour, or follows a line. */
import { ArrayMaxSize, IsDefined, IsIn, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";
import type { Point } from "../../geometry/point.ts";
import { LONGEST_NAME, MOST_BANDS } from "../bounds.ts";
import { Nested, rules } from "../checked.ts";
import { PATTERNS } from "../kinds.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { Ranked } from "./ranked.ts";
import { everyOne, IsLength, IsNameOf, IsPlace, IsRecords, isChain, Means, rule } from "./rule.ts";

/** Lists of chains, of which some may be empty. */
const AreTones = rule(
  "areTones",
  everyOne((tone) => Array.isArray(tone) && tone.every(isChain)),
);

/** A picture that repeats, traced to shapes so that it stays sharp and takes its colours from the tin. */
export class Tile extends Ranked {
  readonly name!: string;
  /** Its height where its width is 1. */
  readonly ratio!: number;
  /** Its tones from the lightest that is painted to the darkest: closed chains of cubics in a space where it is 1 wide. */
  readonly tones!: readonly (readonly (readonly number[])[])[];
}
rules(Tile, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  ratio: [Min(0.01), Max(100)],
  tones: [AreTones()],
});

/** Figures that repeat over the colour of a pocket or a shape, in page coordinates: what is of one cloth lies alike. */
export class Pattern {
  /** Whatever has the same one is changed together. */
  readonly cloth!: string;
  readonly kind!: (typeof PATTERNS)[number];
  /** Where a figure stands. */
  readonly at!: Point;
  /** From one figure to the next, in page units. */
  readonly size!: number;
  /** Degrees. */
  readonly turn!: number;
  /** How much of the cloth figures take, 0 to 1; of a picture how many of its tones, from the darkest, show. */
  readonly share!: number;
  /** Of a picture the id of its tile; each of its tones is painted a step darker than the one before. */
  readonly tile?: string;
  readonly paint!: Paint;
}
rules(Pattern, Object, {
  cloth: [IsNameOf("cloth")],
  kind: [IsIn(PATTERNS)],
  at: [IsPlace()],
  size: [IsLength()],
  turn: [Min(-360), Max(360), Means("turn")],
  share: [Min(0), Max(1)],
  tile: [IsOptional(), IsNameOf("tile")],
  paint: [IsDefined(), IsPaint()],
});

export class Band {
  /** In page units. */
  readonly width!: number;
  readonly paint!: Paint;
}
rules(Band, Object, {
  width: [IsLength()],
  paint: [IsDefined(), IsPaint()],
});

/** A stretch of a line (lines/stretch.ts). */
export class Along {
  readonly from!: number;
  readonly to!: number;
}
rules(Along, Object, {
  from: [Min(0), Max(1)],
  to: [Min(0), Max(2)],
});

/** Bands of colour within a pocket that follow one of the lines around it. */
export class Bands {
  /** The line's id. */
  readonly line!: string;
  /** All of the line where left out. */
  readonly along?: Along;
  /** From the line inward. */
  readonly bands!: readonly Band[];
}
rules(Bands, Object, {
  line: [IsNameOf("line")],
  along: [IsOptional(), Nested(() => Along)],
  bands: [IsRecords(), ArrayMaxSize(MOST_BANDS), Nested(() => Band, true)],
});
