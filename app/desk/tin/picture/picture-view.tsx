import { useEffect, useRef } from "react";
import type { FoundColours } from "./use-picture-colours.ts";

/** How dark all other colours become while one is highlighted. */
const SHADE = [20, 24, 22, 190];

/** The picture with a mark where each colour comes from; the one looked at is seen alone. */
export function PictureView({ found, lit }: { found: FoundColours; lit: number | null }) {
  const { url, width, height, colours, colourOf } = found;
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context) return;
    const mask = context.createImageData(width, height);
    if (lit !== null)
      for (let k = 0; k < colourOf.length; k++) if (colourOf[k] !== lit) mask.data.set(SHADE, 4 * k);
    context.putImageData(mask, 0, 0);
  }, [width, height, colourOf, lit]);
  return (
    <div className="relative max-h-full max-w-full" style={{ aspectRatio: `${width} / ${height}` }}>
      <img src={url} alt="" className="h-full w-full rounded-md" />
      <canvas ref={canvas} width={width} height={height} className="absolute inset-0 h-full w-full" />
      {colours.map(({ value, at: [x, y] }, i) => (
        <span
          key={i}
          aria-hidden="true"
          className="absolute h-4 w-4 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white shadow-[0_0_0_1px_rgb(0_0_0/0.6)]"
          style={{
            left: `${(100 * (x + 0.5)) / width}%`,
            top: `${(100 * (y + 0.5)) / height}%`,
            background: value,
          }}
        />
      ))}
    </div>
  );
}
