import type { HelpPage } from "../help-page.ts";
import { C, K, See } from "../words.tsx";

export const BEGIN: readonly HelpPage[] = [
  {
    name: "first",
    title: "A first spot",
    group: "Begin",
    about: [],
    also: "tutorial start learn guide tour show me",
    figure: "A line drawing, its flats, and the same with light",
    Body: () => (
      <>
        <p>
          A spot goes through five stages, from left to right: <C>Lines</C>, <C>Gaps</C>, <C>Flats</C>,{" "}
          <C>Light</C> and <C>Deliver</C>. You can go to any of them at any time; nothing is final.
        </p>
        <p>
          With lines that are mostly closed, begin on Flats: choose a colour and <See page="pour">pour</See>.
          Where lines stop short, <See page="dab">dab</See>. Light comes last, and follows what you change
          below it.
        </p>
        <p>
          <C>Show me</C> in the desk menu leads through eight steps on a small drawing.
        </p>
      </>
    ),
  },
  {
    name: "desk",
    title: "The desk",
    group: "Begin",
    about: ["panel press", "section sheets"],
    also: "layers panels sheets lock hide opacity interface",
    figure: "The desk with its tin, paper, press and tray",
    Body: () => (
      <>
        <p>
          The paper lies in the middle. The tin beside it holds the colours, the press the sheets: gloss, ink,
          light, shade, flats and ground, the topmost first. Each sheet can be hidden, locked or made fainter.
        </p>
        <p>
          The tray at the foot has the tools of the stage and what they can be set to; <C>More</C> opens the
          rest. <C>Tin panel</C> and <C>Press panel</C> call the panels or put them away.
        </p>
        <p>
          <K name="next-panel" /> steps from paper to panels and tray, and <See page="find">Find</See> knows
          where everything is.
        </p>
      </>
    ),
  },
  {
    name: "pockets",
    title: "What a pocket is",
    group: "Begin",
    about: [],
    also: "region area enclosed closed fill",
    figure: "Pockets between lines, each in a colour of its own",
    Body: () => (
      <>
        <p>
          A pocket is a place that lines enclose on all sides. Lines need not be one path: whatever touches or
          crosses counts together, and colour runs to the middle of the line beneath the ink.
        </p>
        <p>
          Pockets are found anew whenever lines change. Colour stays with the pocket it was poured into: bend
          its outline and the colour follows; open it and the colour waits until the pocket is closed again.
        </p>
      </>
    ),
  },
];
