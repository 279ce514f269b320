import { useState } from "react";
import { NO_TURN, type Turn, turned, valuesIn } from "#core/colour/colourways.ts";
import { setColourway } from "#core/drawing/colour-edits.ts";
import { Button } from "../../../ui/button.tsx";
import { between, type Measure } from "../../../ui/measure.ts";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";

interface Control {
  readonly word: string;
  readonly key: keyof Turn;
  readonly from: number;
  readonly to: number;
  readonly measure: Measure;
}

const CONTROLS: readonly Control[] = [
  { word: "Hue", key: "hue", from: -180, to: 180, measure: between(-180, 180, "degrees") },
  { word: "Chroma", key: "chroma", from: 0, to: 2, measure: between(0, 200, "%") },
  { word: "Darkest", key: "black", from: 0, to: 0.6, measure: between(0, 60, "%") },
  { word: "Middle", key: "middle", from: 0.1, to: 0.9, measure: between(10, 90, "%") },
  { word: "Lightest", key: "white", from: 0.4, to: 1, measure: between(40, 100, "%") },
];

/** Turns all colours of the colourway that is seen alike, from how they were when it was opened here. */
export function TurnPanel() {
  const desk = useDeskStore();
  const name = useDesk((s) => s.drawing.colourways[s.drawing.shown]?.name);
  const [values] = useState(() => valuesIn(desk.getState().drawing));
  const [turn, setTurn] = useState(NO_TURN);
  const { show, keep } = desk.getState();
  const change = (next: Turn) => {
    setTurn(next);
    const { drawing } = desk.getState();
    show(setColourway(drawing, drawing.shown, next === NO_TURN ? values : turned(values, next)));
  };
  return (
    <section aria-label={`All colours of ${name}`} className="grid gap-1">
      <h3 className="font-display text-base">All colours of {name}</h3>
      <div className="grid grid-cols-[4.5rem_1fr] gap-y-1 touch:gap-y-apart">
        {CONTROLS.map(({ word, key, from, to, measure }) => (
          <SliderRow
            key={key}
            label={word}
            measure={measure}
            value={(turn[key] - from) / (to - from)}
            onChange={(share) => change({ ...turn, [key]: from + share * (to - from) })}
            onDone={keep}
          />
        ))}
      </div>
      <Button
        className="mt-1"
        disabled={turn === NO_TURN}
        onClick={() => {
          change(NO_TURN);
          keep();
        }}
      >
        As they were
      </Button>
    </section>
  );
}
