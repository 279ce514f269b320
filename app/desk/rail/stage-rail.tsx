import clsx from "clsx";
import { Redo2, Search, Undo2 } from "lucide-react";
import { useEffect } from "react";
import { Link } from "react-router";
import { redoLabel, undoLabel } from "#core/drawing/history.ts";
import type { KeepState } from "../../keep/keeper.ts";
import { FrondMark } from "../../ui/frond-mark.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { STAGES } from "../stages/index.ts";
import type { Stage } from "../stages/stage.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { DeskMenu } from "./desk-menu.tsx";
import { StepList } from "./step-list.tsx";

/** The stages along one stem, each with its live figure: the only navigation on the desk. */
export function StageRail() {
  const name = useDesk((s) => s.drawing.name);
  const rows = useDesk((s) => s.plan.rail);
  return (
    <header
      className={clsx(
        "desk-rail flex items-center gap-x-2 border-b border-line bg-raised px-3",
        rows === 2 && "flex-wrap justify-between gap-y-apart py-1",
      )}
    >
      <Link
        to="/"
        aria-label="Back to the drawer"
        title="Back to the drawer"
        className={clsx(
          "flex min-h-target min-w-0 items-center gap-2 rounded-md py-1 hover:bg-well",
          rows === 1 ? "w-44" : "flex-1",
        )}
      >
        <FrondMark className="h-8 w-8 shrink-0 text-fern" />
        <span className="line-clamp-2 font-display text-sm leading-tight">{name}</span>
      </Link>
      <nav aria-label="Stages" className={clsx("min-w-0 flex-1", rows === 2 && "order-last basis-full")}>
        <ol className="relative mx-auto grid max-w-2xl grid-cols-5">
          <li
            aria-hidden="true"
            className="absolute top-[9px] right-[10%] left-[10%] h-[2px] rounded bg-line"
          />
          {STAGES.map((stage, i) => (
            <StageStop key={stage.name} stage={stage} hotkey={i + 1} />
          ))}
        </ol>
      </nav>
      <div className="flex items-center gap-0.5 touch:gap-apart">
        <KeepSign />
        <HistoryButtons />
        <FindButton />
        <DeskMenu />
      </div>
    </header>
  );
}

function StageStop({ stage, hotkey }: { stage: Stage; hotkey: number }) {
  const { name } = stage;
  const active = useDesk((s) => s.stage === name);
  const figure = useDesk(stage.figure);
  const { chooseStage } = useDeskStore().getState();
  return (
    <li className="relative flex justify-center">
      <button
        type="button"
        data-stage={name}
        aria-current={active ? "step" : undefined}
        title={`${name} (${hotkey})`}
        onClick={() => chooseStage(name)}
        className="group flex min-h-target min-w-target flex-col items-center rounded-md px-1"
      >
        <svg viewBox="0 0 26 20" aria-hidden="true" className="h-5 w-7">
          <path
            d="M13 2C20 3 23 8 23 10C23 12 20 17 13 18C6 17 3 12 3 10C3 8 6 3 13 2Z"
            className={clsx(
              active ? "fill-fern stroke-fern" : "fill-raised stroke-edge group-hover:stroke-fern",
            )}
            strokeWidth="2"
          />
          {active && (
            <path
              d="M7 10H19M13 10L10 7M13 10L10 13M17 10L15 8M17 10L15 12"
              className="fill-none stroke-on-accent"
              strokeWidth="1.2"
            />
          )}
        </svg>
        <span
          className={clsx(
            "font-display text-[0.9375rem] leading-tight",
            active ? "font-semibold text-fern" : "text-text",
          )}
        >
          {name}
        </span>
        <span className="text-center text-xs leading-tight whitespace-nowrap text-quiet tabular-nums max-[36rem]:sr-only">
          {figure}
        </span>
      </button>
    </li>
  );
}

function HistoryButtons() {
  const undoName = useDesk((s) => undoLabel(s.history));
  const redoName = useDesk((s) => redoLabel(s.history));
  const { undo, redo } = useDeskStore().getState();
  return (
    <>
      <IconButton
        label={undoName ? `Undo: ${undoName}` : "Nothing to undo"}
        disabled={!undoName}
        onClick={undo}
      >
        <Undo2 size={17} aria-hidden />
      </IconButton>
      <IconButton
        label={redoName ? `Redo: ${redoName}` : "Nothing to redo"}
        disabled={!redoName}
        onClick={redo}
      >
        <Redo2 size={17} aria-hidden />
      </IconButton>
      <StepList />
    </>
  );
}

function FindButton() {
  const { openWindow } = useDeskStore().getState();
  return (
    <IconButton label="Find anything (Ctrl K)" onClick={() => openWindow("find")}>
      <Search size={17} aria-hidden />
    </IconButton>
  );
}

const KEEP_WORDS: Record<KeepState, string> = {
  kept: "Kept",
  keeping: "Keeping…",
  memory: "Not kept here",
  second: "Open twice",
  full: "Storage full",
  unavailable: "Not kept",
  elsewhere: "Open elsewhere",
};

const KEEP_HELP: Record<KeepState, string> = {
  kept: "Every change is kept in this browser.",
  keeping: "Writing the last change.",
  memory:
    "This browser keeps no drawings: this one lasts for this visit only. Save it as a file from Deliver before you close the page.",
  second:
    "This drawing is open in another tab too. Each tab follows what is changed in the other; every change is kept.",
  full: "The browser's storage is full. Your drawing is whole on this page: save it as a file from Deliver, then delete some drawings.",
  unavailable:
    "The last change could not be kept in this browser. Your drawing is whole on this page: save it as a file from Deliver.",
  elsewhere: "This drawing was changed in another tab while its last change was written. It is tried again.",
};

function KeepSign() {
  const keeping = useDesk((s) => s.keeping);
  const fine = keeping === "kept" || keeping === "keeping" || keeping === "second";
  const tell = useNotice();
  useEffect(() => {
    if (keeping === "second") tell(KEEP_HELP.second);
  }, [keeping, tell]);
  return (
    <>
      <p
        className={clsx(
          "text-right text-xs whitespace-nowrap touch:px-2",
          fine ? "text-quiet max-[30rem]:sr-only" : "font-semibold text-ember",
        )}
        title={KEEP_HELP[keeping]}
        data-keeping={keeping}
      >
        {!fine && <span aria-hidden="true">▲ </span>}
        {KEEP_WORDS[keeping]}
      </p>
      {!fine && (
        <p
          role="alert"
          className="fixed top-18 left-1/2 z-30 max-w-xl -translate-x-1/2 rounded-md border border-ember bg-ember-soft px-4 py-2"
        >
          {KEEP_HELP[keeping]}
        </p>
      )}
    </>
  );
}
