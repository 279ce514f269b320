import { useEffect } from "react";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const SHOWN_MS = 5000;
const WIDTH = 240;

/** Says where the hand is why something did not happen; without a pointer at the foot of the paper. */
export function ReasonSign() {
  const reason = useDesk((s) => s.reason);
  const matSize = useDesk((s) => s.matSize);
  const desk = useDeskStore();
  useEffect(() => {
    if (!reason) return;
    const timer = setTimeout(() => desk.getState().hush(), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [reason, desk]);
  if (!reason) return null;
  const [x, y] = reason.at ?? [matSize.width / 2 - WIDTH / 2, matSize.height - 88];
  const left = Math.max(8, Math.min(x + 18, matSize.width - WIDTH - 8));
  const top = Math.max(8, Math.min(y + 18, matSize.height - 76));
  return (
    <p
      data-testid="reason"
      aria-hidden="true"
      style={{ left, top, maxWidth: WIDTH }}
      className="pointer-events-none absolute z-10 rounded-md border border-ember bg-raised px-3 py-1.5 shadow-lg"
    >
      {reason.text}
    </p>
  );
}
