import { Brush, Circle, Eraser, Lasso, Spline, Square, Trash2 } from "lucide-react";
import { ranked, SHAPE_SHEETS } from "#core/drawing/drawing.ts";
import { removeShapes } from "#core/drawing/shape-edits.ts";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { Range } from "../../../ui/range.tsx";
import { chosenShapes } from "../../shapes/chosen-shapes.ts";
import { LaidFields } from "../../shapes/laid-fields.tsx";
import type { Trim } from "../../shapes/retrim.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
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

export const ColourPanel = () => (
  <ColouringPanel of={colour} sheets={SHAPE_SHEETS} trims={["free", "coloured", "part"]} tidies />
);

interface Props {
  readonly of: ColouringState;
  readonly sheets: readonly Colouring["sheet"][];
  readonly trims: readonly Trim[];
  /** Whether art that came in many pieces can be tidied here. */
  readonly tidies?: boolean;
}

/** How colour is drawn, where it lies, and how the chosen shapes do. */
export function ColouringPanel({ of, sheets, trims, tidies }: Props) {
  const settings = useDesk(of.settings);
  const chosen = useDesk(chosenShapes);
  const desk = useDeskStore();
  return (
    <div className="flex min-w-0 items-center gap-2.5">
      <Ways of={of} />
      <LaidFields
        next={settings}
        onNext={(change) => of.change(desk, change)}
        sheets={sheets}
        trims={trims}
      />
      {chosen.length > 0 ? (
        <IconButton small label="Remove it" onClick={() => desk.getState().edit(removeShapes(chosen))}>
          <Trash2 size={15} aria-hidden />
        </IconButton>
      ) : (
        tidies && <TidyButton />
      )}
    </div>
  );
}

function Ways({ of }: { of: ColouringState }) {
  const { way, effect, width, nib } = useDesk(of.settings);
  const nibs = useDesk((s) => s.drawing.nibs);
  const any = useDesk((s) => chosenShapes(s).length > 0);
  const desk = useDeskStore();
  return (
    <div className="grid gap-1">
      <Choice
        label="How colour is drawn"
        value={way}
        onChange={(next) => of.change(desk, { way: next })}
        options={COLOUR_WAYS.map((value) => {
          const { word, Icon } = WAYS[value];
          return { value, word, icon: <Icon size={15} aria-hidden /> };
        })}
      />
      <div className="flex h-7 items-center gap-2">
        {(way === "nib" || way === "rub") && (
          <Range
            label="Width"
            value={width / MOST_WIDTH}
            onChange={(share) => of.change(desk, { width: Math.max(0.002, share * MOST_WIDTH) })}
            className="w-14"
          />
        )}
        {way === "nib" && (
          <Pick
            label="Nib"
            value={nib}
            onChange={(next) => of.change(desk, { nib: next })}
            options={ranked(nibs).map(({ id, name }) => ({ value: id, word: name }))}
            className="w-18"
          />
        )}
        {way !== "rub" && (
          <Pick
            label="What becomes of it"
            value={effect}
            onChange={(next) => of.change(desk, { effect: next })}
            options={EFFECTS.map((value) => ({
              value,
              word: EFFECT_WORDS[value],
              disabled: value !== "add" && !any,
            }))}
            className="w-40"
          />
        )}
      </div>
    </div>
  );
}

/** For art that came in many pieces. */
function TidyButton() {
  const several = useDesk((s) => Object.keys(s.drawing.flatShapes).length > 1);
  const desk = useDeskStore();
  return several ? (
    <button
      type="button"
      title="Unites shapes of one colour and lets specks go"
      onClick={() => tidyColour(desk.getState())}
      className="h-10 w-14 rounded-md border border-edge px-1 text-xs leading-tight hover:bg-well"
    >
      Tidy shapes
    </button>
  ) : null;
}
