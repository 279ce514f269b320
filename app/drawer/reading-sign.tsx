import { Progress } from "radix-ui";
import { useEffect, useState } from "react";
import { Button } from "../ui/button.tsx";
import type { OpenFile } from "./use-open-file.ts";

/** Shorter work is not worth a sign. */
const SHOWN_AFTER_MS = 300;

/** How far the reading of a file has come, with a way to stop it. */
export function ReadingSign({ reading, stop }: Pick<OpenFile, "reading" | "stop">) {
  const [late, setLate] = useState(false);
  const busy = reading !== null;
  useEffect(() => {
    if (!busy) return;
    const timer = setTimeout(() => setLate(true), SHOWN_AFTER_MS);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [busy]);
  if (!reading || !late) return null;
  const percent = Math.round(reading.share * 100);
  return (
    <div
      role="status"
      className="fixed bottom-8 left-1/2 z-30 flex w-96 -translate-x-1/2 items-center gap-4 rounded-md border border-line bg-raised px-4 py-3 shadow-lg"
    >
      <div className="min-w-0 flex-1">
        <p className="truncate">
          Reading {reading.name}, <span className="tabular-nums">{percent} %</span>
        </p>
        <Progress.Root
          value={percent}
          aria-label="Reading"
          className="mt-2 h-1 overflow-hidden rounded-full bg-line"
        >
          <Progress.Indicator className="h-full bg-fern" style={{ width: `${percent}%` }} />
        </Progress.Root>
      </div>
      <Button onClick={stop}>Stop</Button>
    </div>
  );
}
