import {
  ArrowDownNarrowWide,
  Droplet,
  Hand,
  LampDesk,
  Layers2,
  Minus,
  Plus,
  Repeat2,
  SquareDashed,
  X,
} from "lucide-react";
import { setMade } from "#core/drawing/light-edits.ts";
import { LAMP_MADE } from "#core/drawing/over.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Range } from "../../../ui/range.tsx";
import { makePart } from "../../parts/part-actions.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import { pourInto } from "../../pockets/pour-into.ts";
import { type PourRequest, paintRequest } from "../../pockets/pour-request.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { nextMade } from "../lamp/lamp-state.ts";
import { takeOver } from "../lamp/take-over.ts";
import {
  countGathered,
  gather,
  gatherBare,
  gatheredPockets,
  MOST_WITHIN,
  TAKES,
  turnRound,
} from "./gather-state.ts";

const WORDS = { one: "One", alike: "All alike", touching: "Touching", part: "Part" };

/** What a click gathers, and what can be done with the pockets that are. */
export function GatherPanel() {
  const count = useDesk(countGathered);
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="grid gap-1">
        <Taking />
        <div className="flex items-center gap-1">
          <p className="grow text-xs whitespace-nowrap text-quiet tabular-nums">
            {count === 0 ? "Shift adds, Alt takes" : `${count} gathered`}
          </p>
          <More />
        </div>
      </div>
      <Doing count={count} />
    </div>
  );
}

function Taking() {
  const { takes, within } = useDesk(gather.settings);
  const several = useDesk((s) => Object.keys(s.drawing.parts).length > 1);
  const desk = useDeskStore();
  const shades = takes === "alike" || takes === "touching";
  return (
    <div className="flex items-center gap-2">
      <Choice
        label="What a click gathers"
        value={takes}
        onChange={(next) => gather.change(desk, { takes: next })}
        options={TAKES.filter((way) => several || way !== "part").map((value) => ({
          value,
          word: WORDS[value],
        }))}
      />
      {shades && (
        <Range
          label="How unlike alike colours may be"
          steps={MOST_WITHIN}
          value={within / MOST_WITHIN}
          onChange={(share) => gather.change(desk, { within: Math.round(share * MOST_WITHIN) })}
          className="w-20"
        />
      )}
    </div>
  );
}

function More() {
  const desk = useDeskStore();
  return (
    <>
      <IconButton small label="Gather all bare ones (B)" onClick={() => gatherBare(desk)}>
        <SquareDashed size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Turn round what is gathered (I)" onClick={() => turnRound(desk)}>
        <Repeat2 size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Shade what is gathered by the lamp" onClick={() => shadeGathered(desk)}>
        <LampDesk size={15} aria-hidden />
      </IconButton>
      <IconButton
        small
        label="Take over the lamp's light of what is gathered"
        onClick={() => takeGathered(desk)}
      >
        <Hand size={15} aria-hidden />
      </IconButton>
    </>
  );
}

/** Each by a form of its own, in steps of its own colour. */
function shadeGathered(desk: DeskStore): void {
  const state = desk.getState();
  const ids = poursGathered(desk);
  if (ids.length > 0) state.edit(setMade("form", ids, nextMade(state, "form")));
  else state.tell("Gather coloured pockets first: shade is made of their ladders.");
}

const takeGathered = (desk: DeskStore): void => takeOver(desk, poursGathered(desk), LAMP_MADE);

function poursGathered(desk: DeskStore): string[] {
  const state = desk.getState();
  return [...new Set(gatheredPockets(state).flatMap((pocket) => colouredIn(state, pocket)?.id ?? []))];
}

function Doing({ count }: { count: number }) {
  const colour = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const desk = useDeskStore();
  const none = count === 0;
  const pour = (request: PourRequest) => {
    const state = desk.getState();
    const edit = pourInto(state, gatheredPockets(state), request);
    if (edit) state.edit(edit);
  };
  const make = () => void makePart(desk, { pockets: gatheredPockets(desk.getState()) });
  return (
    <div className="grid grid-cols-[auto_auto_auto] gap-1">
      <Button size="small" disabled={none} onClick={() => pour(paintRequest(desk.getState().paint))}>
        <Droplet size={13} aria-hidden /> <span className="max-w-24 truncate">Pour {colour}</span>
      </Button>
      <Button size="small" disabled={none} onClick={() => pour(paintRequest(null))}>
        <X size={13} aria-hidden /> Empty
      </Button>
      <Button
        size="small"
        disabled={none}
        onClick={() => pour({ kind: "step", by: 1 })}
        title="Each one step lighter than it is"
      >
        <Plus size={13} aria-hidden /> Lighter
      </Button>
      <Button
        size="small"
        disabled={none}
        onClick={() => pour({ kind: "step", by: -1 })}
        title="Each one step darker than it is"
      >
        <Minus size={13} aria-hidden /> Darker
      </Button>
      <Button size="small" disabled={none} onClick={() => pour({ kind: "ink" })}>
        <ArrowDownNarrowWide size={13} aria-hidden /> Spot black
      </Button>
      <Button size="small" disabled={none} onClick={make}>
        <Layers2 size={13} aria-hidden /> Make a part
      </Button>
    </div>
  );
}
