import { setUndercoat } from "#core/drawing/edits.ts";
import { Choice } from "../../../ui/choice.tsx";
import { Hint } from "../../../ui/hint.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { CheckGround } from "../../gaps/gaps-tray.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { InHandButton } from "../../tin/in-hand-button.tsx";
import type { Settings } from "../tool.ts";
import { LAYS, pourSettings } from "./pour-state.ts";

const WORDS = { colour: "In hand", lighter: "1 lighter", darker: "1 darker", ink: "Spot black" };

/** What a press lays, the colour beneath all, and the ground to check against. */
export const pourTray: Settings = {
  "What pouring lays": Laying,
  Undercoat,
  "Check ground": CheckGround,
  "Cut out of shapes": Cutting,
  hint: DipHint,
};

function Laying() {
  const { lays } = useDesk(pourSettings.settings);
  const desk = useDeskStore();
  return (
    <Choice
      label="What pouring lays"
      value={lays}
      onChange={(next) => pourSettings.change(desk, { lays: next })}
      options={LAYS.map((value) => ({ value, word: WORDS[value] }))}
    />
  );
}

function Undercoat() {
  const coat = useDesk((s) => s.drawing.undercoat);
  const paint = useDesk((s) => s.paint);
  const { edit } = useDeskStore().getState();
  return (
    <>
      <Toggle
        label="Undercoat"
        checked={coat !== null}
        onChange={(on) => edit(setUndercoat(on ? paint : null))}
      />
      {coat && (coat.colour !== paint.colour || coat.step !== paint.step) && (
        <InHandButton does="Lay the undercoat" onUse={() => edit(setUndercoat(paint))} />
      )}
    </>
  );
}

function Cutting() {
  const { lays, cuts } = useDesk(pourSettings.settings);
  const shapeWalls = useDesk((s) => s.drawing.shapeWalls);
  const desk = useDeskStore();
  return shapeWalls && lays === "colour" ? (
    <Toggle
      label="Cut out of shapes"
      checked={cuts}
      onChange={(next) => pourSettings.change(desk, { cuts: next })}
    />
  ) : null;
}

function DipHint() {
  return <Hint>Hold D to dip up a colour.</Hint>;
}
