import clsx from "clsx";
import { ChevronDown, ChevronRight } from "lucide-react";
import { type ReactNode, useDeferredValue, useId, useLayoutEffect, useRef, useState } from "react";
import { HelpButton } from "../help-button.tsx";
import { stageOf } from "../stages/index.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { PressSection } from "./section.ts";
import { whichOpen } from "./which-open.ts";

/** The least height of a list that is of use, in CSS pixels. */
const LIST = 240;

/** Parts, sheets, snags and what else the stage shows, each folding away. */
export function PressColumn() {
  const below = useDesk((s) => s.plan.panels === "below");
  return (
    <aside
      aria-label="Press and snags"
      className="desk-press flex min-h-0 flex-col border-l border-line bg-bench"
    >
      {below ? <AllOpen /> : <AsTheyFit />}
    </aside>
  );
}

const useSections = (): readonly PressSection[] => {
  const there = useDesk((s) =>
    stageOf(s)
      .sections.filter(({ isThere }) => isThere?.(s) ?? true)
      .map(({ name }) => name)
      .join(" "),
  );
  const { sections } = useDesk(stageOf);
  return sections.filter(({ name }) => there.split(" ").includes(name));
};

function AllOpen() {
  return useSections().map((section) => <Section key={section.name} section={section} open />);
}

function AsTheyFit() {
  const sections = useSections();
  const wishes = useDesk((s) => s.sections);
  const column = useRef<HTMLDivElement>(null);
  /** By name, as they were when they stood open last. */
  const heights = useRef(new Map<string, number>());
  const [open, setOpen] = useState<ReadonlySet<string> | null>(null);
  const isOpen = ({ name }: PressSection) => !heights.current.has(name) || (open?.has(name) ?? true);
  useLayoutEffect(() => {
    const bodies = [...column.current!.querySelectorAll<HTMLElement>("[data-body]")];
    const measure = () => {
      for (const body of bodies) heights.current.set(body.dataset.body!, body.scrollHeight);
      let headings = 0;
      for (const heading of column.current!.querySelectorAll("h2")) headings += heading.offsetHeight;
      const foldable = sections.map(({ name, isList }) => ({
        name,
        height: isList ? LIST : (heights.current.get(name) ?? 0),
      }));
      const next = whichOpen(foldable, column.current!.clientHeight - headings, wishes);
      setOpen((before) => (before && isSame(before, next) ? before : next));
    };
    const observer = new ResizeObserver(measure);
    observer.observe(column.current!);
    for (const body of bodies) observer.observe(body);
    measure();
    return () => observer.disconnect();
  });
  return (
    <div ref={column} className="flex min-h-0 flex-1 flex-col overflow-hidden">
      {sections.map((section) => (
        <Section key={section.name} section={section} open={isOpen(section)} />
      ))}
    </div>
  );
}

const isSame = (one: ReadonlySet<string>, other: ReadonlySet<string>): boolean =>
  one.size === other.size && [...one].every((name) => other.has(name));

/** A list may be long: it is laid out in slices, once all else is there. */
function Later({ of: Body }: { of: () => ReactNode }) {
  const isDue = useDeferredValue(true, false);
  return isDue && <Body />;
}

function Section({ section, open }: { section: PressSection; open: boolean }) {
  const { name, isList, Body } = section;
  const title = useDesk(section.title);
  const says = useDesk(section.says);
  const { foldSection } = useDeskStore().getState();
  const id = useId();
  const Arrow = open ? ChevronDown : ChevronRight;
  return (
    <section
      aria-labelledby={id}
      data-section={name}
      className={clsx("flex min-h-0 flex-col", open && isList && "flex-1", !open && "shrink-0")}
    >
      <div className="flex shrink-0 items-center gap-0.5 py-0.5 pr-1 touch:gap-apart touch:pt-2.5 touch:pb-1">
        <h2 className="min-w-0 flex-1">
          <button
            type="button"
            aria-expanded={open}
            onClick={() => foldSection(name, !open)}
            className="flex h-target w-full items-center gap-1.5 px-3 text-left hover:bg-well"
          >
            <span id={id} className="min-w-0 flex-1 truncate font-display text-base">
              {title}
            </span>
            <span className="shrink-0 text-xs text-quiet tabular-nums">{says}</span>
            <Arrow size={14} aria-hidden className="shrink-0 text-quiet" />
          </button>
        </h2>
        {open && <HelpButton small about={`section ${name}`} />}
      </div>
      {open ? (
        <div className="flex min-h-0 flex-1 flex-col overflow-y-auto">
          <div
            data-body={name}
            className={clsx("flex flex-col px-3 pb-2 touch:pt-1", isList && "min-h-0 flex-1")}
          >
            {isList ? <Later of={Body} /> : <Body />}
          </div>
        </div>
      ) : null}
    </section>
  );
}
