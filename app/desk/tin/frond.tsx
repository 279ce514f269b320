import clsx from "clsx";
import { STEPS, stepOf, stepWord } from "#core/colour/ladder.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** The chosen colour's ladder as a frond: leaflets from the light tip to the dark base, the base tone marked. */
export function Frond() {
  const colour = useDesk((s) => s.drawing.tin[s.paint.colour]);
  const step = useDesk((s) => s.paint.step);
  const { set } = useDeskStore().getState();
  if (!colour) return null;
  return (
    <div
      className="border-t border-line px-3 pt-2 pb-3"
      role="radiogroup"
      aria-label={`Ladder of ${colour.name}`}
    >
      <div className="flex items-end justify-center">
        {STEPS.map((rung, i) => {
          const tall = 30 + Math.min(i, 6) * 6;
          const on = rung === step;
          return (
            // biome-ignore lint/a11y/useSemanticElements: a leaflet is drawn, not a native radio
            <button
              key={rung}
              type="button"
              role="radio"
              aria-checked={on}
              aria-label={`${colour.name} ${stepWord(rung)}`}
              title={`${colour.name}, ${stepWord(rung)}`}
              onClick={() => set({ paint: { colour: colour.id, step: rung } })}
              className="w-6 shrink-0"
            >
              <svg viewBox={`0 0 24 ${tall}`} className="w-6" style={{ height: tall }} aria-hidden="true">
                <path
                  d={`M12 ${tall - 2}C1 ${tall * 0.72} 2 ${tall * 0.28} 14 2C23 ${tall * 0.3} 22 ${tall * 0.72} 12 ${tall - 2}Z`}
                  fill={stepOf(colour.value, rung)}
                  className={clsx(on ? "stroke-fern" : "stroke-edge")}
                  strokeWidth={on ? 3 : 1}
                />
              </svg>
              <span
                aria-hidden="true"
                className={clsx(
                  "mx-auto block h-1 w-1 rounded-full",
                  rung === 0 ? "bg-text" : "bg-transparent",
                )}
              />
            </button>
          );
        })}
      </div>
      <div aria-hidden="true" className="mx-1 h-[2px] rounded bg-edge" />
      <p className="mt-1 truncate text-center text-xs text-quiet">
        {colour.name}, {stepWord(step)}
      </p>
    </div>
  );
}
