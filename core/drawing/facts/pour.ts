import { IsDefined, IsObject, IsOptional } from "class-validator";
import { Nested, rules } from "../checked.ts";
import { Anchor } from "./anchor.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { Gradient } from "./gradients.ts";
import { Cast, Form, Rim, StyleUse } from "./light.ts";
import { Bands, Pattern } from "./patterns.ts";
import { Ranked } from "./ranked.ts";
import { IsTrue } from "./rule.ts";

/** Colour put into one pocket. Without paint it remembers that the pocket was left bare on purpose. */
export class Pour extends Ranked {
  readonly anchor!: Anchor;
  readonly paint!: Paint | null;
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
  /** The style from which it has all light that is not its own. */
  readonly style?: StyleUse;
}
rules(Pour, Ranked, {
  anchor: [IsDefined(), IsObject(), Nested(() => Anchor)],
  paint: [IsOptional(), IsPaint()],
  through: [IsOptional(), IsTrue()],
  spot: [IsOptional(), IsTrue()],
  cuts: [IsOptional(), IsTrue()],
  gradient: [IsOptional(), Nested(() => Gradient)],
  pattern: [IsOptional(), Nested(() => Pattern)],
  bands: [IsOptional(), Nested(() => Bands)],
  form: [IsOptional(), Nested(() => Form)],
  rim: [IsOptional(), Nested(() => Rim)],
  cast: [IsOptional(), Nested(() => Cast)],
  style: [IsOptional(), Nested(() => StyleUse)],
});
