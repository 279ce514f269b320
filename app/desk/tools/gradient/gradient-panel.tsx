import clsx from "clsx";
import { Minus, Plus, Trash2 } from "lucide-react";
import { stepOf, stepWord } from "#core/colour/ladder.ts";
import { type Gradient, MIXES } from "#core/drawing/drawing.ts";
import { setGradientStrength } from "#core/drawing/gradients.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { steppedPaint } from "../../pockets/pour-into.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { shownTin } from "../../tin/shown-tin.ts";
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
export function GradientPanel() {
  const gradient = useDesk(chosenGradient);
  const settings = useDesk(gradients.settings);
  const desk = useDeskStore();
  const { kind, mix } = gradient ?? settings;
  const change = (own: Partial<Pick<Gradient, "kind" | "mix">>) => {
    gradients.change(desk, own);
    changeChosen(desk, own);
  };
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="grid gap-1">
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
        <Pick
          label="How its colours are mixed"
          value={mix}
          onChange={(next) => change({ mix: next })}
          options={MIXES.map((value) => ({ value, word: MIX_WORDS[value] }))}
        />
      </div>
      {gradient ? (
        <Stops gradient={gradient} />
      ) : (
        <p className="max-w-40 text-xs text-quiet">Drag across a coloured pocket or a shape.</p>
      )}
      <div className="grid gap-1 text-xs">
        <Toggle
          label="One over many"
          checked={settings.oneOverMany}
          onChange={(oneOverMany) => gradients.change(desk, { oneOverMany })}
        />
        <Strength />
      </div>
      <IconButton
        label="Take the chosen gradient away"
        disabled={!gradient}
        onClick={() => takeStopOrAll(desk, true)}
      >
        <Trash2 size={16} aria-hidden />
      </IconButton>
    </div>
  );
}

/** All gradients, fainter or stronger. */
function Strength() {
  const strength = useDesk((s) => s.drawing.gradientStrength);
  const { show, keep } = useDeskStore().getState();
  return (
    <div className="grid grid-cols-[auto_5rem] gap-x-2">
      <SliderRow
        label="All gradients"
        word="All"
        value={strength}
        onChange={(next) => show(setGradientStrength(next))}
        onDone={keep}
      />
    </div>
  );
}

function Stops({ gradient }: { gradient: Gradient }) {
  const index = useDesk(chosenStop);
  const tin = useDesk(shownTin);
  const hand = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const desk = useDeskStore();
  const { stops } = gradient;
  const stop = stops[index];
  const next = stops[index + 1];
  const step = (by: number) =>
    changeStop(desk, index, { paint: steppedPaint(desk.getState().drawing, stop.paint, by) });
  return (
    <>
      <div className="grid gap-1">
        <fieldset aria-label="Stops" className="flex gap-1">
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
                  "h-7 w-7 rounded-md border border-edge",
                  i === index && "outline-2 outline-offset-1 outline-fern",
                )}
                style={{ background: colour && stepOf(colour, paint.step) }}
              />
            );
          })}
          <IconButton
            small
            label="Add a stop"
            onClick={() =>
              addStop(desk, next ? (stop.at + next.at) / 2 : (stops[index - 1].at + stop.at) / 2)
            }
          >
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
        <div className="flex gap-1">
          <button
            type="button"
            onClick={() => changeStop(desk, index, { paint: desk.getState().paint })}
            className="h-7 max-w-28 truncate rounded-md border border-edge px-2 text-xs hover:bg-well"
          >
            in {hand}
          </button>
          <Button size="small" onClick={() => step(1)}>
            lighter
          </Button>
          <Button size="small" onClick={() => step(-1)}>
            darker
          </Button>
        </div>
      </div>
      <div className="grid grid-cols-[auto_5rem] gap-x-2">
        <SliderRow
          label="Stop shows"
          word="Shows"
          value={stop.opacity}
          onChange={(opacity) => changeStop(desk, index, { opacity }, "show")}
          onDone={desk.getState().keep}
        />
        <SliderRow
          label="Middle"
          value={stop.middle ?? 0.5}
          disabled={!next}
          onChange={(middle) =>
            changeStop(desk, index, { middle: Math.min(0.95, Math.max(0.05, middle)) }, "show")
          }
          onDone={desk.getState().keep}
        />
      </div>
    </>
  );
}
