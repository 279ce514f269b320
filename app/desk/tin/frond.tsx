import clsx from "clsx";
import { stepOf, stepsOf, stepWord } from "#core/colour/ladder.ts";
import type { Colour } from "#core/drawing/drawing.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { LadderEditor } from "./ladder-editor.tsx";
import { shownTin } from "./shown-tin.ts";

/** The chosen colour's ladder as a frond: leaflets from the light tip to the dark base, the base tone marked. */
export function Frond() {
  const colour = useDesk((s) => shownTin(s)[s.paint.colour]);
  const step = useDesk((s) => s.paint.step);
  if (!colour) return null;
  const rungs = stepsOf(colour);
  return (
    <div className="relative border-t border-line px-1 py-2">
      <div
        className="flex flex-wrap items-end justify-center touch:gap-apart"
        role="radiogroup"
        aria-label={`Ladder of ${colour.name}`}
      >
        {rungs.map((rung, i) => (
          <Leaflet key={rung} colour={colour} rung={rung} on={rung === step} place={i / (rungs.length - 1)} />
        ))}
      </div>
      <div aria-hidden="true" className="mx-1 h-[2px] rounded bg-edge" />
      <div className="mt-1 flex items-center gap-1 px-1.5 touch:mt-apart">
        <p className="min-w-0 flex-1 truncate text-xs text-quiet">
          {colour.name}, {stepWord(step)}
        </p>
        <LadderEditor colour={colour} step={step} />
      </div>
    </div>
  );
}

interface LeafletProps {
  readonly colour: Colour;
  readonly rung: number;
  readonly on: boolean;
  /** From 0 at the tip to 1 at the base. */
  readonly place: number;
}

function Leaflet({ colour, rung, on, place }: LeafletProps) {
  const { takePaint } = useDeskStore().getState();
  const tall = 38 + Math.round(place * 28);
  const own = colour.ladder?.own?.some(({ step }) => step === rung);
  const name = `${colour.name} ${stepWord(rung)}${own ? ", set by hand" : ""}`;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a leaflet is drawn, not a native radio
    <button
      type="button"
      role="radio"
      aria-checked={on}
      aria-label={name}
      title={name}
      onClick={() => takePaint({ colour: colour.id, step: rung })}
      className="flex min-h-small w-small flex-col justify-end"
    >
      <svg
        viewBox={`0 0 24 ${tall}`}
        className="w-full"
        style={{ height: tall }}
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <path
          d={`M12 ${tall - 2}C1 ${tall * 0.72} 2 ${tall * 0.28} 14 2C23 ${tall * 0.3} 22 ${tall * 0.72} 12 ${tall - 2}Z`}
          fill={stepOf(colour, rung)}
          className={clsx(on ? "stroke-fern" : "stroke-edge")}
          strokeWidth={on ? 3 : 1}
          strokeDasharray={own ? "3 2" : undefined}
        />
      </svg>
      <span
        aria-hidden="true"
        className={clsx("mx-auto block h-1 w-1 rounded-full", rung === 0 ? "bg-text" : "bg-transparent")}
      />
    </button>
  );
}
