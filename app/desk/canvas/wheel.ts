/** The wheel zooms about the pointer. */
import type { DeskStore } from "../store/desk-state.ts";

const WHEEL_SPEED = 0.0016;
const PINCH_SPEED = 0.01;

export function listenToWheel(frame: HTMLElement, desk: DeskStore): () => void {
  const onWheel = (event: WheelEvent) => {
    event.preventDefault();
    const box = frame.getBoundingClientRect();
    const pixels = event.deltaMode === WheelEvent.DOM_DELTA_LINE ? event.deltaY * 18 : event.deltaY;
    const factor = Math.exp(-pixels * (event.ctrlKey ? PINCH_SPEED : WHEEL_SPEED));
    desk.getState().zoom([event.clientX - box.left, event.clientY - box.top], factor);
  };
  frame.addEventListener("wheel", onWheel, { passive: false });
  return () => frame.removeEventListener("wheel", onWheel);
}
