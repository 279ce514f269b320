import { Ruler } from "lucide-react";
import { Popover } from "radix-ui";
import { stepOf } from "#core/colour/ladder.ts";
import { changeShapes, orderShapes, removeShapes } from "#core/drawing/shape-edits.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { chosenShapes } from "../../shapes/chosen-shapes.ts";
import { LaidFields } from "../../shapes/laid-fields.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { shownTin } from "../../tin/shown-tin.ts";
import { frameOf } from "../arrange/arrange-state.ts";
import { FrameButtons, FrameNumbers } from "../arrange/frame-fields.tsx";
import { BendButtons } from "../bend/bend-panel.tsx";
import { shapes } from "./shapes-state.ts";

/** What can be done with the chosen shapes: as a whole, or with the points of one. */
export function ShapesPanel() {
  const { by } = useDesk(shapes.settings);
  const chosen = useDesk(chosenShapes);
  const desk = useDeskStore();
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="grid gap-1">
        <Choice
          label="How shapes are taken"
          value={by}
          onChange={(next) => shapes.change(desk, { by: next })}
          options={[
            { value: "whole", word: "As a whole" },
            { value: "points", word: "By points" },
          ]}
        />
        {chosen.length > 0 ? (
          <GiveColour />
        ) : (
          <p className="max-w-44 text-xs text-quiet">
            {by === "whole" ? "Click shapes, or drag around them." : "Click a shape to see its points."}
          </p>
        )}
      </div>
      {by === "points" ? <BendButtons /> : chosen.length > 0 && <Whole />}
      <LaidFields />
    </div>
  );
}

function Whole() {
  const drawing = useDesk((s) => s.drawing);
  const selected = useDesk((s) => s.selected);
  const chosen = useDesk(chosenShapes);
  const { edit } = useDeskStore().getState();
  const frame = frameOf({ drawing, selected });
  return (
    frame && (
      <>
        <Popover.Root>
          <Popover.Trigger
            aria-label="Place, size and turn"
            title="Place, size and turn"
            className="grid h-8 w-8 shrink-0 place-items-center rounded-md border border-edge hover:bg-well"
          >
            <Ruler size={15} aria-hidden />
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              side="top"
              sideOffset={8}
              collisionPadding={8}
              aria-label="Place, size and turn"
              className="z-40 rounded-md border border-line bg-raised p-3 shadow-xl"
            >
              <FrameNumbers frame={frame} />
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
        <div className="grid shrink-0 grid-cols-4 gap-0.5">
          <FrameButtons
            frame={frame}
            onOrder={(way) => edit(orderShapes(drawing, chosen, way))}
            onRemove={() => edit(removeShapes(chosen))}
          />
        </div>
      </>
    )
  );
}

/** Gives the chosen shapes the colour in hand. */
function GiveColour() {
  const chosen = useDesk(chosenShapes);
  const paint = useDesk((s) => s.paint);
  const colour = useDesk((s) => shownTin(s)[s.paint.colour]);
  const { edit } = useDeskStore().getState();
  if (!colour) return null;
  return (
    <Button size="small" className="max-w-44" onClick={() => edit(changeShapes(chosen, { paint }))}>
      <span
        aria-hidden="true"
        className="h-4 w-4 shrink-0 rounded-full border border-edge"
        style={{ background: stepOf(colour, paint.step) }}
      />
      <span className="truncate">Give {colour.name}</span>
    </Button>
  );
}
