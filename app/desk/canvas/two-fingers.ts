/** Two fingers on the paper move, zoom and turn it, whatever tool is in the hand; tapping twice with both sets it straight. */
import { distance, mix, type Point } from "#core/geometry/point.ts";
import { turnAt } from "../../painting/view.ts";
import type { DeskStore } from "../store/desk-state.ts";

/** Fingers that only move and zoom turn a little too: so many radians do not count. */
const TURNS_FROM = 0.16;
/** Milliseconds that a tap takes at most, and between two; CSS pixels that its fingers move at most. */
const TAP = 250;
const BETWEEN_TAPS = 400;
const TAP_SLACK = 10;

interface Frame {
  readonly middle: Point;
  readonly apart: number;
  /** Radians. */
  readonly angle: number;
}

export class TwoFingers {
  /** Fingers on the paper by pointer id, in CSS pixels of the mat. */
  private readonly fingers = new Map<number, Point>();
  /** The angle from which turning counts, once it does. */
  private began: { readonly frame: Frame; readonly time: number } | null = null;
  private turns = false;
  private tapped = Number.NEGATIVE_INFINITY;

  constructor(private readonly desk: DeskStore) {}

  /** Whether there are now two. */
  down(id: number, at: Point, time: number): boolean {
    this.fingers.set(id, at);
    const frame = this.frame();
    if (frame) this.began = { frame, time };
    this.turns = false;
    return frame !== undefined;
  }

  up(id: number, time: number): void {
    const frame = this.frame();
    this.fingers.delete(id);
    const { began } = this;
    if (!began || !frame) return;
    this.began = null;
    const still =
      distance(frame.middle, began.frame.middle) < TAP_SLACK &&
      Math.abs(frame.apart - began.frame.apart) < TAP_SLACK;
    if (!still || time - began.time > TAP) return;
    if (time - this.tapped < BETWEEN_TAPS) this.straighten(frame.middle);
    this.tapped = time;
  }

  letGo(): void {
    this.fingers.clear();
    this.began = null;
  }

  get count(): number {
    return this.fingers.size;
  }

  move(id: number, to: Point): void {
    if (!this.fingers.has(id)) return;
    const before = this.frame();
    this.fingers.set(id, to);
    const after = this.frame();
    if (!before || !after || !this.began) return;
    const { view, moveView, zoom } = this.desk.getState();
    const [dx, dy] = [after.middle[0] - before.middle[0], after.middle[1] - before.middle[1]];
    const moved = { ...view, x: view.x + dx, y: view.y + dy };
    if (!this.turns && Math.abs(between(this.began.frame.angle, after.angle)) > TURNS_FROM) this.turns = true;
    moveView(this.turns ? turnAt(moved, after.middle, between(before.angle, after.angle)) : moved);
    zoom(after.middle, after.apart / before.apart);
  }

  private straighten(at: Point): void {
    const { view, moveView } = this.desk.getState();
    moveView(turnAt(view, at, -(view.turn ?? 0)));
  }

  private frame(): Frame | undefined {
    const [a, b] = [...this.fingers.values()];
    return (
      b && {
        middle: mix(a, b, 0.5),
        apart: Math.max(1, distance(a, b)),
        angle: Math.atan2(b[1] - a[1], b[0] - a[0]),
      }
    );
  }
}

/** From one angle to another the shorter way, in radians. */
const between = (from: number, to: number): number => {
  const by = (to - from) % (2 * Math.PI);
  return by > Math.PI ? by - 2 * Math.PI : by < -Math.PI ? by + 2 * Math.PI : by;
};
