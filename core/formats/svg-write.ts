/**
 * Writes a scene as SVG: named sheets as groups, ink as strokes, fills as Bézier paths, colours as CSS custom
 * properties named after the tin. Every shape also carries its plain colour, for programs without custom properties.
 */
import { type Page, widthInInches } from "../drawing/drawing.ts";
import type {
  FillItem,
  InkItem,
  Scene,
  SceneItem,
  SceneSheet,
  ShadeItem,
  StrokeItem,
} from "../scene/scene.ts";
import { digitsFor, pathData, short } from "./svg-path.ts";

export interface SvgOptions {
  /** Gives the file a printed size; without it the picture scales with where it is put. */
  readonly page?: Page;
}

export function writeSvg(scene: Scene, { page }: SvgOptions = {}): string {
  const { x, y, width, height } = scene.box;
  const digits = digitsFor(Math.max(width, height));
  const view = [x, y, width, height].map((n) => short(n, digits)).join(" ");
  const size = page ? sizeAttributes(page) : "";
  const body = scene.sheets.map((sheet) => writeSheet(sheet, digits));
  const clips = scene.sheets.flatMap(({ items }) =>
    items.filter((item) => item.kind === "shade").map((item) => clipOf(item, digits)),
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${view}"${size}>`,
    `<title>${escaped(scene.title)}</title>`,
    `<style>${styleOf(scene)}</style>`,
    ...(clips.length ? [`<defs>\n${clips.join("\n")}\n</defs>`] : []),
    `<g id="art" style="isolation:isolate">`,
    ...body,
    "</g>",
    "</svg>\n",
  ].join("\n");
}

function sizeAttributes(page: Page): string {
  const width = short(page.width, 3);
  const height = short((page.width * page.box.height) / page.box.width, 3);
  return widthInInches(page) > 0 ? ` width="${width}${page.unit}" height="${height}${page.unit}"` : "";
}

/** The rule is wrapped so that readers that know no custom properties keep to the attributes. */
function styleOf(scene: Scene): string {
  const properties = scene.tones.map(({ variable, value }) => `--${variable}:${value}`).join(";");
  const fills = scene.tones.map(
    ({ variable }) => `.f-${variable}{fill:var(--${variable})}.s-${variable}{stroke:var(--${variable})}`,
  );
  return `@supports (color:var(--a)){svg{${properties}}${fills.join("")}}`;
}

function writeSheet(sheet: SceneSheet, digits: number): string {
  const blended = sheet.items.some((item) => item.kind === "shade");
  const opacity = sheet.opacity < 1 && !blended ? ` opacity="${short(sheet.opacity, 3)}"` : "";
  const ink = sheet.name === "ink" ? ' fill="none" stroke-linecap="round" stroke-linejoin="round"' : "";
  const items = sheet.items.map((item) => writeItem(item, blended ? sheet.opacity : 1, digits));
  return `<g id="${sheet.name}"${opacity}${ink}>\n${items.join("\n")}\n</g>`;
}

function writeItem(item: SceneItem, sheetOpacity: number, digits: number): string {
  if (item.kind === "fill") return writeFill(item, digits);
  if (item.kind === "shade") return writeShade(item, sheetOpacity, digits);
  if (item.kind === "ink") return writeInk(item, digits);
  return writeStroke(item, digits);
}

function writeInk({ name, tone, outline, evenOdd }: InkItem, digits: number): string {
  const rule = evenOdd ? ' fill-rule="evenodd"' : "";
  return `<path class="f-${tone.variable}"${labelOf(name)} fill="${tone.value}"${rule} d="${outlineData(outline, digits)}"/>`;
}

const labelOf = (name: string | undefined): string => (name ? ` data-name="${escaped(name)}"` : "");

function writeFill({ tone, outline, traps, trapWidth }: FillItem, digits: number): string {
  const fill = `<path class="f-${tone.variable}" fill="${tone.value}" d="${outlineData(outline, digits)}"/>`;
  if (traps.length === 0) return fill;
  const d = traps.map((chain) => pathData(chain, false, digits)).join("");
  const trap = `<path class="s-${tone.variable}" fill="none" stroke="${tone.value}" stroke-width="${short(trapWidth, digits)}" d="${d}"/>`;
  return `${trap}\n${fill}`;
}

function writeShade(
  { id, tone, points, blend, opacity }: ShadeItem,
  sheetOpacity: number,
  digits: number,
): string {
  const mode = blend === "normal" ? "" : ` style="mix-blend-mode:${blend}"`;
  const faint = opacity * sheetOpacity;
  const alpha = faint < 1 ? ` fill-opacity="${short(faint, 3)}"` : "";
  return `<path class="f-${tone.variable}" fill="${tone.value}"${alpha}${mode} clip-path="url(#trim-${escaped(id)})" d="${pathData(points, true, digits)}"/>`;
}

const clipOf = ({ id, trim }: ShadeItem, digits: number): string =>
  `<clipPath id="trim-${escaped(id)}"><path d="${outlineData(trim, digits)}"/></clipPath>`;

function writeStroke({ name, tone, points, closed, width }: StrokeItem, digits: number): string {
  return `<path class="s-${tone.variable}"${labelOf(name)} stroke="${tone.value}" stroke-width="${short(width, digits)}" d="${pathData(points, closed, digits)}"/>`;
}

const outlineData = (outline: readonly (readonly number[])[], digits: number): string =>
  outline.map((chain) => pathData(chain, true, digits)).join("");

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);
