import { Check, X } from "lucide-react";
import { type MouseEvent, useEffect } from "react";
import type { Point } from "#core/geometry/point.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { bringPointerTo } from "../keys/key-pointer.ts";
import { describePocket } from "../pockets/walk.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { leaveGuided, passStep } from "./guided.ts";
import { SHOW_ME_STEPS, type ShowMeStep } from "./steps.ts";
import { useDueStep } from "./use-due-step.ts";

/** Above the paper: what the next step is and why, and how far along it is. */
export function ShowMeStrip() {
  const due = useDueStep();
  const desk = useDeskStore();
  useSaved(desk);
  useEffect(() => {
    if (due) desk.getState().say(`${due.word}. ${due.says}`);
  }, [due, desk]);
  if (due === null) return null;
  return (
    <section
      id="show-me"
      aria-label="Show me"
      className="flex min-h-14 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-fern-soft px-3 py-1.5 touch:gap-y-apart"
    >
      <Along due={due} />
      <p className="min-w-0 flex-1 basis-72 leading-snug">
        <strong className="font-display font-semibold">{due ? due.word : "A whole spot"}.</strong>{" "}
        {due ? due.says : FINISHED}
      </p>
      <div className="flex items-center gap-apart">
        {due && (
          <>
            <Button size="small" onClick={(event) => goThere(desk, due, event)}>
              Take me there
            </Button>
            <Button size="small" onClick={() => passStep(due.name)}>
              Pass over
            </Button>
          </>
        )}
        <IconButton label={due ? "Leave Show me" : "Close Show me"} onClick={leaveGuided}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
    </section>
  );
}

const FINISHED =
  "You poured, closed a gap, dabbed, took a darker step, lit it, changed a colour and saved a picture. Go on with any drawing you like.";

/** Saving leaves no trace in the drawing: it counts from when it was done. */
function useSaved(desk: DeskStore): void {
  const saved = useDesk((s) => s.lastExport);
  useEffect(() => {
    const last = SHOW_ME_STEPS[SHOW_ME_STEPS.length - 1];
    if (saved && last.isDone(desk.getState())) passStep(last.name);
  }, [saved, desk]);
}

/** How many steps are behind. */
function Along({ due }: { due: ShowMeStep | undefined }) {
  if (!due) return <Check size={18} aria-label="All steps done" className="text-fern" />;
  return (
    <p className="font-semibold whitespace-nowrap tabular-nums">
      <span className="sr-only">Step </span>
      {SHOW_ME_STEPS.indexOf(due) + 1} of {SHOW_ME_STEPS.length}
    </p>
  );
}

/** Takes up what the step wants; keys that pressed this go on at the place on the paper. */
function goThere(desk: DeskStore, step: ShowMeStep, { detail }: MouseEvent): void {
  // What is to be pressed changes with each press: stage, then tool, then place.
  for (let presses = 0; presses < 3; presses++) {
    const pointed = step.pointed(desk.getState());
    if ("at" in pointed) {
      document.getElementById("paper")?.focus();
      if (detail === 0) standThere(desk, pointed.at);
      return;
    }
    const target = document.querySelector<HTMLElement>(pointed.control);
    target?.focus();
    if (!target?.matches("[data-stage], [data-tool]")) return;
    target.click();
  }
}

/** In the pocket that lies there; where there is none, the pointer that keys move stands there. */
function standThere(desk: DeskStore, at: Point): void {
  const { derived, standAt, walkTo, say } = desk.getState();
  const pocket = pocketAt(derived.pockets, at);
  if (pocket) {
    const index = derived.pockets.indexOf(pocket);
    standAt(null);
    walkTo(index);
    say(`${describePocket(desk.getState(), index)}. Enter uses the tool.`);
  } else {
    bringPointerTo(desk, at);
    say("Pointer at the place. Enter presses, Enter again lets go.");
  }
}
