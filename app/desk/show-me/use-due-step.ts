import { usePrefs } from "../../prefs/prefs-store.ts";
import { useDesk } from "../store/use-desk.ts";
import { dueStep, type ShowMeStep } from "./steps.ts";

/** The step of the guided spot that is due in this drawing; undefined when it is over, null where it is not shown. */
export function useDueStep(): ShowMeStep | undefined | null {
  const guided = usePrefs((now) => now.guided);
  return useDesk((s) => (guided?.open && guided.drawing === s.id ? dueStep(s, guided.passed) : null));
}
