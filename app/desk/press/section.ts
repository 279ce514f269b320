/** A section of the press: a heading that folds what is in it away. */
import type { ReactNode } from "react";
import type { Desk } from "../store/desk-state.ts";

export interface PressSection {
  /** Unlike that of any other. */
  readonly name: string;
  readonly title: (desk: Desk) => string;
  /** What is in it, in a word or a figure. */
  readonly says: (desk: Desk) => string;
  /** Whether there is anything to show. */
  readonly isThere?: (desk: Desk) => boolean;
  /** A list: it takes the room that is left, and scrolls. */
  readonly isList?: true;
  readonly Body: () => ReactNode;
}
