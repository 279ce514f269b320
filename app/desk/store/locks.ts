/**
 * Locked and hidden sheets, parts and lines refuse every edit of what lies on them, and bounds what cannot be kept: asked here alone.
 * What an edit changes decides, whatever it says of itself: locked lines never change, and gaps may always be closed.
 */
import type { Drawing, Part } from "#core/drawing/drawing.ts";
import { changeSheet } from "#core/drawing/edits.ts";
import type { Edit, Move } from "#core/drawing/history.ts";
import { changeLines } from "#core/drawing/line-edits.ts";
import { changePart } from "#core/drawing/part-edits.ts";
import { PARTED, partOf } from "#core/drawing/parts.ts";
import type { NextThing } from "./desk-state.ts";
import { nextEdit } from "./next-thing.ts";

/** Why something is not done, and what would let it be. */
export interface Refusal {
  readonly text: string;
  readonly next?: NextThing;
}

/** Why nothing on some sheets can be changed now; undefined when it can. */
export function refusal({ sheets }: Drawing, on: Edit["sheet"]): Refusal | undefined {
  for (const sheet of [on ?? []].flat()) {
    const { visible, locked } = sheets[sheet];
    if (locked)
      return {
        text: `The ${sheet} sheet is locked. Unlock it in the press to change it.`,
        next: nextEdit(`Unlock ${sheet}`, changeSheet(sheet, { locked: false })),
      };
    if (!visible)
      return {
        text: `The ${sheet} sheet is hidden. Show it in the press to change it.`,
        next: nextEdit(`Show ${sheet}`, changeSheet(sheet, { visible: true })),
      };
  }
  return undefined;
}

/** The same for an edit, with the ink wherever it would change lines, their colour or spot blacks. */
export function sheetRefusal(before: Drawing, edit: Edit, { history, patches }: Move): Refusal | undefined {
  const inked = patches.some(({ path: [table, id] }) => isInk(before, history.drawing, table, id));
  return refusal(before, [...[edit.sheet ?? []].flat(), ...(inked ? (["ink"] as const) : [])]);
}

function isInk(before: Drawing, after: Drawing, table: Key, id: Key): boolean {
  if (table === "strokes" || table === "inkShapes" || table === "ink") return true;
  const key = String(id);
  return table === "pours" && (before.pours[key]?.spot ?? after.pours[key]?.spot) === true;
}

/** What closes gaps. */
const CLOSING: readonly Key[] = ["bridges", "declined"];

/** Why an edit is refused for what it would change of a part; undefined when it is not. */
export function partRefusal(before: Drawing, edit: Edit, { history, patches }: Move): Refusal | undefined {
  if (edit.opens) return undefined;
  const touchedBy = (some: Move["patches"]) =>
    new Set(some.flatMap(({ path: [table, id] }) => partsTouched(before, history.drawing, table, id)));
  const parts = (ids: Iterable<string>) => [...ids].flatMap((id) => before.parts[id] ?? []);
  const changed = patches.filter(({ path: [table] }) => !CLOSING.includes(table));
  const locked =
    parts(touchedBy(changed)).find((part) => part.locked) ?? lockedIfAll(parts(movedParts(patches)));
  if (locked)
    return {
      text: `The part ${locked.name} is locked. Unlock it in the press to change it.`,
      next: nextEdit("Unlock the part", changePart(locked, { locked: false })),
    };
  const hidden = parts(touchedBy(patches)).find((part) => !part.visible);
  return (
    hidden && {
      text: `The part ${hidden.name} is hidden. Show it in the press to change it.`,
      next: nextEdit("Show the part", changePart(hidden, { visible: true })),
    }
  );
}

/** Parts that come to lie elsewhere: those that one passes are among them. */
const movedParts = (patches: Move["patches"]): string[] =>
  patches.flatMap(({ path: [table, id, field] }) =>
    table === "parts" && field === "rank" ? String(id) : [],
  );

const lockedIfAll = (parts: readonly Part[]): Part | undefined =>
  parts.every((part) => part.locked) ? parts[0] : undefined;

/** What may be changed of a line that is closed. */
const OPEN = ["hidden", "locked", "name"];

/** Why an edit is refused for a line it would change; undefined when it is not. */
export function lineRefusal(before: Drawing, { patches }: Move): Refusal | undefined {
  for (const { path } of patches) {
    const [table, id, field] = path;
    if (table !== "strokes" && table !== "inkShapes") continue;
    const line = before[table][String(id)];
    if (!line || OPEN.includes(String(field))) continue;
    const called = line.name ? `The line ${line.name}` : "A line";
    if (line.locked)
      return {
        text: `${called} is locked. Unlock it in the list of lines to change it.`,
        next: nextEdit("Unlock the line", changeLines([line.id], { locked: false })),
      };
    if (line.hidden)
      return {
        text: `${called} is hidden. Show it in the list of lines to change it.`,
        next: nextEdit("Show the line", changeLines([line.id], { hidden: false })),
      };
  }
  return undefined;
}

/** Why an edit is refused whose result could not be drawn, kept or opened again; undefined where it is not refused. */
export function boundsRefusal({ wrong = [] }: Move): Refusal | undefined {
  if (wrong.length === 0) return undefined;
  return {
    text: wrong.includes("page")
      ? "That was not done: no page can be so large, so small or so long and narrow."
      : "That was not done: something would be too far from the page, too small or too large to be drawn.",
  };
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
  // The colour of all lines is that of each part that has some.
  if (table === "ink")
    return [...Object.values(before.strokes), ...Object.values(before.inkShapes)].flatMap((line) =>
      line.paint ? [] : [partOf(line)],
    );
  return table === "parts" && !after.parts[key] ? [key] : [];
}
