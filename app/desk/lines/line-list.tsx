import { useVirtualizer } from "@tanstack/react-virtual";
import clsx from "clsx";
import { ChevronDown, ChevronRight, Eye, EyeOff, Lock, LockOpen } from "lucide-react";
import { type KeyboardEvent, memo, useDeferredValue, useEffect, useRef, useState } from "react";
import { REM, useForFingers } from "../../prefs/apply-prefs.ts";
import { usePrefs } from "../../prefs/prefs-store.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { NameField } from "../../ui/name-field.tsx";
import type { PressSection } from "../press/section.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { chooseLines, hideLines, lockLines, nameLine } from "./line-actions.ts";
import { type LineRow, lineRows, unfolded } from "./line-rows.ts";

/** The lines of the part at work with their groups, front to back: chosen, hidden, locked and named here. */
export const linesSection: PressSection = {
  name: "lines",
  title: ({ drawing: { parts }, part }) =>
    Object.keys(parts).length > 1 ? `Lines of ${parts[part]?.name}` : "Lines",
  says: (desk) => (desk.selected.length > 0 ? `${desk.selected.length} chosen` : ""),
  isList: true,
  Body: LineList,
};

function LineList() {
  // As they were kept last, and in a task of their own: the list need not follow a line that is under the hand.
  const drawing = useDeferredValue(useDesk((desk) => desk.history.drawing));
  const part = useDeferredValue(useDesk((desk) => desk.part));
  const selected = useDeferredValue(useDesk((desk) => desk.selected));
  const rows = lineRows({ drawing, part });
  const { chooseTool } = useDeskStore().getState();
  return rows.length === 0 ? (
    <>
      <p className="px-2 text-quiet">None yet. Draw one, or put in a file with Arrange.</p>
      <Button className="mt-2 w-full" onClick={() => chooseTool("draw")}>
        Take Draw
      </Button>
    </>
  ) : (
    <Rows rows={rows} selected={selected} />
  );
}

/** Of a rem, the height of a row with what parts it from the next. */
const ROW = { fine: 1.625, touch: 3.25 };

interface RowsProps {
  readonly rows: readonly LineRow[];
  /** Ids of the lines that are chosen. */
  readonly selected: readonly string[];
}

const Rows = memo(function Rows({ rows, selected }: RowsProps) {
  const desk = useDeskStore();
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [active, setActive] = useState(0);
  const [naming, setNaming] = useState<string | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const fingers = useForFingers();
  const textSize = usePrefs((now) => now.textSize);
  const rowHeight = (fingers ? ROW.touch : ROW.fine) * REM * textSize;
  const shown = unfolded(rows, folded);
  const chosen = new Set(selected);
  const at = Math.min(active, shown.length - 1);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 6,
  });

  // biome-ignore lint/correctness/useExhaustiveDependencies: measured anew when rows change their height
  useEffect(() => virtual.measure(), [rowHeight]);

  // What is chosen on the paper comes into sight here.
  const first = selected[0];
  const place = shown.findIndex(({ kind, key }) => kind === "line" && key === first);
  useEffect(() => {
    if (place >= 0) virtual.scrollToIndex(place);
  }, [place, virtual]);

  const fold = (row: LineRow, folds: boolean) => {
    const next = new Set(folded);
    if (folds) next.add(row.key);
    else next.delete(row.key);
    setFolded(next);
  };
  const goTo = (index: number) => {
    const next = Math.max(0, Math.min(shown.length - 1, index));
    setActive(next);
    virtual.scrollToIndex(next);
    requestAnimationFrame(() =>
      frame.current?.querySelector<HTMLElement>(`[data-row="${next}"] [data-name]`)?.focus(),
    );
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const row = shown[at];
    if (naming !== null || !row) return;
    if (event.key === "ArrowDown") goTo(at + 1);
    else if (event.key === "ArrowUp") goTo(at - 1);
    else if (event.key === "Home") goTo(0);
    else if (event.key === "End") goTo(shown.length - 1);
    else if (event.key === "ArrowRight" && row.kind === "group") fold(row, false);
    else if (event.key === "ArrowLeft" && row.kind === "group") fold(row, true);
    else if (event.key === "F2" && row.kind === "line") setNaming(row.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the keys are those of the buttons within
    <div ref={frame} className="min-h-0 flex-1 overflow-y-auto" onKeyDown={onKeyDown}>
      <ul
        aria-label="Lines, front to back; arrow keys step through them, F2 names one"
        className="relative"
        style={{ height: virtual.getTotalSize() }}
      >
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = shown[index];
          return (
            <Row
              key={row.key}
              row={row}
              index={index}
              top={start}
              reached={index === at}
              chosen={row.lines.every(({ id }) => chosen.has(id))}
              folded={folded.has(row.key)}
              naming={naming === row.key}
              onFold={() => fold(row, !folded.has(row.key))}
              onReach={() => setActive(index)}
              onNaming={(on) => setNaming(on ? row.key : null)}
              onChoose={(adds) =>
                chooseLines(
                  desk,
                  row.lines.map(({ id }) => id),
                  adds,
                )
              }
            />
          );
        })}
      </ul>
    </div>
  );
});

interface RowProps {
  readonly row: LineRow;
  readonly index: number;
  /** CSS pixels from the top of the list. */
  readonly top: number;
  /** Whether keys have reached it: it alone is in the order of Tab. */
  readonly reached: boolean;
  readonly chosen: boolean;
  readonly folded: boolean;
  readonly naming: boolean;
  readonly onFold: () => void;
  readonly onReach: () => void;
  readonly onNaming: (on: boolean) => void;
  readonly onChoose: (adds: boolean) => void;
}

function Row({
  row,
  index,
  top,
  reached,
  chosen,
  folded,
  naming,
  onFold,
  onReach,
  onNaming,
  onChoose,
}: RowProps) {
  const desk = useDeskStore();
  const ids = row.lines.map(({ id }) => id);
  const hidden = row.lines.every((line) => line.hidden);
  const locked = row.lines.every((line) => line.locked);
  const tabIndex = reached ? 0 : -1;
  return (
    <li
      data-row={index}
      className={clsx(
        "group absolute inset-x-0 flex min-h-small items-center rounded-md touch:gap-apart",
        chosen ? "bg-fern-soft" : "hover:bg-well",
        hidden && "text-quiet",
      )}
      style={{ top, paddingLeft: row.depth * 12 }}
      onFocus={onReach}
    >
      {row.kind === "group" ? (
        <IconButton
          small
          tabIndex={tabIndex}
          label={folded ? `Unfold ${row.name}` : `Fold up ${row.name}`}
          onClick={onFold}
        >
          {folded ? <ChevronRight size={14} aria-hidden /> : <ChevronDown size={14} aria-hidden />}
        </IconButton>
      ) : (
        <span className="w-2 shrink-0" />
      )}
      {naming ? (
        <NameField
          label="Name of the line"
          value={row.name}
          onChange={(name) => nameLine(desk.getState(), row.key, name)}
          onDone={() => onNaming(false)}
          className="h-small min-w-0 flex-1 rounded border border-edge bg-field px-1"
        />
      ) : (
        <button
          type="button"
          data-name
          tabIndex={tabIndex}
          aria-pressed={chosen}
          onClick={({ shiftKey, ctrlKey, metaKey }) => onChoose(shiftKey || ctrlKey || metaKey)}
          onDoubleClick={() => row.kind === "line" && onNaming(true)}
          className={clsx(
            "h-small min-w-0 flex-1 truncate text-left",
            row.kind === "group" && "font-medium",
            chosen && "text-fern",
          )}
        >
          {row.name}
          {row.kind === "group" && <span className="ml-1 text-xs text-quiet tabular-nums">{ids.length}</span>}
        </button>
      )}
      <Closed
        on={hidden}
        tabIndex={tabIndex}
        label={hidden ? `Show ${row.name}` : `Hide ${row.name}`}
        onClick={() => hideLines(desk.getState(), ids, !hidden)}
      >
        {hidden ? <EyeOff size={14} aria-hidden /> : <Eye size={14} aria-hidden />}
      </Closed>
      <Closed
        on={locked}
        tabIndex={tabIndex}
        label={locked ? `Unlock ${row.name}` : `Lock ${row.name}`}
        onClick={() => lockLines(desk.getState(), ids, !locked)}
      >
        {locked ? <Lock size={13} aria-hidden /> : <LockOpen size={13} aria-hidden />}
      </Closed>
    </li>
  );
}

/** A button that shows where it is on, and otherwise only where the hand is. */
function Closed({ on, ...button }: { on: boolean } & Parameters<typeof IconButton>[0]) {
  return (
    <span
      className={clsx(
        !on && "opacity-35 touch:opacity-100 group-focus-within:opacity-100 group-hover:opacity-100",
      )}
    >
      <IconButton small {...button} />
    </span>
  );
}
