import { useEffect } from "react";
import { printed, showLength } from "#core/drawing/length.ts";
import { plural } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { applyTidy } from "./apply-tidy.ts";
import { previewTidy, tidy, tidyPreview, tidyTolerance } from "./tidy-state.ts";

/** Tolerance and corner angle with what they come to: points before and after, and how far the line moves at most. */
export function TidyPanel() {
  const settings = useDesk(tidy.settings);
  const tolerance = useDesk(tidyTolerance);
  const page = useDesk((s) => s.drawing.page);
  const stamp = useDesk((s) => s.stamp);
  const preview = useDesk(tidyPreview);
  const selected = useDesk((s) => s.selected.length);
  const desk = useDeskStore();
  const change = (part: Partial<typeof settings>) => tidy.change(desk, part);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the preview is of exactly these
  useEffect(() => {
    void previewTidy(desk);
  }, [desk, settings, stamp]);
  const perUnit = printed(page, 1);
  const nothing = !preview || preview.shapes.size === 0;
  return (
    <div className="flex items-center gap-4">
      <div className="grid gap-1.5">
        <NumberField
          label="Tolerance"
          value={tolerance * perUnit}
          min={0.0001}
          step={page.unit === "in" ? 0.001 : 0.02}
          digits={4}
          unit={page.unit}
          onChange={(value) => change({ tolerance: value / perUnit })}
        />
        <NumberField
          label="Corners from"
          value={settings.corner}
          min={1}
          step={5}
          unit="°"
          className="w-14"
          onChange={(corner) => change({ corner: Math.min(179, corner) })}
        />
      </div>
      <div className="grid gap-1.5 text-xs">
        <Toggle
          label="Straight only"
          checked={settings.straight}
          onChange={(straight) => change({ straight })}
        />
        <p className="text-quiet" data-testid="tidy-figures">
          {preview
            ? `${preview.before} points, then ${preview.after}; at most ${showLength(page, preview.deviation)} off`
            : "Working it out…"}
        </p>
      </div>
      <Button main disabled={nothing} onClick={() => applyTidy(desk)}>
        {selected === 0 ? "Tidy all lines" : `Tidy ${plural(selected, "this line", `${selected} lines`)}`}
      </Button>
    </div>
  );
}
