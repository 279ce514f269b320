import type { HelpPage } from "../help-page.ts";
import { C, K, See } from "../words.tsx";

export const LIGHT: readonly HelpPage[] = [
  {
    name: "shade",
    title: "Shade drawn by hand",
    group: "Light",
    about: ["tool shade"],
    also: "shadow highlight gloss multiply darken draw",
    figure: "Shade drawn on one side of a pot",
    Body: () => (
      <>
        <p>
          <C>Shade</C> draws a shape that lies some steps deeper than whatever is beneath it. It stays within
          the pocket, or within the part; draw past the lines without care.
        </p>
        <p>
          Steps above nothing are shade, below it light. The sheet says whether it is shade, light, or gloss
          above the ink; blend and softness are its own.
        </p>
      </>
    ),
  },
  {
    name: "crease",
    title: "Creases",
    group: "Light",
    about: ["tool crease"],
    also: "fold wrinkle edge plane cloth leaf vein",
    figure: "A leaf with a crease along its middle",
    Body: () => (
      <>
        <p>
          <C>Crease</C> draws a line across a pocket; one side of it lies deeper. Two strokes make a leaf bend
          or a cloth fold. Drawn from edge to edge it parts the pocket, and with <C>Runs out</C> it fades
          where the stroke ends.
        </p>
        <p>
          The darker side can be turned, <C>Steps deeper</C> changes how much, and a soft edge makes it round.
        </p>
      </>
    ),
  },
  {
    name: "lamp",
    title: "The lamp",
    group: "Light",
    about: ["tool lamp"],
    also: "light source sun form shade automatic 3d round shine",
    figure: "A pot with form shade, the lamp to its left and to its right",
    Body: () => (
      <>
        <p>
          <C>Lamp</C> shades by itself: click a pocket and it gets a form, as if it were round, lit from where
          the lamp stands. Drag the lamp and all that it made follows. <C>Far off</C> is like the sun,{" "}
          <C>Near</C> like a lamp in the picture.
        </p>
        <p>
          <C>Tones</C> says in how many steps it goes down, <C>Round</C> how much it bulges, <C>Shine</C> how
          large the lightest spot is. <C>Shade all</C> does it everywhere.
        </p>
      </>
    ),
  },
  {
    name: "rims",
    title: "Rims and shadows",
    group: "Light",
    about: [],
    also: "rim light cast shadow drop shadow ground edge glow",
    figure: "A rim of light on a leaf, and a shadow on the ground",
    Body: () => (
      <>
        <p>
          The lamp makes three things: <C>Form</C>, <C>Rim</C> and <C>Shadow</C>. A rim is light along the
          edge that faces the lamp, or away from it for a light from behind.
        </p>
        <p>
          A shadow is thrown by a pocket on its neighbours, or by a part on all that lies behind it, and on
          the ground as an ellipse or as the outline laid flat.
        </p>
      </>
    ),
  },
  {
    name: "gradient",
    title: "Gradients",
    group: "Light",
    about: ["tool gradient"],
    also: "blend fade ramp radial linear",
    figure: "A pot that grows darker towards its foot",
    Body: () => (
      <>
        <p>
          <C>Gradient</C> lays one over a pocket: drag from where it begins to where it ends. It runs{" "}
          <C>Along</C> a line, around a place, or <C>Inward</C> from the outline.
        </p>
        <p>
          Stops are steps of the pocket's own colour or colours of the tin, and go with them.{" "}
          <C>One over many</C> lets one gradient run through several pockets, and <C>All gradients</C> makes
          all of them stronger or weaker.
        </p>
      </>
    ),
  },
  {
    name: "carry",
    title: "Carrying light",
    group: "Light",
    about: ["tool carry"],
    also: "copy style paste shading light reuse",
    figure: "The light of one leaf laid on the other",
    Body: () => (
      <>
        <p>
          <C>Carry</C> takes all light from one pocket and lays it on others: click the one that has it, then
          those that want it. <C>Fitted</C> makes it as large as each pocket, <C>Mirrored</C> turns it round,
          and <C>Varied</C> makes no two quite alike.
        </p>
        <p>
          Kept as a style, it is changed in one place for all that follow it. <C>What is laid</C> chooses
          among styles.
        </p>
      </>
    ),
  },
  {
    name: "kinds",
    title: "Kinds of light",
    group: "Light",
    about: ["section kinds", "window compare"],
    also: "strength hide compare before after intensity",
    figure: "Before and after the light",
    Body: () => (
      <>
        <p>
          Each kind of light has a switch and a strength for the whole drawing: form, shine, rims, shadows,
          creases, what was drawn by hand, gradients. Turn one down to see what it does.
        </p>
        <p>
          <C>Before and after</C> lays both side by side; holding <K name="flats-alone" /> shows the flats
          alone. For shade of your own see <See page="shade">Shade drawn by hand</See>.
        </p>
      </>
    ),
  },
];
