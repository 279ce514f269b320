/** Locked and hidden sheets, parts and lines refuse every edit of what lies on them, and bounds what cannot be kept: asked here alone. */
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Edit, Move } from "#core/drawing/history.ts";
import { PARTED, partOf } from "#core/drawing/parts.ts";

/** Why nothing on some sheets can be changed now; undefined when it can. */
export function refusal({ sheets }: Drawing, on: Edit["sheet"]): string | undefined {
  for (const sheet of [on ?? []].flat()) {
    const { visible, locked } = sheets[sheet];
    if (locked) return `The ${sheet} sheet is locked. Unlock it in the press to change it.`;
    if (!visible) return `The ${sheet} sheet is hidden. Show it in the press to change it.`;
  }
  return undefined;
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

/** What may be changed of a line that is closed. */
const OPEN = ["hidden", "locked", "name"];

/** Why an edit is refused for a line it would change; undefined when it is not. */
export function lineRefusal(before: Drawing, { patches }: Move): string | undefined {
  for (const { path } of patches) {
    const [table, id, field] = path;
    if (table !== "strokes" && table !== "inkShapes") continue;
    const line = before[table][String(id)];
    if (!line || OPEN.includes(String(field))) continue;
    const called = line.name ? `The line ${line.name}` : "A line";
    if (line.locked) return `${called} is locked. Unlock it in the list of lines to change it.`;
    if (line.hidden) return `${called} is hidden. Show it in the list of lines to change it.`;
  }
  return undefined;
}

/** Why an edit is refused for what nobody could draw, keep or open again; undefined when it is not. */
export function boundsRefusal({ wrong = [] }: Move): string | undefined {
  if (wrong.length === 0) return undefined;
  return wrong.includes("page")
    ? "That was not done: no page can be so large, so small or so long and narrow."
    : "That was not done: something would be too far from the page, too small or too large to be drawn.";
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
