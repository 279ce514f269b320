import { describe, expect, it } from "vitest";
import { readSvg } from "./svg-read.ts";

/** A square field over a stroke, and what comes of both. */
function readOver(stroke: string, fill = '<path fill="#a8543a" d="M20 20H80V80H20Z"/>') {
  const { strokes, flats, asides } = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><g fill="none">${stroke}${fill}</g></svg>`,
  );
  return { strokes: strokes.length, flats: flats.length, seams: asides.get("seam")?.length ?? 0 };
}

const ALONG = 'd="M30 20H80V60"';
const seam = (pen: string) => `<path ${pen} ${ALONG}/>`;

describe("a thin stroke beneath a shape of its colour, along its edge", () => {
  it("is a seam and no line", () => {
    expect(readOver(seam('stroke="#a8543a" stroke-width=".2"'))).toEqual({ strokes: 0, flats: 1, seams: 1 });
  });

  it("is a line where anything of that is not so", () => {
    const line = { strokes: 1, flats: 1, seams: 0 };
    for (const pen of [
      'stroke="#a8543b" stroke-width=".2"',
      'stroke="#a8543a" stroke-width=".4"',
      'stroke="#a8543a" stroke-width=".2" stroke-opacity=".99"',
    ])
      expect(readOver(seam(pen))).toEqual(line);
    expect(readOver('<path stroke="#a8543a" stroke-width=".2" d="M20 20H80V90"/>')).toEqual(line);
    expect(
      readOver(`${seam('stroke="#a8543a" stroke-width=".2"')}<path fill="#3a6a54" d="M0 0H9V9Z"/>`),
    ).toEqual({ ...line, flats: 2 });
  });
});
