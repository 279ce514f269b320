import { BLENDS, type Blend, SHAPE_SHEETS } from "#core/drawing/drawing.ts";
import {
  type AnyShape,
  changeShapes,
  isShade,
  type ShapeChange,
  sheetOf,
} from "#core/drawing/shape-edits.ts";
import { Pick } from "../../ui/pick.tsx";
import { SliderField } from "../../ui/slider-field.tsx";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { Settings } from "../tools/tool.ts";
import { chosenShapes } from "./chosen-shapes.ts";
import { retrim, type Trim } from "./retrim.ts";
import { SoftField } from "./soft-field.tsx";

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

interface Of {
  /** What the next shape is laid as, where none is chosen. */
  readonly next?: (desk: Desk) => Lying;
  readonly onNext?: (desk: DeskStore, change: Partial<Lying>) => void;
  readonly sheets?: readonly Sheet[];
  readonly trims?: readonly Trim[];
}

/** How the chosen shapes lie, or else the next one: settings for a tray. */
export function laidFields({
  next,
  onNext,
  sheets = SHAPE_SHEETS,
  trims = ["free", "coloured", "part", "pocket"],
}: Of): Settings {
  const useLying = (): Lying | undefined => {
    const [first] = useDesk(chosenShapes);
    const pageWidth = useDesk((s) => s.drawing.page.box.width);
    const coming = useDesk((s) => next?.(s));
    return first ? lyingOf(first, pageWidth) : coming;
  };
  const useChange = () => {
    const desk = useDeskStore();
    return (own: Partial<Lying>, shapes: ShapeChange, make: "edit" | "show" = "edit") => {
      const state = desk.getState();
      const chosen = chosenShapes(state);
      if (chosen.length > 0) state[make](changeShapes(chosen, shapes));
      else onNext?.(desk, own);
    };
  };

  function OnSheet() {
    const lying = useLying();
    const change = useChange();
    return (
      lying && (
        <Pick
          label="Sheet"
          value={lying.sheet}
          options={(sheets.includes(lying.sheet) ? sheets : [...sheets, lying.sheet]).map((sheet) => ({
            value: sheet,
            word: `on ${sheet}`,
          }))}
          disabled={lying.trim === "pocket"}
          onChange={(sheet) => change({ sheet }, { sheet: sheet === "flats" ? undefined : sheet })}
        />
      )
    );
  }

  function Trimmed() {
    const lying = useLying();
    const desk = useDeskStore();
    return (
      lying && (
        <Pick
          label="Trimmed to"
          value={lying.trim}
          options={(trims.includes(lying.trim) ? trims : [...trims, lying.trim]).map((trim) => ({
            value: trim,
            word: TRIM_WORDS[trim],
          }))}
          onChange={(trim) => {
            const chosen = chosenShapes(desk.getState());
            if (chosen.length > 0) retrim(desk, chosen, trim);
            else onNext?.(desk, { trim });
          }}
        />
      )
    );
  }

  function Blended() {
    const lying = useLying();
    const change = useChange();
    return (
      lying && (
        <Pick
          label="Blend"
          value={lying.blend}
          options={BLENDS.map((blend) => ({ value: blend, word: blend }))}
          onChange={(blend) => change({ blend }, { blend: blend === "normal" ? undefined : blend })}
        />
      )
    );
  }

  function Opacity() {
    const lying = useLying();
    const change = useChange();
    const { keep } = useDeskStore().getState();
    return (
      lying && (
        <SliderField
          label="Opacity of the shape"
          word="Opacity"
          value={lying.opacity}
          onChange={(share) => {
            const opacity = Math.max(0.05, share);
            change({ opacity }, { opacity }, "show");
          }}
          onDone={keep}
        />
      )
    );
  }

  function Soft() {
    const lying = useLying();
    const change = useChange();
    const pageWidth = useDesk((s) => s.drawing.page.box.width);
    const { keep } = useDeskStore().getState();
    return (
      lying && (
        <SoftField
          soft={lying.soft}
          onChange={(soft) => change({ soft }, { soft: soft > 0 ? soft * pageWidth : undefined }, "show")}
          onDone={keep}
        />
      )
    );
  }

  return {
    "Sheet it lies on": OnSheet,
    Blend: Blended,
    "Trimmed to": Trimmed,
    Opacity,
    "Softness of the edge": Soft,
  };
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
