import { Circle, PencilLine, Spline, Square } from "lucide-react";
import { printed } from "#core/drawing/length.ts";
import { Choice } from "../../../ui/choice.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Range } from "../../../ui/range.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { NibPicker } from "../../nibs/nib-picker.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { draw, drawWidth } from "./draw-state.ts";

const WAYS = [
  { value: "hand", word: "Freehand", icon: <PencilLine size={15} aria-hidden /> },
  { value: "pegs", word: "From point to point", icon: <Spline size={15} aria-hidden /> },
  { value: "oval", word: "Oval", icon: <Circle size={15} aria-hidden /> },
  { value: "box", word: "Box", icon: <Square size={15} aria-hidden /> },
] as const;

/** How lines are drawn, with what nib, how wide and how steady. */
export function DrawPanel() {
  const settings = useDesk(draw.settings);
  const page = useDesk((s) => s.drawing.page);
  const width = useDesk(drawWidth);
  const desk = useDeskStore();
  const change = (part: Partial<typeof settings>) => draw.change(desk, part);
  const perUnit = printed(page, 1);
  return (
    <div className="flex items-center gap-4">
      <div className="grid gap-1.5">
        <Choice
          label="Way of drawing"
          value={settings.way}
          options={WAYS}
          onChange={(way) => {
            change({ way });
            draw.hold(desk, { pegs: [], keyed: null });
          }}
        />
        <NumberField
          label="Width"
          value={width * perUnit}
          min={0.001}
          digits={page.unit === "in" ? 3 : 2}
          unit={page.unit}
          onChange={(value) => change({ width: value / perUnit })}
        />
      </div>
      <NibPicker value={settings.nib} onChange={(nib) => change({ nib })} />
      {settings.way === "hand" && (
        <div className="grid gap-1.5 text-xs">
          <div className="flex items-center gap-2">
            Steadying
            <Range
              label="Steadying"
              className="w-24"
              value={settings.steadying}
              onChange={(steadying) => change({ steadying })}
            />
          </div>
          <Toggle
            label="Pen pressure makes the width"
            checked={settings.pressed}
            onChange={(pressed) => change({ pressed })}
          />
        </div>
      )}
    </div>
  );
}
