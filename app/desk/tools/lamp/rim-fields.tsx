import { NumberField } from "../../../ui/number-field.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { SoftRow } from "../../shapes/soft-row.tsx";
import { useLengthMeasure } from "../../shapes/use-length-measure.ts";
import { useDeskStore } from "../../store/use-desk.ts";
import { changeMakes } from "./lamp-state.ts";
import { useMade } from "./use-made.ts";

const MOST_WIDTH = 0.06;
const MOST_GAP = 0.04;

/** Light along the edge that faces the lamp. */
export function RimFields() {
  const { deeper, width, gap, behind, soft } = useMade("rim");
  const desk = useDeskStore();
  const { keep } = desk.getState();
  return (
    <>
      <div className="grid gap-1 text-xs">
        <NumberField
          label="Steps lighter"
          className="w-10"
          value={-deeper}
          min={-6}
          max={6}
          digits={0}
          onChange={(next) => changeMakes(desk, "rim", { deeper: -next })}
        />
        <Toggle
          label="From behind"
          checked={behind}
          onChange={(next) => changeMakes(desk, "rim", { behind: next })}
        />
      </div>
      <div className="grid grid-cols-[auto_7rem] gap-x-2">
        <SliderRow
          label="Width of the rim"
          measure={useLengthMeasure(MOST_WIDTH)}
          word="Width"
          value={Math.sqrt(width / MOST_WIDTH)}
          onChange={(share) =>
            changeMakes(desk, "rim", { width: Math.max(1e-4, share ** 2 * MOST_WIDTH) }, "show")
          }
          onDone={keep}
        />
        <SliderRow
          label="How far it stays back"
          measure={useLengthMeasure(MOST_GAP)}
          word="Back"
          value={Math.sqrt(gap / MOST_GAP)}
          onChange={(share) => changeMakes(desk, "rim", { gap: share ** 2 * MOST_GAP }, "show")}
          onDone={keep}
        />
        <SoftRow
          soft={soft}
          onChange={(next) => changeMakes(desk, "rim", { soft: next }, "show")}
          onDone={keep}
        />
      </div>
    </>
  );
}
