import type { HelpPage } from "../help-page.ts";
import { C, K } from "../words.tsx";

export const KEEP: readonly HelpPage[] = [
  {
    name: "keep",
    title: "How drawings are kept",
    group: "Keep",
    about: [],
    also: "save autosave storage backup drawer offline lost",
    figure: "The drawer with its drawings",
    Body: () => (
      <>
        <p>
          Every change is kept at once in this browser; the word <i>Kept</i> in the rail says so. Nothing
          leaves your device, and all of it works without a network.
        </p>
        <p>
          A browser may clear what it keeps. <C>Take the whole drawer home</C> puts all drawings with steps
          and versions into one file, and <C>Put a drawer in</C> brings them back, on another device too.
        </p>
      </>
    ),
  },
  {
    name: "versions",
    title: "Steps and versions",
    group: "Keep",
    about: ["window versions"],
    also: "undo redo history backup snapshot restore",
    figure: "Two versions of one drawing",
    Body: () => (
      <>
        <p>
          <K name="undo" /> undoes and <K name="redo" /> does again, back to the first step and across visits.{" "}
          <C>Steps to go back to</C> lists them.
        </p>
        <p>
          A version is the drawing as it is now, under a name: keep one before trying something bold. Taking
          one back is a step like any other, so nothing is lost by it.
        </p>
      </>
    ),
  },
];
