import { NumberField } from "../../../ui/number-field.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { SoftRow } from "../../shapes/soft-row.tsx";
import { useDeskStore } from "../../store/use-desk.ts";
import { changeMakes } from "./lamp-state.ts";
import { useMade } from "./use-made.ts";

export function FormFields() {
  const { tones, deeper, roundness, reach, shine, folds, whole, soft } = useMade("form");
  const desk = useDeskStore();
  const { keep } = desk.getState();
  return (
    <>
      <div className="grid gap-0.5 text-xs">
        <NumberField
          label="Tones"
          className="w-10"
          value={tones}
          min={1}
          max={3}
          digits={0}
          onChange={(next) => changeMakes(desk, "form", { tones: next })}
        />
        <NumberField
          label="Steps"
          className="w-10"
          value={deeper}
          min={-6}
          max={6}
          digits={0}
          onChange={(next) => changeMakes(desk, "form", { deeper: next })}
        />
      </div>
      <div className="grid grid-cols-[auto_5.5rem] gap-x-2">
        <SliderRow
          label="Reach"
          value={reach}
          onChange={(next) => changeMakes(desk, "form", { reach: next }, "show")}
          onDone={keep}
        />
        <SliderRow
          label="Round"
          value={roundness}
          onChange={(next) => changeMakes(desk, "form", { roundness: next }, "show")}
          onDone={keep}
        />
        <SoftRow
          soft={soft}
          onChange={(next) => changeMakes(desk, "form", { soft: next }, "show")}
          onDone={keep}
        />
      </div>
      <div className="grid gap-0.5 text-xs">
        <div className="grid grid-cols-[auto_5.5rem] gap-x-2">
          <SliderRow
            label="Shine"
            value={shine}
            onChange={(next) => changeMakes(desk, "form", { shine: next }, "show")}
            onDone={keep}
          />
        </div>
        <div className="grid gap-0.5 whitespace-nowrap">
          <Toggle
            label="Ink folds"
            checked={folds}
            onChange={(next) => changeMakes(desk, "form", { folds: next })}
          />
          <Toggle
            label="Part as one"
            checked={whole}
            onChange={(next) => changeMakes(desk, "form", { whole: next })}
          />
        </div>
      </div>
    </>
  );
}
