import { useEffect } from "react";
import { useShallow } from "zustand/react/shallow";
import { printed, showLength } from "#core/drawing/length.ts";
import { plural } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { applyTidy } from "./apply-tidy.ts";
import { previewTidy, tidy, tidyAsked, tidyPreview, tidyTolerance } from "./tidy-state.ts";

/** Tolerance and corner angle with what they come to: points before and after, and how far the line moves at most. */
export const tidyTray: Settings = {
  "Tolerance of tidying": Tolerance,
  "Tidy lines": TidyButton,
  hint: Figures,
  "Corners from": Corners,
  "Straight lines only": Straight,
};

function Tolerance() {
  const tolerance = useDesk(tidyTolerance);
  const page = useDesk((s) => s.drawing.page);
  const desk = useDeskStore();
  const perUnit = printed(page, 1);
  return (
    <NumberField
      label="Tolerance"
      value={tolerance * perUnit}
      min={0.0001}
      step={page.unit === "in" ? 0.001 : 0.02}
      digits={4}
      unit={page.unit}
      onChange={(value) => tidy.change(desk, { tolerance: value / perUnit })}
    />
  );
}

function TidyButton() {
  const preview = useDesk(tidyPreview);
  const selected = useDesk((s) => s.selected.length);
  const desk = useDeskStore();
  const nothing = !preview || preview.shapes.size === 0;
  return (
    <Button main disabled={nothing} onClick={() => applyTidy(desk)}>
      {selected === 0 ? "Tidy all lines" : `Tidy ${plural(selected, "this line", `${selected} lines`)}`}
    </Button>
  );
}

/** Works out what it comes to, anew for other settings, lines and corners. */
export function useTidyPreview(): void {
  const asked = useDesk(useShallow(tidyAsked));
  const desk = useDeskStore();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the preview is of exactly these
  useEffect(() => {
    void previewTidy(desk);
  }, [desk, asked]);
}

function Figures() {
  const page = useDesk((s) => s.drawing.page);
  const preview = useDesk(tidyPreview);
  return (
    <p className="text-xs text-quiet tabular-nums" data-testid="tidy-figures">
      {preview
        ? `${preview.before} points, then ${preview.after}; at most ${showLength(page, preview.deviation)} off`
        : "Working it out…"}
    </p>
  );
}

function Corners() {
  const { corner } = useDesk(tidy.settings);
  const desk = useDeskStore();
  return (
    <NumberField
      label="Corners from"
      value={corner}
      min={1}
      max={179}
      step={5}
      unit="°"
      className="w-14"
      onChange={(next) => tidy.change(desk, { corner: next })}
    />
  );
}

function Straight() {
  const { straight } = useDesk(tidy.settings);
  const desk = useDeskStore();
  return (
    <Toggle
      label="Straight only"
      checked={straight}
      onChange={(next) => tidy.change(desk, { straight: next })}
    />
  );
}
