import { Brush, Circle, Eraser, Lasso, Spline, Square, Trash2 } from "lucide-react";
import { ranked, SHAPE_SHEETS } from "#core/drawing/drawing.ts";
import { removeShapes } from "#core/drawing/shape-edits.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { chosenShapes } from "../../shapes/chosen-shapes.ts";
import { laidFields } from "../../shapes/laid-fields.tsx";
import type { Trim } from "../../shapes/retrim.ts";
import { useLengthMeasure } from "../../shapes/use-length-measure.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { COLOUR_WAYS, type Colouring, type ColouringState, colour, EFFECTS } from "./colour-state.ts";
import { tidyColour } from "./tidy-colour.ts";

const WAYS = {
  loop: { word: "Loop", Icon: Lasso },
  points: { word: "From point to point", Icon: Spline },
  nib: { word: "Nib", Icon: Brush },
  oval: { word: "Oval", Icon: Circle },
  box: { word: "Box", Icon: Square },
  rub: { word: "Rub away", Icon: Eraser },
};
const EFFECT_WORDS = {
  add: "a shape of its own",
  unite: "united with the chosen",
  subtract: "cut from the chosen",
  intersect: "kept where both are",
};
const MOST_WIDTH = 0.15;

export const colourTray = colouringTray({
  of: colour,
  sheets: SHAPE_SHEETS,
  trims: ["free", "coloured", "part"],
  also: { "Tidy shapes": TidyButton },
});

interface Of {
  readonly of: ColouringState;
  readonly sheets: readonly Colouring["sheet"][];
  readonly trims: readonly Trim[];
  /** What else it can do. */
  readonly also?: Settings;
}

/** How colour is drawn, where it lies, and how the chosen shapes do. */
export function colouringTray({ of, sheets, trims, also = {} }: Of): Settings {
  function Way() {
    const { way } = useDesk(of.settings);
    const desk = useDeskStore();
    return (
      <Choice
        label="How colour is drawn"
        value={way}
        onChange={(next) => of.change(desk, { way: next })}
        options={COLOUR_WAYS.map((value) => {
          const { word, Icon } = WAYS[value];
          return { value, word, icon: <Icon size={15} aria-hidden /> };
        })}
      />
    );
  }

  function Width() {
    const { way, width } = useDesk(of.settings);
    const desk = useDeskStore();
    const measure = useLengthMeasure(MOST_WIDTH);
    return way === "nib" || way === "rub" ? (
      <SliderField
        label="Width"
        measure={measure}
        value={Math.sqrt(width / MOST_WIDTH)}
        onChange={(share) => of.change(desk, { width: Math.max(0.002, share ** 2 * MOST_WIDTH) })}
      />
    ) : null;
  }

  function NibChoice() {
    const { way, nib } = useDesk(of.settings);
    const nibs = useDesk((s) => s.drawing.nibs);
    const desk = useDeskStore();
    return way === "nib" ? (
      <Pick
        label="Nib"
        value={nib}
        onChange={(next) => of.change(desk, { nib: next })}
        options={ranked(nibs).map(({ id, name }) => ({ value: id, word: name }))}
      />
    ) : null;
  }

  function Effect() {
    const { way, effect } = useDesk(of.settings);
    const any = useDesk((s) => chosenShapes(s).length > 0);
    const desk = useDeskStore();
    return way === "rub" ? null : (
      <Pick
        label="What becomes of it"
        value={effect}
        onChange={(next) => of.change(desk, { effect: next })}
        options={EFFECTS.map((value) => ({
          value,
          word: EFFECT_WORDS[value],
          disabled: value !== "add" && !any,
        }))}
      />
    );
  }

  const laid = laidFields({ next: of.settings, onNext: of.change, sheets, trims });
  return {
    "How colour is drawn": Way,
    "Width of the brush": Width,
    "Nib of the brush": NibChoice,
    "Remove the chosen shapes": RemoveButton,
    "What becomes of it": Effect,
    ...also,
    ...laid,
  };
}

function RemoveButton() {
  const chosen = useDesk(chosenShapes);
  const { edit } = useDeskStore().getState();
  return chosen.length > 0 ? (
    <IconButton small label="Remove it" onClick={() => edit(removeShapes(chosen))}>
      <Trash2 size={15} aria-hidden />
    </IconButton>
  ) : null;
}

/** For art that came in many pieces. */
function TidyButton() {
  const several = useDesk((s) => Object.keys(s.drawing.flatShapes).length > 1);
  const desk = useDeskStore();
  return several ? (
    <Button
      size="small"
      title="Unites shapes of one colour and lets specks go"
      onClick={() => tidyColour(desk.getState())}
    >
      Tidy shapes
    </Button>
  ) : null;
}
