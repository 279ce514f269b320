import { type PointerEvent, useRef } from "react";
import { flatShare } from "#core/lines/pen.ts";
import { prefs } from "../../prefs/prefs-store.ts";
import { Button } from "../../ui/button.tsx";
import { leanOf, pressureOf } from "../canvas/pen-press.ts";

/** CSS pixels. */
const HEIGHT = 84;
const WIDTH = 420;
const WIDEST = 22;

/** A strip of paper on which the curve is tried out. */
export function TryStrip() {
  const canvas = useRef<HTMLCanvasElement>(null);
  const last = useRef<{ readonly x: number; readonly y: number } | null>(null);
  const draw = ({ nativeEvent, currentTarget }: PointerEvent<HTMLCanvasElement>) => {
    const box = currentTarget.getBoundingClientRect();
    const moves = nativeEvent.getCoalescedEvents?.() ?? [];
    for (const event of moves.length > 0 ? moves : [nativeEvent]) {
      const to = { x: event.clientX - box.left, y: event.clientY - box.top };
      const from = last.current ?? to;
      const lean = prefs().flatNib ? leanOf(event) : undefined;
      const share = lean === undefined ? 1 : flatShare(Math.atan2(to.y - from.y, to.x - from.x), lean);
      const context = currentTarget.getContext("2d")!;
      context.lineCap = "round";
      context.lineWidth = Math.max(0.3, WIDEST * pressureOf(event, prefs()) * share);
      context.beginPath();
      context.moveTo(from.x, from.y);
      context.lineTo(to.x, to.y);
      context.stroke();
      last.current = to;
    }
  };
  return (
    <div className="flex items-end gap-2 overflow-hidden">
      <canvas
        ref={canvas}
        width={WIDTH}
        height={HEIGHT}
        aria-label="A strip of paper to try the pen on"
        className="cursor-crosshair touch-none rounded-md border border-edge bg-paper"
        style={{ width: WIDTH, height: HEIGHT }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          last.current = null;
          draw(event);
        }}
        onPointerMove={(event) => event.buttons > 0 && draw(event)}
      />
      <Button size="small" onClick={() => canvas.current?.getContext("2d")?.clearRect(0, 0, WIDTH, HEIGHT)}>
        Clear
      </Button>
    </div>
  );
}
