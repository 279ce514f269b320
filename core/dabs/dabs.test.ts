/** Dabs by what must hold of them on any drawing: published icons, whole and loosened. */
import { describe, expect, it } from "vitest";
import { ART } from "../../testing/foreign-art.ts";
import { box, straight } from "../../testing/line-work.ts";
import { loosened } from "../../testing/loose-lines.ts";
import { randomFrom } from "../../testing/random.ts";
import { takeDabs } from "../drawing/dab-edits.ts";
import type { Drawing, Stroke } from "../drawing/drawing.ts";
import { applyEdit, beginHistory, toStep } from "../drawing/history.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { MAIN } from "../drawing/parts.ts";
import { importSvg } from "../formats/import-drawing.ts";
import type { Point } from "../geometry/point.ts";
import { LineReader } from "../pockets/line-reader.ts";
import type { Line } from "../pockets/segments.ts";
import { chambersOf } from "./chambers.ts";
import { type AskedDab, claimsOf, type DabClaims } from "./dab-reading.ts";
import { dabSpaceIn } from "./dab-space.ts";
import { takenFrom } from "./take-dabs.ts";
import { touchChain, touchOf } from "./touches.ts";

const FAR = { reach: Infinity, bareBorder: true };
const PAGE = { box: { x: 0, y: 0, width: 100, height: 100 }, width: 100, unit: "mm", ppi: 300 } as const;

const drawingOf = (lines: readonly Line[]): Drawing =>
  newDrawing(
    "dabs",
    PAGE,
    lines.map(
      ({ id, points, closed }, rank): Stroke => ({
        id,
        rank,
        points: Array.from(points),
        closed,
        width: 0.1,
      }),
    ),
  );

let serial = 0;
const dab = (colour: string | null, ...points: Point[]): AskedDab => ({
  id: `dab-${serial++}`,
  paint: colour === null ? null : { colour, step: 0 },
  points: touchChain(points),
  width: 1,
});

const areaOf = ({ regions }: DabClaims, colour: string): number =>
  regions.filter(({ paint }) => paint.colour === colour).reduce((sum, { area }) => sum + area, 0);

const claim = (drawing: Drawing, dabs: readonly AskedDab[], spreading = FAR) =>
  claimsOf(dabSpaceIn(drawing, !spreading.bareBorder), dabs, spreading);

/** A box 20 to 80 with a gap in its upper side. */
const gapped = (gap: number): Drawing =>
  drawingOf([
    straight([
      [50 + gap / 2, 20],
      [80, 20],
      [80, 80],
      [20, 80],
      [20, 20],
      [50 - gap / 2, 20],
    ]),
  ]);

/** Icons as they are, with two faces or more, and loosened. */
const ICONS = ART.map(({ file, svg }, i) => {
  const whole = importSvg(file, svg).drawing;
  const strokes = Object.values(whole.strokes).map((stroke) => ({ ...stroke, width: 0.5 }));
  const { page } = whole;
  const loose = newDrawing(file, page, loosened(strokes, page.box.width, randomFrom(i)));
  const thin = newDrawing(file, page, strokes);
  return { file, whole: thin, loose, pockets: new LineReader().read(thin).filter(({ hidden }) => !hidden) };
}).filter(({ pockets }) => pockets.length > 1);

describe("dabs", () => {
  it("colour a shape through its gap, and close it with one bridge that goes on along the line", () => {
    const { regions, edges } = claim(gapped(10), [dab("frond", [50, 60])]);
    expect(regions).toHaveLength(1);
    expect(regions[0].area).toBeCloseTo(3600, 0);
    expect(edges.map(({ width }) => Math.round(width))).toEqual([10]);
    expect(edges[0].bridge[1]).toBeCloseTo(20, 6);
  });

  it("close nothing wider than they may: then they claim nothing, but for firm ones", () => {
    const dabs = [dab("frond", [50, 60])];
    expect(claim(gapped(10), dabs, { reach: 11, bareBorder: true }).regions).toHaveLength(1);
    expect(claim(gapped(10), dabs, { reach: 9, bareBorder: true }).regions).toEqual([]);
    const firm = dabs.map((one) => ({ ...one, firm: true as const }));
    expect(areaOf(claim(gapped(10), firm, { reach: 9, bareBorder: true }), "frond")).toBeCloseTo(3600, 0);
  });

  it("close an opening that the reach would have closed, had it not been declined", () => {
    const drawing: Drawing = { ...gapped(5), reach: 6, declined: { open: { id: "open", at: [50, 20] } } };
    const claims = claim(drawing, [dab("frond", [50, 60])]);
    const { bridges, pours } = takenFrom(drawing, MAIN, claims, [0]);
    expect([bridges.length, pours.length]).toEqual([1, 1]);
    const closed = { ...drawing, declined: {} };
    expect(claim(closed, [dab("frond", [50, 60])]).edges).toEqual([]);
  });

  it("count on the side of a line where most of them lies, on all of it when firm", () => {
    const drawing = drawingOf([box(10, 10, 40, 40), box(50, 10, 40, 40)]);
    const over = dab("frond", [30, 30], [58, 30]);
    expect(areaOf(claim(drawing, [over]), "frond")).toBeCloseTo(1600, 0);
    expect(areaOf(claim(drawing, [{ ...over, firm: true }]), "frond")).toBeCloseTo(3200, 0);
    expect(areaOf(claim(drawing, [dab("frond", [30, 30], [70, 30])]), "frond")).toBeCloseTo(3200, 0);
  });

  it("are held off by bare ones, and by the page around the drawing unless it is open", () => {
    const two = drawingOf([
      straight([
        [10, 20],
        [90, 20],
      ]),
      straight([
        [10, 80],
        [90, 80],
      ]),
    ]);
    const held = claim(two, [dab("frond", [30, 50]), dab(null, [70, 50])]);
    expect(areaOf(held, "frond")).toBeLessThan(3000);
    expect(
      areaOf(claim(two, [dab("frond", [30, 50])], { reach: Infinity, bareBorder: false }), "frond"),
    ).toBeCloseTo(10_000, 0);
  });

  it("on whole drawings claim just the pockets they lie in, all of them", () => {
    for (const { whole, pockets, file } of ICONS) {
      const { regions, edges } = claim(
        whole,
        pockets.map(({ seed }, i) => dab(`colour ${i}`, seed)),
      );
      expect(edges, file).toEqual([]);
      expect(regions.length, file).toBe(pockets.length);
      pockets.forEach(({ area }, i) => {
        const own = regions.find(({ paint }) => paint.colour === `colour ${i}`)!;
        expect(Math.abs(own.area - area), file).toBeLessThan(0.002 * area + 1);
      });
    }
  });

  it("of one colour never lose area by more of it, and it does not matter in which order they came", () => {
    for (const { loose, pockets, file } of ICONS) {
      const random = randomFrom(pockets.length);
      const dabs = pockets.map(({ seed }, i) => dab(`colour ${i % 3}`, seed));
      const before = claim(loose, dabs);
      const { x, y, width, height } = loose.page.box;
      for (let k = 0; k < 4; k++) {
        const more = dab("colour 1", [x + width * random(), y + height * random()]);
        const after = claim(loose, [...dabs, more]);
        const around = claim(loose, [more, ...[...dabs].reverse()]);
        expect(areaOf(after, "colour 1"), file).toBeGreaterThanOrEqual(areaOf(before, "colour 1") - 1e-6);
        expect(
          [...around.regionOf].map((r) => around.regions[r]?.paint),
          file,
        ).toEqual([...after.regionOf].map((r) => after.regions[r]?.paint));
      }
    }
  });

  it("change nothing outside the chambers they lie in", () => {
    for (const { loose, pockets, file } of ICONS) {
      const space = dabSpaceIn(loose, false);
      const chambers = chambersOf(space, Infinity);
      const [last, ...others] = pockets.map(({ seed }, i) => dab(`colour ${i % 3}`, seed)).reverse();
      const touched = new Set([...touchOf(space.space, chambers, last).keys()].map((t) => chambers.find(t)));
      const paintsOf = (dabs: readonly AskedDab[]) => {
        const { regionOf, regions } = claimsOf(space, dabs, FAR);
        return [...regionOf].map((r, t) =>
          touched.has(chambers.find(t)) ? undefined : regions[r]?.paint.colour,
        );
      };
      expect(paintsOf([...others, last]), file).toEqual(paintsOf(others));
    }
  });

  it("when taken leave pockets of what they claimed, and undone the drawing as it was", () => {
    for (const { loose, pockets, file } of ICONS) {
      const dabs = pockets.map(({ seed }, i) => dab(Object.keys(loose.tin)[i % 3], seed));
      const drawing: Drawing = { ...loose, dabs: Object.fromEntries(dabs.map((one) => [one.id, one])) };
      const claims = claim(drawing, dabs);
      const { bridges, pours } = takenFrom(drawing, MAIN, claims, [...claims.regions.keys()]);
      const move = applyEdit(beginHistory(drawing), takeDabs(Object.keys(drawing.dabs), bridges, pours))!;
      const taken = move.history.drawing;
      expect([Object.keys(taken.dabs), move.wrong], file).toEqual([[], []]);
      const poured = new LineReader()
        .read(taken)
        .filter(({ seed }) => pours.some(({ target }) => String(target.anchor.seed) === String(seed)));
      const area = poured.reduce((sum, pocket) => sum + pocket.area, 0);
      const claimed = claims.regions.reduce((sum, region) => sum + region.area, 0);
      // Bridges run on smoothly where claims are seen with straight edges.
      expect(Math.abs(area - claimed), file).toBeLessThan(0.05 * claimed);
      expect(toStep(move.history, 0)!.history.drawing, file).toEqual(drawing);
    }
  });
});
