/** Dabs on the paper: their touches, what they claim in its colour, and the edges that would be closed. */
import type { Paint } from "#core/drawing/drawing.ts";
import { paletteOf } from "#core/scene/palette.ts";
import type { Desk } from "../../store/desk-state.ts";
import type { OverlayMark } from "../tool.ts";
import { claimed, dabsInPart } from "./dab-state.ts";

export function dabMarks(desk: Desk): OverlayMark[] {
  const { regions, edges } = claimed(desk);
  return [
    ...regions.map(
      ({ triangles, paint }): OverlayMark => ({ kind: "area", triangles, colour: colourOf(desk, paint) }),
    ),
    ...edges.map(
      ({ bridge }): OverlayMark => ({
        kind: "chain",
        points: bridge,
        closed: false,
        tint: "ember",
        dashed: true,
      }),
    ),
    ...dabsInPart(desk).map(
      ({ points, width, paint }): OverlayMark => ({
        kind: "touch",
        points,
        width,
        colour: paint && colourOf(desk, paint),
      }),
    ),
  ];
}

export const colourOf = ({ drawing }: Desk, paint: Paint): string => paletteOf(drawing).toneOf(paint).value;
