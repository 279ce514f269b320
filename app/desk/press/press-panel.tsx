import clsx from "clsx";
import { Eye, EyeOff, Lock, LockOpen } from "lucide-react";
import { SHEETS, type SheetName } from "#core/drawing/drawing.ts";
import { changeSheet } from "#core/drawing/edits.ts";
import { sheetOf } from "#core/drawing/shape-edits.ts";
import { IconButton } from "../../ui/icon-button.tsx";
import { Range } from "../../ui/range.tsx";
import { stageOf } from "../stages/index.ts";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const TOP_DOWN = [...SHEETS].reverse();
/** The sheets as slabs in a press, the one being worked on lifted. */
export function PressPanel() {
  return (
    <section aria-labelledby="press" className="px-3 pt-3">
      <h2 id="press" className="font-display text-base">
        Press
      </h2>
      <ol className="mt-2 flex flex-col gap-[3px]">
        {TOP_DOWN.map((name) => (
          <Slab key={name} name={name} />
        ))}
      </ol>
    </section>
  );
}

function figureOf(name: SheetName, { scene }: Desk): number {
  const sheets = scene.parts.flatMap((part) => part.sheets);
  return sheets.reduce((sum, sheet) => sum + (sheet.name === name ? sheet.items.length : 0), 0);
}

/** Whether there is anything on a sheet, seen or not. */
function holdsAnything(name: SheetName, { drawing }: Desk): boolean {
  const { pours, flatShapes, shades, strokes, inkShapes } = drawing;
  const tables = { flats: [pours], shade: [shades], ink: [strokes, inkShapes] };
  const own: readonly object[] = name in tables ? tables[name as keyof typeof tables] : [];
  return own.some(hasEntries) || Object.values(flatShapes).some((shape) => sheetOf(shape) === name);
}

function hasEntries(table: object): boolean {
  for (const _ in table) return true;
  return false;
}

function Slab({ name }: { name: SheetName }) {
  const sheet = useDesk((s) => s.drawing.sheets[name]);
  const lifted = useDesk((s) => stageOf(s).sheet === name);
  const count = useDesk((s) => figureOf(name, s));
  const holds = useDesk((s) => holdsAnything(name, s));
  const { edit, show, keep } = useDeskStore().getState();
  return (
    <li
      className={clsx("relative transition-transform duration-150", lifted && "-translate-x-1.5")}
      data-sheet={name}
    >
      <div
        aria-hidden="true"
        className={clsx(
          "absolute inset-x-0 inset-y-0 -skew-x-[14deg] rounded-[4px] border bg-raised",
          lifted ? "border-fern shadow-md" : "border-line",
          !sheet.visible && "border-dashed bg-transparent",
        )}
      />
      <div className="relative pr-4 pb-1 pl-4">
        <div className="flex items-center">
          <span className={clsx("flex-1 truncate capitalize", lifted && "font-semibold text-fern")}>
            {name}
            {count > 0 && <span className="ml-1.5 text-xs font-normal text-quiet tabular-nums">{count}</span>}
          </span>
          <IconButton
            small
            label={sheet.visible ? `Hide ${name}` : `Show ${name}`}
            onClick={() => edit(changeSheet(name, { visible: !sheet.visible }))}
          >
            {sheet.visible ? <Eye size={15} aria-hidden /> : <EyeOff size={15} aria-hidden />}
          </IconButton>
          <IconButton
            small
            label={sheet.locked ? `Unlock ${name}` : `Lock ${name}`}
            onClick={() => edit(changeSheet(name, { locked: !sheet.locked }))}
          >
            {sheet.locked ? <Lock size={14} aria-hidden /> : <LockOpen size={14} aria-hidden />}
          </IconButton>
        </div>
        {holds && lifted && (
          <div className="flex items-center gap-1.5">
            <Range
              label={`Opacity of ${name}`}
              value={sheet.opacity}
              className="flex-1"
              onChange={(opacity) => show(changeSheet(name, { opacity }))}
              onDone={keep}
            />
            <span className="w-10 text-right text-xs whitespace-nowrap text-quiet tabular-nums">
              {Math.round(sheet.opacity * 100)} %
            </span>
          </div>
        )}
      </div>
    </li>
  );
}
