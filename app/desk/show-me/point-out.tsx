import { useEffect } from "react";
import { useShallow } from "zustand/react/shallow";
import { toScreen } from "../../painting/view.ts";
import { useDesk } from "../store/use-desk.ts";
import { useDueStep } from "./use-due-step.ts";

/** Where the hand is wanted next: a ring on the paper, or one around something of the frame. */
export function PointOut() {
  const due = useDueStep();
  const view = useDesk((s) => s.view);
  const { control, at } = useDesk(
    useShallow((s) => ({ control: undefined, at: undefined, ...due?.pointed(s) })),
  );
  useMarked(control);
  if (!at) return null;
  const [left, top] = toScreen(view, at);
  return (
    <span
      aria-hidden="true"
      data-testid="show-me-ring"
      style={{ left, top }}
      className="show-me-ring pointer-events-none absolute z-10 h-14 w-14 -translate-1/2 rounded-full"
    />
  );
}

/** Marks the first element that a selector finds; panels, trays and cards come and go without being asked. */
function useMarked(control: string | undefined): void {
  useEffect(() => {
    if (!control) return;
    let marked: Element | null = null;
    const mark = () => {
      const found = document.querySelector(control);
      if (found === marked) return;
      marked?.removeAttribute(MARK);
      found?.setAttribute(MARK, "");
      marked = found;
    };
    mark();
    const observer = new MutationObserver(mark);
    observer.observe(document.body, { childList: true, subtree: true });
    return () => {
      observer.disconnect();
      marked?.removeAttribute(MARK);
    };
  }, [control]);
}

const MARK = "data-pointed-out";
