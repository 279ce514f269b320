/** Light: shade beneath the ink. */
import { entitiesOf } from "#core/drawing/entities.ts";
import { poursWith } from "#core/drawing/light-edits.ts";
import { counted } from "#core/words.ts";
import { judgeSection } from "../judge/judge-panel.tsx";
import { kindsSection } from "../light/kinds-panel.tsx";
import { printSizeSection } from "../press/loupe.tsx";
import { nextPocketSnag } from "../press/next-snag.ts";
import { partsSection } from "../press/parts-section.tsx";
import { sheetsSection } from "../press/sheets-section.tsx";
import { snagsSection } from "../press/snag-list.tsx";
import { shapeMenu } from "../shapes/shape-menu.ts";
import { carryTool } from "../tools/carry/carry.ts";
import { creaseTool } from "../tools/crease/crease.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { gradientTool } from "../tools/gradient/gradient.ts";
import { lampTool } from "../tools/lamp/lamp.ts";
import { shadeTool } from "../tools/shade/shade.ts";
import { shapesTool } from "../tools/shapes/shapes.ts";
import type { Stage } from "./stage.ts";

export const lightStage: Stage = {
  name: "Light",
  tools: [shadeTool, creaseTool, lampTool, gradientTool, carryTool, shapesTool, dipTool],
  figure: ({ drawing }) => {
    const { shades, creases, pours } = drawing;
    const made = Object.keys(shades).length + Object.keys(creases).length + poursWith(drawing, "form").length;
    const lit = entitiesOf(pours).filter(
      ({ rim, cast, gradient, style }) => rim ?? cast ?? gradient ?? style,
    );
    return made > 0 || lit.length === 0 ? counted(made, "shade") : counted(lit.length, "light");
  },
  keys: "Arrows walk the pockets, Backspace removes the chosen shade.",
  sections: [partsSection, sheetsSection, kindsSection, printSizeSection, snagsSection, judgeSection],
  menu: shapeMenu,
  nextSnag: nextPocketSnag,
};
