import type { HelpPage } from "../help-page.ts";
import { C, K, See } from "../words.tsx";

export const COLOUR: readonly HelpPage[] = [
  {
    name: "tin",
    title: "The tin",
    group: "Colour",
    about: ["panel tin", "window picture"],
    also: "palette swatches global colours group import export",
    figure: "The tin with a colour in hand",
    Body: () => (
      <>
        <p>
          The tin holds the drawing's colours. They are global: what was poured with a colour follows when you
          change it. The figure beside a name says in how many places it is used.
        </p>
        <p>
          <C>Add a colour</C> makes one; a double click on a name renames it, dragging its handle moves it.{" "}
          <C>More of the tin</C> brings in palettes and colours from a picture, and takes the tin home.{" "}
          <K name="next-colour" /> takes the next.
        </p>
      </>
    ),
  },
  {
    name: "ladder",
    title: "Ladders",
    group: "Colour",
    about: [],
    also: "tints shades lighter darker steps tone",
    figure: "One colour in a lighter and a darker step",
    Body: () => (
      <>
        <p>
          Below the tin the colour in hand unrolls into its ladder: lighter steps to the left, darker ones to
          the right, turned in hue as paint is. Choose a step and pour it; it stays so many steps from its
          colour whatever that becomes.
        </p>
        <p>
          All light is made of steps too, which is why it goes with every colourway. A ladder can be made
          steeper, and a single step set by hand.
        </p>
      </>
    ),
  },
  {
    name: "change-colour",
    title: "Changing a colour",
    group: "Colour",
    about: [],
    also: "edit colour oklch hue chroma lightness hex picker gamut",
    figure: "The same drawing after one colour was changed",
    Body: () => (
      <>
        <p>
          Press a colour's round well. On the plane, lightness goes up and chroma to the right; beyond its
          edge a screen has no such colour. The handle takes both at once, and hue stands beside it.
        </p>
        <p>
          The other colours of the tin are marked on the plane, those of the same hue larger: press one to
          take its lightness and chroma. So families of colour are made by eye. Every figure can be typed, the
          hexadecimal value too.
        </p>
      </>
    ),
  },
  {
    name: "colourways",
    title: "Colourways",
    group: "Colour",
    about: ["window colourways"],
    also: "palette variants recolour alternative night day",
    figure: "One drawing in two colourways",
    Body: () => (
      <>
        <p>
          A colourway is another set of values for the same names: morning and dusk, spring and autumn. Pours,
          ladders and light stay where they are. The list above the tin says which is seen;{" "}
          <K name="next-way" /> steps through them.
        </p>
        <p>
          A new one begins as a copy of the one that is seen. On Deliver, <C>Colourway to deliver</C> takes
          one of them home, or all.
        </p>
      </>
    ),
  },
  {
    name: "ink",
    title: "Lines in colour",
    group: "Colour",
    about: [],
    also: "colour hold line colour recolour ink",
    figure: "A drawing with held lines",
    Body: () => (
      <>
        <p>
          With <See page="arrange">Arrange</See>, <C>Line colour</C> gives the chosen lines a colour of the
          tin, or lets them hold a darker step of what lies beside them, so that they go with it when it
          changes.
        </p>
        <p>
          Shapes of colour on the ink sheet are seen on lines alone: a warm patch where light falls on an
          outline.
        </p>
      </>
    ),
  },
  {
    name: "judge",
    title: "Judging",
    group: "Colour",
    about: ["section judge"],
    also: "value contrast greyscale squint colour blind proportion",
    figure: "A drawing in greys",
    Body: () => (
      <>
        <p>
          Judge shows how much of the picture each colour takes, how the values are spread, and which
          neighbours are so near that they run together; <C>Part them</C> draws such a pair apart.
        </p>
        <p>
          <C>How the picture is looked at</C> shows it in greys, squinted at, in few values, or as people see
          it whose eyes tell fewer colours apart. It changes the look alone, never the drawing.
        </p>
      </>
    ),
  },
];
