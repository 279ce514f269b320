/** What is drawn over the paper and never delivered: highlighted pockets, bridges, openings, the path of a leak. */
import { weakMapMemoize } from "reselect";
import { stepOf } from "#core/colour/ladder.ts";
import type { Point } from "#core/geometry/point.ts";
import { chainPath, pathOf } from "../../painting/paths.ts";
import { matrixOf } from "../../painting/view.ts";
import { sortOpenings } from "../gaps/openings.ts";
import { chainsOf } from "../lines/lines-near.ts";
import { toolOf } from "../stages/index.ts";
import type { Desk } from "../store/desk-state.ts";
import { shownTin } from "../tin/shown-tin.ts";
import type { Gesture, OverlayMark } from "../tools/tool.ts";

export interface Colours {
  readonly fern: string;
  readonly ember: string;
  readonly quiet: string;
  readonly paper: string;
}

export function paintOverlay(
  context: CanvasRenderingContext2D,
  desk: Desk,
  gesture: Gesture | null,
  colours: Colours,
  density: number,
): void {
  const { scale, x, y, turn = 0 } = desk.view;
  context.setTransform(...matrixOf({ scale: scale * density, x: x * density, y: y * density, turn }));
  const pixel = 1 / scale;
  paintUses(context, desk, colours, pixel);
  paintPockets(context, desk, colours, pixel);
  paintBridges(context, desk, colours, pixel);
  if (desk.stage === "Gaps") paintOpenings(context, desk, colours, pixel);
  if (desk.leak) paintLeak(context, desk, colours, pixel);
  for (const mark of toolOf(desk).marks?.(desk) ?? []) paintMark(context, mark, colours, pixel);
  // What changes about a growing line is on a canvas of its own (wet-end.ts).
  if (gesture && !gesture.growsAt) paintGestureMarks(context, gesture, colours, pixel);
  const trail = gesture?.trail?.();
  if (trail) paintTrail(context, trail, colours, pixel);
  if (desk.keyPointer) paintKeyPointer(context, desk.keyPointer, gesture !== null, colours, pixel);
}

export function paintGestureMarks(
  context: CanvasRenderingContext2D,
  gesture: Gesture,
  colours: Colours,
  pixel: number,
): void {
  for (const mark of gesture.marks?.() ?? []) paintMark(context, mark, colours, pixel);
}

/** Where keys have put the pointer: a cross within a ring, filled while it presses. */
function paintKeyPointer(
  context: CanvasRenderingContext2D,
  [x, y]: Point,
  presses: boolean,
  { fern, paper }: Colours,
  pixel: number,
): void {
  const cross = new Path2D();
  for (const [dx, dy] of [
    [1, 0],
    [0, 1],
    [-1, 0],
    [0, -1],
  ]) {
    cross.moveTo(x + 3 * dx * pixel, y + 3 * dy * pixel);
    cross.lineTo(x + 16 * dx * pixel, y + 16 * dy * pixel);
  }
  const ring = new Path2D();
  ring.arc(x, y, 9 * pixel, 0, Math.PI * 2);
  context.globalAlpha = 0.4;
  context.fillStyle = fern;
  if (presses) context.fill(ring);
  context.globalAlpha = 1;
  for (const path of [ring, cross]) {
    context.strokeStyle = paper;
    context.lineWidth = 4 * pixel;
    context.stroke(path);
  }
  for (const path of [ring, cross]) {
    context.strokeStyle = fern;
    context.lineWidth = 2 * pixel;
    context.stroke(path);
  }
}

/** The places that use the colour pointed at in the tin, or that a chart points at. */
function paintUses(context: CanvasRenderingContext2D, desk: Desk, colours: Colours, pixel: number): void {
  const { colour, keys } = desk.hover.getState();
  if (keys) {
    const lit = new Path2D();
    const wanted = new Set(keys);
    for (const { key, outline } of desk.derived.pockets)
      if (wanted.has(key)) lit.addPath(pathOf(outline, true));
    lightUp(context, lit, colours, pixel);
  }
  if (colour === null) return;
  const { pockets, pourOf } = desk.derived;
  const { pours, flatShapes, shades, strokes, inkShapes, ink } = desk.drawing;
  const path = new Path2D();
  pockets.forEach(({ outline }, index) => {
    if (pours[pourOf[index] ?? ""]?.paint?.colour === colour) path.addPath(pathOf(outline, true));
  });
  for (const { paint, outline } of [...Object.values(flatShapes), ...Object.values(shades)])
    if (paint.colour === colour) path.addPath(pathOf(outline, true));
  for (const line of [...Object.values(strokes), ...Object.values(inkShapes)])
    if ((line.paint ?? ink).colour === colour)
      for (const chain of chainsOf(line)) path.addPath(chainPath(chain, false));
  lightUp(context, path, colours, pixel);
}

/** Of colour that would be laid. */
const LAID_OPACITY = 0.55;

function paintPockets(context: CanvasRenderingContext2D, desk: Desk, colours: Colours, pixel: number): void {
  const lit = desk.walked !== null ? desk.derived.pockets[desk.walked] : desk.hover.getState().pocket;
  if (!lit || desk.underway) return;
  const path = pathOf(lit.outline, true);
  const laid = toolOf(desk).lays?.(desk, lit);
  if (laid) {
    const colour = shownTin(desk)[laid.colour];
    fillFaintly(context, path, colour ? stepOf(colour, laid.step) : colours.fern, LAID_OPACITY, "evenodd");
  }
  lightUp(context, path, colours, pixel);
}

/** A line round something, on a pale edge that parts it from what lies beneath. */
function lightUp(
  context: CanvasRenderingContext2D,
  path: Path2D,
  { fern, paper }: Colours,
  pixel: number,
): void {
  context.lineJoin = "round";
  context.strokeStyle = paper;
  context.lineWidth = 4 * pixel;
  context.stroke(path);
  context.strokeStyle = fern;
  context.lineWidth = 2 * pixel;
  context.stroke(path);
}

function paintBridges(
  context: CanvasRenderingContext2D,
  desk: Desk,
  { ember, paper }: Colours,
  pixel: number,
): void {
  if (!desk.showBridges || (desk.stage !== "Gaps" && desk.stage !== "Lines")) return;
  for (const { points } of Object.values(desk.drawing.bridges)) {
    context.lineCap = "round";
    context.strokeStyle = paper;
    context.lineWidth = 4 * pixel;
    context.stroke(chainPath(points, false));
    context.setLineDash([4 * pixel, 4 * pixel]);
    context.strokeStyle = ember;
    context.lineWidth = 2 * pixel;
    context.stroke(chainPath(points, false));
    context.setLineDash([]);
  }
}

function paintOpenings(
  context: CanvasRenderingContext2D,
  desk: Desk,
  { ember, fern, paper }: Colours,
  pixel: number,
): void {
  const pulling = toolOf(desk).name === "pull";
  desk.gaps.looseEnds.forEach(({ at }) => {
    context.strokeStyle = ember;
    context.lineWidth = (pulling ? 1.5 : 1) * pixel;
    const r = (pulling ? 4.5 : 2.5) * pixel;
    context.strokeRect(at[0] - r, at[1] - r, 2 * r, 2 * r);
  });
  paintTriedReach(context, desk, fern);
  const { closed, declined } = sortOpenings(desk);
  desk.gaps.openings.forEach(({ bridge, at }, i) => {
    if (!declined.includes(i)) paintGate(context, bridge, closed.includes(i) ? fern : ember, paper, pixel);
    if (i !== desk.chosenOpening) return;
    context.beginPath();
    context.arc(at[0], at[1], 22 * pixel, 0, Math.PI * 2);
    context.strokeStyle = ember;
    context.lineWidth = 2.5 * pixel;
    context.stroke();
  });
}

/** The pockets that a reach being tried would make. */
function paintTriedReach(context: CanvasRenderingContext2D, { triedReach }: Desk, fern: string): void {
  if (!triedReach || triedReach.triangles.length === 0) return;
  fillFaintly(context, trianglePath(triedReach.triangles), fern, 0.35);
}

const trianglePath = weakMapMemoize((triangles: Float32Array): Path2D => {
  const path = new Path2D();
  for (let k = 0; k < triangles.length; k += 6) {
    path.moveTo(triangles[k], triangles[k + 1]);
    path.lineTo(triangles[k + 2], triangles[k + 3]);
    path.lineTo(triangles[k + 4], triangles[k + 5]);
    path.closePath();
  }
  return path;
});

function fillFaintly(
  context: CanvasRenderingContext2D,
  path: Path2D,
  colour: string,
  opacity: number,
  rule?: CanvasFillRule,
): void {
  context.globalAlpha = opacity;
  context.fillStyle = colour;
  context.fill(path, rule);
  context.globalAlpha = 1;
}

/** An opening: its two sides, and a dashed proposal of the bridge between them. */
function paintGate(
  context: CanvasRenderingContext2D,
  bridge: readonly number[],
  colour: string,
  paper: string,
  pixel: number,
): void {
  const path = chainPath(bridge, false);
  context.strokeStyle = paper;
  context.lineWidth = 4 * pixel;
  context.stroke(path);
  context.setLineDash([3 * pixel, 3 * pixel]);
  context.strokeStyle = colour;
  context.lineWidth = 2 * pixel;
  context.stroke(path);
  context.setLineDash([]);
  context.fillStyle = colour;
  for (const k of [0, bridge.length - 2]) {
    context.beginPath();
    context.arc(bridge[k], bridge[k + 1], 3.5 * pixel, 0, Math.PI * 2);
    context.fill();
  }
}

function paintLeak(
  context: CanvasRenderingContext2D,
  desk: Desk,
  { ember, paper }: Colours,
  pixel: number,
): void {
  const { path, openings } = desk.leak!;
  const smooth = new Path2D();
  smooth.moveTo(...path[0]);
  for (let i = 1; i < path.length - 1; i++) {
    const [cx, cy] = path[i];
    const [nx, ny] = path[i + 1];
    smooth.quadraticCurveTo(cx, cy, (cx + nx) / 2, (cy + ny) / 2);
  }
  context.lineCap = "round";
  context.lineJoin = "round";
  context.strokeStyle = paper;
  context.lineWidth = 5 * pixel;
  context.stroke(smooth);
  context.setLineDash([1 * pixel, 7 * pixel]);
  context.strokeStyle = ember;
  context.lineWidth = 3 * pixel;
  context.stroke(smooth);
  context.setLineDash([]);
  for (const { bridge } of openings) paintGate(context, bridge, ember, paper, pixel);
}

function paintMark(
  context: CanvasRenderingContext2D,
  mark: OverlayMark,
  colours: Colours,
  pixel: number,
): void {
  (MARKS[mark.kind] as MarkPainter)(context, mark, colours, pixel);
}

type MarkPainter = (
  context: CanvasRenderingContext2D,
  mark: OverlayMark,
  colours: Colours,
  pixel: number,
) => void;

type MarkOf<K extends OverlayMark["kind"]> = Extract<OverlayMark, { kind: K }>;

function paintChain(
  context: CanvasRenderingContext2D,
  { points, closed, tint, width = 2, dashed, bare }: MarkOf<"chain">,
  colours: Colours,
  pixel: number,
): void {
  const path = chainPath(points, closed);
  context.lineCap = "round";
  context.lineJoin = "round";
  if (!bare) {
    context.strokeStyle = colours.paper;
    context.lineWidth = (width + 2) * pixel;
    context.stroke(path);
  }
  if (dashed) context.setLineDash([4 * pixel, 4 * pixel]);
  context.strokeStyle = colours[tint];
  context.lineWidth = width * pixel;
  context.stroke(path);
  context.setLineDash([]);
}

function paintDot(
  context: CanvasRenderingContext2D,
  { at: [x, y], tint, shape, filled }: MarkOf<"dot">,
  colours: Colours,
  pixel: number,
): void {
  const r = 4.5 * pixel;
  context.beginPath();
  if (shape === "round") context.arc(x, y, r, 0, Math.PI * 2);
  else context.rect(x - r, y - r, 2 * r, 2 * r);
  context.fillStyle = filled ? colours[tint] : colours.paper;
  context.fill();
  context.strokeStyle = colours[tint];
  context.lineWidth = 1.5 * pixel;
  context.stroke();
}

/** A touch of colour with a line round it; a bare one is a hollow band. */
function paintTouch(
  context: CanvasRenderingContext2D,
  { points, width, colour }: MarkOf<"touch">,
  { quiet, paper }: Colours,
  pixel: number,
): void {
  const path = chainPath(points, false);
  context.lineCap = "round";
  context.lineJoin = "round";
  for (const [tint, by] of [
    [paper, 4],
    [quiet, 2],
    [colour ?? paper, 0],
  ] as const) {
    context.strokeStyle = tint;
    context.lineWidth = width + by * pixel;
    context.stroke(path);
  }
}

function paintLabel(
  context: CanvasRenderingContext2D,
  { at: [x, y], text }: MarkOf<"label">,
  colours: Colours,
  pixel: number,
): void {
  context.save();
  // Upright, however the paper lies.
  const { a, b } = context.getTransform();
  context.translate(x, y);
  context.rotate(-Math.atan2(b, a));
  context.font = `${12 * pixel}px "Inter Variable", sans-serif`;
  const width = context.measureText(text).width;
  context.fillStyle = colours.paper;
  context.fillRect(12 * pixel, -24 * pixel, width + 10 * pixel, 19 * pixel);
  context.fillStyle = colours.fern;
  context.fillText(text, 17 * pixel, -10 * pixel);
  context.restore();
}

const MARKS: {
  readonly [K in OverlayMark["kind"]]: (
    context: CanvasRenderingContext2D,
    mark: MarkOf<K>,
    colours: Colours,
    pixel: number,
  ) => void;
} = {
  chain: paintChain,
  dot: paintDot,
  area: (context, { triangles, colour }) =>
    fillFaintly(context, trianglePath(triangles), colour, LAID_OPACITY, "nonzero"),
  touch: paintTouch,
  label: paintLabel,
  pocket: (context, { pocket }, colours, pixel) =>
    lightUp(context, pathOf(pocket.outline, true), colours, pixel),
};

export function paintTrail(
  context: CanvasRenderingContext2D,
  { points, closed, snapped }: NonNullable<ReturnType<NonNullable<Gesture["trail"]>>>,
  { fern, ember }: Colours,
  pixel: number,
): void {
  context.beginPath();
  points.forEach(([x, y], i) => {
    if (i === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
  context.lineCap = "round";
  context.lineJoin = "round";
  context.lineWidth = 2 * pixel;
  context.strokeStyle = closed ? fern : ember;
  context.stroke();
  if (!closed && snapped) {
    const [x, y] = points[points.length - 1];
    context.beginPath();
    context.arc(x, y, 5 * pixel, 0, Math.PI * 2);
    context.stroke();
  }
}
