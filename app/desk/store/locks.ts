/** Locked and hidden sheets and parts refuse every edit of what lies on them: asked here alone. */
import type { Drawing, SheetName } from "#core/drawing/drawing.ts";
import type { Edit, Move } from "#core/drawing/history.ts";
import { PARTED, partOf } from "#core/drawing/parts.ts";

/** Why nothing on a sheet can be changed now; undefined when it can. */
export function refusal({ sheets }: Drawing, sheet: SheetName | undefined): string | undefined {
  if (!sheet) return undefined;
  const { visible, locked } = sheets[sheet];
  if (locked) return `The ${sheet} sheet is locked. Unlock it in the press to change it.`;
  return visible ? undefined : `The ${sheet} sheet is hidden. Show it in the press to change it.`;
}

/** Why an edit is refused for what it would change of a part; undefined when it is not. */
export function partRefusal(before: Drawing, edit: Edit, { history, patches }: Move): string | undefined {
  if (edit.opens) return undefined;
  const touched = new Set(
    patches.flatMap(({ path: [table, id] }) => partsTouched(before, history.drawing, table, id)),
  );
  for (const id of touched) {
    const part = before.parts[id];
    if (part?.locked) return `The part ${part.name} is locked. Unlock it in the press to change it.`;
    if (part && !part.visible) return `The part ${part.name} is hidden. Show it in the press to change it.`;
  }
  return undefined;
}

type Key = string | number | undefined;

/** The parts that an entity was in and is in. */
function partsTouched(before: Drawing, after: Drawing, table: Key, id: Key): string[] {
  const key = String(id);
  const parted = PARTED.find((name) => name === table);
  if (parted) return [before, after].flatMap((of) => (of[parted][key] ? [partOf(of[parted][key])] : []));
  const anchored = (["pours", "shades"] as const).find((name) => name === table);
  if (anchored)
    return [before, after].flatMap((of) => (of[anchored][key] ? [partOf(of[anchored][key].anchor)] : []));
  return table === "parts" && !after.parts[key] ? [key] : [];
}
