import type { HelpPage } from "../help-page.ts";
import { C, Fixed, K } from "../words.tsx";

export const HAND: readonly HelpPage[] = [
  {
    name: "look",
    title: "Moving and turning the paper",
    group: "Hand and eye",
    about: ["tool look"],
    also: "zoom pan rotate fit view hand",
    figure: "The paper, turned",
    Body: () => (
      <>
        <p>
          The wheel zooms, <K name="drag-paper" /> and a drag move the paper; with two fingers you do both and
          turn it. <K name="turn-right" /> and <K name="turn-left" /> turn it, <K name="straight" /> sets it
          straight, <K name="show-page" /> shows the whole page.
        </p>
        <p>
          <C>Look</C> is a tool that only moves the paper, for those who go by one finger. Below it stand
          switches for how lines are read, such as <C>Touching ink counts as joined</C>.
        </p>
      </>
    ),
  },
  {
    name: "find",
    title: "Finding anything",
    group: "Hand and eye",
    about: [],
    also: "search command palette where is",
    figure: "What Find knows about shadow",
    Body: () => (
      <>
        <p>
          <K name="find" /> opens Find. Type a plain word, such as shadow, erase, fill gap or export, and it
          knows the tools, settings, colours, lines, parts, drawings and pages of Help that have to do with
          it.
        </p>
        <p>
          <Fixed>Enter</Fixed> does it or goes there. The keys stand beside each entry, so that next time you
          need not ask.
        </p>
      </>
    ),
  },
  {
    name: "keys",
    title: "Keys",
    group: "Hand and eye",
    about: ["window keys"],
    also: "shortcuts hotkeys keyboard without mouse accessibility",
    figure: "The sheet of keys",
    Body: () => (
      <>
        <p>
          <K name="sheet" /> opens the sheet of all keys. Each can be given another; one that is taken already
          is told. Keys of your own can be saved as a file and taken to another device.
        </p>
        <p>
          Everything can be done by keys: arrows walk the pockets, <Fixed>Enter</Fixed> uses the tool, and{" "}
          <K name="key-pointer" /> brings out a pointer that arrows move, for all that wants a place or a
          drag. <K name="key-place" /> takes it to the next place of interest.
        </p>
      </>
    ),
  },
  {
    name: "pen",
    title: "Settings: pen, fingers and frame",
    group: "Hand and eye",
    about: ["window settings"],
    also: "stylus tablet touch pressure palm eraser barrel tilt preferences dark theme left handed text size",
    figure: "A line drawn with pressure",
    Body: () => (
      <>
        <p>
          While a pen is in use, a hand on the glass draws nothing and fingers move the paper. A held finger
          opens the menu of the place beneath it.
        </p>
        <p>
          <C>Settings</C> in the desk menu has the pressure curve with a strip to try it on, a flat nib that
          turns as the pen leans, and what the pen's button and its other end do; and for the desk a light or
          dark frame, larger text, larger targets, and the mirrored desk for the left hand.
        </p>
      </>
    ),
  },
];
