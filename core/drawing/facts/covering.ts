import { IsBoolean, IsIn, IsOptional, Max, Min } from "class-validator";
import { rules } from "../checked.ts";
import { BLENDS, type Blend } from "../kinds.ts";
import { IsChains, IsLength } from "./rule.ts";

/** What a shape of colour covers, and how it lies over what is beneath. */
export class Covering {
  /** Closed chains of cubics in page units. */
  readonly outline!: readonly (readonly number[])[];
  readonly evenOdd!: boolean;
  readonly opacity!: number;
  /** Normal where left out. */
  readonly blend?: Blend;
  /** How far its edge is blurred: the standard deviation in page units. Sharp where left out. */
  readonly soft?: number;
}
rules(Covering, Object, {
  outline: [IsChains()],
  evenOdd: [IsBoolean()],
  opacity: [Min(0), Max(1)],
  blend: [IsOptional(), IsIn(BLENDS)],
  soft: [IsOptional(), IsLength()],
});
