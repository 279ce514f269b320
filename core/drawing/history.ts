/**
 * History: every change is a named step of patches, kept with its inverse. Undo, autosave and the worker all
 * receive these same patches.
 */
import { applyPatches, type Draft, enablePatches, type Patch, produceWithPatches } from "immer";
import { bounded } from "./bounded.ts";
import { difference } from "./difference.ts";
import type { Drawing, SheetName } from "./drawing.ts";
import { handOnLists } from "./entities.ts";
import { FIELDS, type FieldName } from "./fields.ts";
import { withMissingColours } from "./missing-colours.ts";
import { type Few, narrowed, widened } from "./narrowed.ts";
import { withMissingParts } from "./parts.ts";
import { patched } from "./patched.ts";
import { upgradedDrawing } from "./upgrade.ts";

enablePatches();

/** A small named change; steps with the same `merge` key that follow one another become one. */
export interface Edit {
  readonly label: string;
  /** The sheet it works on, or several: when one is locked or hidden it is refused. */
  readonly sheet?: SheetName | readonly SheetName[];
  readonly merge?: string;
  /** Whether it is one of those that open and close things, and so is never refused for being closed. */
  readonly opens?: true;
  /** Entities of long tables that it looks at: of those tables `change` is given no others. */
  readonly few?: Few;
  readonly change: (draft: Draft<Drawing>) => void;
}

export interface Step {
  readonly label: string;
  readonly merge?: string;
  readonly patches: Patch[];
  readonly inverse: Patch[];
}

/** `cursor` steps of `steps` are done; those after it can be redone. */
export interface History {
  readonly drawing: Drawing;
  readonly steps: readonly Step[];
  readonly cursor: number;
}

/** What happened, for those who follow along: the patches to apply and the history to keep. */
export interface Move {
  readonly history: History;
  readonly patches: Patch[];
  /** Whether an edit went beyond the bounds of what can be kept, and was brought to them. */
  readonly brought?: boolean;
  /** What an edit would make that cannot be kept: then it is not to be done. */
  readonly wrong?: readonly FieldName[];
}

export const beginHistory = (drawing: Drawing): History => ({ drawing, steps: [], cursor: 0 });

/** Applies an edit; undefined when it changes nothing. */
export function applyEdit(history: History, { label, merge, few = {}, change }: Edit): Move | undefined {
  const narrow = narrowed(history.drawing, few);
  const [after, ...ways] = produceWithPatches(narrow, change);
  if (ways[0].length === 0) return undefined;
  const whole = widened(history.drawing, few, narrow, after);
  const changed = { drawing: whole, patches: ways[0], inverse: ways[1] };
  const { drawing, patches, inverse, brought, wrong } = bounded(history.drawing, changed);
  handOnLists(history.drawing, drawing, patches);
  const done = history.steps.slice(0, history.cursor);
  const last = done[done.length - 1];
  const step: Step = { label, merge, patches, inverse };
  const steps =
    merge !== undefined && last?.merge === merge
      ? [...done.slice(0, -1), merged(last, step)]
      : [...done, step];
  return { history: { drawing, steps, cursor: steps.length }, patches, brought, wrong };
}

/** Two steps as one; where the later writes over the same places, what came between is forgotten. */
function merged(before: Step, after: Step): Step {
  const paths = (patches: readonly Patch[]) =>
    patches.map(({ op, path }) => (op === "replace" ? path.join("/") : Symbol("other")));
  const [first, second] = [paths(before.patches), paths(after.patches)];
  if (first.length === second.length && first.every((path, i) => path === second[i]))
    return { ...after, inverse: before.inverse };
  return {
    ...after,
    patches: [...before.patches, ...after.patches],
    inverse: [...after.inverse, ...before.inverse],
  };
}

export const undoLabel = ({ steps, cursor }: History): string | undefined => steps[cursor - 1]?.label;
export const redoLabel = ({ steps, cursor }: History): string | undefined => steps[cursor]?.label;

export function undo(history: History): Move | undefined {
  const step = history.steps[history.cursor - 1];
  if (!step) return undefined;
  const drawing = patched(history.drawing, step.inverse);
  return { history: { ...history, drawing, cursor: history.cursor - 1 }, patches: step.inverse };
}

export function redo(history: History): Move | undefined {
  const step = history.steps[history.cursor];
  if (!step) return undefined;
  const drawing = patched(history.drawing, step.patches);
  return { history: { ...history, drawing, cursor: history.cursor + 1 }, patches: step.patches };
}

/**
 * Goes back or forth to where that many steps are done; undefined when it is there already, or there are fewer
 * steps.
 */
export function toStep(history: History, cursor: number): Move | undefined {
  if (cursor < 0 || cursor > history.steps.length) return undefined;
  const way = cursor < history.cursor ? undo : redo;
  const patches: Patch[] = [];
  let now = history;
  while (now.cursor !== cursor) {
    const move = way(now)!;
    patches.push(...move.patches);
    now = move.history;
  }
  return now === history ? undefined : { history: now, patches };
}

/**
 * Adds as one more step, entity by entity, what another history has changed since the two parted; the same
 * history where that is nothing.
 */
export function rejoined(theirs: History, before: History, own: History): History {
  const patches = difference(before.drawing, own.drawing);
  if (patches.length === 0) return theirs;
  const sound = patches.filter(
    ({ op, path: [table, id] }) => op !== "remove" || has(theirs.drawing, table, id),
  );
  const drawing = withMissingParts(withMissingColours(applyPatches(theirs.drawing, sound)));
  const steps = own.steps.slice(before.steps.length);
  const label = steps.length === 1 ? steps[0].label : `${Math.max(2, steps.length)} steps beside another tab`;
  const step: Step = {
    label,
    patches: difference(theirs.drawing, drawing),
    inverse: difference(drawing, theirs.drawing),
  };
  const done = theirs.steps.slice(0, theirs.cursor);
  return { drawing, steps: [...done, step], cursor: done.length + 1 };
}

const has = (drawing: Drawing, table: string | number, id: string | number): boolean =>
  id in (drawing[table as FieldName] as object);

/** Rebuilds a history from where it began and its steps, as kept in the browser. */
export function replay(base: Drawing, steps: readonly Step[], cursor: number): History {
  // All in one go: a table that many steps touch is copied once.
  const patches = steps.slice(0, cursor).flatMap((step) => step.patches);
  return { drawing: applyPatches(base, patches), steps, cursor };
}

/** Those of some patches that touch what pockets are made of, or what openings are. */
export const linePatches = (patches: readonly Patch[], what: "pockets" | "gaps" = "pockets"): Patch[] =>
  patches.filter(({ path }) => {
    const { lines } = FIELDS[path[0] as FieldName];
    return lines === "gaps" || lines === what;
  });

interface KeptHistory {
  readonly base: object;
  readonly steps: readonly Step[];
  readonly cursor: number;
}

/** A kept history of an earlier version, brought up to this one step by step, so that undo still goes back through it. */
export const upgradedHistory = (kept: KeptHistory, version: number) =>
  historyThrough(kept, (state) => upgradedDrawing(state, version));

/**
 * A kept history in each of whose states something was changed, told anew as steps from one to the next. Steps from the first on
 * that cannot be followed are left out: `followed` says how many there are.
 */
export function historyThrough(
  { base, steps, cursor }: KeptHistory,
  change: (state: object) => Drawing,
): { base: Drawing; steps: Step[]; cursor: number; followed: number } {
  const states = statesOf(base, steps).map(change);
  const followed = states.length - 1;
  return {
    base: states[0],
    steps: steps.slice(0, followed).map((step, i) => ({
      ...step,
      patches: difference(states[i], states[i + 1]),
      inverse: difference(states[i + 1], states[i]),
    })),
    cursor: Math.max(0, Math.min(cursor, followed)),
    followed,
  };
}

/** What a drawing was before the first step and after each, as far as they can be followed. */
function statesOf(base: object, steps: readonly Step[]): object[] {
  const states = [base];
  try {
    for (const { patches } of steps) states.push(applyPatches(states[states.length - 1], patches));
  } catch {
    // told by there being fewer states than steps
  }
  return states;
}
