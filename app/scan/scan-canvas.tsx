import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import { lruMemoize } from "reselect";
import type { Box, Point, Size } from "#core/geometry/point.ts";
import type { Grey } from "#core/lines/trace/grey.ts";
import { chainPath, pathOf } from "../painting/paths.ts";
import { fitView, toPagePoint, type View, zoomAt } from "../painting/view.ts";
import { type ScanState, type ScanStore, useScan, useScanStore } from "./scan-store.ts";

/** The scan with the ink that counts and what was read over it; drags crop or mark regions. */
export function ScanCanvas() {
  const scan = useScanStore();
  const canvas = useRef<HTMLCanvasElement>(null);
  const tool = useScan((s) => s.tool);
  const size = useScan((s) => s.size);
  const [mat, setMat] = useState<Size>({ width: 0, height: 0 });
  const [view, setView] = useState<View | null>(null);
  const drag = useRef<{ from: Point; to: Point; screen: Point } | null>(null);
  const [frame, setFrame] = useState<Box | null>(null);
  const shown = size && mat.width > 0 ? (view ?? fitView(boxOf(size), mat)) : null;

  useEffect(() => {
    const observer = new ResizeObserver(([entry]) =>
      setMat({ width: entry.contentRect.width, height: entry.contentRect.height }),
    );
    observer.observe(canvas.current!.parentElement!);
    return () => observer.disconnect();
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: another size is another picture
  useEffect(() => setView(null), [size?.width, size?.height]);

  useEffect(() => {
    const element = canvas.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      if (!shown || !size) return;
      const box = element.getBoundingClientRect();
      const factor = Math.exp(-event.deltaY * 0.0016);
      const fit = fitView(boxOf(size), mat).scale;
      setView(zoomAt(shown, [event.clientX - box.left, event.clientY - box.top], factor, fit));
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [shown, size, mat]);

  useEffect(() => {
    const paint = () => shown && paintScan(canvas.current!, scan.getState(), shown, mat, frame);
    paint();
    return scan.subscribe(paint);
  }, [scan, shown, mat, frame]);

  const placeOf = (event: PointerEvent): Point => {
    const box = canvas.current!.getBoundingClientRect();
    return toPagePoint(shown!, [event.clientX - box.left, event.clientY - box.top]);
  };
  const onDown = (event: PointerEvent) => {
    if (!shown) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { from: placeOf(event), to: placeOf(event), screen: [event.clientX, event.clientY] };
  };
  const onMove = (event: PointerEvent) => {
    const now = drag.current;
    if (!now || !shown) return;
    if (tool === "look" || event.buttons === 4) {
      setView({
        ...shown,
        x: shown.x + event.clientX - now.screen[0],
        y: shown.y + event.clientY - now.screen[1],
      });
      now.screen = [event.clientX, event.clientY];
      return;
    }
    now.to = placeOf(event);
    setFrame(between(now.from, now.to));
  };
  const onUp = () => {
    const done = drag.current;
    drag.current = null;
    setFrame(null);
    if (done && tool !== "look") finishDrag(scan, between(done.from, done.to));
  };

  const onKey = (event: KeyboardEvent) => {
    if (!size || tool === "look") return;
    const now = frameByKey(frame, event, size);
    if (now === undefined) return;
    event.preventDefault();
    if (now === "done" && frame) finishDrag(scan, frame);
    setFrame(typeof now === "string" ? null : now);
  };

  return (
    // biome-ignore lint/a11y/noInteractiveElementToNoninteractiveRole: a canvas is no control until it listens to keys
    <canvas
      ref={canvas}
      aria-label="The scan and what was read from it. With crop or region in hand, Enter lays a frame, arrows move it, Shift and arrows size it, Enter takes it."
      role="application"
      tabIndex={0}
      onKeyDown={onKey}
      className="absolute inset-0 h-full w-full touch-none"
      style={{ cursor: tool === "look" ? "grab" : "crosshair" }}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
    />
  );
}

const boxOf = ({ width, height }: Size): Box => ({ x: 0, y: 0, width, height });

const between = ([ax, ay]: Point, [bx, by]: Point): Box => ({
  x: Math.min(ax, bx),
  y: Math.min(ay, by),
  width: Math.abs(bx - ax),
  height: Math.abs(by - ay),
});

/** Share of the scan's longer side that one press of an arrow goes. */
const KEY_STEP = 0.02;

/** The frame after a key: laid, moved or sized; "done" to take it, "gone" to let it go; undefined for other keys. */
function frameByKey(
  frame: Box | null,
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
  { width, height }: Size,
): Box | "done" | "gone" | undefined {
  if (key === "Escape") return "gone";
  if (key === "Enter")
    return frame ? "done" : { x: width / 4, y: height / 4, width: width / 2, height: height / 2 };
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
  if (!way || !frame) return undefined;
  const [dx, dy] = way.map((n) => n * KEY_STEP * Math.max(width, height));
  return shiftKey
    ? { ...frame, width: Math.max(SMALLEST, frame.width + dx), height: Math.max(SMALLEST, frame.height + dy) }
    : { ...frame, x: frame.x + dx, y: frame.y + dy };
}

const SMALLEST = 8;

/** A drag crops what is seen now, or marks a region that is read the other way. */
function finishDrag(scan: ScanStore, box: Box): void {
  const { tool, size, crop, reading, regions, lay, adjust, set } = scan.getState();
  if (!size) return;
  const left = Math.max(0, Math.round(box.x));
  const top = Math.max(0, Math.round(box.y));
  const kept = {
    x: left,
    y: top,
    width: Math.min(size.width, Math.round(box.x + box.width)) - left,
    height: Math.min(size.height, Math.round(box.y + box.height)) - top,
  };
  if (kept.width < SMALLEST || kept.height < SMALLEST) return;
  if (tool === "crop") {
    lay({ crop: { ...kept, x: kept.x + (crop?.x ?? 0), y: kept.y + (crop?.y ?? 0) } });
    set({ tool: "look" });
  } else adjust({ regions: [...regions, { box: kept, reading: reading === "lines" ? "shapes" : "lines" }] });
}

function paintScan(
  canvas: HTMLCanvasElement,
  state: ScanState,
  view: View,
  mat: Size,
  frame: Box | null,
): void {
  const k = devicePixelRatio;
  canvas.width = Math.round(mat.width * k);
  canvas.height = Math.round(mat.height * k);
  const context = canvas.getContext("2d")!;
  const css = (name: string) => getComputedStyle(canvas).getPropertyValue(name).trim();
  context.fillStyle = css("--mat");
  context.fillRect(0, 0, canvas.width, canvas.height);
  const { size, preview, traced, shows, regions } = state;
  if (!size) return;
  context.setTransform(view.scale * k, 0, 0, view.scale * k, view.x * k, view.y * k);
  context.fillStyle = "#fff";
  context.fillRect(0, 0, size.width, size.height);
  if (preview && (shows.scan || shows.ink))
    context.drawImage(pictureOf(state), 0, 0, size.width, size.height);
  const pixel = 1 / view.scale;
  const fern = css("--mark-fern");
  const ember = css("--mark-ember");
  if (traced && shows.result) paintTraced(context, traced, fern, pixel, shows.scan || shows.ink);
  context.setLineDash([5 * pixel, 4 * pixel]);
  context.lineWidth = 2 * pixel;
  for (const { box } of regions) {
    context.strokeStyle = fern;
    context.strokeRect(box.x, box.y, box.width, box.height);
  }
  if (frame) {
    context.strokeStyle = ember;
    context.strokeRect(frame.x, frame.y, frame.width, frame.height);
  }
  context.setLineDash([]);
}

/** Over the scan the centre lines and outlines alone; without it the ink as it will be. */
function paintTraced(
  context: CanvasRenderingContext2D,
  { lines, shapes }: NonNullable<ScanState["traced"]>,
  fern: string,
  pixel: number,
  over: boolean,
): void {
  context.lineJoin = "round";
  context.lineCap = "round";
  for (const { points, closed, width } of lines) {
    context.strokeStyle = over ? fern : "#222";
    context.lineWidth = over ? 2 * pixel : width;
    context.stroke(chainPath(points, closed));
  }
  for (const outline of shapes) {
    context.strokeStyle = fern;
    context.fillStyle = over ? `${fern}33` : "#222";
    context.lineWidth = 1.5 * pixel;
    context.fill(pathOf(outline, true), "evenodd");
    if (over) context.stroke(pathOf(outline, true));
  }
}

/** The scan on even paper; where ink shows, what counts as ink is dark and all else white. */
const pictureOf = ({ preview, settings, shows }: ScanState): OffscreenCanvas =>
  painted(preview!.grey, shows.ink ? (settings.threshold ?? preview!.threshold) : null);

/** Only the last one is held, since they are large. */
const painted = lruMemoize(({ width, height, data }: Grey, threshold: number | null): OffscreenCanvas => {
  const image = new ImageData(width, height);
  for (let i = 0; i < data.length; i++) {
    const level = threshold !== null ? (data[i] <= threshold ? 60 : 255) : 96 + data[i] * 0.62;
    image.data[4 * i] = level;
    image.data[4 * i + 1] = level;
    image.data[4 * i + 2] = level;
    image.data[4 * i + 3] = 255;
  }
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext("2d")!.putImageData(image, 0, 0);
  return canvas;
});
