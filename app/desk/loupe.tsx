import { useEffect, useRef } from "react";
import { widthInInches } from "#core/drawing/drawing.ts";
import { paintScene } from "./canvas/paint.ts";
import { useDesk } from "./desk-store.ts";

const LARGEST = 132;
const SCREEN_PPI = 96;

/** The drawing at print size, so that a spot is judged as small as it will run. */
export function Loupe() {
  const scene = useDesk((s) => s.scene);
  const page = useDesk((s) => s.history.drawing.page);
  const canvas = useRef<HTMLCanvasElement>(null);
  const printedWidth = widthInInches(page) * SCREEN_PPI;
  const printedHeight = (printedWidth * page.box.height) / page.box.width;
  const fits = Math.min(1, LARGEST / Math.max(printedWidth, printedHeight));
  const width = Math.max(1, Math.round(printedWidth * fits));
  const height = Math.max(1, Math.round(printedHeight * fits));
  useEffect(() => {
    const timer = setTimeout(() => {
      const target = canvas.current!;
      target.width = width * devicePixelRatio;
      target.height = height * devicePixelRatio;
      const scale = target.width / scene.box.width;
      paintScene(target.getContext("2d")!, scene, {
        scale,
        x: -scene.box.x * scale,
        y: -scene.box.y * scale,
      });
    }, 120);
    return () => clearTimeout(timer);
  }, [scene, width, height]);
  return (
    <figure
      aria-hidden="true"
      className="pointer-events-none absolute right-3 bottom-3 rounded-md border border-line bg-white p-1.5 shadow-sm"
    >
      <canvas ref={canvas} style={{ width, height }} />
      <figcaption className="mt-0.5 text-center text-xs text-quiet">
        {fits === 1 ? "print size" : `${Math.round(fits * 100)} % of print size`}
      </figcaption>
    </figure>
  );
}
