import clsx from "clsx";
import { Minus, Plus, Trash2 } from "lucide-react";
import { stepOf, stepWord } from "#core/colour/ladder.ts";
import { type Gradient, MIXES } from "#core/drawing/drawing.ts";
import { setGradientStrength } from "#core/drawing/gradients.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { Hint } from "../../../ui/hint.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { steppedPaint } from "../../pockets/pour-into.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { InHandButton } from "../../tin/in-hand-button.tsx";
import { shownTin } from "../../tin/shown-tin.ts";
import type { Settings } from "../tool.ts";
import {
  addStop,
  changeChosen,
  changeStop,
  chosenGradient,
  chosenStop,
  gradients,
  takeStopOrAll,
} from "./gradient-state.ts";

const MIX_WORDS = { oklch: "clear mixing", srgb: "plain mixing" };

/** How the next gradient runs, what the chosen one is made of, and how strongly all show. */
export const gradientTray: Settings = {
  "Kind of gradient": Kind,
  hint: GradientHint,
  "Stops of a gradient": Stops,
  "Colour of a stop": StopPaint,
  "Take a gradient away": TakeAway,
  "How colours are mixed": Mix,
  "How strongly a stop shows": Shows,
  "Middle between stops": Middle,
  "One gradient over many": OneOverMany,
  "Strength of all gradients": Strength,
};

/** Changes the chosen gradient, and how the next one is laid. */
function useChange() {
  const desk = useDeskStore();
  return (own: Partial<Pick<Gradient, "kind" | "mix">>) => {
    gradients.change(desk, own);
    changeChosen(desk, own);
  };
}

function Kind() {
  const kind = useDesk((s) => (chosenGradient(s) ?? gradients.settings(s)).kind);
  const change = useChange();
  return (
    <Choice
      label="Kind of gradient"
      value={kind}
      onChange={(next) => change({ kind: next })}
      options={[
        { value: "linear", word: "Along" },
        { value: "radial", word: "Round" },
        { value: "inward", word: "Inward" },
      ]}
    />
  );
}

function Mix() {
  const mix = useDesk((s) => (chosenGradient(s) ?? gradients.settings(s)).mix);
  const change = useChange();
  return (
    <Pick
      label="How its colours are mixed"
      value={mix}
      onChange={(next) => change({ mix: next })}
      options={MIXES.map((value) => ({ value, word: MIX_WORDS[value] }))}
    />
  );
}

function GradientHint() {
  const any = useDesk((s) => chosenGradient(s) !== undefined);
  return any ? null : <Hint>Drag across a coloured pocket or a shape.</Hint>;
}

function TakeAway() {
  const any = useDesk((s) => chosenGradient(s) !== undefined);
  const desk = useDeskStore();
  return (
    <IconButton
      label="Take the chosen gradient away"
      disabled={!any}
      onClick={() => takeStopOrAll(desk, true)}
    >
      <Trash2 size={16} aria-hidden />
    </IconButton>
  );
}

function OneOverMany() {
  const { oneOverMany } = useDesk(gradients.settings);
  const desk = useDeskStore();
  return (
    <Toggle
      label="One over many"
      checked={oneOverMany}
      onChange={(next) => gradients.change(desk, { oneOverMany: next })}
    />
  );
}

/** All gradients, fainter or stronger. */
function Strength() {
  const strength = useDesk((s) => s.drawing.gradientStrength);
  const { show, keep } = useDeskStore().getState();
  return (
    <SliderField
      label="All gradients"
      value={strength}
      onChange={(next) => show(setGradientStrength(next))}
      onDone={keep}
    />
  );
}

function Stops() {
  const stops = useDesk((s) => chosenGradient(s)?.stops);
  const index = useDesk(chosenStop);
  const tin = useDesk(shownTin);
  const desk = useDeskStore();
  if (!stops) return null;
  const add = () => {
    const [stop, next] = [stops[index], stops[index + 1]];
    addStop(desk, next ? (stop.at + next.at) / 2 : (stops[index - 1].at + stop.at) / 2);
  };
  return (
    <fieldset aria-label="Stops" className="flex items-center gap-1 touch:gap-apart">
      {stops.map(({ at, paint }, i) => {
        const colour = tin[paint.colour];
        return (
          <button
            key={i}
            type="button"
            aria-pressed={i === index}
            aria-label={`Stop ${i + 1} at ${Math.round(at * 100)} %: ${colour?.name ?? "colour"}, ${stepWord(paint.step)}`}
            onClick={() => gradients.hold(desk, { stop: i })}
            className={clsx(
              "h-target w-target rounded-md border border-edge",
              i === index && "outline-2 -outline-offset-2 outline-fern",
            )}
            style={{ background: colour && stepOf(colour, paint.step) }}
          />
        );
      })}
      <IconButton small label="Add a stop" onClick={add}>
        <Plus size={15} aria-hidden />
      </IconButton>
      <IconButton
        small
        label="Remove the stop"
        disabled={stops.length < 3}
        onClick={() => takeStopOrAll(desk)}
      >
        <Minus size={15} aria-hidden />
      </IconButton>
    </fieldset>
  );
}

/** The colour of the chosen stop. */
function StopPaint() {
  const any = useDesk((s) => chosenGradient(s) !== undefined);
  const index = useDesk(chosenStop);
  const desk = useDeskStore();
  if (!any) return null;
  const step = (by: number) => {
    const state = desk.getState();
    const stop = chosenGradient(state)?.stops[index];
    if (stop) changeStop(desk, index, { paint: steppedPaint(state.drawing, stop.paint, by) });
  };
  return (
    <>
      <InHandButton does="The stop" onUse={() => changeStop(desk, index, { paint: desk.getState().paint })} />
      <Button size="small" onClick={() => step(1)}>
        lighter
      </Button>
      <Button size="small" onClick={() => step(-1)}>
        darker
      </Button>
    </>
  );
}

function Shows() {
  const index = useDesk(chosenStop);
  const opacity = useDesk((s) => chosenGradient(s)?.stops[index]?.opacity);
  const desk = useDeskStore();
  return opacity === undefined ? null : (
    <SliderField
      label="Stop shows"
      word="Shows"
      value={opacity}
      onChange={(next) => changeStop(desk, index, { opacity: next }, "show")}
      onDone={desk.getState().keep}
    />
  );
}

function Middle() {
  const index = useDesk(chosenStop);
  const stops = useDesk((s) => chosenGradient(s)?.stops);
  const desk = useDeskStore();
  return stops ? (
    <SliderField
      label="Middle"
      value={stops[index].middle ?? 0.5}
      disabled={!stops[index + 1]}
      onChange={(middle) =>
        changeStop(desk, index, { middle: Math.min(0.95, Math.max(0.05, middle)) }, "show")
      }
      onDone={desk.getState().keep}
    />
  ) : null;
}
