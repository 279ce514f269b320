import { ArrayMinSize, IsOptional } from "class-validator";
import { rules } from "../checked.ts";
import { IsPaint, type Paint } from "./colours.ts";
import { IsChain, IsId, IsLength, IsTrue } from "./rule.ts";

/** A touch of colour that finds for itself how far it was meant to go; it waits until it is taken. */
export class Dab {
  readonly id!: string;
  readonly part?: string;
  /** Without paint it keeps its place bare. */
  readonly paint!: Paint | null;
  /** A chain of cubics in page units; a tap is one without length. */
  readonly points!: readonly number[];
  readonly width!: number;
  /** To be obeyed in whole, wherever it lies and however much has to be closed. */
  readonly firm?: true;
}
rules(Dab, Object, {
  id: [IsId()],
  part: [IsOptional(), IsId()],
  paint: [IsOptional(), IsPaint()],
  points: [IsChain(), ArrayMinSize(8)],
  width: [IsLength()],
  firm: [IsOptional(), IsTrue()],
});
