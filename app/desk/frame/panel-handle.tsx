import clsx from "clsx";
import { Layers } from "lucide-react";
import { stepOf } from "#core/colour/ladder.ts";
import type { PanelName } from "../store/desk-state.ts";
import { isPanelShown } from "../store/frame-slice.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { shownTin } from "../tin/shown-tin.ts";

const WORDS = { tin: "Tin", press: "Press" };

/** Calls a panel from its side, or sends it back. */
export function PanelHandle({ panel }: { panel: PanelName }) {
  const below = useDesk((s) => s.plan.panels === "below");
  const shown = useDesk((s) => isPanelShown(s, panel));
  const { showPanel } = useDeskStore().getState();
  if (below) return null;
  return (
    <button
      type="button"
      aria-expanded={shown}
      aria-label={`${WORDS[panel]} panel`}
      title={`${shown ? "Put the" : "Show the"} ${WORDS[panel].toLowerCase()}${shown ? " away" : ""}`}
      onClick={() => showPanel(panel, !shown)}
      className={clsx(
        "flex h-13 w-13 shrink-0 flex-col items-center justify-center gap-0.5 rounded-md hover:bg-well",
        shown && "bg-well",
      )}
    >
      {panel === "tin" ? <InHand /> : <Layers size={20} strokeWidth={1.8} aria-hidden />}
      <span className="text-xs">{WORDS[panel]}</span>
    </button>
  );
}

/** The colour in the hand. */
function InHand() {
  const colour = useDesk((s) => shownTin(s)[s.paint.colour]);
  const step = useDesk((s) => s.paint.step);
  return (
    <span
      className="h-5 w-5 rounded-full border-2 border-raised shadow-[0_0_0_1px_var(--color-edge)]"
      style={{ background: colour && stepOf(colour, step) }}
    />
  );
}
