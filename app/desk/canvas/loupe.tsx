import { useEffect, useRef } from "react";
import { widthInInches } from "#core/drawing/drawing.ts";
import { filterFor } from "../judge/looks.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const LARGEST = 132;
const SCREEN_PPI = 96;

/** The drawing at print size, so that a spot is judged as small as it will run. */
export function Loupe() {
  const page = useDesk((s) => s.drawing.page);
  const look = useDesk((s) => s.look);
  const frame = useRef<HTMLDivElement>(null);
  const { art } = useDeskStore().getState();
  const { box } = page;
  const printedWidth = widthInInches(page) * SCREEN_PPI;
  const printedHeight = (printedWidth * box.height) / box.width;
  const fits = Math.min(1, LARGEST / Math.max(printedWidth, printedHeight));
  const width = Math.max(1, Math.round(printedWidth * fits));
  const height = Math.max(1, Math.round(printedHeight * fits));

  useEffect(() => art.canvasIn(frame.current!, "loupe"), [art]);
  useEffect(() => {
    const scale = width / box.width;
    art.move("loupe", { scale, x: -box.x * scale, y: -box.y * scale }, { width, height });
  }, [art, box, width, height]);

  return (
    <figure
      aria-hidden="true"
      className="pointer-events-none absolute right-3 bottom-3 rounded-md border border-line bg-white p-1.5 shadow-sm"
    >
      <div ref={frame} style={{ width, height, filter: filterFor(look, width) }} />
      <figcaption className="mt-0.5 text-center text-xs text-quiet">
        {fits === 1 ? "print size" : `${Math.round(fits * 100)} % of print size`}
      </figcaption>
    </figure>
  );
}
