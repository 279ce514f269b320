import { Layers } from "lucide-react";
import { poursWith, setLamp } from "#core/drawing/light-edits.ts";
import { counted, plural } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { LampOfDrawing } from "../../light/lamp-of-drawing.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { CastFields } from "./cast-fields.tsx";
import { FormFields } from "./form-fields.tsx";
import { castingPart, chosenMade, lampState, leaveOut, makeAll } from "./lamp-state.ts";
import { RimFields } from "./rim-fields.tsx";
import { takeOver } from "./take-over.ts";

const MOST_HEIGHT = 1.5;

const FIELDS = { form: FormFields, rim: RimFields, cast: CastFields };

/** Where the lamp stands, and what it makes: of the pocket that was clicked last, or of all. */
export function LampPanel() {
  const makes = useDesk((s) => lampState.settings(s).makes);
  const Fields = FIELDS[makes];
  return (
    <div className="flex min-w-0 items-center gap-3">
      <LampPlace />
      <Fields />
      <Doing />
    </div>
  );
}

function LampPlace() {
  const far = useDesk((s) => s.drawing.lamp.far);
  const height = useDesk((s) => s.drawing.lamp.height);
  const { edit, show, keep } = useDeskStore().getState();
  return (
    <div className="grid gap-1">
      <div className="flex items-center gap-1">
        <Choice
          label="Where the lamp is"
          value={far ? "far" : "near"}
          onChange={(next) => edit(setLamp({ far: next === "far" }))}
          options={[
            { value: "far", word: "Far off" },
            { value: "near", word: "Near" },
          ]}
        />
        <LampOfDrawing />
      </div>
      <div className="grid grid-cols-[auto_1fr] gap-x-2">
        <SliderRow
          label="Height"
          value={height / MOST_HEIGHT}
          onChange={(share) => show(setLamp({ height: Math.max(0.02, share * MOST_HEIGHT) }))}
          onDone={keep}
        />
      </div>
    </div>
  );
}

/** What a click makes, and doing it to all, to none, or by hand. */
function Doing() {
  const makes = useDesk((s) => lampState.settings(s).makes);
  const count = useDesk((s) => poursWith(s.drawing, makes).length);
  const ofPart = useDesk((s) => castingPart(s) !== undefined);
  const chosen = useDesk(chosenMade);
  const desk = useDeskStore();
  return (
    <div className="grid gap-1">
      <div className="flex items-center gap-1">
        <Choice
          label="What the lamp makes"
          value={makes}
          onChange={(next) => lampState.change(desk, { makes: next })}
          options={[
            { value: "form", word: "Form" },
            { value: "rim", word: "Rim" },
            { value: "cast", word: "Shadow" },
          ]}
        />
        {chosen !== null && !ofPart && (
          <IconButton small label="Change all" onClick={() => lampState.hold(desk, { pour: null })}>
            <Layers size={15} aria-hidden />
          </IconButton>
        )}
      </div>
      {chosen === null || ofPart ? (
        <div className="flex items-center gap-1">
          <Button size="small" title={COUNTED[makes](count)} onClick={() => makeAll(desk, true)}>
            {ofPart ? "This part" : makes === "form" ? "Shade all" : "All"}
          </Button>
          <Button size="small" onClick={() => makeAll(desk, false)}>
            None
          </Button>
          <span className="pl-1 text-xs text-quiet tabular-nums">{count}</span>
          <span className="sr-only">{COUNTED[makes](count)}</span>
        </div>
      ) : (
        <div className="flex gap-1">
          <Button
            size="small"
            title="It becomes a drawn shape, and the lamp moves it no more"
            onClick={() => takeOver(desk, [chosen], [makes])}
          >
            Take it over
          </Button>
          <Button size="small" title="Delete" onClick={() => leaveOut(desk)}>
            Leave out
          </Button>
        </div>
      )}
    </div>
  );
}

const pockets = (count: number): string => counted(count, "pocket");

const COUNTED = {
  form: (count: number) => `${pockets(count)} shaded`,
  rim: (count: number) => `${pockets(count)} with a rim`,
  cast: (count: number) => `${pockets(count)} ${plural(count, "throws", "throw")} a shadow`,
};
