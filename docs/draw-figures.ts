/** Draws the figures of docs/pockets.md and docs/light.md from the engine itself: `npm run docs:draw`. */
import { readFileSync, writeFileSync } from "node:fs";
import { claimsOf } from "../core/dabs/dab-reading.ts";
import { dabSpaceIn } from "../core/dabs/dab-space.ts";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { pathData } from "../core/formats/svg-path.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { polyline } from "../core/geometry/cubic.ts";
import { type Box, boxHolds, type Point } from "../core/geometry/point.ts";
import { openingGates } from "../core/pockets/free-space.ts";
import { originOf, targetOf } from "../core/pockets/half-edges.ts";
import { buildMap, type PlanarMap } from "../core/pockets/planar-map.ts";
import { pocketsOf } from "../core/pockets/pockets.ts";
import { gapsOf, linesOf } from "../core/pockets/reading.ts";
import { toPage } from "../core/pockets/segments.ts";
import { nextInTriangle } from "../core/pockets/triangle-mesh.ts";
import { drawLight } from "./draw-light.ts";
import { drawPerformance } from "./draw-performance.ts";

const FILLS = ["#dfe9d3", "#e9e1cf", "#d7e3e6", "#ead8d2", "#e3dfea", "#efe7c6"];
const FERN = "#2c6b3f";
const EMBER = "#a4440b";
const INK = "#221b18";

const mapOf = (file: string): PlanarMap => {
  const { page, strokes, inkShapes } = readSvg(readFileSync(file, "utf8"));
  return buildMap(linesOf(newDrawing("", page, strokes, inkShapes)));
};

const shows = (box: Box, ...points: Point[]): boolean => points.some((point) => boxHolds(box, point));

function figure(name: string, { x, y, width, height }: Box, parts: readonly string[]): void {
  const svg = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${width} ${height}" width="640" height="${Math.round((640 * height) / width)}">`,
    `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="#fff"/>`,
    ...parts,
    "</svg>\n",
  ];
  writeFileSync(`docs/figures/${name}.svg`, svg.join("\n"));
}

const fillsOf = (map: PlanarMap): string[] =>
  pocketsOf(map).map(
    ({ cover }, i) =>
      `<path fill="${FILLS[i % FILLS.length]}" d="${cover.map((chain) => pathData(chain, true, 2)).join("")}"/>`,
  );

const inkOf = (map: PlanarMap, opacity: number): string[] =>
  map.lines
    .filter(({ bridge }) => !bridge)
    .map(
      ({ points, closed, width }) =>
        `<path fill="none" stroke="${INK}" stroke-opacity="${opacity}" stroke-linecap="round" stroke-width="${width}" d="${pathData(points, closed, 2)}"/>`,
    );

/** Pockets, centre lines and the vertices where lines meet. */
function drawMap(): void {
  const map = mapOf("demo/almanac-boot.svg");
  const box: Box = { x: 430, y: 480, width: 260, height: 230 };
  const { noding, halfEdges, lattice } = map;
  const degree = new Map<number, number>();
  let edges = "";
  for (let e = 0; e < noding.slotCount; e++) {
    if (halfEdges.next[2 * e] < 0) continue;
    const [u, v] = [originOf(noding, 2 * e), targetOf(noding, 2 * e)];
    const place = (w: number) => toPage(lattice, noding.vx[w], noding.vy[w]);
    if (!shows(box, place(u), place(v))) continue;
    for (const w of [u, v]) degree.set(w, (degree.get(w) ?? 0) + 1);
    const [a, b] = [u, v].map((w) => place(w).map((n) => n.toFixed(1)));
    edges += `M${a}L${b}`;
  }
  const dots = [...degree].flatMap(([v, count]) => {
    if (count === 2) return [];
    const [x, y] = toPage(lattice, noding.vx[v], noding.vy[v]);
    const colour = count === 1 ? EMBER : FERN;
    return [`<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="2.4" fill="${colour}"/>`];
  });
  figure("map", box, [
    ...fillsOf(map),
    ...inkOf(map, 0.18),
    `<path fill="none" stroke="${INK}" stroke-width="0.7" d="${edges}"/>`,
    ...dots,
  ]);
}

/** The triangles of the free space around the boot's heel, its gates, and the openings among them. */
function drawGates(): void {
  const map = mapOf("demo/almanac-boot.svg");
  const box: Box = { x: 220, y: 700, width: 260, height: 230 };
  const { space } = gapsOf(map, 40);
  const { mesh, xy } = space;
  const at = (v: number): Point => [xy[2 * v], xy[2 * v + 1]];
  let gates = "";
  for (const e of space.gates) {
    const [a, b] = [at(mesh.triangles[e]), at(mesh.triangles[nextInTriangle(e)])];
    if (shows(box, a, b)) gates += `M${a.map((n) => n.toFixed(1))}L${b.map((n) => n.toFixed(1))}`;
  }
  const openings = openingGates(space, 40).map((e) => {
    const [[ax, ay], [bx, by]] = space.across(e);
    return `<path stroke="${EMBER}" stroke-width="2.4" stroke-linecap="round" d="M${ax} ${ay}L${bx} ${by}"/>`;
  });
  figure("gates", box, [
    ...inkOf(map, 1),
    `<path fill="none" stroke="${FERN}" stroke-width="0.5" d="${gates}"/>`,
    ...openings,
  ]);
}

/** Colour under an ink shape that is thick in one place and thin in another. */
function drawTrap(): void {
  const ink = `M10 10H150V90H10ZM20 14V80H149.6V14Z`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 160 100"><path fill="${INK}" fill-rule="evenodd" d="${ink}"/></svg>`;
  const { page, strokes, inkShapes } = readSvg(svg);
  const map = buildMap(linesOf(newDrawing("", page, strokes, inkShapes)));
  const [pocket] = pocketsOf(map);
  const data = (chains: readonly (readonly number[])[]) =>
    chains.map((chain) => pathData(chain, true, 3)).join("");
  figure("trap", { x: 130, y: 6, width: 24, height: 20 }, [
    `<path fill="${FILLS[0]}" d="${data(pocket.cover)}"/>`,
    `<path fill="${INK}" fill-opacity="0.35" fill-rule="evenodd" d="${ink}"/>`,
    `<path fill="none" stroke="${FERN}" stroke-width="0.15" d="${data(pocket.cover)}"/>`,
    `<path fill="none" stroke="${INK}" stroke-width="0.1" d="${data(pocket.outline)}"/>`,
  ]);
}

/** The loose pumpkins: what three dabs claim, the chambers' gates, and the bridges that would close it. */
function drawDabs(): void {
  const { page, strokes } = readSvg(readFileSync("demo/almanac-pumpkins.svg", "utf8"));
  const drawing = newDrawing("", page, strokes);
  const box: Box = { x: 120, y: 300, width: 560, height: 500 };
  const dabs = DABS.map(([colour, from, to], i) => ({
    id: `${i}`,
    paint: { colour, step: 0 },
    points: polyline([from, to]),
    width: 14,
  }));
  const dabSpace = dabSpaceIn(drawing, false);
  const { regions, edges } = claimsOf(dabSpace, dabs, { reach: Infinity, bareBorder: true });
  const { mesh, xy, gates } = dabSpace.space;
  const at = (v: number): Point => [xy[2 * v], xy[2 * v + 1]];
  const ways = [...gates].flatMap((e) => {
    const [a, b] = [at(mesh.triangles[e]), at(mesh.triangles[nextInTriangle(e)])];
    return shows(box, a) && shows(box, b)
      ? [`M${a.map((n) => n.toFixed(1))}L${b.map((n) => n.toFixed(1))}`]
      : [];
  });
  const claims = regions.map(({ triangles, paint }) => {
    const corners = Array.from({ length: triangles.length / 6 }, (_, k) => [
      ...triangles.subarray(6 * k, 6 * k + 6),
    ]);
    const data = corners.map(([a, b, c, d, e, f]) =>
      [
        `M${a.toFixed(1)} ${b.toFixed(1)}`,
        `L${c.toFixed(1)} ${d.toFixed(1)}`,
        `L${e.toFixed(1)} ${f.toFixed(1)}Z`,
      ].join(""),
    );
    return `<path fill="${paint.colour}" fill-opacity="0.5" d="${data.join("")}"/>`;
  });
  figure("dabs", box, [
    ...claims,
    `<path fill="none" stroke="${FERN}" stroke-width="0.4" d="${ways.join("")}"/>`,
    ...inkOf(buildMap(linesOf(drawing)), 1),
    ...edges.map(
      ({ bridge }) =>
        `<path fill="none" stroke="${EMBER}" stroke-width="4" stroke-dasharray="7 7" d="${pathData(bridge, false, 1)}"/>`,
    ),
    ...dabs.map(
      ({ points, paint }) =>
        `<path fill="none" stroke="${paint.colour}" stroke-linecap="round" stroke-width="14" d="${pathData(points, false, 1)}"/>`,
    ),
  ]);
}

const DABS: readonly [colour: string, from: Point, to: Point][] = [
  ["#c8704a", [395, 480], [400, 620]],
  ["#e6a93a", [280, 500], [285, 600]],
  ["#e6a93a", [510, 480], [512, 560]],
  ["#c8704a", [185, 500], [188, 580]],
];

drawMap();
drawGates();
drawDabs();
drawTrap();
drawLight();
drawPerformance();
