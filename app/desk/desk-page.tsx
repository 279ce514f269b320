import { type DragEvent, startTransition, useDeferredValue, useEffect, useMemo, useState } from "react";
import type { Opened } from "../keep/shelf.ts";
import { usePrefs } from "../prefs/prefs-store.ts";
import { Announcer } from "./announcer.tsx";
import { Hand } from "./canvas/hand.ts";
import { HeldKeysPad } from "./canvas/held-keys-pad.tsx";
import { LeakCard } from "./canvas/leak-card.tsx";
import { guardFromPalms } from "./canvas/palm-guard.ts";
import { Paper } from "./canvas/paper.tsx";
import { ReasonSign } from "./canvas/reason-sign.tsx";
import { useFramePlan } from "./frame/use-frame-plan.ts";
import { LookFilters } from "./judge/look-filters.tsx";
import { DeskKeys } from "./keys/desk-keys.tsx";
import { placeFile } from "./parts/place-art.ts";
import { PressColumn } from "./press/press-column.tsx";
import { LeaveGuard } from "./rail/leave-guard.tsx";
import { LostSign } from "./rail/lost-sign.tsx";
import { RoomWatch } from "./rail/room-watch.tsx";
import { StageRail } from "./rail/stage-rail.tsx";
import { PointOut } from "./show-me/point-out.tsx";
import { ShowMeStrip } from "./show-me/show-me-strip.tsx";
import type { DeskStore, StageName } from "./store/desk-state.ts";
import { createDesk } from "./store/desk-store.ts";
import { isPanelShown } from "./store/frame-slice.ts";
import { DeskContext, useDesk, useDeskStore } from "./store/use-desk.ts";
import { TinPanel } from "./tin/tin-panel.tsx";
import { Tray } from "./tray/tray.tsx";
import { OVER_PAPER } from "./tray/tray-settings.tsx";
import { useThumbnail } from "./use-thumbnail.ts";
import { DeskWindows } from "./windows/desk-windows.tsx";

/** The desk: one drawing, worked on. */
export function DeskPage({ id, opened, stage }: { id: string; opened: Opened; stage?: StageName }) {
  const [desk, setDesk] = useState<DeskStore | null>(null);
  useEffect(() => {
    const store = createDesk(id, opened);
    if (stage) store.getState().chooseStage(stage);
    // Laid out in slices, as a drawing opens: the hand may be on its way already.
    startTransition(() => setDesk(store));
    return () => store.getState().close();
  }, [id, opened, stage]);
  if (!desk) return null;
  return (
    <DeskContext value={desk}>
      <DeskLayout />
    </DeskContext>
  );
}

function DeskLayout() {
  const mat = usePrefs((now) => now.mat);
  const [panning, onPanning] = useState(false);
  const desk = useDeskStore();
  const [hand] = useState(() => new Hand(desk));
  const keyDesk = useMemo(() => ({ desk, hand, onPanning }), [desk, hand]);
  useThumbnail();
  useFramePlan();
  useEffect(guardFromPalms, []);
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) void placeFile(desk, file);
  };
  const panels = useDesk((s) => s.plan.panels);
  const tin = useDesk((s) => isPanelShown(s, "tin"));
  const press = useDesk((s) => isPanelShown(s, "press"));
  // As the desk is laid out they come after the paper, in a task of their own; their places are kept.
  const panelsAreDue = useDeferredValue(true, false);
  return (
    <div className="desk" data-panels={panels}>
      <main
        data-mat={mat}
        className="desk-paper flex min-h-0 min-w-0 flex-col"
        onDragOver={(event) => event.preventDefault()}
        onDrop={onDrop}
      >
        <h1 className="sr-only">Desk</h1>
        <ShowMeStrip />
        <div className="relative min-h-0 flex-1">
          <Paper hand={hand} panning={panning} />
          <PointOut />
          <LeakCard />
          <ReasonSign />
          <HeldKeysPad />
          <div id={OVER_PAPER} className="absolute inset-x-2 bottom-0 z-10 flex justify-center" />
        </div>
      </main>
      <StageRail />
      {tin && (panelsAreDue ? <TinPanel /> : <div className="desk-tin bg-bench" />)}
      {press && (panelsAreDue ? <PressColumn /> : <div className="desk-press bg-bench" />)}
      <Tray />
      <DeskKeys keyDesk={keyDesk} />
      <DeskWindows keyDesk={keyDesk} />
      <Announcer />
      <LeaveGuard />
      <LostSign />
      <RoomWatch />
      <LookFilters />
    </div>
  );
}
