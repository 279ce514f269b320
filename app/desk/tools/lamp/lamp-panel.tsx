import { formedPours, setLamp } from "#core/drawing/light-edits.ts";
import { Choice } from "../../../ui/choice.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { SoftRow } from "../../shapes/soft-row.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { changeForms, lampState, shadeAll, shownForm } from "./lamp-state.ts";
import { takeOver } from "./take-over.ts";

const MOST_HEIGHT = 1.5;
const BUTTON = "h-7 rounded-md border border-edge px-2 text-xs whitespace-nowrap hover:bg-well";

/** Where the lamp stands, and the shade it makes: in the pocket that was clicked last, or in all. */
export function LampPanel() {
  const far = useDesk((s) => s.drawing.lamp.far);
  const height = useDesk((s) => s.drawing.lamp.height);
  const count = useDesk((s) => formedPours(s.drawing).length);
  const pour = useDesk((s) => lampState.held(s).pour);
  const chosen = useDesk((s) => (pour !== null && s.drawing.pours[pour]?.form ? pour : null));
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="grid gap-1">
        <Choice
          label="Where the lamp is"
          value={far ? "far" : "near"}
          onChange={(next) => edit(setLamp({ far: next === "far" }))}
          options={[
            { value: "far", word: "Far off" },
            { value: "near", word: "On the page" },
          ]}
        />
        <div className="grid grid-cols-[auto_1fr] gap-x-2">
          <SliderRow
            label="Height"
            value={height / MOST_HEIGHT}
            onChange={(share) => show(setLamp({ height: Math.max(0.02, share * MOST_HEIGHT) }))}
            onDone={keep}
          />
        </div>
      </div>
      <FormFields />
      <div className="grid gap-1">
        <div className="flex gap-1">
          <button type="button" onClick={() => shadeAll(desk, true)} className={BUTTON}>
            Shade all
          </button>
          <button type="button" onClick={() => shadeAll(desk, false)} className={BUTTON}>
            None
          </button>
        </div>
        {chosen === null ? (
          <p className="text-xs text-quiet">{count === 1 ? "1 pocket shaded" : `${count} pockets shaded`}</p>
        ) : (
          <div className="flex gap-1">
            <button
              type="button"
              title="It becomes a drawn shape, and the lamp moves it no more"
              onClick={() => {
                const { edit: made, ids } = takeOver(desk.getState(), chosen);
                edit(made);
                desk.getState().set({ selected: ids });
              }}
              className={BUTTON}
            >
              Take it over
            </button>
            <button type="button" onClick={() => lampState.hold(desk, { pour: null })} className={BUTTON}>
              Change all
            </button>
          </div>
        )}
      </div>
    </div>
  );
}

function FormFields() {
  const form = useDesk(shownForm);
  const settings = useDesk(lampState.settings);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const { tones, deeper, roundness, reach } = form ?? settings;
  const folds = (form ?? settings).folds === true;
  const shine = (form ?? settings).shine ?? 0;
  const soft = form ? (form.soft ?? 0) / pageWidth : settings.soft;
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
          onChange={(next) => changeForms(desk, { tones: next })}
        />
        <NumberField
          label="Steps"
          className="w-10"
          value={deeper}
          min={-6}
          max={6}
          digits={0}
          onChange={(next) => changeForms(desk, { deeper: next })}
        />
      </div>
      <div className="grid grid-cols-[auto_5rem] gap-x-2">
        <SliderRow
          label="Reach"
          value={reach}
          onChange={(next) => changeForms(desk, { reach: next }, "show")}
          onDone={keep}
        />
        <SliderRow
          label="Round"
          value={roundness}
          onChange={(next) => changeForms(desk, { roundness: next }, "show")}
          onDone={keep}
        />
        <SoftRow soft={soft} onChange={(next) => changeForms(desk, { soft: next }, "show")} onDone={keep} />
      </div>
      <div className="grid gap-1 text-xs">
        <div className="grid grid-cols-[auto_4rem] gap-x-2">
          <SliderRow
            label="Shine"
            value={shine}
            onChange={(next) => changeForms(desk, { shine: next }, "show")}
            onDone={keep}
          />
        </div>
        <Toggle
          label="Ink folds it"
          checked={folds}
          onChange={(next) => changeForms(desk, { folds: next })}
        />
      </div>
    </>
  );
}
