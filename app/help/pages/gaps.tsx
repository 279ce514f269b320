import type { HelpPage } from "../help-page.ts";
import { C, See } from "../words.tsx";

export const GAPS: readonly HelpPage[] = [
  {
    name: "leak",
    title: "Why colour runs out",
    group: "Gaps",
    about: ["tool explain", "section openings"],
    also: "leak gap open hole explain spill",
    figure: "The way out of a pot, and where it is open",
    Body: () => (
      <>
        <p>
          A place that is open anywhere cannot hold colour. Pour there, or click with <C>Explain</C>: a dashed
          way leads out through each opening, and the card beside it says how wide they are. Nothing was
          poured, and nothing has to be mended by hand: the card can bridge them.
        </p>
        <p>
          The list of openings goes from the narrowest to the widest. What is open on purpose, such as a loose
          hatching, can be left open: then it is no <See page="snags">snag</See> any more.
        </p>
      </>
    ),
  },
  {
    name: "bridge",
    title: "Closing openings",
    group: "Gaps",
    about: ["tool bridge", "tool unbridge", "tool pull"],
    also: "bridge close gap seal join extend ends reach tolerance fill all threshold",
    figure: "An opening at the foot of a pot, and its bridge",
    Body: () => (
      <>
        <p>
          A bridge closes an opening and is never seen in the picture. <C>Bridge</C> draws one from line to
          line, bent if you bend it; <C>Unbridge</C> takes one away by a click.
        </p>
        <p>
          <C>Pull</C> draws the ends of ink themselves together, for gaps that nobody should see.
        </p>
        <p>
          Everything up to <C>Reach</C> counts as closed while it stands there, and can be changed later;{" "}
          <C>Bridge all openings</C> makes bridges of what it closes, for good. For very loose drawings{" "}
          <See page="dab">dabs</See> ask for less.
        </p>
      </>
    ),
  },
];
