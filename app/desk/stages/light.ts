/** Light: shade beneath the ink. */
import { poursWith } from "#core/drawing/light-edits.ts";
import { counted } from "#core/words.ts";
import { LightLists } from "../light/light-lists.tsx";
import { nextPocketSnag } from "../press/next-snag.ts";
import { shapeMenu } from "../shapes/shape-menu.ts";
import { carryTool } from "../tools/carry/carry.ts";
import { creaseTool } from "../tools/crease/crease.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { gradientTool } from "../tools/gradient/gradient.ts";
import { lampTool } from "../tools/lamp/lamp.ts";
import { shadeTool } from "../tools/shade/shade.ts";
import { ShadePanel } from "../tools/shade/shade-panel.tsx";
import { shapesTool } from "../tools/shapes/shapes.ts";
import type { Stage } from "./stage.ts";

export const lightStage: Stage = {
  name: "Light",
  sheet: "shade",
  tools: [shadeTool, creaseTool, lampTool, gradientTool, carryTool, shapesTool, dipTool],
  figure: ({ drawing }) => {
    const { shades, creases, pours } = drawing;
    const made = Object.keys(shades).length + Object.keys(creases).length + poursWith(drawing, "form").length;
    const lit = Object.values(pours).filter(
      ({ rim, cast, gradient, style }) => rim ?? cast ?? gradient ?? style,
    );
    return made > 0 || lit.length === 0 ? counted(made, "shade") : counted(lit.length, "light");
  },
  keys: "Arrows walk the pockets, Backspace removes the chosen shade.",
  List: LightLists,
  Panel: ShadePanel,
  menu: shapeMenu,
  nextSnag: nextPocketSnag,
};
