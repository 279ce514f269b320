import { BLENDS, type Blend, SHAPE_SHEETS } from "#core/drawing/drawing.ts";
import {
  type AnyShape,
  changeShapes,
  isShade,
  type ShapeChange,
  sheetOf,
} from "#core/drawing/shape-edits.ts";
import { Pick } from "../../ui/pick.tsx";
import { SliderRow } from "../../ui/slider-row.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { chosenShapes } from "./chosen-shapes.ts";
import { retrim, type Trim } from "./retrim.ts";
import { SoftRow } from "./soft-row.tsx";

const TRIM_WORDS: Readonly<Record<Trim, string>> = {
  free: "free",
  coloured: "on what is coloured",
  part: "within its part",
  pocket: "within its pocket",
};

type Sheet = (typeof SHAPE_SHEETS)[number];

/** How a shape lies: on which sheet, trimmed to what, mixed how. `soft` is a share of the page's width. */
export interface Lying {
  readonly sheet: Sheet;
  readonly trim: Trim;
  readonly blend: Blend;
  readonly opacity: number;
  readonly soft: number;
}

interface Props {
  /** What the next shape is laid as, where none is chosen. */
  readonly next?: Lying;
  readonly onNext?: (change: Partial<Lying>) => void;
  readonly sheets?: readonly Sheet[];
  readonly trims?: readonly Trim[];
}

/** How the chosen shapes lie, or else the next one. */
export function LaidFields({
  next,
  onNext,
  sheets = SHAPE_SHEETS,
  trims = ["free", "coloured", "part", "pocket"],
}: Props) {
  const chosen = useDesk(chosenShapes);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  const lying = chosen.length > 0 ? lyingOf(chosen[0], pageWidth) : next;
  if (!lying) return null;
  const change = (own: Partial<Lying>, shapes: ShapeChange, make = edit) => {
    if (chosen.length > 0) make(changeShapes(chosen, shapes));
    else onNext?.(own);
  };
  return (
    <>
      <div className="grid grid-cols-[auto_auto] gap-1">
        <Pick
          label="Sheet"
          value={lying.sheet}
          options={(sheets.includes(lying.sheet) ? sheets : [...sheets, lying.sheet]).map((sheet) => ({
            value: sheet,
            word: `on ${sheet}`,
          }))}
          className="w-26"
          disabled={lying.trim === "pocket"}
          onChange={(sheet) => change({ sheet }, { sheet: sheet === "flats" ? undefined : sheet })}
        />
        <Pick
          label="Blend"
          value={lying.blend}
          options={BLENDS.map((blend) => ({ value: blend, word: blend }))}
          className="w-26"
          onChange={(blend) => change({ blend }, { blend: blend === "normal" ? undefined : blend })}
        />
        <Pick
          label="Trimmed to"
          value={lying.trim}
          options={(trims.includes(lying.trim) ? trims : [...trims, lying.trim]).map((trim) => ({
            value: trim,
            word: TRIM_WORDS[trim],
          }))}
          className="col-span-2"
          onChange={(trim) => {
            if (chosen.length > 0) retrim(desk, chosen, trim);
            else onNext?.({ trim });
          }}
        />
      </div>
      <div className="grid grid-cols-[auto_6.5rem] items-center gap-x-2 gap-y-1 text-xs">
        <SliderRow
          label="Opacity of the shape"
          word="Opacity"
          value={lying.opacity}
          onChange={(share) => {
            const opacity = Math.max(0.05, share);
            change({ opacity }, { opacity }, show);
          }}
          onDone={keep}
        />
        <SoftRow
          soft={lying.soft}
          onChange={(soft) => change({ soft }, { soft: soft > 0 ? soft * pageWidth : undefined }, show)}
          onDone={keep}
        />
      </div>
    </>
  );
}

function lyingOf(shape: AnyShape, pageWidth: number): Lying {
  const { opacity, blend = "normal", soft = 0 } = shape;
  return {
    sheet: sheetOf(shape) as Sheet,
    trim: isShade(shape) ? "pocket" : (shape.trim ?? "free"),
    blend,
    opacity,
    soft: soft / pageWidth,
  };
}
