import { Ruler } from "lucide-react";
import { useState } from "react";
import { PAGE_SIDE } from "#core/drawing/bounds.ts";
import { pixelsOf, UNITS } from "#core/drawing/drawing.ts";
import { changePage, fitPage, resizePage, setBleed, setUnit, sizeOf } from "#core/drawing/page-edits.ts";
import type { Box } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import { Button } from "../../ui/button.tsx";
import { Choice } from "../../ui/choice.tsx";
import { NumberField } from "../../ui/number-field.tsx";
import { PopoverButton } from "../../ui/popover-button.tsx";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const LEAST = 0.1;
const MOST_BLEED = { mm: 25, in: 1 };
const FIRST_MARGIN = { mm: 5, in: 0.2 };

/** The page's size and bleed, and what happens to the drawing when they change. */
export function PageFields() {
  const page = useDesk((s) => s.drawing.page);
  const { edit, tell } = useDeskStore().getState();
  const desk = useDeskStore();
  const [how, setHow] = useState<"kept" | "scaled">("scaled");
  const [margin, setMargin] = useState(FIRST_MARGIN[page.unit]);
  const { width, height } = sizeOf(page);
  const pixels = pixelsOf(page, page.ppi);
  const step = page.unit === "in" ? 0.1 : 1;
  const rounded = (n: number) => String(Number(n.toFixed(page.unit === "in" ? 2 : 1)));
  // A wider page whose drawing grows along keeps its proportions.
  const widen = (next: number) =>
    edit(how === "scaled" ? changePage({ width: next }) : resizePage({ width: next, height }, how));
  const fit = () => {
    const drawn = drawnBox(desk.getState());
    if (drawn && drawn.width > 0 && drawn.height > 0) edit(fitPage(drawn, margin));
    else tell("There is nothing drawn to fit the page to.");
  };
  return (
    <PopoverButton
      label="Page"
      icon={<Ruler size={16} aria-hidden />}
      word={
        <span className="text-left text-xs leading-tight tabular-nums">
          {rounded(width)} × {rounded(height)} {page.unit}
          <br />
          <span className="text-quiet">
            {pixels.width} × {pixels.height} pixels
          </span>
        </span>
      }
    >
      <div className="grid gap-3">
        <div className="grid grid-cols-2 gap-x-4 gap-y-2">
          <NumberField
            label="Width"
            value={width}
            min={LEAST}
            max={PAGE_SIDE.most}
            step={step}
            digits={3}
            className="w-18"
            onChange={widen}
          />
          <NumberField
            label="Height"
            value={height}
            min={LEAST}
            max={PAGE_SIDE.most}
            step={step}
            digits={3}
            className="w-18"
            onChange={(next) => edit(resizePage({ width, height: next }, how))}
          />
          <label className="flex items-center gap-2">
            Unit
            <select
              aria-label="Unit"
              value={page.unit}
              onChange={({ target }) => {
                const unit = UNITS.find((one) => one === target.value)!;
                setMargin(FIRST_MARGIN[unit]);
                edit(setUnit(unit));
              }}
              className="h-target rounded-md border border-edge bg-field px-2"
            >
              {UNITS.map((unit) => (
                <option key={unit}>{unit}</option>
              ))}
            </select>
          </label>
          <NumberField
            label="ppi"
            value={page.ppi}
            min={1}
            max={2400}
            digits={0}
            className="w-18"
            onChange={(ppi) => edit(changePage({ ppi }))}
          />
          <NumberField
            label="Bleed"
            value={page.bleed ?? 0}
            min={0}
            max={MOST_BLEED[page.unit]}
            step={step / 2}
            digits={3}
            className="w-18"
            onChange={(bleed) => edit(setBleed(bleed))}
          />
        </div>
        <Choice
          label="What becomes of the drawing"
          value={how}
          onChange={setHow}
          options={[
            { value: "scaled", word: "Drawing grows along" },
            { value: "kept", word: "Drawing stays as large" },
          ]}
        />
        <div className="flex items-end justify-between gap-2 border-t border-line pt-3">
          <NumberField
            label="Margin"
            value={margin}
            min={0}
            max={PAGE_SIDE.most}
            step={step}
            digits={3}
            className="w-16"
            onChange={setMargin}
          />
          <Button onClick={fit}>Fit page to drawing</Button>
        </div>
      </div>
    </PopoverButton>
  );
}

/** The box around all that is drawn but the ground, which covers the page. */
const drawnBox = ({ scene }: Desk): Box | undefined =>
  scene.parts
    .flatMap(({ sheets }) => sheets.flatMap(({ name, items }) => (name === "ground" ? [] : items)))
    .reduce<Box | undefined>((box, item) => around(box, boxOfItem(item)), undefined);
