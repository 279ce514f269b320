/** Coloured drawings whose ink is filled shapes, for tests: icons expanded to outlines, scans read as shapes. */
import { readFileSync } from "node:fs";
import { setColourOpacity } from "../core/drawing/colour-edits.ts";
import {
  type Drawing,
  GRADIENTS,
  type Gradient,
  type InkShape,
  PATTERNS,
  type Tile,
} from "../core/drawing/drawing.ts";
import { addBridges, pour, setUndercoat } from "../core/drawing/edits.ts";
import { setGradient } from "../core/drawing/gradients.ts";
import { setMade } from "../core/drawing/light-edits.ts";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { MAIN } from "../core/drawing/parts.ts";
import { addTile, setBands, setPattern } from "../core/drawing/patterns.ts";
import { addShade } from "../core/drawing/shape-edits.ts";
import { importSvg } from "../core/formats/import-drawing.ts";
import { deliveredSvg } from "../core/formats/svg-write.ts";
import { ellipse, rectangle } from "../core/lines/figures.ts";
import { nibOutline } from "../core/lines/nib-outline.ts";
import { findInk, TRACE_SETTINGS } from "../core/lines/trace/trace.ts";
import { readInk, tracedDrawing } from "../core/lines/trace/traced-drawing.ts";
import { anchorOf } from "../core/pockets/anchors.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import { withPart } from "../core/pockets/make-part.ts";
import { derive } from "../core/scene/scene.ts";
import { scanOf } from "../demo/scan/scanner.ts";
import { edited } from "./drawings.ts";
import { ART, shown } from "./foreign-art.ts";
import { SOAK, sampleOf } from "./long-runs.ts";

export interface InkedArt {
  readonly name: string;
  readonly drawing: Drawing;
  /** As delivered. */
  readonly svg: string;
  /** All that has to be covered, pockets and ink, as one SVG without soft edges. */
  readonly covered: string;
}

/** Icons whose strokes were expanded to outlines, so that their ink is filled shapes. */
export const outlinedArt = (): InkedArt[] =>
  sampleOf(ART, 8)
    .map(({ file, svg }) => {
      const { drawing } = importSvg(file, svg);
      const shapes = Object.values(drawing.strokes).map(
        ({ id, rank, points, closed, width }): InkShape => ({
          id,
          rank,
          outline: nibOutline({ points, closed, width, cap: "round", profile: [0, 1, 1, 1], strands: 1 }),
          evenOdd: false,
        }),
      );
      return artOf(file, newDrawing(file, drawing.page, [], shapes));
    })
    .filter(({ drawing }) => Object.keys(drawing.pours).length > 1);

/** Icons as they came, in strokes: what parts their colours is ink or a bridge. */
export const bridgedArt = (): InkedArt[] =>
  firstOf(({ bridges }) => Object.keys(bridges).length > 0, SOAK ? ART.length : 2);

const SCANS = ["scan/radishes", "almanac-boot", "almanac-snail"];
const SCAN_PIXELS = 1200;

/** Scans read as ink shapes. */
export const scannedArt = (): InkedArt[] =>
  sampleOf(SCANS, 1).map((name, k) => {
    const svg = readFileSync(`demo/${name}.svg`, "utf8");
    const { grey } = scanOf(svg, { pixels: SCAN_PIXELS, seed: 7 + k });
    const traced = readInk(findInk(grey, TRACE_SETTINGS), "shapes");
    return artOf(name, tracedDrawing(name, traced, grey));
  });

const COLOURS = ["frond", "radish", "marigold", "morning-sky"];

/** A tile with a blot across its corners. */
const TILE: Omit<Tile, "rank"> = {
  id: "blot",
  name: "Blot",
  ratio: 1,
  tones: [[ellipse([0, 0], 0.3, 0.3), ellipse([0.5, 0.5], 0.25, 0.2)]],
};

/** A few icons with a pattern over every pour, and bands along one of its lines. */
export const clothedArt = (): InkedArt[] =>
  few((drawing) =>
    Object.keys(drawing.pours).reduce(
      (now, id, i) =>
        edited(
          now,
          setBands(id, {
            line: now.pours[id].anchor.lines[0],
            bands: [
              { width: drawing.page.box.width / 60, paint: { colour: "dusk", step: 0 } },
              { width: drawing.page.box.width / 60, paint: { colour: "seed-paper", step: 0 } },
            ],
          }),
          setPattern(now, [id], {
            tile: TILE.id,
            cloth: id,
            kind: PATTERNS[i % PATTERNS.length],
            at: now.pours[id].anchor.seed,
            size: drawing.page.box.width / 40,
            turn: 20 * i,
            share: 0.5,
            paint: { colour: COLOURS[(i + 1) % COLOURS.length], step: -1 },
          }),
        ),
      edited(drawing, addTile(TILE)),
    ),
  );

/** A few icons of which half the pockets are a part of their own. */
export const partedArt = (): InkedArt[] =>
  few((drawing) => {
    const reader = new DrawingReader();
    const pockets = reader.read(drawing).pockets.filter(({ hidden }) => !hidden);
    const chosen = new Set(pockets.filter((_, i) => i % 2 === 0));
    const map = reader.mapOf(MAIN)!;
    return withPart(drawing, { name: "Front", part: MAIN, pockets, map, chosen });
  });

/** A few icons in colours that are half seen through, over an undercoat. */
export const glazedArt = (): InkedArt[] =>
  few((drawing) =>
    edited(
      drawing,
      setUndercoat({ colour: "seed-paper", step: 0 }),
      ...COLOURS.map((colour) => setColourOpacity(colour, 0.5, colour)),
    ),
  );

/** A few icons with a gradient over every pour, soft shade across each, a rim, and shadows that some throw on others. */
export const litArt = (): InkedArt[] =>
  few((bare) => {
    const ids = Object.keys(bare.pours);
    const drawing = edited(
      bare,
      setMade("rim", ids, { deeper: -2, width: bare.page.box.width / 30, gap: bare.page.box.width / 60 }),
      setMade("cast", ids.slice(0, 1), { deeper: 1, high: bare.page.box.width / 20, soft: 0.4 }),
    );
    return Object.values(drawing.pours).reduce((now, { id, anchor, paint }, i) => {
      const [x, y] = anchor.seed;
      const size = drawing.page.box.width / 12;
      const gradient: Gradient = {
        cloth: id,
        kind: GRADIENTS[i % GRADIENTS.length],
        from: [x, y],
        to: [x + size, y + size],
        mix: "oklch",
        stops: [
          { at: 0, paint: paint!, opacity: 1 },
          { at: 1, paint: { colour: COLOURS[i % COLOURS.length], step: 1 }, opacity: 1 },
        ],
      };
      return edited(
        now,
        setGradient(now, [id], gradient),
        addShade({
          id: `shade-${id}`,
          kind: "drawn",
          anchor,
          outline: [rectangle([x, y], [x + 3 * size, y + 3 * size])],
          evenOdd: false,
          paint: { colour: "dusk", step: 0 },
          blend: "multiply",
          opacity: 0.5,
          soft: size / 6,
        }),
      );
    }, drawing);
  });

const FEW = SOAK ? 5 : 2;

const few = (finish: (drawing: Drawing) => Drawing): InkedArt[] => firstOf(() => true, FEW, finish);

/** The first icons of several pockets that are as asked. */
function firstOf(
  isWanted: (drawing: Drawing) => boolean,
  count: number,
  finish?: (drawing: Drawing) => Drawing,
): InkedArt[] {
  const found: InkedArt[] = [];
  for (const { file, svg } of ART) {
    if (found.length === count) break;
    const art = artOf(file, importSvg(file, svg).drawing, finish);
    if (Object.keys(art.drawing.pours).length > 1 && isWanted(art.drawing)) found.push(art);
  }
  return found;
}

/** Every opening bridged, every pocket poured, neighbours mostly in unlike colours; then finished. */
function artOf(name: string, bare: Drawing, finish = (drawing: Drawing): Drawing => drawing): InkedArt {
  const reader = new LineReader();
  reader.read(bare);
  const bridges = reader.gaps(bare).openings.map(({ bridge }, i) => ({ id: `b${i}`, points: bridge }));
  const bridged = edited(bare, addBridges(bridges));
  const pockets = shown(bridged);
  const poured = pockets.reduce(
    (now, pocket, i) =>
      edited(
        now,
        pour([{ anchor: anchorOf(pocket) }], { colour: COLOURS[i % COLOURS.length], step: 0 }, [`p${i}`]),
      ),
    bridged,
  );
  const drawing = finish(poured);
  const { x, y, width, height } = bare.page.box;
  const data = (outline: readonly (readonly number[])[]) => outline.map(chainData).join("");
  const paths = [
    ...Object.values(bare.inkShapes).map(
      ({ outline, evenOdd }) => `<path fill-rule="${evenOdd ? "evenodd" : "nonzero"}" d="${data(outline)}"/>`,
    ),
    ...pockets.map(({ outline }) => `<path d="${data(outline)}"/>`),
  ];
  const covered = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${width} ${height}"><g shape-rendering="crispEdges">${paths.join("")}</g></svg>`;
  const parted = Object.keys(drawing.parts).length > 1;
  const now = parted ? new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden) : pockets;
  return { name, drawing, svg: deliveredSvg(drawing, derive(drawing, now)), covered };
}

const chainData = (chain: readonly number[]): string => {
  let d = `M${chain[0]} ${chain[1]}`;
  for (let o = 2; o < chain.length; o += 6) d += `C${chain.slice(o, o + 6).join(" ")}`;
  return `${d}Z`;
};

/** Pixels a page unit at which drawings are looked at. */
export const SCALES = [1, 4, 16] as const;

const MOST_PIXELS = 2400;

/** What of a page is looked at, at a scale: all of it, or as much of its middle as makes a picture of sensible size. */
export function windowOf({ drawing }: InkedArt, scale: number) {
  const { x, y, width, height } = drawing.page.box;
  const part = Math.min(1, MOST_PIXELS / (width * scale));
  const view = [x + ((1 - part) / 2) * width, y + ((1 - part) / 2) * height, part * width, part * height];
  return {
    pixels: Math.round(part * width * scale),
    shown: (svg: string) => svg.replace(/viewBox="[^"]*"/, `viewBox="${view.join(" ")}"`),
  };
}
