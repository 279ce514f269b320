import { printed } from "#core/drawing/length.ts";
import { counted } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { Hint } from "../../../ui/hint.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { shortTails, tailLimit, tailsOf, trim } from "./trim-state.ts";
import { trimTails } from "./trim-tails.ts";

/** All tails shorter than a length at once; those it would take show dashed. */
export const trimTray: Settings = {
  "Tails shorter than": Limit,
  "Trim short tails": TrimButton,
  hint: Count,
};

function Limit() {
  const limit = useDesk(tailLimit);
  const page = useDesk((s) => s.drawing.page);
  const desk = useDeskStore();
  const perUnit = printed(page, 1);
  return (
    <NumberField
      label="Tails shorter than"
      value={limit * perUnit}
      min={0}
      step={page.unit === "in" ? 0.01 : 0.2}
      unit={page.unit}
      onChange={(value) => trim.change(desk, { below: value / perUnit })}
    />
  );
}

function TrimButton() {
  const short = useDesk((s) => shortTails(s).length);
  const desk = useDeskStore();
  return (
    <Button main disabled={short === 0} onClick={() => trimTails(desk, shortTails(desk.getState()))}>
      {short === 0 ? "No tails to trim" : `Trim ${counted(short, "tail")}`}
    </Button>
  );
}

function Count() {
  const all = useDesk((s) => tailsOf(s).length);
  return <Hint>{counted(all, "loose tail")} in all</Hint>;
}
