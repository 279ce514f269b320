import type { Desk } from "../store/desk-state.ts";
import type { OverlayMark } from "../tools/tool.ts";
import { chosenShapes } from "./chosen-shapes.ts";

/** The outlines of the shapes that are chosen. */
export const shapeMarks = (desk: Desk): OverlayMark[] =>
  chosenShapes(desk).flatMap(({ outline }) =>
    outline.map(
      (points): OverlayMark => ({
        kind: "chain",
        points,
        closed: true,
        tint: "fern",
        width: 1.5,
        dashed: true,
      }),
    ),
  );
