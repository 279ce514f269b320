/** Repaints what has changed of mat, art and overlay, once a frame. */
import type { Size } from "#core/geometry/point.ts";
import type { Scene } from "#core/scene/scene.ts";
import { onPrefs } from "../../prefs/prefs-store.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { comparedScene } from "./compared.ts";
import type { Hand } from "./hand.ts";
import { CHECK_GROUND, paintMat } from "./mat.ts";
import { type Colours, paintOverlay } from "./overlay.ts";
import { WetEnd } from "./wet-end.ts";

const ART = "art";

export class Repainter {
  private frame = 0;
  private shown: Desk | null = null;
  private readonly unsubscribe: () => void;
  private readonly wetEnd: WetEnd;
  /** What the pointer lies over, as the overlay shows it. */
  private shownHover: unknown = null;
  /** The scene that the art's canvas shows whole. */
  private art: Scene | null = null;

  constructor(
    private readonly desk: DeskStore,
    private readonly mat: HTMLCanvasElement,
    artFrame: HTMLElement,
    private readonly overlay: HTMLCanvasElement,
    wetEnd: HTMLCanvasElement,
    private readonly hand: Hand,
  ) {
    this.wetEnd = new WetEnd(wetEnd);
    desk.getState().art.canvasIn(artFrame, ART);
    const ask = () => this.ask();
    const onMat = onPrefs(() => {
      this.shown = null;
      ask();
    });
    const stops = [desk.subscribe(ask), desk.getState().hover.subscribe(ask), hand.listen(ask), onMat];
    this.unsubscribe = () => {
      for (const stop of stops) stop();
    };
    this.ask();
  }

  ask(): void {
    if (!this.frame) this.frame = requestAnimationFrame(() => this.paint());
  }

  stop(): void {
    cancelAnimationFrame(this.frame);
    this.unsubscribe();
  }

  resize(size: Size): void {
    for (const canvas of [this.mat, this.overlay]) {
      canvas.width = Math.round(size.width * devicePixelRatio);
      canvas.height = Math.round(size.height * devicePixelRatio);
    }
    this.shown = null;
    this.desk.getState().resizeMat({ width: size.width, height: size.height });
    this.ask();
  }

  private paint(): void {
    this.frame = 0;
    const now = this.desk.getState();
    const before = this.shown;
    this.shown = now;
    if (now.matSize.width === 0) return;
    const moved = !before || before.view !== now.view || before.matSize !== now.matSize;
    if (moved || before.checkGround !== now.checkGround) this.paintMat(now);
    const scene = now.compared ? comparedScene(now.scene, now.compared) : now.scene;
    if (this.art !== scene || before?.alone !== now.alone) this.showArt(now, scene);
    if (moved) now.art.move(ART, now.view, now.matSize);
    const { gesture } = this.hand;
    const hover = now.hover.getState();
    const isStill = before === now && hover === this.shownHover;
    this.shownHover = hover;
    const colours = this.colours();
    if (!isStill || !this.wetEnd.holds(gesture, now.view)) {
      this.paintOverlay(now, colours);
      this.wetEnd.begin(gesture, now.view, devicePixelRatio);
    }
    this.wetEnd.paint(now.view, colours, devicePixelRatio);
  }

  /** What does not fit in one frame is sent in the next. */
  private showArt({ art, alone }: Desk, scene: Scene): void {
    this.art = art.show(scene, alone) ? scene : null;
    if (!this.art) this.ask();
  }

  private css(name: string): string {
    return getComputedStyle(this.mat).getPropertyValue(name).trim();
  }

  private paintMat({ drawing, view, matSize, checkGround }: Desk): void {
    const colours = {
      mat: this.css("--mat"),
      line: this.css("--mat-line"),
      paper: checkGround ? CHECK_GROUND : "#fff",
    };
    paintMat(this.mat.getContext("2d")!, drawing, view, matSize, colours, devicePixelRatio);
  }

  private colours(): Colours {
    return {
      fern: this.css("--mark-fern"),
      ember: this.css("--mark-ember"),
      quiet: this.css("--mark-quiet"),
      paper: "#fff",
    };
  }

  private paintOverlay(now: Desk, colours: Colours): void {
    const context = this.overlay.getContext("2d")!;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, this.overlay.width, this.overlay.height);
    paintOverlay(context, now, this.hand.gesture, colours, devicePixelRatio);
  }
}
