/** While a pen is down, a palm that comes to lie on the frame presses nothing there; the paper looks after itself (hands.ts). */

const PASSED_ON = ["pointerdown", "pointerup", "click"] as const;

/** Gives what takes the guard away again. */
export function guardFromPalms(): () => void {
  const pens = new Set<number>();
  const palms = new Set<number>();
  const onPen = ({ pointerType, pointerId, type }: PointerEvent) => {
    if (pointerType !== "pen") return;
    if (type === "pointerdown") pens.add(pointerId);
    else pens.delete(pointerId);
  };
  const onTouch = (event: PointerEvent) => {
    if (event.pointerType !== "touch" || isOnPaper(event.target)) return;
    if (event.type === "pointerdown") {
      if (pens.size > 0) palms.add(event.pointerId);
      else palms.delete(event.pointerId);
    }
    if (!palms.has(event.pointerId)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const away = new AbortController();
  const options = { capture: true, signal: away.signal };
  for (const type of ["pointerdown", "pointerup", "pointercancel"] as const)
    window.addEventListener(type, onPen, options);
  for (const type of PASSED_ON) window.addEventListener(type, onTouch as (event: Event) => void, options);
  return () => away.abort();
}

const isOnPaper = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest("#paper") !== null;
