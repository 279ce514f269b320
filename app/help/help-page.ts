/** A page of Help: short, for illustrators, with one figure. */
import type { ReactNode } from "react";

export const HELP_GROUPS = [
  "Begin",
  "Lines",
  "Gaps",
  "Flats",
  "Colour",
  "Light",
  "Deliver",
  "Keep",
  "Hand and eye",
] as const;

/** What of the desk a page tells about: `tool pour`, `section snags`, `panel tin`, `window keys`. */
export type HelpTopic = `${"tool" | "section" | "panel" | "window"} ${string}`;

export interface HelpPage {
  /** Unlike that of any other; its figure lies under the same name. */
  readonly name: string;
  readonly title: string;
  readonly group: (typeof HELP_GROUPS)[number];
  readonly about: readonly HelpTopic[];
  /** Other words that Find knows it by. */
  readonly also: string;
  /** What the figure shows. */
  readonly figure: string;
  readonly Body: () => ReactNode;
}
