/** The guided spot of this device: begun, left, taken up again. */
import { DEMOS, SHOW_ME_DEMO } from "../../drawer/demo.ts";
import { openDemo } from "../../drawer/open-demo.ts";
import { listDrawings } from "../../keep/shelf.ts";
import type { GuidedSpot } from "../../prefs/prefs.ts";
import { prefs, setPrefs } from "../../prefs/prefs-store.ts";

/** The id of the drawing it is made on: the one that was begun, if the drawer still has it, or a fresh copy. */
export async function takeUpGuided(): Promise<string> {
  const { guided } = prefs();
  const { rows } = await listDrawings();
  if (guided && rows.some(({ id }) => id === guided.drawing)) {
    setPrefs({ guided: { ...guided, open: true } });
    return guided.drawing;
  }
  const { file, title } = DEMOS.find((demo) => demo.file === SHOW_ME_DEMO)!;
  const drawing = await openDemo(file, title);
  setPrefs({ guided: { drawing, open: true, passed: [] } });
  return drawing;
}

export const leaveGuided = (): void => change({ open: false });

/** A step is not asked for any more. */
export const passStep = (name: string): void => {
  const passed = prefs().guided?.passed ?? [];
  if (!passed.includes(name)) change({ passed: [...passed, name] });
};

function change(to: Partial<GuidedSpot>): void {
  const { guided } = prefs();
  if (guided) setPrefs({ guided: { ...guided, ...to } });
}
