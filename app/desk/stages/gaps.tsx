import { addBridges } from "#core/drawing/edits.ts";
import { newId } from "../../keep/shelf.ts";
import { Toggle } from "../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../desk-store.ts";

/** Bridges shown or hidden, and all openings at once. */
export function GapsSettings() {
  const showBridges = useDesk((s) => s.showBridges);
  const bridges = useDesk((s) => Object.keys(s.history.drawing.bridges).length);
  const openings = useDesk((s) => s.gaps.openings);
  const { set, edit } = useDeskStore().getState();
  return (
    <>
      <Toggle
        label={`Show bridges (${bridges})`}
        checked={showBridges}
        onChange={(on) => set({ showBridges: on })}
      />
      <button
        type="button"
        disabled={openings.length === 0}
        onClick={() => edit(addBridges(openings.map((opening) => ({ id: newId(), points: opening.bridge }))))}
        className="h-8 rounded-md border border-edge px-3 hover:bg-well disabled:border-line disabled:text-edge"
      >
        Bridge all {openings.length || ""} openings
      </button>
    </>
  );
}
