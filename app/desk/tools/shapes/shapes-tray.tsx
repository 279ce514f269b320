import { changeShapes, orderShapes, removeShapes } from "#core/drawing/shape-edits.ts";
import type { Box } from "#core/geometry/point.ts";
import { Choice } from "../../../ui/choice.tsx";
import { Hint } from "../../../ui/hint.tsx";
import { chosenShapes } from "../../shapes/chosen-shapes.ts";
import { laidFields } from "../../shapes/laid-fields.tsx";
import type { Desk } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { InHandButton } from "../../tin/in-hand-button.tsx";
import { frameOf } from "../arrange/arrange-state.ts";
import { FrameButtons, FrameNumbers } from "../arrange/frame-fields.tsx";
import { PointButtons } from "../bend/bend-tray.tsx";
import type { Settings } from "../tool.ts";
import { shapes } from "./shapes-state.ts";

/** What can be done with the chosen shapes: as a whole, or with the points of one. */
export const shapesTray: Settings = {
  "How shapes are taken": Taking,
  hint: ShapesHint,
  "Mirror, order, copy, remove shapes": ShapeButtons,
  "Points of a shape": ChosenPoints,
  "Give shapes the colour in hand": GiveColour,
  ...laidFields({}),
  "Place, size and turn of shapes": ShapeFrame,
};

function Taking() {
  const { by } = useDesk(shapes.settings);
  const desk = useDeskStore();
  return (
    <Choice
      label="How shapes are taken"
      value={by}
      onChange={(next) => shapes.change(desk, { by: next })}
      options={[
        { value: "whole", word: "As a whole" },
        { value: "points", word: "By points" },
      ]}
    />
  );
}

function ShapesHint() {
  const { by } = useDesk(shapes.settings);
  const any = useDesk((s) => chosenShapes(s).length > 0);
  if (any) return null;
  return (
    <Hint>{by === "whole" ? "Click shapes, or drag around them." : "Click a shape to see its points."}</Hint>
  );
}

const frameOfWhole = (desk: Desk): Box | undefined =>
  shapes.settings(desk).by === "whole" && chosenShapes(desk).length > 0 ? frameOf(desk) : undefined;

function ShapeButtons() {
  const drawing = useDesk((s) => s.drawing);
  const chosen = useDesk(chosenShapes);
  const frame = useDesk(frameOfWhole);
  const { edit } = useDeskStore().getState();
  return frame ? (
    <FrameButtons
      frame={frame}
      onOrder={(way) => edit(orderShapes(drawing, chosen, way))}
      onRemove={() => edit(removeShapes(chosen))}
    />
  ) : null;
}

function ShapeFrame() {
  const frame = useDesk(frameOfWhole);
  return frame ? <FrameNumbers frame={frame} /> : null;
}

function ChosenPoints() {
  const { by } = useDesk(shapes.settings);
  return by === "points" ? <PointButtons /> : null;
}

/** Gives the chosen shapes the colour in hand. */
function GiveColour() {
  const chosen = useDesk(chosenShapes);
  const paint = useDesk((s) => s.paint);
  const { edit } = useDeskStore().getState();
  return chosen.length > 0 ? (
    <InHandButton does="Give it colour" onUse={() => edit(changeShapes(chosen, { paint }))} />
  ) : null;
}
