import type { HelpPage } from "../help-page.ts";
import { C, Fixed, K } from "../words.tsx";

export const FLATS: readonly HelpPage[] = [
  {
    name: "pour",
    title: "Pouring",
    group: "Flats",
    about: ["tool pour", "tool empty", "tool dip"],
    also: "fill paint colour empty erase eyedropper dip undercoat spot black",
    figure: "A pot before and after pouring",
    Body: () => (
      <>
        <p>
          Choose a colour in the tin and click a pocket; drag over several to pour them all. <C>Empty</C>{" "}
          takes colour out again, and <C>Dip</C>, or holding <K name="dip" />, takes up the colour under the
          pointer.
        </p>
        <p>
          <C>Undercoat</C> lays one colour beneath all that is enclosed, so that nothing is missed.{" "}
          <C>Spot black</C> fills a pocket as ink. By keys, arrows walk the pockets and <Fixed>Enter</Fixed>{" "}
          pours.
        </p>
      </>
    ),
  },
  {
    name: "dab",
    title: "Dabs for loose drawings",
    group: "Flats",
    about: ["tool dab"],
    also: "loose fill open touch scribble smart",
    figure: "Touches on two loose leaves, and what they claim",
    Body: () => (
      <>
        <p>
          A dab is a touch of colour that finds for itself how far it was meant to go. Touch each thing with
          its colour; where two meet, each pushes the other's edge. What they claim lights up at once.
        </p>
        <p>
          <C>Take it</C> makes bridges and pours of all claims in one step, <C>Give up</C> leaves nothing.
          Touches of <C>Bare</C> hold colour off, and <C>How far dabs may close</C> says how wide a gap may
          be.
        </p>
      </>
    ),
  },
  {
    name: "gather",
    title: "Gathering pockets",
    group: "Flats",
    about: ["tool gather"],
    also: "select many lasso choose alike same colour",
    figure: "Leaves gathered by a loop",
    Body: () => (
      <>
        <p>
          <C>Gather</C> takes several pockets for one thing to be done to all: click them, draw a loop around
          them, or take <C>All alike</C> of one colour and all that are <C>Touching</C>.
        </p>
        <p>
          Then pour or empty them, make them <C>Lighter</C> or <C>Darker</C>, light them, or{" "}
          <C>Make a part</C> of them. <K name="gather-bare" /> gathers all that is bare,{" "}
          <K name="turn-round" /> all but what is gathered.
        </p>
      </>
    ),
  },
  {
    name: "shapes",
    title: "Colour without lines",
    group: "Flats",
    about: ["tool colour", "tool shapes"],
    also: "freehand brush paint blob shape vector boolean",
    figure: "A patch of colour drawn beside the lines",
    Body: () => (
      <>
        <p>
          <C>Colour</C> draws shapes of colour where no line is: by a <C>Loop</C> or with a nib, on any sheet,
          trimmed to what is coloured or not. Drawn over one of its own colour, it grows; with <C>Rub away</C>{" "}
          it is cut.
        </p>
        <p>
          <C>Shapes</C> takes them afterwards: move, scale, turn and mirror them, bend them by their points,
          or give them the colour in hand.
        </p>
      </>
    ),
  },
  {
    name: "pattern",
    title: "Patterns and bands",
    group: "Flats",
    about: ["tool pattern"],
    also: "texture stripes dots hatch check fabric bands tile repeat",
    figure: "A pot with stripes",
    Body: () => (
      <>
        <p>
          <C>Pattern</C> lays stripes, checks, dots, hatching, scales or a picture of your own over a colour.
          Figures take their own colour from the tin. Drag on the paper to move and turn them.
        </p>
        <p>
          <C>One cloth</C> lets a pattern run through several pockets as through one piece of cloth. Bands
          follow a pocket's outline, as on a shell or a jumper.
        </p>
      </>
    ),
  },
  {
    name: "snags",
    title: "Snags",
    group: "Flats",
    about: ["section snags"],
    also: "problems warnings check errors missed white specks",
    figure: "One bare leaf among coloured ones",
    Body: () => (
      <>
        <p>
          Snags are what wants a look before you deliver: pockets without colour, specks, colour that waits
          for a pocket, dabs not taken, colours too near one another, openings. <K name="next-snag" /> goes to
          the next one of the stage, and a click on a row to the first of its kind.
        </p>
        <p>
          <C>Check ground</C> puts a loud colour beneath all, on which a missed white stands out.
        </p>
      </>
    ),
  },
];
