import type { Polyline } from "./line-work.ts";

/** As an SVG from elsewhere, on a square page. */
export function svgOf(strokes: readonly Polyline[], side: number): string {
  const paths = strokes.map(
    (points) => `<path d="M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join("L")}"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="10in" height="10in" viewBox="0 0 ${side} ${side}">
<g fill="none" stroke="#000" stroke-width="2">${paths.join("\n")}</g></svg>`;
}
