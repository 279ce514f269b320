import { printed } from "#core/drawing/length.ts";
import { counted } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { shortTails, tailLimit, tailsOf, trim } from "./trim-state.ts";
import { trimTails } from "./trim-tails.ts";

/** All tails shorter than a length at once; those it would take show dashed. */
export function TrimPanel() {
  const limit = useDesk(tailLimit);
  const page = useDesk((s) => s.drawing.page);
  const all = useDesk((s) => tailsOf(s).length);
  const short = useDesk((s) => shortTails(s).length);
  const desk = useDeskStore();
  const perUnit = printed(page, 1);
  return (
    <div className="flex items-center gap-4">
      <NumberField
        label="Tails shorter than"
        value={limit * perUnit}
        min={0}
        step={page.unit === "in" ? 0.01 : 0.2}
        unit={page.unit}
        onChange={(value) => trim.change(desk, { below: value / perUnit })}
      />
      <Button main disabled={short === 0} onClick={() => trimTails(desk, shortTails(desk.getState()))}>
        {short === 0 ? "No tails to trim" : `Trim ${counted(short, "tail")}`}
      </Button>
      <p className="text-xs text-quiet">{counted(all, "loose tail")} in all</p>
    </div>
  );
}
