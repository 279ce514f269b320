/** What a person has chosen about the desk itself: kept on this device beside the drawings, and never part of one. */
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Max,
  Min,
} from "class-validator";
import { broughtIn, Nested, rules } from "#core/drawing/checked.ts";
import { EVEN_CURVE, type PressureCurve } from "#core/lines/pen.ts";

export const FRAMES = ["system", "light", "dark"] as const;
export const TARGETS = ["device", "fine", "touch"] as const;
export const SIDES = ["right", "left"] as const;
export const MATS = ["light", "middle", "dark"] as const;
/** Of the usual size of the interface's text. */
export const TEXT_SIZES = [1, 1.15, 1.3, 1.5] as const;

/** What is done by the button on a pen, and by its other end. */
export const PEN_BUTTONS = ["menu", "rub", "dip", "move"] as const;
/** What a finger does where a pen is in use. */
export const BESIDE_PEN = ["move", "nothing"] as const;
/** Where keys to be held stand on the screen. */
export const HELD_KEYS = ["device", "shown", "hidden"] as const;

/** The guided spot that was begun: its drawing, whether it is shown, and by name the steps that were passed over. */
export class GuidedSpot {
  readonly drawing!: string;
  readonly open!: boolean;
  readonly passed!: readonly string[];
}
rules(GuidedSpot, Object, {
  drawing: [IsString()],
  open: [IsBoolean()],
  passed: [IsArray(), IsString({ each: true })],
});

export class Prefs {
  /** How light everything around the drawing is. */
  readonly frame!: (typeof FRAMES)[number];
  readonly mat!: (typeof MATS)[number];
  readonly textSize!: (typeof TEXT_SIZES)[number];
  /** Whether controls are large enough for fingers: as the device has fingers, or by choice. */
  readonly targets!: (typeof TARGETS)[number];
  /** The hand that draws; for the left one the desk is mirrored. */
  readonly hand!: (typeof SIDES)[number];
  /** Strengths, 0 to 1, that no, half and full pressure come to (core/lines/pen.ts). */
  readonly pressure!: PressureCurve;
  readonly barrel!: (typeof PEN_BUTTONS)[number];
  readonly eraser!: (typeof PEN_BUTTONS)[number];
  readonly besidePen!: (typeof BESIDE_PEN)[number];
  /** Whether the way a pen leans turns a flat nib. */
  readonly flatNib!: boolean;
  /** Shift, Alt and dipping as keys on the screen. */
  readonly heldKeys!: (typeof HELD_KEYS)[number];
  /** Keys of one's own, by what they do (desk/keys/own-keys.ts). */
  readonly keys!: Readonly<Record<string, string>>;
  /** Whether what a tray has no room for stands open above it. */
  readonly trayOpen!: boolean;
  readonly guided?: GuidedSpot;
}
rules(Prefs, Object, {
  frame: [IsOptional(), IsIn(FRAMES)],
  mat: [IsOptional(), IsIn(MATS)],
  textSize: [IsOptional(), IsIn(TEXT_SIZES)],
  targets: [IsOptional(), IsIn(TARGETS)],
  hand: [IsOptional(), IsIn(SIDES)],
  pressure: [
    IsOptional(),
    IsNumber({}, { each: true }),
    Min(0, { each: true }),
    Max(1, { each: true }),
    ArrayMinSize(3),
    ArrayMaxSize(3),
  ],
  barrel: [IsOptional(), IsIn(PEN_BUTTONS)],
  eraser: [IsOptional(), IsIn(PEN_BUTTONS)],
  besidePen: [IsOptional(), IsIn(BESIDE_PEN)],
  flatNib: [IsOptional(), IsBoolean()],
  heldKeys: [IsOptional(), IsIn(HELD_KEYS)],
  keys: [IsOptional(), IsObject()],
  trayOpen: [IsOptional(), IsBoolean()],
  guided: [IsOptional(), Nested(() => GuidedSpot)],
});

export const USUAL: Prefs = {
  frame: "system",
  mat: "light",
  textSize: 1,
  targets: "device",
  hand: "right",
  pressure: EVEN_CURVE,
  barrel: "menu",
  eraser: "rub",
  besidePen: "move",
  flatNib: false,
  heldKeys: "device",
  keys: {},
  trayOpen: false,
};

/** Kept choices as far as they can be used, the usual ones for the rest. */
export const prefsFrom = (kept: unknown): Prefs => ({ ...USUAL, ...broughtIn(Prefs, kept)?.value });
