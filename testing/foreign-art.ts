/** Published icons as drawings to be coloured, for tests. */
import { readdirSync, readFileSync } from "node:fs";
import { expect } from "vitest";
import type { Drawing } from "../core/drawing/drawing.ts";
import { addBridges, pour, setStrict } from "../core/drawing/edits.ts";
import { addShade } from "../core/drawing/shape-edits.ts";
import { polyline } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { anchorOf } from "../core/pockets/anchors.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { derive, pocketAt, sceneOf } from "../core/scene/scene.ts";
import { edited } from "./drawings.ts";

export const ICONS = "node_modules/lucide-static/icons";

/** Every sixty-first icon, turned and scaled so that no coordinate is a round number. */
export const ART = readdirSync(ICONS)
  .filter((file, i) => file.endsWith(".svg") && i % 61 === 0)
  .map((file) => {
    const body = readFileSync(`${ICONS}/${file}`, "utf8").replace(/<\/?svg[^>]*>|<!--.*?-->/g, "");
    const look = 'fill="none" stroke="#201810" stroke-width="1.4"';
    return {
      file,
      svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 400"><g ${look} transform="translate(197 3) rotate(37.3) scale(11.17)">${body}</g></svg>`,
    };
  });

export const shown = (drawing: Drawing): Pocket[] =>
  new LineReader().read(drawing).filter(({ hidden }) => !hidden);

const PAINTS = [
  { colour: "frond", step: 0 },
  { colour: "frond", step: 2 },
  { colour: "radish", step: -1 },
];

/** Every opening bridged, every pocket poured, every second one shaded. */
export function coloured(bare: Drawing, strict: boolean): Drawing {
  const joined = strict ? edited(bare, setStrict(true)) : bare;
  const reader = new LineReader();
  reader.read(joined);
  const bridges = reader.gaps(joined).openings.map(({ bridge }, i) => ({ id: `b${i}`, points: bridge }));
  const bridged = edited(joined, addBridges(bridges));
  const pockets = shown(bridged);
  return pockets.reduce((now, pocket, i) => {
    const paint = PAINTS[i % PAINTS.length];
    const poured = edited(now, pour([{ anchor: anchorOf(pocket) }], paint, [`p${i}`]));
    return i % 2 ? poured : edited(poured, shadeOver(pocket, `h${i}`));
  }, bridged);
}

function shadeOver(pocket: Pocket, id: string) {
  const { seed, box } = pocket;
  const [x, y] = seed;
  const corners = [
    [x, y],
    [x + box.width / 3, y],
    [x, y + box.height / 3],
    [x, y],
  ] as const;
  return addShade({
    id,
    outline: [polyline(corners)],
    kind: "drawn",
    evenOdd: false,
    anchor: anchorOf(pocket),
    paint: PAINTS[1],
    blend: "multiply",
    opacity: 0.4,
  });
}

/** What each pocket is painted, and how many shades are seen. */
export function lookOf(drawing: Drawing) {
  const pockets = shown(drawing);
  const derived = derive(drawing, pockets);
  const scene = sceneOf(drawing, derived);
  const shades = scene.parts.flatMap(({ sheets }) =>
    sheets.flatMap(({ name, items }) => (name === "shade" ? items : [])),
  ).length;
  const paintOf = (pocket: Pocket) => drawing.pours[derived.pourOf[pockets.indexOf(pocket)] ?? ""]?.paint;
  return { pockets, paintOf, shades };
}

export type Look = ReturnType<typeof lookOf>;

/** Expects each pocket to be there still, with its paint, wherever a place on the page has gone. */
export function expectSameLook(
  before: Look,
  after: Look,
  called: string,
  to = (at: Point): Point => at,
): void {
  expect(after.pockets.length, called).toBe(before.pockets.length);
  for (const pocket of before.pockets) {
    const same = pocketAt(after.pockets, to(pocket.seed));
    expect(same && after.paintOf(same), `${called}, pocket at ${pocket.seed}`).toEqual(
      before.paintOf(pocket),
    );
    expect(same!.area / pocket.area, called).toBeCloseTo(1, 2);
  }
  expect(after.shades, called).toBe(before.shades);
}
