import { BringToFront, FlipHorizontal2, SendToBack, Trash2 } from "lucide-react";
import { type FlatShape, ranked, SHAPE_SHEETS, TRIMS } from "#core/drawing/drawing.ts";
import { removeFlat } from "#core/drawing/edits.ts";
import { changeShape, moveShape, orderShape, sheetOf } from "#core/drawing/shape-edits.ts";
import { aboutPoint } from "#core/geometry/matrix.ts";
import { boundsOf } from "#core/geometry/point.ts";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Range } from "../../../ui/range.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { COLOUR_WAYS, chosenShape, colour, EFFECTS } from "./colour-state.ts";
import { tidyColour } from "./tidy-colour.ts";

const WAY_WORDS = { loop: "Loop", nib: "Nib", oval: "Oval", box: "Box", rub: "Rub away" };
const EFFECT_WORDS = {
  add: "a shape of its own",
  unite: "united with the chosen",
  subtract: "cut from the chosen",
  intersect: "kept where both are",
};
const TRIM_WORDS = { free: "free", coloured: "on what is coloured", part: "within its part" };
const MOST_WIDTH = 0.15;
const FIELD = "h-7 rounded-md border border-edge bg-white px-1 text-xs";

/** How colour is drawn, where it lies, and what can be done with the chosen shape. */
export function ColourPanel() {
  const { way, effect, width, nib } = useDesk(colour.settings);
  const nibs = useDesk((s) => s.drawing.nibs);
  const chosen = useDesk(chosenShape);
  const desk = useDeskStore();
  const wide = way === "nib" || way === "rub";
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="grid gap-1">
        <Choice
          label="How colour is drawn"
          value={way}
          onChange={(next) => colour.change(desk, { way: next })}
          options={COLOUR_WAYS.map((value) => ({ value, word: WAY_WORDS[value] }))}
        />
        <div className="flex h-7 items-center gap-2">
          {wide && (
            <Range
              label="Width"
              value={width / MOST_WIDTH}
              onChange={(share) => colour.change(desk, { width: Math.max(0.002, share * MOST_WIDTH) })}
              className="w-24"
            />
          )}
          {way === "nib" && (
            <select
              aria-label="Nib"
              value={nib}
              onChange={({ target }) => colour.change(desk, { nib: target.value })}
              className={FIELD}
            >
              {ranked(nibs).map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
          {way !== "rub" && (
            <select
              aria-label="What becomes of it"
              value={effect}
              onChange={({ target }) => colour.change(desk, { effect: target.value as typeof effect })}
              className={FIELD}
            >
              {EFFECTS.map((value) => (
                <option key={value} value={value} disabled={value !== "add" && !chosen}>
                  {EFFECT_WORDS[value]}
                </option>
              ))}
            </select>
          )}
        </div>
      </div>
      <Lying chosen={chosen} />
      {chosen ? <Chosen shape={chosen} /> : <TidyButton />}
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
      className="h-8 rounded-md border border-edge px-2 text-xs hover:bg-well"
    >
      Tidy shapes
    </button>
  ) : null;
}

/** The sheet and the trim, of the chosen shape or of the next. */
function Lying({ chosen }: { chosen: FlatShape | undefined }) {
  const settings = useDesk(colour.settings);
  const desk = useDeskStore();
  const { edit } = desk.getState();
  return (
    <div className="grid gap-1">
      <select
        aria-label="Sheet"
        value={chosen ? sheetOf(chosen) : settings.sheet}
        onChange={({ target }) => {
          const sheet = target.value as (typeof SHAPE_SHEETS)[number];
          colour.change(desk, { sheet });
          if (chosen) edit(changeShape(chosen, { sheet: sheet === "flats" ? undefined : sheet }));
        }}
        className={FIELD}
      >
        {SHAPE_SHEETS.map((name) => (
          <option key={name} value={name}>
            on {name}
          </option>
        ))}
      </select>
      <select
        aria-label="Trimmed to"
        value={chosen ? (chosen.trim ?? "free") : settings.trim}
        onChange={({ target }) => {
          const trim = target.value as typeof settings.trim;
          colour.change(desk, { trim });
          if (chosen) edit(changeShape(chosen, { trim: trim === "free" ? undefined : trim }));
        }}
        className={FIELD}
      >
        {(["free", ...TRIMS] as const).map((trim) => (
          <option key={trim} value={trim}>
            {TRIM_WORDS[trim]}
          </option>
        ))}
      </select>
    </div>
  );
}

function Chosen({ shape }: { shape: FlatShape }) {
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  const mirror = () => {
    const box = boundsOf(shape.outline);
    if (box) edit(moveShape(shape, aboutPoint([box.x + box.width / 2, 0], -1, 1, 0), "Mirror shape"));
  };
  return (
    <div className="grid gap-1">
      <div className="flex">
        <IconButton
          small
          label="Bring it forward"
          onClick={() => edit(orderShape(desk.getState().drawing, shape, "front"))}
        >
          <BringToFront size={15} aria-hidden />
        </IconButton>
        <IconButton
          small
          label="Send it back"
          onClick={() => edit(orderShape(desk.getState().drawing, shape, "back"))}
        >
          <SendToBack size={15} aria-hidden />
        </IconButton>
        <IconButton small label="Mirror it" onClick={mirror}>
          <FlipHorizontal2 size={15} aria-hidden />
        </IconButton>
        <IconButton
          small
          label="Remove it"
          onClick={() => edit({ ...removeFlat(shape.id), sheet: sheetOf(shape) })}
        >
          <Trash2 size={15} aria-hidden />
        </IconButton>
      </div>
      <Range
        label="Opacity of the shape"
        value={shape.opacity}
        onChange={(opacity) => show(changeShape(shape, { opacity: Math.max(0.05, opacity) }))}
        onDone={keep}
        className="w-24"
      />
    </div>
  );
}
