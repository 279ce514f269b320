/** A canvas that shows a scene in a view, and paints again no more than has changed. */
import type { Box, Size } from "#core/geometry/point.ts";
import { around } from "#core/scene/item-box.ts";
import type { HeldScene } from "./held-scene.ts";
import { paintWithin } from "./paint-within.ts";
import { Recolouring, type Values } from "./recolouring.ts";
import type { Damage } from "./scene-damage.ts";
import { boxOnScreen, type View } from "./view.ts";

export class ArtSurface {
  private view: View | undefined;
  private size: Size = { width: 0, height: 0 };
  private damage: Damage = "all";
  /** Tones whose values have changed since it was painted, if nothing else has. */
  private turned: Values | undefined;
  /** The items that had changed when it was painted last. */
  private last: Values | undefined;
  private recolouring: Recolouring | undefined;

  constructor(
    private readonly canvas: OffscreenCanvas,
    private readonly held: HeldScene,
  ) {}

  /** What a message has changed in the held scene is painted next. */
  mark(damage: Damage): void {
    if (!damage) return;
    const { recoloured } = this.held;
    const alone = recoloured && (!this.damage || this.turned);
    this.turned = alone ? new Map([...(this.turned ?? []), ...recoloured]) : undefined;
    this.damage = damage === "all" || this.damage === "all" ? "all" : around(this.damage, damage);
  }

  /** In the canvas's own pixels. */
  move(view: View, size: Size): void {
    this.view = view;
    this.size = size;
    this.damage = "all";
    this.turned = undefined;
  }

  /** Paints again, from its items, what was only recoloured so far; says whether there was any. */
  settle(): boolean {
    if (!this.recolouring) return false;
    this.recolouring = undefined;
    this.damage = "all";
    this.turned = undefined;
    return true;
  }

  paint(): void {
    const { view, damage, canvas, size } = this;
    if (!view || !damage) return;
    if (canvas.width !== size.width || canvas.height !== size.height) Object.assign(canvas, size);
    if (this.turns(damage, view)) return;
    this.recolouring = undefined;
    const pixels = damage === "all" ? { x: 0, y: 0, ...size } : this.pixelsOf(damage, view);
    this.damage = undefined;
    if (pixels.width <= 0 || pixels.height <= 0) return;
    paintWithin(canvas.getContext("2d")!, this.held.parts, view, pixels);
  }

  /** Where tones turn as a slider does, paints no more than their pixels; from the second step on. */
  private turns(damage: Damage, view: View): boolean {
    const { turned, last } = this;
    this.last = turned;
    this.turned = undefined;
    if (!turned || !damage || damage === "all") return false;
    const again = last !== undefined && [...turned.keys()].every((name) => last.has(name));
    const pixels = this.pixelsOf(damage, view);
    if (!this.recolouring?.knows(turned))
      this.recolouring =
        again && pixels.width > 0 && pixels.height > 0
          ? Recolouring.of(this.held.parts, turned, view, pixels)
          : undefined;
    if (!this.recolouring) return false;
    this.damage = undefined;
    this.recolouring.paint(this.canvas.getContext("2d")!, turned);
    return true;
  }

  /** The whole pixels of the canvas that a box in page units touches. */
  private pixelsOf(box: Box, view: View): Box {
    const { x, y, width, height } = boxOnScreen(view, box);
    const left = Math.max(0, Math.floor(x) - 1);
    const top = Math.max(0, Math.floor(y) - 1);
    const right = Math.min(this.size.width, Math.ceil(x + width) + 1);
    const bottom = Math.min(this.size.height, Math.ceil(y + height) + 1);
    return { x: left, y: top, width: right - left, height: bottom - top };
  }
}
