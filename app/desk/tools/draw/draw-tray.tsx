import { Circle, PencilLine, Spline, Square } from "lucide-react";
import { printed } from "#core/drawing/length.ts";
import { Choice } from "../../../ui/choice.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { NibPicker } from "../../nibs/nib-picker.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { draw, drawWidth } from "./draw-state.ts";

const WAYS = [
  { value: "hand", word: "Freehand", icon: <PencilLine size={15} aria-hidden /> },
  { value: "pegs", word: "From point to point", icon: <Spline size={15} aria-hidden /> },
  { value: "oval", word: "Oval", icon: <Circle size={15} aria-hidden /> },
  { value: "box", word: "Box", icon: <Square size={15} aria-hidden /> },
] as const;

/** How lines are drawn, with what nib, how wide and how steady. */
export const drawTray: Settings = {
  "Way of drawing": Way,
  "Width of lines": Width,
  Nib: NibChoice,
  Steadying,
  "Pen pressure makes the width": Pressure,
};

function Way() {
  const { way } = useDesk(draw.settings);
  const desk = useDeskStore();
  return (
    <Choice
      label="Way of drawing"
      value={way}
      options={WAYS}
      onChange={(next) => {
        draw.change(desk, { way: next });
        draw.hold(desk, { pegs: [], keyed: null });
      }}
    />
  );
}

function Width() {
  const page = useDesk((s) => s.drawing.page);
  const width = useDesk(drawWidth);
  const desk = useDeskStore();
  const perUnit = printed(page, 1);
  return (
    <NumberField
      label="Width"
      value={width * perUnit}
      min={0.001}
      digits={page.unit === "in" ? 3 : 2}
      unit={page.unit}
      onChange={(value) => draw.change(desk, { width: value / perUnit })}
    />
  );
}

function NibChoice() {
  const { nib } = useDesk(draw.settings);
  const desk = useDeskStore();
  return <NibPicker value={nib} onChange={(next) => draw.change(desk, { nib: next })} />;
}

function Steadying() {
  const { way, steadying } = useDesk(draw.settings);
  const desk = useDeskStore();
  return way === "hand" ? (
    <SliderField
      label="Steadying"
      value={steadying}
      onChange={(next) => draw.change(desk, { steadying: next })}
    />
  ) : null;
}

function Pressure() {
  const { way, pressed } = useDesk(draw.settings);
  const desk = useDeskStore();
  return way === "hand" ? (
    <Toggle
      label="Pen pressure makes the width"
      checked={pressed}
      onChange={(next) => draw.change(desk, { pressed: next })}
    />
  ) : null;
}
