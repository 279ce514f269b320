/** The lines of the part at work as rows of a list: front to back, those of a group beneath its name. */
import { createSelector } from "reselect";
import type { Drawing, InkShape, Stroke } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { partOf } from "#core/drawing/parts.ts";
import type { Desk } from "../store/desk-state.ts";

type Line = Stroke | InkShape;

export type LineRow =
  | {
      readonly kind: "group";
      /** Unlike that of any other row. */
      readonly key: string;
      readonly name: string;
      readonly depth: number;
      /** All within it, in groups of their own too. */
      readonly lines: readonly Line[];
    }
  | {
      readonly kind: "line";
      readonly key: string;
      readonly name: string;
      readonly depth: number;
      readonly lines: readonly [Line];
    };

interface Branch {
  readonly name: string;
  readonly key: string;
  readonly lines: Line[];
  /** Groups, and lines by their places in the list, in order. */
  readonly entries: (Branch | number)[];
}

/** What a line is called that has no name: by its place from the back. */
const numbered = (line: Line, place: number): string =>
  line.name ?? `${"points" in line ? "Stroke" : "Shape"} ${place}`;

function treeOf(lines: readonly Line[]): Branch {
  const root: Branch = { name: "", key: "", lines: [], entries: [] };
  const branches = new Map([["", root]]);
  for (let at = 0; at < lines.length; at++) {
    const line = lines[at];
    let branch = root;
    for (const name of line.groups ?? []) {
      const key = `${branch.key}/${name}`;
      const known = branches.get(key) ?? { name, key, lines: [], entries: [] };
      if (!branches.has(key)) {
        branches.set(key, known);
        branch.entries.push(known);
      }
      branch = known;
      branch.lines.push(line);
    }
    branch.entries.push(at);
  }
  return root;
}

function addRows(rows: LineRow[], { entries }: Branch, depth: number, all: readonly Line[]): void {
  for (const entry of entries)
    if (typeof entry === "number") {
      const line = all[entry];
      const name = numbered(line, all.length - entry);
      rows.push({ kind: "line", key: line.id, name, depth, lines: [line] });
    } else {
      const { key, name, lines } = entry;
      rows.push({ kind: "group", key, name, depth, lines });
      addRows(rows, entry, depth + 1, all);
    }
}

export const lineRows = createSelector(
  [
    ({ drawing }: Pick<Desk, "drawing">): Drawing["strokes"] => drawing.strokes,
    ({ drawing }: Pick<Desk, "drawing">): Drawing["inkShapes"] => drawing.inkShapes,
    ({ part }: Pick<Desk, "part">): string => part,
  ],
  (strokes, inkShapes, part): readonly LineRow[] => {
    const lines = [...entitiesOf(strokes), ...entitiesOf(inkShapes)]
      .filter((line) => !line.echo && partOf(line) === part)
      .sort((a, b) => b.rank - a.rank);
    const rows: LineRow[] = [];
    addRows(rows, treeOf(lines), 0, lines);
    return rows;
  },
);

/** The rows that show while some groups are folded up. */
export function unfolded(rows: readonly LineRow[], folded: ReadonlySet<string>): readonly LineRow[] {
  if (folded.size === 0) return rows;
  let within = Infinity;
  return rows.filter((row) => {
    if (row.depth > within) return false;
    within = row.kind === "group" && folded.has(row.key) ? row.depth : Infinity;
    return true;
  });
}
