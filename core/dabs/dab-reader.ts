/** Answers what dabs claim again and again: the free space is read anew only when lines have changed. */
import type { Drawing } from "../drawing/drawing.ts";
import { FIELD_NAMES, FIELDS } from "../drawing/fields.ts";
import { drawingOfPart } from "../drawing/parts.ts";
import { type AskedDab, claimsOf, type DabClaims } from "./dab-reading.ts";
import { type DabSpace, dabSpaceIn } from "./dab-space.ts";
import type { Spreading } from "./labels.ts";

/** What the free space of a part is read from. */
const READ = FIELD_NAMES.filter((field) => FIELDS[field].lines !== "none");

interface Known {
  readonly own: Drawing;
  readonly bareBorder: boolean;
  readonly space: DabSpace;
}

export class DabReader {
  private known: Known | undefined;

  /** What dabs of a part claim. Throws TooDense where the lines ask for too much. */
  claims(drawing: Drawing, part: string, dabs: readonly AskedDab[], spreading: Spreading): DabClaims {
    return claimsOf(this.spaceOf(drawingOfPart(drawing, part), spreading.bareBorder), dabs, spreading);
  }

  private spaceOf(own: Drawing, bareBorder: boolean): DabSpace {
    const { known } = this;
    const same = known?.bareBorder === bareBorder && READ.every((field) => known.own[field] === own[field]);
    if (!same) this.known = { own, bareBorder, space: dabSpaceIn(own, !bareBorder) };
    return this.known!.space;
  }
}
