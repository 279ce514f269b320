import { FlipHorizontal2, Trash2 } from "lucide-react";
import { changeCrease } from "#core/drawing/light-edits.ts";
import { Button } from "../../../ui/button.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { SoftRow } from "../../shapes/soft-row.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { chosenCrease, creases, flip, removeChosen } from "./crease-state.ts";

/** How deep the chosen crease is, or the next one, and how soft; its side is turned. */
export function CreasePanel() {
  const crease = useDesk(chosenCrease);
  const settings = useDesk(creases.settings);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  const soft = crease ? (crease.soft ?? 0) / pageWidth : settings.soft;
  return (
    <div className="flex min-w-0 items-center gap-3">
      <NumberField
        label="Steps deeper"
        className="w-12"
        value={crease?.deeper ?? settings.deeper}
        min={-6}
        max={6}
        digits={0}
        onChange={(deeper) => {
          creases.change(desk, { deeper });
          if (crease) edit(changeCrease(crease.id, { deeper }));
        }}
      />
      <div className="grid grid-cols-[auto_6rem] gap-x-2">
        <SoftRow
          soft={soft}
          onChange={(next) => {
            creases.change(desk, { soft: next });
            if (crease) show(changeCrease(crease.id, { soft: next * pageWidth }));
          }}
          onDone={keep}
        />
      </div>
      <Toggle
        label="Runs out"
        checked={crease ? crease.runsOut === true : settings.runsOut}
        onChange={(runsOut) => {
          creases.change(desk, { runsOut });
          if (crease) edit(changeCrease(crease.id, { runsOut }));
        }}
      />
      {crease ? (
        <>
          <Button onClick={() => flip(desk)}>
            <FlipHorizontal2 size={15} aria-hidden /> Turn the side
          </Button>
          <IconButton small label="Remove the crease" onClick={() => removeChosen(desk)}>
            <Trash2 size={15} aria-hidden />
          </IconButton>
        </>
      ) : (
        <p className="max-w-56 text-xs text-quiet">
          Draw across coloured pockets: the side away from the lamp lies deeper. Click a crease to change it.
        </p>
      )}
    </div>
  );
}
