/** A canvas that shows a scene in a view, and paints again no more than has changed. */
import { type Box, grow } from "#core/geometry/point.ts";
import { around } from "#core/scene/item-box.ts";
import { paintParts } from "./canvas-painter.ts";
import type { Damage, HeldScene } from "./held-scene.ts";
import type { Size, View } from "./view.ts";

export class ArtSurface {
  private view: View | undefined;
  private size: Size = { width: 0, height: 0 };
  private damage: Damage = "all";

  constructor(
    private readonly canvas: OffscreenCanvas,
    private readonly held: HeldScene,
  ) {}

  /** What a message has changed in the held scene is painted next. */
  mark(damage: Damage): void {
    this.damage = damage === "all" || this.damage === "all" ? "all" : around(this.damage, damage);
  }

  /** In the canvas's own pixels. */
  move(view: View, size: Size): void {
    this.view = view;
    this.size = size;
    this.damage = "all";
  }

  paint(): void {
    const { view, damage, canvas, size } = this;
    if (!view || !damage) return;
    if (canvas.width !== size.width || canvas.height !== size.height) Object.assign(canvas, size);
    const pixels = damage === "all" ? { x: 0, y: 0, ...size } : this.pixelsOf(damage, view);
    this.damage = undefined;
    if (pixels.width <= 0 || pixels.height <= 0) return;
    const context = canvas.getContext("2d")!;
    context.save();
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.beginPath();
    context.rect(pixels.x, pixels.y, pixels.width, pixels.height);
    context.clip();
    context.clearRect(pixels.x, pixels.y, pixels.width, pixels.height);
    paintParts(context, this.held.parts, view, onPage(grow(pixels, 1), view));
    context.restore();
  }

  /** The whole pixels of the canvas that a box in page units touches. */
  private pixelsOf({ x, y, width, height }: Box, view: View): Box {
    const left = Math.max(0, Math.floor(x * view.scale + view.x) - 1);
    const top = Math.max(0, Math.floor(y * view.scale + view.y) - 1);
    const right = Math.min(this.size.width, Math.ceil((x + width) * view.scale + view.x) + 1);
    const bottom = Math.min(this.size.height, Math.ceil((y + height) * view.scale + view.y) + 1);
    return { x: left, y: top, width: right - left, height: bottom - top };
  }
}

const onPage = ({ x, y, width, height }: Box, view: View): Box => ({
  x: (x - view.x) / view.scale,
  y: (y - view.y) / view.scale,
  width: width / view.scale,
  height: height / view.scale,
});
