import { useEffect } from "react";
import { Button } from "../../ui/button.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const SHOWN_MS = 5000;
/** With something to press. */
const OFFERED_MS = 12_000;
const WIDTH = 240;

/** Says where the hand is why something did not happen, with what can be done next; without a pointer at the foot of the paper. */
export function ReasonSign() {
  const reason = useDesk((s) => s.reason);
  const matSize = useDesk((s) => s.matSize);
  const desk = useDeskStore();
  useEffect(() => {
    if (!reason) return;
    const timer = setTimeout(() => desk.getState().hush(), reason.next ? OFFERED_MS : SHOWN_MS);
    return () => clearTimeout(timer);
  }, [reason, desk]);
  if (!reason) return null;
  const { text, next, at } = reason;
  const [x, y] = at ?? [matSize.width / 2 - WIDTH / 2, matSize.height - 88];
  const left = Math.max(8, Math.min(x + 18, matSize.width - WIDTH - 8));
  const top = Math.max(8, Math.min(y + 18, matSize.height - (next ? 124 : 76)));
  const doNext = () => {
    desk.getState().hush();
    next?.run(desk.getState());
  };
  return (
    <div
      style={{ left, top, maxWidth: WIDTH }}
      className="pointer-events-none absolute z-10 rounded-md border border-ember bg-raised px-3 py-1.5 shadow-lg"
    >
      <p data-testid="reason" aria-hidden="true">
        {text}
      </p>
      {next && (
        <Button size="small" className="pointer-events-auto mt-1.5 mb-1 bg-raised" onClick={doNext}>
          {next.word}
        </Button>
      )}
    </div>
  );
}
