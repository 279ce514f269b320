import {
  ArrowDownNarrowWide,
  Combine,
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
import { newId } from "#core/drawing/new-id.ts";
import { LAMP_MADE } from "#core/drawing/over.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { between, type Measure } from "../../../ui/measure.ts";
import { SliderField } from "../../../ui/slider-field.tsx";
import { makePart } from "../../parts/part-actions.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import { pourInto } from "../../pockets/pour-into.ts";
import { type PourRequest, paintRequest } from "../../pockets/pour-request.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { nextMade } from "../lamp/lamp-state.ts";
import { takeOver } from "../lamp/take-over.ts";
import type { Settings } from "../tool.ts";
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

/** What a click gathers, and what can be done with the gathered pockets. */
export const gatherTray: Settings = {
  "What a click gathers": Taking,
  hint: Count,
  "Pour or empty what is gathered": Colouring,
  "How unlike gathered colours may be": Within,
  "Make a part": MakePart,
  "Gather bare pockets, turn round, shade or take over": Others,
  "Lighter, darker or spot black": Steps,
};

function Taking() {
  const { takes } = useDesk(gather.settings);
  const several = useDesk((s) => Object.keys(s.drawing.parts).length > 1);
  const desk = useDeskStore();
  return (
    <Choice
      label="What a click gathers"
      value={takes}
      onChange={(next) => gather.change(desk, { takes: next })}
      options={TAKES.filter((way) => several || way !== "part").map((value) => ({
        value,
        word: WORDS[value],
      }))}
    />
  );
}

/** Of lightness and colour as the eye sees them. */
const UNLIKE: Measure = between(0, MOST_WITHIN, "steps");

function Within() {
  const { takes, within } = useDesk(gather.settings);
  const desk = useDeskStore();
  return takes === "alike" || takes === "touching" ? (
    <SliderField
      label="How unlike alike colours may be"
      word="Unlike by"
      steps={MOST_WITHIN}
      measure={UNLIKE}
      value={within / MOST_WITHIN}
      onChange={(share) => gather.change(desk, { within: Math.round(share * MOST_WITHIN) })}
    />
  ) : null;
}

function Count() {
  const count = useDesk(countGathered);
  return (
    <p className="text-xs whitespace-nowrap text-quiet tabular-nums">
      {count === 0 ? "Shift adds, Alt takes" : `${count} gathered`}
    </p>
  );
}

function Others() {
  const desk = useDeskStore();
  return (
    <div className="flex gap-0.5 touch:gap-apart">
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
        label="Shade what is gathered as one form"
        onClick={() => shadeGathered(desk, newId())}
      >
        <Combine size={15} aria-hidden />
      </IconButton>
      <IconButton
        small
        label="Take over the lamp's light of what is gathered"
        onClick={() => takeGathered(desk)}
      >
        <Hand size={15} aria-hidden />
      </IconButton>
    </div>
  );
}

/** Each pocket is shaded by a form of its own, or all by one of a name; in steps of its own colour either way. */
function shadeGathered(desk: DeskStore, cloth?: string): void {
  const state = desk.getState();
  const ids = poursGathered(desk);
  if (ids.length > 0)
    state.edit(setMade("form", ids, { ...nextMade(state, "form"), ...(cloth && { cloth }) }));
  else state.tell("Gather coloured pockets first: shade is made of their ladders.");
}

const takeGathered = (desk: DeskStore): void => takeOver(desk, poursGathered(desk), LAMP_MADE);

function poursGathered(desk: DeskStore): string[] {
  const state = desk.getState();
  return [...new Set(gatheredPockets(state).flatMap((pocket) => colouredIn(state, pocket)?.id ?? []))];
}

/** Pours into all that is gathered. */
function usePour() {
  const desk = useDeskStore();
  return (request: PourRequest) => {
    const state = desk.getState();
    const edit = pourInto(state, gatheredPockets(state), request);
    if (edit) state.edit(edit);
  };
}

const useNone = (): boolean => useDesk(countGathered) === 0;

function Colouring() {
  const colour = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const none = useNone();
  const pour = usePour();
  const desk = useDeskStore();
  return (
    <>
      <Button
        size="small"
        disabled={none}
        aria-label={`Pour ${colour}`}
        title={`Pour ${colour}`}
        onClick={() => pour(paintRequest(desk.getState().paint))}
      >
        <Droplet size={13} aria-hidden /> Pour
      </Button>
      <Button size="small" disabled={none} onClick={() => pour(paintRequest(null))}>
        <X size={13} aria-hidden /> Empty
      </Button>
    </>
  );
}

function Steps() {
  const none = useNone();
  const pour = usePour();
  return (
    <>
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
    </>
  );
}

function MakePart() {
  const none = useNone();
  const desk = useDeskStore();
  const make = () => void makePart(desk, { pockets: gatheredPockets(desk.getState()) });
  return (
    <Button size="small" disabled={none} onClick={make}>
      <Layers2 size={13} aria-hidden /> Make a part
    </Button>
  );
}
