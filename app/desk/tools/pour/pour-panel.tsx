import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";

/** Pouring needs only a colour, which the tin holds; here is the ground to check against. */
export function PourPanel() {
  const checkGround = useDesk((s) => s.checkGround);
  const { set } = useDeskStore().getState();
  return (
    <>
      <Toggle label="Check ground" checked={checkGround} onChange={(on) => set({ checkGround: on })} />
      <p className="text-xs text-quiet">Click a pocket, or drag across many. Hold D to dip up a colour.</p>
    </>
  );
}
