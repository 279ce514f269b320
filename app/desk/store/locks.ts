/** Locked and hidden sheets refuse every edit of what lies on them: asked here alone. */
import type { Drawing, SheetName } from "#core/drawing/drawing.ts";

/** Why nothing on a sheet can be changed now; undefined when it can. */
export function refusal({ sheets }: Drawing, sheet: SheetName | undefined): string | undefined {
  if (!sheet) return undefined;
  const { visible, locked } = sheets[sheet];
  if (locked) return `The ${sheet} sheet is locked. Unlock it in the press to change it.`;
  return visible ? undefined : `The ${sheet} sheet is hidden. Show it in the press to change it.`;
}
