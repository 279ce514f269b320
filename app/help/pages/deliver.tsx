import type { HelpPage } from "../help-page.ts";
import { C, See } from "../words.tsx";

export const DELIVER: readonly HelpPage[] = [
  {
    name: "files",
    title: "Files to take home",
    group: "Deliver",
    about: ["window take-home"],
    also: "export save download png svg pdf layered ora",
    figure: "The finished spot",
    Body: () => (
      <>
        <p>
          <C>Save SVG</C> keeps everything as vectors, and opens here again with all it knows. <C>Save PNG</C>{" "}
          is a picture without a ground unless you gave it one, <C>Save PDF</C> has the page's size for print.{" "}
          <C>Save Drawing file</C> holds every step and version.
        </p>
        <p>
          <C>More files</C> makes others: plain SVG for programs that know little, layered pictures, parts and
          colours one by one, several sizes at once. What you asked for is remembered and can be made again.
        </p>
      </>
    ),
  },
  {
    name: "page",
    title: "Page, ground and signature",
    group: "Deliver",
    about: ["window sign"],
    also: "size bleed resolution dpi background sticker crop",
    figure: "A spot on a coloured ground",
    Body: () => (
      <>
        <p>
          <C>Page</C> sets the size on paper, the bleed, and how many pixels an inch a picture has; it can
          close around what is drawn. <C>Ground</C> is colour over the whole page, or a rim of paper around
          all that is drawn, as stickers have.
        </p>
        <p>
          <C>Sign</C> keeps a signature on this device and puts it where you like, as lines or lettering.
        </p>
      </>
    ),
  },
  {
    name: "print",
    title: "For print",
    group: "Deliver",
    about: ["section print-size", "window proof"],
    also: "print size preview proof cmyk separations plates inks overprint",
    figure: "A spot at the size it is printed",
    Body: () => (
      <>
        <p>
          Print size in the press shows the picture as large as on paper: what cannot be read there is lost in
          print. <C>Proof</C> comes back as a print shop's machine would show it.
        </p>
        <p>
          <See page="files">More files</See> has plates too: one grey picture for each colour of the tin, with
          a trap where two meet, for printing with few inks.
        </p>
      </>
    ),
  },
];
