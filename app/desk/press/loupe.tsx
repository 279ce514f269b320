import { useEffect, useRef } from "react";
import { type Page, widthInInches } from "#core/drawing/drawing.ts";
import { filterFor } from "../judge/looks.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { PressSection } from "./section.ts";

const LARGEST = 116;
const SCREEN_PPI = 96;

/** The drawing at print size, so that a spot is judged as small as it will run. */
export const printSizeSection: PressSection = {
  name: "print-size",
  title: () => "Print size",
  says: ({ drawing: { page } }) => {
    const { fits } = sizeOf(page);
    return fits === 1 ? "" : `at ${Math.round(fits * 100)} %`;
  },
  Body: Loupe,
};

/** In CSS pixels; `fits` is what of the print size there is room for. */
function sizeOf(page: Page) {
  const { box } = page;
  const printedWidth = widthInInches(page) * SCREEN_PPI;
  const printedHeight = (printedWidth * box.height) / box.width;
  const fits = Math.min(1, LARGEST / Math.max(printedWidth, printedHeight));
  const pixels = (length: number) => Math.max(1, Math.round(length * fits));
  return { fits, width: pixels(printedWidth), height: pixels(printedHeight) };
}

function Loupe() {
  const page = useDesk((s) => s.drawing.page);
  const look = useDesk((s) => s.look);
  const frame = useRef<HTMLDivElement>(null);
  const { art } = useDeskStore().getState();
  const { box } = page;
  const { width, height } = sizeOf(page);

  useEffect(() => art.canvasIn(frame.current!, "loupe"), [art]);
  useEffect(() => {
    const scale = width / box.width;
    art.move("loupe", { scale, x: -box.x * scale, y: -box.y * scale }, { width, height });
  }, [art, box, width, height]);

  return (
    <div aria-hidden="true" className="flex justify-center pb-2">
      <div className="border border-line bg-paper p-1">
        <div ref={frame} style={{ width, height, filter: filterFor(look, width) }} />
      </div>
    </div>
  );
}
