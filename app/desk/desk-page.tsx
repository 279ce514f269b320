import { type DragEvent, startTransition, useEffect, useState } from "react";
import type { Opened } from "../keep/shelf.ts";
import { Announcer } from "./announcer.tsx";
import { Hand } from "./canvas/hand.ts";
import { LeakCard } from "./canvas/leak-card.tsx";
import { Loupe } from "./canvas/loupe.tsx";
import { Paper } from "./canvas/paper.tsx";
import { ReasonSign } from "./canvas/reason-sign.tsx";
import { LookFilters } from "./judge/look-filters.tsx";
import { DeskKeys } from "./keys/desk-keys.tsx";
import { placeFile } from "./parts/place-art.ts";
import { describeDrawing } from "./pockets/describe.ts";
import { PartsStack } from "./press/parts-stack.tsx";
import { PressPanel } from "./press/press-panel.tsx";
import { SnagList } from "./press/snag-list.tsx";
import { LeaveGuard } from "./rail/leave-guard.tsx";
import { LostSign } from "./rail/lost-sign.tsx";
import { RoomWatch } from "./rail/room-watch.tsx";
import { StageRail } from "./rail/stage-rail.tsx";
import { stageOf } from "./stages/index.ts";
import type { DeskStore, StageName } from "./store/desk-state.ts";
import { createDesk } from "./store/desk-store.ts";
import { DeskContext, useDesk, useDeskStore } from "./store/use-desk.ts";
import { TinPanel } from "./tin/tin-panel.tsx";
import { Tray } from "./tray/tray.tsx";
import { useThumbnail } from "./use-thumbnail.ts";

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

/** CSS pixels of the mat; on a smaller one the loupe would hide the drawing. */
const LOUPE_FROM = 420;

function DeskLayout() {
  const mat = useDesk((s) => s.mat);
  const [panning, setPanning] = useState(false);
  const desk = useDeskStore();
  const [hand] = useState(() => new Hand(desk));
  useThumbnail();
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) void placeFile(desk, file);
  };
  const { List } = useDesk(stageOf);
  const describe = useDesk(describeDrawing);
  const roomy = useDesk(({ matSize }) => Math.min(matSize.width, matSize.height) > LOUPE_FROM);
  return (
    <div className="desk">
      <main
        data-mat={mat}
        className="desk-paper relative min-h-0 min-w-0 border-x border-line"
        onDragOver={(event) => event.preventDefault()}
        onDrop={onDrop}
      >
        <h1 className="sr-only">Desk</h1>
        <Paper hand={hand} panning={panning} describe={describe} />
        <LeakCard />
        <ReasonSign />
        {roomy && <Loupe />}
      </main>
      <StageRail />
      <TinPanel />
      <aside
        aria-label="Press and snags"
        className="desk-press flex min-h-0 flex-col overflow-y-auto bg-bench"
      >
        <PartsStack />
        <PressPanel />
        <SnagList />
        {List && <List />}
      </aside>
      <Tray />
      <DeskKeys hand={hand} onPanning={setPanning} />
      <Announcer />
      <LeaveGuard />
      <LostSign />
      <RoomWatch />
      <LookFilters />
    </div>
  );
}
