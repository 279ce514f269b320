import { Droplet } from "lucide-react";
import { GROUND_SHADOWS, type GroundShadow } from "#core/drawing/drawing.ts";
import { setGroundShadow } from "#core/drawing/light-edits.ts";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { SliderRow } from "../../../ui/slider-row.tsx";
import { useLengthMeasure } from "../../shapes/use-length-measure.ts";
import type { Desk } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { changeMakes, lampState } from "./lamp-state.ts";
import { useMade } from "./use-made.ts";

const MOST_HIGH = 0.15;

/** Shadows thrown on what lies around, behind, or on the ground. */
export function CastFields() {
  const { deeper, high, soft } = useMade("cast");
  const castOf = useDesk((s) => lampState.settings(s).castOf);
  const desk = useDeskStore();
  const { keep } = desk.getState();
  return (
    <>
      <div className="grid gap-1 text-xs">
        <Choice
          label="What throws the shadow"
          value={castOf}
          onChange={(next) => lampState.change(desk, { castOf: next })}
          options={[
            { value: "pocket", word: "Pocket" },
            { value: "part", word: "Part" },
          ]}
        />
        <NumberField
          label="Steps"
          className="w-10"
          value={deeper}
          min={-6}
          max={6}
          digits={0}
          onChange={(next) => changeMakes(desk, "cast", { deeper: next })}
        />
      </div>
      <div className="grid grid-cols-[auto_5rem] gap-x-2">
        <SliderRow
          label="How high it stands"
          measure={useLengthMeasure(MOST_HIGH)}
          word="High"
          value={Math.sqrt(high / MOST_HIGH)}
          onChange={(share) =>
            changeMakes(desk, "cast", { high: Math.max(1e-4, share ** 2 * MOST_HIGH) }, "show")
          }
          onDone={keep}
        />
        <SliderRow
          label="Softness of the shadow"
          word="Soft"
          value={soft}
          onChange={(next) => changeMakes(desk, "cast", { soft: next }, "show")}
          onDone={keep}
        />
      </div>
      <GroundFields />
    </>
  );
}

const GROUND_WORDS: Readonly<Record<GroundShadow["kind"], string>> = {
  ellipse: "Ground: ellipse",
  flat: "Ground: laid flat",
};
const FIRST_OPACITY = 0.25;
/** As a share of the page's width. */
const MOST_GROUND_SOFT = 0.05;

const newShadow = ({ drawing }: Desk, kind: GroundShadow["kind"]): GroundShadow => ({
  kind,
  paint: drawing.ink,
  opacity: FIRST_OPACITY,
});

/** The shadow of the whole drawing on the ground. */
function GroundFields() {
  const shadow = useDesk((s) => s.drawing.groundShadow);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  const { soft = 0, opacity = 0 } = shadow ?? {};
  const softness = useLengthMeasure(MOST_GROUND_SOFT);
  return (
    <div className="grid gap-1 text-xs">
      <div className="flex items-center gap-1">
        <Pick
          label="Shadow on the ground"
          value={shadow?.kind ?? ""}
          onChange={(next) => {
            const kind = GROUND_SHADOWS.find((one) => one === next);
            edit(setGroundShadow(kind ? { ...(shadow ?? newShadow(desk.getState(), kind)), kind } : null));
          }}
          options={[
            { value: "", word: "No ground shadow" },
            ...GROUND_SHADOWS.map((kind) => ({ value: kind, word: GROUND_WORDS[kind] })),
          ]}
          className={shadow ? "w-38" : "w-44"}
        />
        {shadow ? (
          <IconButton
            small
            label="The ground shadow in the colour in hand"
            onClick={() => edit(setGroundShadow({ ...shadow, paint: desk.getState().paint }))}
          >
            <Droplet size={15} aria-hidden />
          </IconButton>
        ) : null}
      </div>
      {shadow ? (
        <div className="grid grid-cols-[auto_6rem] gap-x-2">
          <SliderRow
            label="Strength of the ground shadow"
            word="Strong"
            value={opacity}
            onChange={(next) => show(setGroundShadow({ ...shadow, opacity: next }))}
            onDone={keep}
          />
          <SliderRow
            label="Softness of the ground shadow"
            measure={softness}
            word="Soft"
            value={Math.sqrt(soft / pageWidth / MOST_GROUND_SOFT)}
            onChange={(share) => {
              const { soft: _, ...sharp } = shadow;
              const next = share ** 2 * MOST_GROUND_SOFT * pageWidth;
              show(setGroundShadow(next > 0 ? { ...sharp, soft: next } : sharp));
            }}
            onDone={keep}
          />
        </div>
      ) : null}
    </div>
  );
}
