/** Lines: drawing, tidying, trimming, bending and arranging them. */
import { createSelector } from "reselect";
import type { Drawing, Table } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { counted } from "#core/words.ts";
import { chooseLine } from "../lines/choose-line.ts";
import { linesSection } from "../lines/line-list.tsx";
import { lineMenu } from "../lines/line-menu.ts";
import { readingTray } from "../lines/reading-tray.tsx";
import { printSizeSection } from "../press/loupe.tsx";
import { nextPocketSnag } from "../press/next-snag.ts";
import { partsSection } from "../press/parts-section.tsx";
import { sheetsSection } from "../press/sheets-section.tsx";
import { snagsSection } from "../press/snag-list.tsx";
import { arrangeTool } from "../tools/arrange/arrange.ts";
import { bendTool } from "../tools/bend/bend.ts";
import { drawTool } from "../tools/draw/draw.ts";
import { lookTool } from "../tools/look/look.ts";
import { tidyTool } from "../tools/tidy/tidy.ts";
import { trimTool } from "../tools/trim/trim.ts";
import type { Stage } from "./stage.ts";

export const linesStage: Stage = {
  name: "Lines",
  tools: [drawTool, tidyTool, trimTool, bendTool, arrangeTool, lookTool],
  figure: ({ drawing }) => lineFigure(drawing),
  keys: "Brackets choose lines, arrows move what is chosen.",
  settings: readingTray,
  sections: [partsSection, sheetsSection, linesSection, snagsSection, printSizeSection],
  rub: trimTool,
  menu: lineMenu,
  nextSnag: nextPocketSnag,
  key: (desk, { key }) => {
    if (key !== "[" && key !== "]") return false;
    chooseLine(desk, key === "]" ? 1 : -1);
    return true;
  },
};

const lineCount = (table: Table<{ readonly echo?: unknown }>): number =>
  entitiesOf(table).filter(({ echo }) => !echo).length;

const lineFigure = createSelector(
  [({ strokes }: Drawing) => strokes, ({ inkShapes }: Drawing) => inkShapes],
  (strokes, inkShapes) => countLines(lineCount(strokes), lineCount(inkShapes)),
);

function countLines(strokes: number, shapes: number): string {
  if (shapes > 0) return counted(strokes + shapes, "line");
  return counted(strokes, "stroke");
}
