import { Layers } from "lucide-react";
import { poursWith, setLamp } from "#core/drawing/light-edits.ts";
import { counted, plural } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { LampOfDrawing } from "../../light/lamp-of-drawing.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { castFields, GroundFields } from "./cast-fields.tsx";
import { formFields } from "./form-fields.tsx";
import { castingPart, chosenMade, lampState, leaveOut, makeAll } from "./lamp-state.ts";
import { rimFields } from "./rim-fields.tsx";
import { takeOver } from "./take-over.ts";

const MOST_HEIGHT = 1.5;

/** What the lamp makes, of the pocket that was clicked last or of all, and where it stands. */
export const lampTray: Settings = {
  "What the lamp makes": Makes,
  "Shade all, or none": Doing,
  "Where the lamp is": Place,
  ...formFields,
  ...rimFields,
  ...castFields,
  "Height of the lamp": Height,
  "Shadow on the ground": GroundFields,
};

function Place() {
  const far = useDesk((s) => s.drawing.lamp.far);
  const { edit } = useDeskStore().getState();
  return (
    <>
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
    </>
  );
}

function Height() {
  const height = useDesk((s) => s.drawing.lamp.height);
  const { show, keep } = useDeskStore().getState();
  return (
    <SliderField
      label="Height"
      value={height / MOST_HEIGHT}
      onChange={(share) => show(setLamp({ height: Math.max(0.02, share * MOST_HEIGHT) }))}
      onDone={keep}
    />
  );
}

function Makes() {
  const makes = useDesk((s) => lampState.settings(s).makes);
  const desk = useDeskStore();
  return (
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
  );
}

/** Doing it to all, to none, or by hand. */
function Doing() {
  const ofPart = useDesk((s) => castingPart(s) !== undefined);
  const chosen = useDesk(chosenMade);
  return chosen === null || ofPart ? <OfAll /> : <OfOne pour={chosen} />;
}

function OfAll() {
  const makes = useDesk((s) => lampState.settings(s).makes);
  const count = useDesk((s) => poursWith(s.drawing, makes).length);
  const ofPart = useDesk((s) => castingPart(s) !== undefined);
  const desk = useDeskStore();
  return (
    <>
      <Button size="small" title={COUNTED[makes](count)} onClick={() => makeAll(desk, true)}>
        {ofPart ? "This part" : makes === "form" ? "Shade all" : "All"}
      </Button>
      <Button size="small" onClick={() => makeAll(desk, false)}>
        None
      </Button>
      <span className="text-xs text-quiet tabular-nums">{count}</span>
      <span className="sr-only">{COUNTED[makes](count)}</span>
    </>
  );
}

function OfOne({ pour }: { pour: string }) {
  const makes = useDesk((s) => lampState.settings(s).makes);
  const desk = useDeskStore();
  return (
    <>
      <Button
        size="small"
        title="It becomes a drawn shape, and the lamp moves it no more"
        onClick={() => takeOver(desk, [pour], [makes])}
      >
        Take it over
      </Button>
      <Button size="small" title="Delete" onClick={() => leaveOut(desk)}>
        Leave out
      </Button>
      <IconButton small label="Change all" onClick={() => lampState.hold(desk, { pour: null })}>
        <Layers size={15} aria-hidden />
      </IconButton>
    </>
  );
}

const pockets = (count: number): string => counted(count, "pocket");

const COUNTED = {
  form: (count: number) => `${pockets(count)} shaded`,
  rim: (count: number) => `${pockets(count)} with a rim`,
  cast: (count: number) => `${pockets(count)} ${plural(count, "throws", "throw")} a shadow`,
};
