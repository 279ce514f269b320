import { isSmooth } from "#core/lines/bend.ts";
import { Button } from "../../../ui/button.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { addPointAfter, removePoints, turnPoint } from "./bend-points.ts";
import { bend, bentLine, heldPoints } from "./bend-state.ts";

export function BendPanel() {
  const line = useDesk(bentLine);
  const settings = useDesk(bend.settings);
  const desk = useDeskStore();
  return (
    <div className="flex items-center gap-3">
      <BendButtons />
      <div className="text-xs">
        <Toggle
          label="Ends that meet it follow"
          checked={settings.follow}
          onChange={(follow) => bend.change(desk, { follow })}
        />
        {!line && <p className="mt-1 text-quiet">Click a line to see its points.</p>}
      </div>
    </div>
  );
}

/** What can be done with the held points of what is bent. */
export function BendButtons() {
  const line = useDesk(bentLine);
  const held = useDesk(heldPoints);
  const desk = useDeskStore();
  const one = held.length === 1 ? held[0] : undefined;
  const smooth = line && one !== undefined && isSmooth(line.points, line.closed, one);
  return (
    <div className="flex items-center gap-2">
      <Button disabled={one === undefined} onClick={() => turnPoint(desk, one!)}>
        {smooth ? "Make a corner" : "Make smooth"}
      </Button>
      <Button disabled={one === undefined} onClick={() => addPointAfter(desk, one!)}>
        Add a point
      </Button>
      <Button disabled={held.length === 0} onClick={() => removePoints(desk)}>
        Remove
      </Button>
    </div>
  );
}
