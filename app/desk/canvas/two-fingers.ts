/** Two fingers on the paper move and zoom it, whatever tool is in the hand. */
import { distance, mix, type Point } from "#core/geometry/point.ts";
import type { DeskStore } from "../store/desk-state.ts";

export class TwoFingers {
  /** Fingers on the paper by pointer id, in CSS pixels of the mat. */
  private readonly fingers = new Map<number, Point>();

  constructor(private readonly desk: DeskStore) {}

  /** Whether there are now two. */
  down(id: number, at: Point): boolean {
    this.fingers.set(id, at);
    return this.fingers.size >= 2;
  }

  up(id: number): void {
    this.fingers.delete(id);
  }

  letGo(): void {
    this.fingers.clear();
  }

  get count(): number {
    return this.fingers.size;
  }

  move(id: number, to: Point): void {
    if (!this.fingers.has(id)) return;
    const before = this.frame();
    this.fingers.set(id, to);
    const after = this.frame();
    if (!before || !after) return;
    const { view, moveView, zoom } = this.desk.getState();
    const [dx, dy] = [after.middle[0] - before.middle[0], after.middle[1] - before.middle[1]];
    moveView({ ...view, x: view.x + dx, y: view.y + dy });
    zoom(after.middle, after.apart / before.apart);
  }

  private frame(): { middle: Point; apart: number } | undefined {
    const [a, b] = [...this.fingers.values()];
    return b && { middle: mix(a, b, 0.5), apart: Math.max(1, distance(a, b)) };
  }
}
