import { Copy, FolderDown, Save } from "lucide-react";
import { useState } from "react";
import { Button } from "../../ui/button.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { Window } from "../../ui/window.tsx";
import { useDeskStore } from "../store/use-desk.ts";
import { DeliveriesList } from "./deliveries-list.tsx";
import { copyFile, hasFolders, type Place } from "./hand-over.ts";
import { KindFields } from "./kind-fields.tsx";
import { OfWhatFields } from "./of-what-fields.tsx";
import { EVERY, isMade, SEEN, type TakeHome, usualRequest } from "./request.ts";
import { TakenPicture } from "./taken-picture.tsx";
import { useHandOver } from "./use-hand-over.ts";

/** All the files that can be taken home, of what, with how large they will be; and those that were. */
export function TakeHomeWindow({ onClose }: { onClose: () => void }) {
  const desk = useDeskStore();
  const [request, setRequest] = useState<TakeHome>(() =>
    usualRequest(["svg", "png"], desk.getState().drawing.page.ppi),
  );
  const change = (part: Partial<TakeHome>) => setRequest((now) => ({ ...now, ...part }));
  const { share, start } = useHandOver();
  const meant = request.kinds.filter((kind) => isMade(kind, request));
  const save = (place: Place) => start({ ...request, kinds: meant }, place, "delivery");
  const again = (past: TakeHome) => {
    setRequest(past);
    void start(past, "download", "delivery");
  };
  return (
    <Window
      open
      onClose={onClose}
      title="Files to take home"
      hint="Choose what, and as which files. One file comes by itself, several in a zip."
      large
    >
      <div className="grid h-full min-h-0 grid-cols-[15rem_1fr_21rem] divide-x divide-line">
        <div className="grid grid-cols-1 content-start gap-4 overflow-y-auto p-5 [&_label]:whitespace-normal">
          <OfWhatFields request={request} onChange={change} />
        </div>
        <div className="grid grid-cols-1 content-start gap-4 overflow-y-auto p-5">
          <KindFields request={request} onChange={change} />
          <div className="flex flex-wrap items-center gap-2">
            <Button
              main
              size="large"
              className="tabular-nums"
              disabled={share !== null || meant.length === 0}
              onClick={() => save("download")}
            >
              <Save size={16} aria-hidden />
              {share === null ? "Save them" : `${Math.round(100 * share)} %`}
            </Button>
            {share === null ? null : (
              <Button size="large" onClick={() => desk.getState().pictures.stop()}>
                Stop
              </Button>
            )}
            {hasFolders() ? (
              <Button
                size="large"
                disabled={share !== null || meant.length === 0}
                onClick={() => save("folder")}
              >
                <FolderDown size={16} aria-hidden /> Into a folder
              </Button>
            ) : null}
            <CopyButton kind="png" request={request} />
            <CopyButton kind="svg" request={request} />
          </div>
          <DeliveriesList onAgain={again} busy={share !== null} />
        </div>
        <div className="grid grid-cols-1 content-start gap-3 overflow-y-auto p-5">
          <TakenPicture request={request} />
        </div>
      </div>
    </Window>
  );
}

const COPIED = { png: "PNG", svg: "SVG" } as const;

function CopyButton({ kind, request }: { kind: "png" | "svg"; request: TakeHome }) {
  const desk = useDeskStore();
  const tell = useNotice();
  const word = COPIED[kind];
  const copy = async () => {
    try {
      const one = { ...request, kinds: [kind], way: request.way === EVERY ? SEEN : request.way };
      if (await copyFile(desk, one, () => {})) tell(`The ${word} is on the clipboard.`);
    } catch {
      tell(`The browser did not take the ${word} to the clipboard. Save it instead.`, { tone: "warn" });
    }
  };
  return (
    <Button size="large" onClick={copy}>
      <Copy size={16} aria-hidden /> Copy {word}
    </Button>
  );
}
