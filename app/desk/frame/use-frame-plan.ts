import { useLayoutEffect } from "react";
import { isForFingers, REM } from "../../prefs/apply-prefs.ts";
import { onPrefs, prefs } from "../../prefs/prefs-store.ts";
import { useDeskStore } from "../store/use-desk.ts";
import { planFrame } from "./plan-frame.ts";

/** Lays the desk out anew when the window, the device or the choices change. */
export function useFramePlan(): void {
  const desk = useDeskStore();
  useLayoutEffect(() => {
    const plan = () => {
      const now = prefs();
      const rem = REM * now.textSize;
      desk
        .getState()
        .layOut(planFrame({ width: innerWidth, height: innerHeight, fingers: isForFingers(now), rem }));
    };
    const stop = onPrefs(plan);
    window.addEventListener("resize", plan);
    plan();
    return () => {
      stop();
      window.removeEventListener("resize", plan);
    };
  }, [desk]);
}
