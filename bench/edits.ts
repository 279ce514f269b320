/** Edits of a drawing of 10,000 strokes, followed by its map: a stroke moved, a part of 500 strokes moved, and its openings anew. */
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { range } from "../core/geometry/lists.ts";
import { editMap } from "../core/pockets/map-edit.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { PocketReader } from "../core/pockets/pockets.ts";
import { gapsOf, linesOf, longestReach } from "../core/pockets/reading.ts";
import { judge } from "./judge.ts";
import { spotLike, WIDE_PAGE } from "./line-work.ts";
import { svgOf } from "./svg-of-lines.ts";
import { median, middle, shifted, timed } from "./timing.ts";

const STROKES = 10_000;
const PART = 500;
const ROUNDS = 61;
const AREA = "engine";

export function editsBench(): void {
  const { page, strokes } = readSvg(svgOf(spotLike(STROKES, { side: WIDE_PAGE }), WIDE_PAGE));
  const drawing = newDrawing("", page, strokes);
  const lines = linesOf(drawing);
  const anew = timed(() => new PocketReader(buildMap(lines)).read());
  let k = 0;
  /** Milliseconds of edits of some neighbouring strokes, on a map that has followed a few. */
  const following = (count: number, rounds: number): number => {
    const own = [...lines];
    const map = buildMap(own);
    const reader = new PocketReader(map);
    reader.read();
    const times = range(0, rounds).map(() =>
      timed(() => {
        const from = (k++ * 71 * count) % (own.length - count);
        const gone = own.slice(from, from + count);
        const come = gone.map((line) => shifted(line, 3 + (k % 5)));
        own.splice(from, count, ...come);
        if (!editMap(map, { gone: gone.map(({ id }) => id), come }))
          throw new Error("the map is not followed");
        reader.read();
      }),
    );
    return middle(times);
  };
  const told = (what: string, measured: number, aim: number) =>
    judge({
      area: AREA,
      what: `${what}, of ${STROKES}`,
      measured,
      unit: "ms",
      aim,
      limit: { what: "pockets anew", measured: anew },
    });
  told("a stroke moved", following(1, ROUNDS), 8);
  told(`a part of ${PART} strokes moved`, following(PART, 4), 20);
  const map = buildMap(lines);
  told(
    "openings after an edit",
    median(5, () => gapsOf(map, longestReach(drawing))),
    30,
  );
}
