/** The stages in the order of the work, and with them every tool. */
import type { Desk } from "../store/desk-state.ts";
import type { Tool } from "../tools/tool.ts";
import { deliverStage } from "./deliver.ts";
import { flatsStage } from "./flats.ts";
import { gapsStage } from "./gaps.ts";
import { lightStage } from "./light.ts";
import { linesStage } from "./lines.ts";
import type { Stage } from "./stage.ts";

export const STAGES: readonly Stage[] = [linesStage, gapsStage, flatsStage, lightStage, deliverStage];

const TOOLS = new Map(STAGES.flatMap(({ tools }) => tools.map((tool) => [tool.name, tool])));

export const stageOf = ({ stage }: Pick<Desk, "stage">): Stage => STAGES.find(({ name }) => name === stage)!;

/** The tool in the hand: the one a held key has put there, or the one chosen on the stage. */
export function toolOf(desk: Pick<Desk, "stage" | "tools" | "keyTool">): Tool {
  const chosen = desk.keyTool ?? desk.tools[desk.stage];
  return TOOLS.get(chosen ?? "") ?? stageOf(desk).tools[0];
}

export const toolNamed = (name: string): Tool => TOOLS.get(name)!;
