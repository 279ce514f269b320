/** The tin: colours, how their ladders are made, and the values they have in each colourway. */
import { IsInt, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";
import { FARTHEST_STEP, FEWEST_STEPS, LONGEST_NAME, MOST_DRIFT, MOST_STEPS } from "../bounds.ts";
import { Nested, rules } from "../checked.ts";
import { Ranked } from "./ranked.ts";
import { IsId, IsRecords, IsTrue, Means, rule, together } from "./rule.ts";

const isColour = (value: unknown): boolean => typeof value === "string" && /^#[0-9a-f]{6}$/i.test(value);

/** #rrggbb. */
const IsColour = rule("isColour", isColour, (value) => {
  const short = typeof value === "string" && /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i.exec(value)?.[1];
  if (!short) return undefined;
  return `#${(short.length === 3 ? [...short].map((digit) => digit + digit).join("") : short).toLowerCase()}`;
});

/** A tin colour, or one of its ladder's steps: negative is darker, positive lighter, 0 the base. */
export class Paint {
  readonly colour!: string;
  readonly step!: number;
}
rules(Paint, Object, {
  colour: [IsId()],
  step: [IsInt(), Min(-FARTHEST_STEP), Max(FARTHEST_STEP)],
});

export const IsPaint = () =>
  together(
    Nested(() => Paint),
    Means("paint"),
  );

/** What a step set by hand differs by from what the ladder makes of it, in OKLCH. */
export class OwnStep {
  readonly step!: number;
  readonly l!: number;
  readonly c!: number;
  /** Degrees. */
  readonly h!: number;
}
rules(OwnStep, Object, {
  step: [IsInt(), Min(-FARTHEST_STEP), Max(FARTHEST_STEP)],
  l: [Min(-1), Max(1)],
  c: [Min(-1), Max(1)],
  h: [Min(-360), Max(360)],
});

/** How the lighter and darker steps of a colour are made (colour/ladder.ts). */
export class Ladder {
  /** How many there are, the base among them. */
  readonly steps!: number;
  /** Degrees by which hue turns with a step of usual size: lights warmer and shadows cooler; below 0 the other way. */
  readonly drift!: number;
  /** As many steps each way, closer together where black or white is near. */
  readonly squeezed?: true;
  readonly own?: readonly OwnStep[];
}
rules(Ladder, Object, {
  steps: [IsInt(), Min(FEWEST_STEPS), Max(MOST_STEPS)],
  drift: [Min(-MOST_DRIFT), Max(MOST_DRIFT)],
  squeezed: [IsOptional(), IsTrue()],
  own: [IsOptional(), IsRecords(), Nested(() => OwnStep, true)],
});

export class Colour extends Ranked {
  readonly name!: string;
  /** #rrggbb, in the first colourway. */
  readonly value!: string;
  /** Below 1 what lies beneath shows through. */
  readonly opacity?: number;
  /** The name of the group it stands in. */
  readonly group?: string;
  /** The usual one where left out. */
  readonly ladder?: Ladder;
}
rules(Colour, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  value: [IsColour()],
  opacity: [IsOptional(), Min(0), Max(1)],
  group: [IsOptional(), IsString(), MaxLength(LONGEST_NAME)],
  ladder: [IsOptional(), Nested(() => Ladder)],
});

/** A colour as files have it. */
export class FiledColour extends Colour {
  /** In SVG facts, what it goes by in the file's classes (scene/palette.ts). */
  readonly variable?: string;
}
rules(FiledColour, Colour, {
  variable: [IsOptional(), IsString(), MaxLength(LONGEST_NAME)],
});

const AreValues = rule(
  "areValues",
  (value) =>
    typeof value === "object" &&
    value !== null &&
    !Array.isArray(value) &&
    Object.values(value).every((one) => isColour(one)),
);

/** One set of values for the tin's colours. What it does not value is as in the first. */
export class Colourway extends Ranked {
  readonly name!: string;
  /** #rrggbb by the ids of colours; none in the first, whose values the tin holds. */
  readonly values!: Readonly<Record<string, string>>;
}
rules(Colourway, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  values: [AreValues()],
});
