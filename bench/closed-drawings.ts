/** Closed drawings for trying out gaps: demo drawings, published icons, and generated spots. Page units vary. */
import { readdirSync, readFileSync } from "node:fs";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Point } from "../core/geometry/point.ts";
import { fitClosed, fitOpen } from "../core/lines/fit.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { gapsOf, linesOf } from "../core/pockets/reading.ts";
import type { Line } from "../core/pockets/segments.ts";
import { randomFrom } from "../testing/random.ts";

export interface ClosedDrawing {
  readonly name: string;
  /** Width of the page in page units. */
  readonly width: number;
  readonly lines: readonly Line[];
}

const GENERATED = 40;

export function closedDrawings(): ClosedDrawing[] {
  return [
    ...["boot", "kettle", "lantern", "snail"].map((name) =>
      closedUp(fromFile(name, `demo/almanac-${name}.svg`)),
    ),
    ...Array.from({ length: GENERATED }, (_, i) => generated(i + 1)),
    ...closedIcons(),
  ];
}

function fromFile(name: string, file: string): ClosedDrawing {
  const { page, strokes, inkShapes } = readSvg(readFileSync(file, "utf8"));
  return { name, width: page.box.width, lines: linesOf(newDrawing(name, page, strokes, inkShapes)) };
}

/** Demo drawings have honest gaps: those are bridged first. */
function closedUp({ name, width, lines }: ClosedDrawing): ClosedDrawing {
  const { openings } = gapsOf(buildMap(lines), width * 0.05);
  const bridges = openings.map(({ bridge }, i) => ({
    id: `bridge-${i}`,
    points: bridge,
    closed: false,
    width: 0,
    bridge: true,
  }));
  return { name, width, lines: [...lines, ...bridges] };
}

const ICONS = "node_modules/lucide-static/icons";

/** Of the page's width. */
const THIN = 0.004;

/** Icons every twentieth of the alphabet that have no loose end, in thin lines: their own ink would close a cut by itself. */
function closedIcons(): ClosedDrawing[] {
  return readdirSync(ICONS)
    .filter((file, i) => file.endsWith(".svg") && i % 20 === 0)
    .map((file) => fromFile(file, `${ICONS}/${file}`))
    .map(({ lines, ...icon }) => ({
      ...icon,
      lines: lines.map((line) => ({ ...line, width: THIN * icon.width })),
    }))
    .filter(({ lines, width }) => gapsOf(buildMap(lines), width * 0.01).looseEnds.length === 0);
}

/** A spot of pots, leaves and stones on a page 1,000 wide: closed loops, some laid over others, some cut by veins. */
function generated(seed: number): ClosedDrawing {
  const random = randomFrom(seed);
  const lines: Line[] = [];
  const add = (points: number[], closed: boolean) =>
    lines.push({ id: `g${lines.length}`, points, closed, width: 2 + 3 * random(), bridge: false });
  const things = 4 + Math.floor(random() * 8);
  for (let k = 0; k < things; k++) {
    const at: Point = [150 + 700 * random(), 150 + 700 * random()];
    const size = 50 + 130 * random();
    if (random() < 0.5) add(blob(at, size, random), true);
    else for (const [i, points] of leaf(at, size, random).entries()) add(points, i === 0);
  }
  return { name: `generated ${seed}`, width: 1000, lines };
}

function blob([x, y]: Point, size: number, random: () => number): number[] {
  const waves = 2 + Math.floor(random() * 4);
  const phase = random() * 6;
  const points = Array.from({ length: 40 }, (_, k): Point => {
    const a = (k / 40) * Math.PI * 2;
    const r = size * (1 + 0.18 * Math.sin(waves * a + phase));
    return [x + r * Math.cos(a), y + r * Math.sin(a)];
  });
  return fitClosed(points, 0.3);
}

/** An outline with two tips, and a vein from tip to tip. */
function leaf([x, y]: Point, size: number, random: () => number): number[][] {
  const turn = random() * Math.PI * 2;
  const place = (along: number, aside: number): Point => [
    x + size * (along * Math.cos(turn) - aside * Math.sin(turn)),
    y + size * (along * Math.sin(turn) + aside * Math.cos(turn)),
  ];
  const side = (sign: number) =>
    Array.from({ length: 13 }, (_, k) => place(k / 6 - 1, sign * 0.45 * Math.sin((Math.PI * k) / 12)));
  const upper = fitOpen(side(1), 0.3);
  const lower = fitOpen(side(-1).reverse(), 0.3);
  const vein = fitOpen([place(-1, 0), place(0, 0.06 * random()), place(1, 0)], 0.3);
  return [[...upper, ...lower.slice(2)], vein];
}
