import type { HelpPage } from "../help-page.ts";
import { C, Fixed, K, See } from "../words.tsx";

export const LINES: readonly HelpPage[] = [
  {
    name: "bring",
    title: "Bringing line art in",
    group: "Lines",
    about: ["window import"],
    also: "import open svg file paste drop photo",
    figure: "A line drawing that was opened",
    Body: () => (
      <>
        <p>
          In the drawer, <C>Open line art</C> takes SVG files from any drawing program and drawing files of
          Fern Pocket; dropping or pasting a file does the same. A window says what was found and what was
          left aside before anything is kept.
        </p>
        <p>
          <C>Scan in</C> reads inked paper, <C>Blank page</C> begins with nothing. On a desk,{" "}
          <C>Put in a file as a part</C> adds another drawing before or behind what is there.
        </p>
      </>
    ),
  },
  {
    name: "scan",
    title: "Reading a scan",
    group: "Lines",
    about: ["window scan"],
    also: "photo png jpeg trace vectorise inked paper",
    figure: "A scan, and the lines that were read from it",
    Body: () => (
      <>
        <p>
          A scan or photo of inked paper is read as lines with their own widths. Shadows of the paper are
          taken out first; a threshold says how dark ink is, and specks below a size are left out. Pencil
          beneath the ink is told apart by its greyness.
        </p>
        <p>
          Look at both before you take the lines: what is read too thin or too full is mended more quickly
          here than on the desk. Photographs with soft tones are not line art, and are told so.
        </p>
      </>
    ),
  },
  {
    name: "draw",
    title: "Drawing and nibs",
    group: "Lines",
    about: ["tool draw"],
    also: "pen pencil brush stroke ink width nib taper pressure",
    figure: "Lines drawn with tapering nibs",
    Body: () => (
      <>
        <p>
          <C>Draw</C> lays an ink line where you draw; hold <Fixed>Shift</Fixed> for a straight one. The nib
          says how its width swells and tapers, <C>Steadying</C> how much of a shake is smoothed, and{" "}
          <C>Pen pressure makes the width</C> lets a pen decide.
        </p>
        <p>
          Width and nib stay what they are: choose lines with <See page="arrange">Arrange</See> and give them
          another. An edited nib changes every line drawn with it.
        </p>
      </>
    ),
  },
  {
    name: "bend",
    title: "Bending lines",
    group: "Lines",
    about: ["tool bend"],
    also: "nodes points anchors curve reshape move",
    figure: "A leaf before and after its edge was bent",
    Body: () => (
      <>
        <p>
          With <C>Bend</C>, press a line and pull it anywhere: the curve follows the hand. Its points can be
          moved too, made corners or smooth, added and removed; <K name="next-point" /> holds the next.
        </p>
        <p>
          <C>Ends that meet it follow</C> keeps lines joined that end on the one you bend, so that pockets
          stay closed and keep their colour.
        </p>
      </>
    ),
  },
  {
    name: "tidy",
    title: "Tidying and trimming",
    group: "Lines",
    about: ["tool tidy", "tool trim"],
    also: "simplify smooth fewer points overshoot tails clean",
    figure: "Tails that run on past a crossing",
    Body: () => (
      <>
        <p>
          <C>Tidy</C> draws lines again with as few points as stay within a tolerance of the old ones. Click
          one, or tidy all that are chosen. Corners sharper than <C>Corners from</C> stay corners.
        </p>
        <p>
          <C>Trim</C> cuts off tails that run on past a crossing: one by a click, or all that are shorter than
          a length. A tail that closes a pocket is not one, and stays.
        </p>
      </>
    ),
  },
  {
    name: "arrange",
    title: "Choosing and arranging lines",
    group: "Lines",
    about: ["tool arrange", "section lines"],
    also: "select move scale rotate mirror order copy list hide lock",
    figure: "A chosen stem with its frame",
    Body: () => (
      <>
        <p>
          <C>Arrange</C> chooses lines by a click, several with <Fixed>Shift</Fixed> or by a frame dragged
          around them; <C>Choose</C> finds those alike. Drag them, or take the frame's corners to scale and
          the handle above it to turn.
        </p>
        <p>
          The list of lines in the press names each, hides and locks it, and changes their order.{" "}
          <K name="copy-aside" /> copies, and the clipboard carries lines to other drawings.
        </p>
      </>
    ),
  },
  {
    name: "parts",
    title: "Parts: before and behind",
    group: "Lines",
    about: ["section parts"],
    also: "layers objects group overlap order depth",
    figure: "A boot as one part, ferns behind it as another",
    Body: () => (
      <>
        <p>
          A part is a piece of the drawing with lines and colours of its own. It hides what lies behind it, so
          you can move it, or throw its shadow on what is behind.
        </p>
        <p>
          <See page="gather">Gather</See> the pockets that belong together and press <C>Make a part</C>: what
          was cut by other lines is completed beneath. <K name="part-forward" /> and <K name="part-back" />{" "}
          change which part lies in front.
        </p>
      </>
    ),
  },
];
