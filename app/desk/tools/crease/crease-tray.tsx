import { FlipHorizontal2, Trash2 } from "lucide-react";
import { changeCrease } from "#core/drawing/light-edits.ts";
import { Button } from "../../../ui/button.tsx";
import { Hint } from "../../../ui/hint.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { SoftField } from "../../shapes/soft-field.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { chosenCrease, creases, flip, removeChosen } from "./crease-state.ts";

/** How deep the chosen crease is, or the next one, and how soft; its side is turned. */
export const creaseTray: Settings = {
  "Steps deeper of a crease": Deeper,
  hint: CreaseHint,
  "Turn the side of a crease": Doing,
  "Softness of a crease": Soft,
  "Crease runs out": RunsOut,
};

function Deeper() {
  const crease = useDesk(chosenCrease);
  const settings = useDesk(creases.settings);
  const desk = useDeskStore();
  return (
    <NumberField
      label="Steps deeper"
      className="w-12"
      value={crease?.deeper ?? settings.deeper}
      min={-6}
      max={6}
      digits={0}
      onChange={(deeper) => {
        creases.change(desk, { deeper });
        if (crease) desk.getState().edit(changeCrease(crease.id, { deeper }));
      }}
    />
  );
}

function Soft() {
  const crease = useDesk(chosenCrease);
  const settings = useDesk(creases.settings);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const desk = useDeskStore();
  const { show, keep } = desk.getState();
  return (
    <SoftField
      soft={crease ? (crease.soft ?? 0) / pageWidth : settings.soft}
      onChange={(next) => {
        creases.change(desk, { soft: next });
        if (crease) show(changeCrease(crease.id, { soft: next * pageWidth }));
      }}
      onDone={keep}
    />
  );
}

function RunsOut() {
  const crease = useDesk(chosenCrease);
  const settings = useDesk(creases.settings);
  const desk = useDeskStore();
  return (
    <Toggle
      label="Runs out"
      checked={crease ? crease.runsOut === true : settings.runsOut}
      onChange={(runsOut) => {
        creases.change(desk, { runsOut });
        if (crease) desk.getState().edit(changeCrease(crease.id, { runsOut }));
      }}
    />
  );
}

function Doing() {
  const any = useDesk((s) => chosenCrease(s) !== undefined);
  const desk = useDeskStore();
  return any ? (
    <>
      <Button onClick={() => flip(desk)}>
        <FlipHorizontal2 size={15} aria-hidden /> Turn the side
      </Button>
      <IconButton small label="Remove the crease" onClick={() => removeChosen(desk)}>
        <Trash2 size={15} aria-hidden />
      </IconButton>
    </>
  ) : null;
}

function CreaseHint() {
  const any = useDesk((s) => chosenCrease(s) !== undefined);
  return any ? null : (
    <Hint>
      Draw across coloured pockets: the side away from the lamp lies deeper. Click one to change it.
    </Hint>
  );
}
