import { isSmooth } from "#core/lines/bend.ts";
import { Button } from "../../../ui/button.tsx";
import { Hint } from "../../../ui/hint.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { addPointAfter, removePoints, turnPoint } from "./bend-points.ts";
import { bend, bentLine, heldPoints } from "./bend-state.ts";

export const bendTray: Settings = {
  hint: BendHint,
  "Corner, smooth point, add or remove a point": PointButtons,
  "Ends that meet it follow": Follow,
};

function BendHint() {
  const line = useDesk(bentLine);
  return line ? null : <Hint>Click a line to see its points.</Hint>;
}

/** What can be done with the held points of what is bent. */
export function PointButtons() {
  const line = useDesk(bentLine);
  const held = useDesk(heldPoints);
  const desk = useDeskStore();
  const one = held.length === 1 ? held[0] : undefined;
  const smooth = line && one !== undefined && isSmooth(line.points, line.closed, one);
  return (
    <>
      <Button disabled={one === undefined} onClick={() => turnPoint(desk, one!)}>
        {smooth ? "Make a corner" : "Make smooth"}
      </Button>
      <Button disabled={one === undefined} onClick={() => addPointAfter(desk, one!)}>
        Add a point
      </Button>
      <Button disabled={held.length === 0} onClick={() => removePoints(desk)}>
        Remove
      </Button>
    </>
  );
}

function Follow() {
  const { follow } = useDesk(bend.settings);
  const desk = useDeskStore();
  return (
    <Toggle
      label="Ends that meet it follow"
      checked={follow}
      onChange={(next) => bend.change(desk, { follow: next })}
    />
  );
}
