/** All pages of Help, by the order of the work. */
import type { HelpPage, HelpTopic } from "./help-page.ts";
import { BEGIN } from "./pages/begin.tsx";
import { COLOUR } from "./pages/colour.tsx";
import { DELIVER } from "./pages/deliver.tsx";
import { FLATS } from "./pages/flats.tsx";
import { GAPS } from "./pages/gaps.tsx";
import { HAND } from "./pages/hand.tsx";
import { KEEP } from "./pages/keep.tsx";
import { LIGHT } from "./pages/light.tsx";
import { LINES } from "./pages/lines.tsx";

export const HELP_PAGES: readonly HelpPage[] = [
  ...BEGIN,
  ...LINES,
  ...GAPS,
  ...FLATS,
  ...COLOUR,
  ...LIGHT,
  ...DELIVER,
  ...KEEP,
  ...HAND,
];

export const helpNamed = (name: string | undefined): HelpPage | undefined =>
  HELP_PAGES.find((page) => page.name === name);

/** The page that tells about something of the desk. */
export const helpAbout = (topic: HelpTopic): HelpPage | undefined =>
  HELP_PAGES.find(({ about }) => about.includes(topic));
