import { Droplet } from "lucide-react";
import { GROUND_SHADOWS, type GroundShadow } from "#core/drawing/drawing.ts";
import { setGroundShadow } from "#core/drawing/light-edits.ts";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { useLengthMeasure } from "../../shapes/use-length-measure.ts";
import type { Desk } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { lampState } from "./lamp-state.ts";
import { madeLength, madeShare, madeSteps, useIsMade } from "./made-fields.tsx";

/** Settings of the shadows thrown on what lies around or behind. Lengths are shares of the page's width. */
export const castFields: Settings = {
  "What throws the shadow": Thrower,
  "Steps of the shadow": madeSteps("cast", "deeper", "Steps"),
  "How high it stands": madeLength("cast", "high", "How high it stands", {
    word: "High",
    most: 0.15,
    least: 1e-4,
  }),
  "Softness of the shadow": madeShare("cast", "soft", "Softness of the shadow", "Soft"),
};

function Thrower() {
  const castOf = useDesk((s) => lampState.settings(s).castOf);
  const desk = useDeskStore();
  return useIsMade("cast") ? (
    <Choice
      label="What throws the shadow"
      value={castOf}
      onChange={(next) => lampState.change(desk, { castOf: next })}
      options={[
        { value: "pocket", word: "Pocket" },
        { value: "part", word: "Part" },
      ]}
    />
  ) : null;
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
export function GroundFields() {
  const shadow = useDesk((s) => s.drawing.groundShadow);
  const desk = useDeskStore();
  const { edit } = desk.getState();
  if (!useIsMade("cast")) return null;
  return (
    <>
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
      />
      {shadow ? <GroundShadowFields shadow={shadow} /> : null}
    </>
  );
}

function GroundShadowFields({ shadow }: { shadow: GroundShadow }) {
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const softness = useLengthMeasure(MOST_GROUND_SOFT);
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  return (
    <>
      <IconButton
        small
        label="The ground shadow in the colour in hand"
        onClick={() => edit(setGroundShadow({ ...shadow, paint: desk.getState().paint }))}
      >
        <Droplet size={15} aria-hidden />
      </IconButton>
      <SliderField
        label="Strength of the ground shadow"
        word="Strong"
        value={shadow.opacity}
        onChange={(next) => show(setGroundShadow({ ...shadow, opacity: next }))}
        onDone={keep}
      />
      <SliderField
        label="Softness of the ground shadow"
        measure={softness}
        word="Soft"
        value={Math.sqrt((shadow.soft ?? 0) / pageWidth / MOST_GROUND_SOFT)}
        onChange={(share) => {
          const { soft: _, ...sharp } = shadow;
          const next = share ** 2 * MOST_GROUND_SOFT * pageWidth;
          show(setGroundShadow(next > 0 ? { ...sharp, soft: next } : sharp));
        }}
        onDone={keep}
      />
    </>
  );
}
