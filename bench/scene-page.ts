/** Runs in the browser for bench/scene.ts: one pour's colour changed in a large drawing, as now and all anew. */

import { ArtSurface } from "../app/painting/art-surface.ts";
import { HeldScene } from "../app/painting/held-scene.ts";
import { memoryOfMessage } from "../app/painting/scene-message.ts";
import { SceneSender } from "../app/painting/scene-sender.ts";
import { changeColour } from "../core/drawing/colour-edits.ts";
import type { Drawing } from "../core/drawing/drawing.ts";
import { pour } from "../core/drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../core/drawing/history.ts";
import { defaultPage, newDrawing } from "../core/drawing/new-drawing.ts";
import { polyline } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { pourTargets } from "../core/pockets/pouring.ts";
import { type Derived, derive, type Scene, sceneOf } from "../core/scene/scene.ts";

export interface SceneTimes {
  readonly strokes: number;
  readonly pockets: number;
  /** Milliseconds of each part, by way. */
  readonly now: Times;
  readonly anew: Times;
  /** A colour with many uses changed. */
  readonly recoloured: Times;
  /** The most by which a value on the canvas then differs from painting it from its items, of 255. */
  readonly drift: number;
  readonly uses: number;
}

interface Times {
  /** Making the new drawing itself; all anew knows no such thing. */
  readonly edit: number;
  readonly derive: number;
  readonly send: number;
  readonly paint: number;
}

const SIDE = 1000;
const CELLS = 71;
const STROKES = 3000;
const RUNS = 15;

/** A wavy net of lines, and short hatching between them. */
function netDrawing(): Drawing {
  const wave = (at: number, along: number): number => at + 2 * Math.sin(along / 9 + at);
  const places = Array.from({ length: 60 }, (_, k) => (k * SIDE) / 59);
  const lines: Point[][] = [];
  for (let k = 0; k <= CELLS; k++) {
    const at = (k * SIDE) / CELLS;
    lines.push(
      places.map((x): Point => [x, wave(at, x)]),
      places.map((y): Point => [wave(at, y), y]),
    );
  }
  for (let k = 0; lines.length < STROKES; k++) {
    const [x, y] = [((k % CELLS) + 0.5) * (SIDE / CELLS), (Math.floor(k / CELLS) + 0.5) * (SIDE / CELLS)];
    lines.push([
      [x - 2, y],
      [x + 2, y + 1],
    ]);
  }
  const strokes = lines.map((points, i) => ({
    id: `s${i}`,
    rank: i + 1,
    points: polyline(points),
    closed: false,
    width: 1,
  }));
  return newDrawing("Net", defaultPage({ x: 0, y: 0, width: SIDE, height: SIDE }), strokes);
}

const edited = (drawing: Drawing, edit: Parameters<typeof applyEdit>[1]): Drawing =>
  applyEdit(beginHistory(drawing), edit)!.history.drawing;

const view = { scale: 0.88, x: 0, y: 0 };
const size = { width: 880, height: 880 };

/** A scene sent whole to where it is held, and marked to be painted. */
function send(sender: SceneSender, held: HeldScene, surface: ArtSurface, scene: Scene): void {
  for (let whole = false; !whole; ) {
    const next = sender.next(scene.parts);
    whole = next.whole;
    const message = structuredClone(next.message, { transfer: memoryOfMessage(next.message) });
    surface.mark(held.take(message));
  }
}

/** Paints and waits until the pixels are there. */
function timedPaint(surface: ArtSurface, canvas: OffscreenCanvas): number {
  const begun = performance.now();
  surface.paint();
  canvas.getContext("2d")!.getImageData(0, 0, 1, 1);
  return performance.now() - begun;
}

function timed<T>(act: () => T): [T, number] {
  const begun = performance.now();
  const made = act();
  return [made, performance.now() - begun];
}

const median = (times: readonly Times[]): Times => {
  const of = (key: keyof Times) => times.map((one) => one[key]).sort((a, b) => a - b)[times.length >> 1];
  return { edit: of("edit"), derive: of("derive"), send: of("send"), paint: of("paint") };
};

function poured(): { drawing: Drawing; pockets: Pocket[] } {
  const bare = netDrawing();
  const pockets = new LineReader().read(bare).filter(({ hidden }) => !hidden);
  const all = pourTargets(
    bare,
    derive(bare, pockets),
    pockets.map((_, i) => i),
  );
  return { drawing: edited(bare, pour(all, { colour: "frond", step: 0 })), pockets };
}

/** Only what has changed: derived beside what was before, sent where it is new, painted where it lies. */
function timeSteps(
  start: Drawing,
  pockets: readonly Pocket[],
  step: (now: Drawing, before: Derived, k: number) => Edit,
): { readonly times: Times; readonly drift: number } {
  const canvas = new OffscreenCanvas(size.width, size.height);
  const held = new HeldScene();
  const surface = new ArtSurface(canvas, held);
  const sender = new SceneSender();
  let before = derive(start, pockets);
  let now = start;
  send(sender, held, surface, sceneOf(now, before));
  surface.move(view, size);
  timedPaint(surface, canvas);
  const times = Array.from({ length: RUNS }, (_, k): Times => {
    const edit = step(now, before, k);
    const [changed, editing] = timed(() => edited(now, edit));
    now = changed;
    const [scene, derived] = timed(() => {
      before = derive(now, pockets, { before });
      return sceneOf(now, before);
    });
    const [, sending] = timed(() => send(sender, held, surface, scene));
    return { edit: editing, derive: derived, send: sending, paint: timedPaint(surface, canvas) };
  });
  const shown = pixelsOn(canvas);
  surface.settle();
  surface.paint();
  const settled = pixelsOn(canvas);
  const drift = shown.reduce((most, value, i) => Math.max(most, Math.abs(value - settled[i])), 0);
  return { times: median(times), drift };
}

const pixelsOn = (canvas: OffscreenCanvas): Uint8ClampedArray =>
  canvas.getContext("2d")!.getImageData(0, 0, size.width, size.height).data;

const timeNow = ({ drawing, pockets }: ReturnType<typeof poured>) =>
  timeSteps(drawing, pockets, (now, before, k) =>
    pour(pourTargets(now, before, [2000 + k]), { colour: k % 2 ? "frond" : "radish", step: 0 }),
  );

/** Everything from the beginning: as it was before anything was kept from edit to edit. */
function timeAnew({ drawing, pockets }: ReturnType<typeof poured>): Times {
  const times = Array.from({ length: 5 }, (): Times => {
    const fresh = structuredClone({ drawing, pockets });
    const canvas = new OffscreenCanvas(size.width, size.height);
    const held = new HeldScene();
    const surface = new ArtSurface(canvas, held);
    const [scene, derived] = timed(() => sceneOf(fresh.drawing, derive(fresh.drawing, fresh.pockets)));
    const [, sending] = timed(() => send(new SceneSender(), held, surface, scene));
    surface.move(view, size);
    return { edit: 0, derive: derived, send: sending, paint: timedPaint(surface, canvas) };
  });
  return median(times);
}

/** A colour with 2,000 uses takes another value at every step, as a slider turns it. */
const USES = 2000;

function timeRecolouring({ drawing, pockets }: ReturnType<typeof poured>) {
  const some = pourTargets(drawing, derive(drawing, pockets), [...pockets.keys()].slice(0, USES));
  const start = edited(drawing, pour(some, { colour: "radish", step: 0 }));
  return timeSteps(start, pockets, (_now, _before, k) =>
    changeColour("radish", `#c23f${(16 + k).toString(16)}`, "Radish"),
  );
}

function sceneTimes(): SceneTimes {
  const start = poured();
  const recoloured = timeRecolouring(start);
  return {
    strokes: Object.keys(start.drawing.strokes).length,
    pockets: start.pockets.length,
    now: timeNow(start).times,
    anew: timeAnew(start),
    recoloured: recoloured.times,
    drift: recoloured.drift,
    uses: USES,
  };
}

Object.assign(globalThis, { sceneTimes });
