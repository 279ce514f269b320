import { Layers2 } from "lucide-react";
import { makePart } from "../../parts/part-actions.ts";
import { pourInto } from "../../pockets/pour-into.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { countGathered, gather, gatheredPockets } from "./gather-state.ts";

const BUTTON =
  "flex h-8 items-center gap-1.5 rounded-md border border-edge px-3 whitespace-nowrap hover:bg-well disabled:border-line disabled:text-edge";

/** What can be done with the pockets that are gathered. */
export function GatherPanel() {
  const count = useDesk(countGathered);
  const colour = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const desk = useDeskStore();
  const pourAll = (empty: boolean) => {
    const state = desk.getState();
    const edit = pourInto(state, gatheredPockets(state), empty ? null : state.paint);
    if (edit) state.edit(edit);
  };
  const make = () => void makePart(desk, { keys: gather.held(desk.getState()).keys });
  return (
    <div className="flex min-w-0 items-center gap-2">
      <p className="w-28 text-xs text-quiet tabular-nums">
        {count === 0 ? "Click pockets, or drag across or around them." : `${count} gathered`}
      </p>
      <button type="button" disabled={count === 0} onClick={() => pourAll(false)} className={BUTTON}>
        Pour {colour}
      </button>
      <button type="button" disabled={count === 0} onClick={() => pourAll(true)} className={BUTTON}>
        Empty
      </button>
      <button type="button" disabled={count === 0} onClick={make} className={BUTTON}>
        <Layers2 size={15} aria-hidden /> Make a part
      </button>
    </div>
  );
}
