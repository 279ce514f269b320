import clsx from "clsx";
import { Eye, EyeOff, Lock, LockOpen } from "lucide-react";
import { SHEETS, type SheetName, type Table } from "#core/drawing/drawing.ts";
import { changeSheet } from "#core/drawing/edits.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { sheetOf } from "#core/drawing/shape-edits.ts";
import { IconButton } from "../../ui/icon-button.tsx";
import { MeasuredRange } from "../../ui/slider-row.tsx";
import type { Desk, StageName } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { PressSection } from "./section.ts";

const TOP_DOWN = [...SHEETS].reverse();

/** The sheet that a stage works on. */
const SHEET_OF: Readonly<Partial<Record<StageName, SheetName>>> = {
  Lines: "ink",
  Gaps: "ink",
  Flats: "flats",
  Light: "shade",
};

/** The sheets as slabs in a press, the one being worked on lifted. */
export const sheetsSection: PressSection = {
  name: "sheets",
  title: () => "Press",
  says: (desk) => SHEET_OF[desk.stage] ?? "",
  Body: () => (
    <ol className="mt-0.5 flex flex-col gap-[3px] touch:gap-apart">
      {TOP_DOWN.map((name) => (
        <Slab key={name} name={name} />
      ))}
    </ol>
  ),
};

function figureOf(name: SheetName, { scene }: Desk): number {
  const sheets = scene.parts.flatMap((part) => part.sheets);
  return sheets.reduce((sum, sheet) => sum + (sheet.name === name ? sheet.items.length : 0), 0);
}

/** Whether there is anything on a sheet, seen or not. */
function holdsAnything(name: SheetName, { drawing }: Desk): boolean {
  const { pours, flatShapes, shades, strokes, inkShapes } = drawing;
  const tables = { flats: [pours], shade: [shades], ink: [strokes, inkShapes] };
  const own: readonly Table<unknown>[] = name in tables ? tables[name as keyof typeof tables] : [];
  return (
    own.some((table) => entitiesOf(table).length > 0) ||
    entitiesOf(flatShapes).some((shape) => sheetOf(shape) === name)
  );
}

function Slab({ name }: { name: SheetName }) {
  const sheet = useDesk((s) => s.drawing.sheets[name]);
  const lifted = useDesk((s) => SHEET_OF[s.stage] === name);
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
      <div className="relative grid pr-4 pb-1 pl-4 touch:gap-apart">
        <div className="flex items-center touch:gap-apart">
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
          <div className="pl-1">
            <MeasuredRange
              label={`Opacity of ${name}`}
              value={sheet.opacity}
              onChange={(opacity) => show(changeSheet(name, { opacity }))}
              onDone={keep}
            />
          </div>
        )}
      </div>
    </li>
  );
}
