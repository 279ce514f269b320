/**
 * The end of a line that is being drawn, on a small canvas of its own that follows the hand: what a frame changes is then a
 * few hundred pixels square and not the whole paper, which browsers send to the screen as a whole.
 */
import { boxHolds, type Point } from "#core/geometry/point.ts";
import { matrixOf, toScreen, type View } from "../../painting/view.ts";
import type { Gesture } from "../tools/tool.ts";
import { type Colours, paintGestureMarks, paintTrail } from "./overlay.ts";

/** CSS pixels. Marks beside the tip fit between the two. */
const SIDE = 420;
const INNER = 140;

export class WetEnd {
  /** Of the gesture whose trail lies on the overlay up to a point, where this one goes on. */
  private gesture: Gesture | null = null;
  private from = 0;
  private last: Point | undefined;
  private left = 0;
  private top = 0;

  constructor(private readonly canvas: HTMLCanvasElement) {
    canvas.style.width = canvas.style.height = `${SIDE}px`;
  }

  /** Begins anew around the tip of a gesture whose trail the overlay has just been given whole. */
  begin(gesture: Gesture | null, view: View, density: number): void {
    const tip = gesture?.growsAt?.();
    this.gesture = tip ? gesture : null;
    this.canvas.hidden = !tip;
    if (!tip) return;
    const [x, y] = toScreen(view, tip);
    this.left = Math.round(x - SIDE / 2);
    this.top = Math.round(y - SIDE / 2);
    const points = gesture?.trail?.().points ?? [];
    this.from = points.length;
    this.last = points.at(-1);
    this.canvas.style.transform = `translate(${this.left}px, ${this.top}px)`;
    if (this.canvas.width !== SIDE * density) this.canvas.width = this.canvas.height = SIDE * density;
  }

  /** Whether the gesture still goes on from what the overlay shows, within this canvas. */
  holds(gesture: Gesture | null, view: View): boolean {
    const tip = gesture?.growsAt?.();
    if (!tip || gesture !== this.gesture || gesture?.trail?.().points[this.from - 1] !== this.last)
      return false;
    const off = (SIDE - INNER) / 2;
    const inner = { x: this.left + off, y: this.top + off, width: INNER, height: INNER };
    return boxHolds(inner, toScreen(view, tip));
  }

  paint(view: View, colours: Colours, density: number): void {
    const { gesture, canvas } = this;
    const trail = gesture?.trail?.();
    if (!gesture || !trail) return;
    const context = canvas.getContext("2d")!;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, canvas.width, canvas.height);
    const { scale, x, y, turn } = view;
    const own = { scale: scale * density, x: (x - this.left) * density, y: (y - this.top) * density, turn };
    context.setTransform(...matrixOf(own));
    const points: readonly Point[] = [
      ...trail.points.slice(Math.max(0, this.from - 1)),
      ...(trail.foreseen ?? []),
    ];
    paintTrail(context, { ...trail, points }, colours, 1 / scale);
    paintGestureMarks(context, gesture, colours, 1 / scale);
  }
}
