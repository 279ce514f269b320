import { SlidersHorizontal } from "lucide-react";
import { Popover } from "radix-ui";
import { HexColorInput } from "react-colorful";
import { LADDER, ownStep, stepOf, stepsOf, stepWord } from "#core/colour/ladder.ts";
import { FEWEST_STEPS, MOST_DRIFT, MOST_STEPS } from "#core/drawing/bounds.ts";
import { setLadder } from "#core/drawing/colour-edits.ts";
import type { Colour, Ladder } from "#core/drawing/drawing.ts";
import { Button } from "../../ui/button.tsx";
import { NumberField } from "../../ui/number-field.tsx";
import { Range } from "../../ui/range.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import { useDeskStore } from "../store/use-desk.ts";
import { ColourSliders } from "./colour-sliders.tsx";

/** How the ladder of a colour is made, and its chosen step by hand. */
export function LadderEditor({ colour, step }: { colour: Colour; step: number }) {
  const { edit, show, keep } = useDeskStore().getState();
  const { ladder = LADDER, name } = colour;
  const made = (change: Partial<Ladder>) =>
    setLadder(colour.id, withoutNothing({ ...ladder, ...change }), name);
  return (
    <Popover.Root onOpenChange={(open) => !open && keep()}>
      <Popover.Trigger
        aria-label={`Change the ladder of ${name}`}
        title={`Change the ladder of ${name}`}
        className="grid h-small w-small place-items-center rounded-md hover:bg-well"
      >
        <SlidersHorizontal size={14} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="end"
          sideOffset={10}
          collisionPadding={12}
          aria-label={`Ladder of ${name}`}
          className="z-40 grid w-64 gap-3 rounded-md border border-line bg-raised p-3 shadow-xl"
        >
          <NumberField
            label="Steps"
            value={ladder.steps}
            min={FEWEST_STEPS}
            max={MOST_STEPS}
            digits={0}
            onChange={(steps) => edit(made({ steps }))}
          />
          <div className="grid gap-1">
            <span className="text-xs text-quiet">{driftWord(ladder.drift)}</span>
            <Range
              label="Drift of hue towards the ends"
              steps={2 * MOST_DRIFT}
              value={(ladder.drift + MOST_DRIFT) / (2 * MOST_DRIFT)}
              onChange={(share) => show(made({ drift: Math.round(share * 2 * MOST_DRIFT) - MOST_DRIFT }))}
              onDone={keep}
              className="w-full"
            />
          </div>
          <Toggle
            label="As many steps lighter as darker"
            checked={ladder.squeezed === true}
            onChange={(on) => edit(made({ squeezed: on || undefined }))}
          />
          {step !== 0 && stepsOf(colour).includes(step) && (
            <OwnStep colour={colour} step={step} made={made} />
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function driftWord(drift: number): string {
  if (drift === 0) return "Hue stays";
  return drift > 0 ? "Lights warmer, shadows cooler" : "Lights cooler, shadows warmer";
}

/** What is undefined is not kept. */
const withoutNothing = (ladder: { [K in keyof Ladder]: Ladder[K] | undefined }): Ladder =>
  Object.fromEntries(Object.entries(ladder).filter(([, value]) => value !== undefined)) as unknown as Ladder;

interface OwnProps {
  readonly colour: Colour;
  readonly step: number;
  readonly made: (change: Partial<Ladder>) => ReturnType<typeof setLadder>;
}

/** One step set by hand, or let go again. */
function OwnStep({ colour, step, made }: OwnProps) {
  const { edit, show, keep } = useDeskStore().getState();
  const own = colour.ladder?.own ?? [];
  const others = own.filter((one) => one.step !== step);
  const set = (value: string) => made({ own: [...others, ownStep(colour, step, value)] });
  const value = stepOf(colour, step);
  return (
    <section aria-label={`The step ${stepWord(step)}`} className="grid gap-2 border-t border-line pt-3">
      <div className="flex items-center gap-2">
        <span className="h-6 w-6 rounded border border-edge" style={{ background: value }} />
        <h3 className="flex-1 text-sm font-semibold">{stepWord(step)}</h3>
        <HexColorInput
          prefixed
          color={value}
          onChange={(next) => next.toLowerCase() !== value && edit(set(next))}
          aria-label="Step as hexadecimal"
          className="h-target w-20 rounded-md border border-edge bg-field px-1.5 text-xs tabular-nums"
        />
      </div>
      <div className="grid grid-cols-[4.5rem_1fr] items-center gap-x-2">
        <ColourSliders value={value} onShow={(next) => show(set(next))} onDone={keep} />
      </div>
      <div className="flex items-center gap-2">
        <p className="flex-1 text-xs text-quiet">
          {others.length < own.length ? "Set by hand; it follows its colour." : "As the ladder makes it."}
        </p>
        {others.length < own.length && (
          <Button size="small" onClick={() => edit(made({ own: others.length > 0 ? others : undefined }))}>
            Let the ladder make it
          </Button>
        )}
      </div>
    </section>
  );
}
