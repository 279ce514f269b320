/** The hand on the paper: a press of a tool, by pointer or by keys, until it is let go. */
import type { Point } from "#core/geometry/point.ts";
import { toScreen } from "../../painting/view.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { refusal } from "../store/locks.ts";
import type { Gesture, Press, Tool } from "../tools/tool.ts";

export class Hand {
  /** What the press has begun. */
  gesture: Gesture | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly desk: DeskStore) {}

  /** Tells whenever what the gesture shows may have changed; gives back what ends it. */
  listen(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** A press at a place in page units, without a pointer event behind it. */
  pressAt(at: Point, shift = false): Press {
    const { view } = this.desk.getState();
    const pixel = 1 / view.scale;
    return { desk: this.desk, at, screen: toScreen(view, at), pixel, pressure: 0.5, shift, alt: false };
  }

  /** Takes up a tool; whether that began something that lasts until it is let go. */
  press(press: Press, tool: Tool): boolean {
    const state = this.desk.getState();
    const refused = refusal(state.drawing, tool.sheet);
    if (refused) {
      state.tell(refused.text, refused.next);
      return false;
    }
    const gesture = tool.press(press);
    this.gesture = gesture ?? {};
    state.pointer.cancel = () => this.cancel();
    this.tell();
    return gesture !== undefined;
  }

  /** `foreseen` is where the pointer is expected next. */
  move(presses: readonly Press[], foreseen: readonly Press[] = []): void {
    for (const press of presses) this.gesture?.move?.(press);
    this.gesture?.foresee?.(foreseen);
    this.tell();
  }

  lift(press: Press): void {
    this.take()?.end?.(press);
    this.desk.getState().keep();
    this.tell();
  }

  /** Gives up what was begun, and leaves no trace of it. */
  cancel(): void {
    this.take()?.cancel?.();
    this.desk.getState().show(null);
    this.tell();
  }

  private take(): Gesture | null {
    this.desk.getState().pointer.cancel = null;
    const { gesture } = this;
    this.gesture = null;
    return gesture;
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}
