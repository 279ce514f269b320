import clsx from "clsx";
import { ChevronUp } from "lucide-react";
import { type ReactNode, useLayoutEffect, useRef, useState } from "react";
import { createPortal } from "react-dom";
import { setPrefs, usePrefs } from "../../prefs/prefs-store.ts";
import type { Settings } from "../tools/tool.ts";
import { howManyFit } from "./how-many-fit.ts";

/** CSS pixels, as the classes below have them. */
const GAP = 20;
const MORE = 84;
const MOST = 3;

/** Where the others stand, by its id. */
export const OVER_PAPER = "over-paper";

/** The settings wanted most stand in the tray, as far as there is room; the others open above it. */
export function TraySettings({ settings }: { settings: Settings }) {
  const all = Object.entries(settings);
  const open = usePrefs((now) => now.trayOpen);
  const { row, count, others } = useFitting(all.length);
  return (
    <>
      <div ref={row} className="flex min-w-0 flex-1 items-center gap-5 overflow-hidden">
        {all.slice(0, count).map(([name, One]) => (
          <div key={name} data-setting={name} className={SETTING}>
            <One />
          </div>
        ))}
      </div>
      {others && (
        <>
          {open && <Others settings={all.slice(count)} />}
          <button
            type="button"
            aria-expanded={open}
            aria-controls="more-settings"
            onClick={() => setPrefs({ trayOpen: !open })}
            className="flex h-target shrink-0 items-center gap-1 rounded-md border border-edge px-2 text-xs hover:bg-well"
          >
            More <ChevronUp size={14} aria-hidden className={clsx(open && "rotate-180")} />
          </button>
        </>
      )}
    </>
  );
}

/** They stand over the foot of the paper. */
function Others({ settings }: { settings: readonly (readonly [string, () => ReactNode])[] }) {
  const place = document.getElementById(OVER_PAPER);
  return (
    place &&
    createPortal(
      <section
        id="more-settings"
        aria-label="More settings"
        className="mb-1 flex max-h-[50vh] flex-wrap items-center gap-x-6 gap-y-2 overflow-y-auto rounded-md border border-line bg-raised p-3 shadow-lg touch:gap-y-apart"
      >
        {settings.map(([name, One]) => (
          <div key={name} data-setting={name} className={clsx(SETTING, "max-w-full flex-wrap")}>
            <One />
          </div>
        ))}
      </section>,
      place,
    )
  );
}

const SETTING = "flex shrink-0 items-center gap-2 empty:hidden touch:gap-apart";

/** How many stand in the row, by the widths they had there; whether there are others. */
function useFitting(length: number) {
  const row = useRef<HTMLDivElement>(null);
  const widths = useRef<number[]>(Array(length).fill(0));
  const [count, setCount] = useState(length);
  useLayoutEffect(() => {
    const shown = [...row.current!.children] as HTMLElement[];
    const measure = () => {
      for (const [i, one] of shown.entries()) widths.current[i] = one.offsetWidth;
      // What opens the others stands beside the row, and makes it narrower.
      const room = row.current!.parentElement!.clientWidth;
      setCount(howManyFit(widths.current, room, { gap: GAP, most: MOST, more: MORE }));
    };
    const observer = new ResizeObserver(measure);
    for (const one of [row.current!.parentElement!, ...shown]) observer.observe(one);
    measure();
    return () => observer.disconnect();
  });
  const others = widths.current.some((width, i) => i >= count && width > 0);
  return { row, count, others };
}
