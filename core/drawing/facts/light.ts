/** Light: the lamp, what it makes, creases, and styles that many pockets follow. */
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import type { Point } from "../../geometry/point.ts";
import {
  DEEPEST_LIGHT,
  FARTHEST_LAMP,
  FARTHEST_STEP,
  isId,
  LARGEST,
  LONGEST_NAME,
  LOWEST_LAMP,
} from "../bounds.ts";
import { Nested, rules } from "../checked.ts";
import { FITS, GROUND_SHADOWS, type LightKind } from "../kinds.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { Covering } from "./covering.ts";
import { AreStops, Run, Stop } from "./gradients.ts";
import { Ranked } from "./ranked.ts";
import { IsChain, IsId, IsLength, IsNameOf, IsPair, IsRecords, IsTrue, Means, rule } from "./rule.ts";

/** Where light comes from. */
export class Lamp {
  /** In shares of the page's width and height from its corner, so that it stands alike in other drawings. */
  readonly at!: Point;
  /** Above the page, as a share of its width. */
  readonly height!: number;
  /** So far off that its light comes from one side, that of `at` from the middle of the page. */
  readonly far!: boolean;
}
rules(Lamp, Object, {
  at: [
    IsArray(),
    ArrayMinSize(2),
    ArrayMaxSize(2),
    Min(-FARTHEST_LAMP, { each: true }),
    Max(FARTHEST_LAMP, { each: true }),
  ],
  height: [Min(LOWEST_LAMP), Max(FARTHEST_LAMP)],
  far: [IsBoolean()],
});

/** Shade made from a pocket's outline and the lamp: steps of the ladder of whatever colour the pocket has. */
export class Form {
  /** How many tones it has, 1 to 3. */
  readonly tones!: number;
  /** Steps from one tone to the next; above 0 darker, below 0 lighter. */
  readonly deeper!: number;
  /** 0 for flat to 1 for as round as it is wide. */
  readonly roundness!: number;
  /** How far it reaches towards the light, 0 to 1. */
  readonly reach!: number;
  /** How large a lighter spot is where it faces the lamp, 0 to 1; none where left out. */
  readonly shine?: number;
  /** Ink inside the pocket is a fold that the form goes down to; otherwise it lies on the form. */
  readonly folds?: true;
  /** The pocket shares one form with the whole of its part. */
  readonly whole?: true;
  /** The pockets of its part whose forms have the same name here share one, inferred from the outline around them all. */
  readonly cloth?: string;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}
rules(Form, Object, {
  tones: [Min(1), Max(3), IsInt()],
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  roundness: [Min(0), Max(1)],
  reach: [Min(0), Max(1)],
  shine: [IsOptional(), Min(0), Max(1)],
  folds: [IsOptional(), IsTrue()],
  whole: [IsOptional(), IsTrue()],
  cloth: [IsOptional(), IsNameOf("cloth")],
  soft: [IsOptional(), IsLength()],
});

/** Light along the edge that faces the lamp, or the edge away from it, made as a form is. */
export class Rim {
  /** Steps of the ladder; below 0 lighter. */
  readonly deeper!: number;
  /** Where it is widest, and how far it stays back from the outline; page units. */
  readonly width!: number;
  readonly gap!: number;
  /** Light from behind: the edge that is turned away. */
  readonly behind?: true;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}
rules(Rim, Object, {
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  width: [IsLength()],
  gap: [Min(0), Max(LARGEST), Means("length")],
  behind: [IsOptional(), IsTrue()],
  soft: [IsOptional(), IsLength()],
});

/** The shadow that something throws away from the lamp on what lies beside or behind it. */
export class Cast {
  /** Steps of the ladder of whatever it falls on. */
  readonly deeper!: number;
  /** How high the thing stands above that, in page units: the lower the lamp, the longer the shadow. */
  readonly high!: number;
  /** How soft its edge is, as a share of its length; sharp where left out. */
  readonly soft?: number;
}
rules(Cast, Object, {
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  high: [IsLength()],
  soft: [IsOptional(), Min(0), Max(1)],
});

/** The shadow of all that is drawn on the ground it stands on. */
export class GroundShadow {
  readonly kind!: (typeof GROUND_SHADOWS)[number];
  readonly paint!: Paint;
  readonly opacity!: number;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}
rules(GroundShadow, Object, {
  kind: [IsIn(GROUND_SHADOWS)],
  paint: [IsDefined(), IsPaint()],
  opacity: [Min(0), Max(1)],
  soft: [IsOptional(), IsLength()],
});

/** A line across pockets: on one side of it each is some steps deeper. Where it ends it goes on straight, or runs out. */
export class Crease extends Ranked {
  readonly part?: string;
  /** An open chain of cubics in page units. */
  readonly points!: readonly number[];
  /** Which side: 1 for the left hand of whoever walks along it, -1 for the right (light/side-of.ts). */
  readonly side!: 1 | -1;
  /** Steps of the ladder; above 0 darker, below 0 lighter. */
  readonly deeper!: number;
  /** Where it ends inside a pocket it fades out along its direction. */
  readonly runsOut?: true;
  /** The standard deviation of its edge's blur in page units; sharp where left out. */
  readonly soft?: number;
}
rules(Crease, Ranked, {
  part: [IsOptional(), IsId()],
  points: [IsChain(), ArrayMinSize(8)],
  side: [IsIn([1, -1]), Means("side")],
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  runsOut: [IsOptional(), IsTrue()],
  soft: [IsOptional(), IsLength()],
});

export class LightSetting {
  readonly visible!: boolean;
  /** 0 to 1. */
  readonly strength!: number;
}
rules(LightSetting, Object, {
  visible: [IsBoolean()],
  strength: [Min(0), Max(1)],
});

/** The kinds of light that are not as they begin: all begin seen, at full strength. */
export class Lights implements Partial<Record<LightKind, LightSetting>> {
  readonly form?: LightSetting;
  readonly shine?: LightSetting;
  readonly rim?: LightSetting;
  readonly cast?: LightSetting;
  readonly crease?: LightSetting;
  readonly drawn?: LightSetting;
}
const SET = [IsOptional(), Nested(() => LightSetting)];
rules(Lights, Object, { form: SET, shine: SET, rim: SET, cast: SET, crease: SET, drawn: SET });

const IsIdOrNull = rule("isIdOrNull", (value) => value === null || isId(value));

/** A paint of light that is laid on many pockets: of a tin colour, or so many steps from whatever each pocket has. */
export class StylePaint {
  /** null for the pocket's own. */
  readonly colour!: string | null;
  readonly step!: number;
}
rules(StylePaint, Object, {
  colour: [IsIdOrNull()],
  step: [IsInt(), Min(-2 * FARTHEST_STEP), Max(2 * FARTHEST_STEP)],
});

export class StyleStop extends Stop {
  readonly paint!: StylePaint;
}
rules(StyleStop, Stop, {
  paint: [IsDefined(), Nested(() => StylePaint)],
});

export class StyleGradient extends Run {
  readonly stops!: readonly StyleStop[];
}
rules(StyleGradient, Run, {
  stops: [AreStops(() => StyleStop)],
});

/** A shade drawn by hand, relative to its pocket. */
export class LightShape extends Covering {
  readonly paint!: StylePaint;
}
rules(LightShape, Covering, {
  paint: [IsDefined(), Nested(() => StylePaint)],
});

/** All the light of a pocket with a name, to be laid on others, which follow it. */
export class LightStyle extends Ranked {
  readonly name!: string;
  /** The width and height of the box it was taken from; lengths and places are in page units from the middle of that. */
  readonly size!: Point;
  readonly form?: Form;
  readonly rim?: Rim;
  readonly cast?: Cast;
  readonly gradient?: StyleGradient;
  readonly shapes!: readonly LightShape[];
}
rules(LightStyle, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  size: [IsPair()],
  form: [IsOptional(), Nested(() => Form)],
  rim: [IsOptional(), Nested(() => Rim)],
  cast: [IsOptional(), Nested(() => Cast)],
  gradient: [IsOptional(), Nested(() => StyleGradient)],
  shapes: [IsRecords(), Nested(() => LightShape, true)],
});

/** The same without a name, for once. */
export type Light = Omit<LightStyle, "id" | "rank" | "name">;

/** How light lies in a pocket that it was not made for. */
export class Laying {
  readonly fit!: (typeof FITS)[number];
  readonly mirror?: true;
  /** A little turned, moved and scaled, differently in each pocket. */
  readonly vary?: true;
}
rules(Laying, Object, {
  fit: [IsIn(FITS)],
  mirror: [IsOptional(), IsTrue()],
  vary: [IsOptional(), IsTrue()],
});

export class StyleUse extends Laying {
  /** The style's id. */
  readonly style!: string;
}
rules(StyleUse, Laying, {
  style: [IsNameOf("style")],
});
