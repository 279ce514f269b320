import { useState } from "react";
import { NO_TURN, type Turn, turned, valuesIn } from "#core/colour/colourways.ts";
import { setColourway } from "#core/drawing/colour-edits.ts";
import { Button } from "../../../ui/button.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";

interface Control {
  readonly word: string;
  readonly key: keyof Turn;
  readonly from: number;
  readonly to: number;
}

const CONTROLS: readonly Control[] = [
  { word: "Hue", key: "hue", from: -180, to: 180 },
  { word: "Chroma", key: "chroma", from: 0, to: 2 },
  { word: "Darkest", key: "black", from: 0, to: 0.6 },
  { word: "Middle", key: "middle", from: 0.1, to: 0.9 },
  { word: "Lightest", key: "white", from: 0.4, to: 1 },
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
      <div className="grid grid-cols-[4.5rem_1fr] gap-y-1">
        {CONTROLS.map(({ word, key, from, to }) => (
          <SliderRow
            key={key}
            label={word}
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
