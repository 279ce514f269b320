import { setUndercoat } from "#core/drawing/edits.ts";
import { Choice } from "../../../ui/choice.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { LAYS, pourSettings } from "./pour-state.ts";

const WORDS = { colour: "In hand", lighter: "1 lighter", darker: "1 darker", ink: "Spot black" };

/** What a press lays, the colour beneath all, and the ground to check against. */
export function PourPanel() {
  const checkGround = useDesk((s) => s.checkGround);
  const { lays, cuts } = useDesk(pourSettings.settings);
  const shapeWalls = useDesk((s) => s.drawing.shapeWalls);
  const coat = useDesk((s) => s.drawing.undercoat);
  const paint = useDesk((s) => s.paint);
  const name = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const desk = useDeskStore();
  const { showAs, edit } = desk.getState();
  return (
    <>
      <Choice
        label="What pouring lays"
        value={lays}
        onChange={(next) => pourSettings.change(desk, { lays: next })}
        options={LAYS.map((value) => ({ value, word: WORDS[value] }))}
      />
      <div className="grid grid-flow-col grid-rows-2 gap-x-3 gap-y-1 text-xs whitespace-nowrap">
        <div className="flex items-center gap-2">
          <Toggle
            label="Undercoat"
            checked={coat !== null}
            onChange={(on) => edit(setUndercoat(on ? paint : null))}
          />
          {coat && (coat.colour !== paint.colour || coat.step !== paint.step) && (
            <button
              type="button"
              onClick={() => edit(setUndercoat(paint))}
              className="h-6 max-w-36 truncate rounded-md border border-edge px-2 hover:bg-well"
            >
              in {name}
            </button>
          )}
        </div>
        <Toggle label="Check ground" checked={checkGround} onChange={(on) => showAs({ checkGround: on })} />
        {shapeWalls && lays === "colour" ? (
          <Toggle
            label="Cut out of shapes"
            checked={cuts}
            onChange={(next) => pourSettings.change(desk, { cuts: next })}
          />
        ) : null}
      </div>
      <p className="max-w-32 text-xs text-quiet">Hold D to dip up a colour.</p>
    </>
  );
}
