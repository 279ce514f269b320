/**
 * Writes a scene as SVG: named sheets as groups, ink as strokes, fills as Bézier paths, colours as CSS custom
 * properties named after the tin. Every shape also carries its plain colour, for programs without custom properties.
 */
import { type Drawing, type Page, type Stroke, widthInInches } from "../drawing/drawing.ts";
import { plainText } from "../drawing/plain-text.ts";
import type { Point } from "../geometry/point.ts";
import {
  type Derived,
  type FillItem,
  type FlatItem,
  type InkItem,
  type Scene,
  type SceneItem,
  type SceneSheet,
  type ShadeItem,
  type StrokeItem,
  sceneOf,
} from "../scene/scene.ts";
import { factsOf, OURS } from "./svg-facts.ts";
import { digitsFor, lineDigitsFor, pathData, short } from "./svg-path.ts";

export interface SvgOptions {
  /** The drawing of the scene: gives the file a printed size, and what it needs to come back without loss. */
  readonly drawing?: Drawing;
}

/** A drawing as its own SVG, from which it comes back without loss: hidden sheets are in it, unseen. */
export const deliveredSvg = (drawing: Drawing, derived: Derived): string =>
  writeSvg(sceneOf(drawing, derived, { hidden: true }), { drawing });

/** Without its drawing the picture scales with where it is put. */
export function writeSvg(scene: Scene, { drawing }: SvgOptions = {}): string {
  const { x, y, width, height } = scene.box;
  const digits = digitsOf(Math.max(width, height));
  const view = [x, y, width, height].map((n) => short(n, digits.colour)).join(" ");
  const printed = drawing ? sizeAttributes(drawing.page) : "";
  const facts = drawing ? factsOf(drawing, idsIn(scene)) : "";
  const shades = scene.sheets.flatMap(({ items }) => items.filter((item) => item.kind === "shade"));
  const trims = shades.map(({ trim }) => outlineData(trim, digits.colour));
  const root = rootId([scene.tones, trims]);
  const body = scene.sheets.map((sheet) => writeSheet(sheet, root, digits));
  const clips = trims.map((d, i) => `<clipPath id="${clipId(root, i)}"><path d="${d}"/></clipPath>`);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" id="${root}" viewBox="${view}"${printed}>`,
    `<title>${escaped(scene.title)}</title>`,
    ...(drawing ? [`<metadata id="${OURS}">${escaped(facts)}</metadata>`] : []),
    `<style>${styleOf(scene, root)}</style>`,
    ...(clips.length ? [`<defs>\n${clips.join("\n")}\n</defs>`] : []),
    `<g id="art" style="isolation:isolate">`,
    ...body,
    "</g>",
    "</svg>\n",
  ].join("\n");
}

const idsIn = ({ sheets }: Scene): Set<string> =>
  new Set(sheets.flatMap(({ items }) => items.map(({ id }) => id)));

function sizeAttributes(page: Page): string {
  const width = short(page.width, 3);
  const height = short((page.width * page.box.height) / page.box.width, 3);
  return widthInInches(page) > 0 ? ` width="${width}${page.unit}" height="${height}${page.unit}"` : "";
}

/** How many decimals are written: lines more exactly than colour, since what they enclose hangs on where they meet. */
interface Digits {
  readonly colour: number;
  readonly line: number;
}

const digitsOf = (size: number): Digits => ({ colour: digitsFor(size), line: lineDigitsFor(size) });

/**
 * An id that is the same only for pictures with the same colours and clips, by 32-bit FNV-1a (Fowler, Noll and Vo):
 * so each of several in one page keeps its own to itself.
 */
function rootId(own: readonly unknown[]): string {
  const content = JSON.stringify(own);
  let hash = 0x811c9dc5;
  for (let i = 0; i < content.length; i++) hash = Math.imul(hash ^ content.charCodeAt(i), 0x01000193);
  return `spot-${(hash >>> 0).toString(36)}`;
}

const clipId = (root: string, index: number): string => `${root}-trim-${index + 1}`;

/** The rule is wrapped so that readers that know no custom properties keep to the attributes. */
function styleOf(scene: Scene, root: string): string {
  const properties = scene.tones.map(({ variable, value }) => `--${variable}:${value}`).join(";");
  const fills = scene.tones.map(
    ({ variable }) =>
      `#${root} .f-${variable}{fill:var(--${variable})}#${root} .s-${variable}{stroke:var(--${variable})}`,
  );
  return `@supports (color:var(--a)){#${root}{${properties}}${fills.join("")}}`;
}

function writeSheet(sheet: SceneSheet, root: string, digits: Digits): string {
  const blended = sheet.items.some((item) => item.kind === "shade");
  const opacity = sheet.opacity < 1 && !blended ? ` opacity="${short(sheet.opacity, 3)}"` : "";
  const ink = sheet.name === "ink" ? ' stroke-linecap="round" stroke-linejoin="round"' : "";
  const faint = blended ? sheet.opacity : 1;
  const items = grouped(sheet.items, (item, i) =>
    item.kind === "shade" ? writeShade(item, clipId(root, i), faint, digits.colour) : writeItem(item, digits),
  );
  const display = sheet.hidden ? ' display="none"' : "";
  return `<g id="${sheet.name}"${opacity}${display}${ink}>\n${items}\n</g>`;
}

/** Items that follow one another and came in the same groups are written in those groups again. */
function grouped(items: readonly SceneItem[], write: (item: SceneItem, index: number) => string): string {
  const out: string[] = [];
  let open: readonly string[] = [];
  const turnTo = (groups: readonly string[]) => {
    const shared = groups.findIndex((name, i) => name !== open[i]);
    const kept = shared < 0 ? Math.min(groups.length, open.length) : shared;
    for (let k = open.length; k > kept; k--) out.push("</g>");
    for (const name of groups.slice(kept)) out.push(`<g data-name="${escaped(name)}">`);
    open = groups;
  };
  items.forEach((item, index) => {
    turnTo("groups" in item ? (item.groups ?? NO_GROUPS) : NO_GROUPS);
    out.push(write(item, index));
  });
  turnTo(NO_GROUPS);
  return out.join("\n");
}

const NO_GROUPS: readonly string[] = [];

function writeItem(item: Exclude<SceneItem, ShadeItem>, digits: Digits): string {
  if (item.kind === "fill") return writeFill(item, digits.colour);
  if (item.kind === "flat") return writeFlat(item, digits.colour);
  if (item.kind === "ink") return writeInk(item, digits);
  return writeStroke(item, digits.line);
}

function writeInk({ name, tone, outline, evenOdd, drawn }: InkItem, digits: Digits): string {
  const rule = evenOdd ? ' fill-rule="evenodd"' : "";
  const line = drawn ? lineData(drawn, digits.line) : "";
  const d = outlineData(outline, drawn ? digits.colour : digits.line);
  return `<path class="f-${tone.variable}"${labelOf(name)}${line} fill="${tone.value}"${rule} d="${d}"/>`;
}

/** The centre line and how it is drawn, for the way back: SVG has no strokes whose width changes. */
function lineData({ stroke }: NonNullable<InkItem["drawn"]>, digits: number): string {
  const { points, closed, width } = stroke;
  return ` data-line="${pathData(points, closed, digits)}" data-width="${short(width, digits)}"${nibData(stroke)}`;
}

const nibData = ({ nib, profile }: Pick<Stroke, "nib" | "profile">): string =>
  (nib ? ` data-nib="${escaped(nib)}"` : "") +
  (profile ? ` data-profile="${profile.map((n) => short(n, 5)).join(" ")}"` : "");

function writeFlat({ name, tone, outline, evenOdd, opacity }: FlatItem, digits: number): string {
  const rule = evenOdd ? ' fill-rule="evenodd"' : "";
  const alpha = opacity < 1 ? ` fill-opacity="${short(opacity, 3)}"` : "";
  return `<path class="f-${tone.variable}"${labelOf(name)} fill="${tone.value}"${alpha}${rule} d="${outlineData(outline, digits)}"/>`;
}

const labelOf = (name: string | undefined): string => (name ? ` data-name="${escaped(name)}"` : "");

function writeFill({ tone, seed, outline, traps, trapWidth }: FillItem, digits: number): string {
  const fill = `<path class="f-${tone.variable}" data-pour="${placeOf(seed)}" fill="${tone.value}" d="${outlineData(outline, digits)}"/>`;
  if (traps.length === 0) return fill;
  const d = traps.map((chain) => pathData(chain, false, digits)).join("");
  const trap = `<path class="s-${tone.variable}" data-trap="" fill="none" stroke="${tone.value}" stroke-width="${short(trapWidth, digits)}" d="${d}"/>`;
  return `${trap}\n${fill}`;
}

function writeShade(
  { tone, points, seed, blend, opacity }: ShadeItem,
  clip: string,
  sheetOpacity: number,
  digits: number,
): string {
  const mode = blend === "normal" ? "" : ` style="mix-blend-mode:${blend}"`;
  const faint = opacity * sheetOpacity;
  const alpha = faint < 1 ? ` fill-opacity="${short(faint, 3)}"` : "";
  const own = opacity < 1 ? ` data-opacity="${short(opacity, 3)}"` : "";
  return `<path class="f-${tone.variable}" data-shade="${placeOf(seed)}"${own} fill="${tone.value}"${alpha}${mode} clip-path="url(#${clip})" d="${pathData(points, true, digits)}"/>`;
}

function writeStroke(item: StrokeItem, digits: number): string {
  const { name, tone, points, closed, width, cap, join, miterLimit, dash, dashOffset, nib } = item;
  const n = (value: number) => short(value, digits);
  const pen = [
    cap === "round" ? "" : ` stroke-linecap="${cap}"`,
    join === "round" ? "" : ` stroke-linejoin="${join}"`,
    join === "miter" && miterLimit !== 4 ? ` stroke-miterlimit="${n(miterLimit)}"` : "",
    dash.length > 0 ? ` stroke-dasharray="${dash.map(n).join(" ")}"` : "",
    dash.length > 0 && dashOffset !== 0 ? ` stroke-dashoffset="${n(dashOffset)}"` : "",
    nibData({ nib }),
  ].join("");
  return `<path class="s-${tone.variable}"${labelOf(name)} fill="none" stroke="${tone.value}" stroke-width="${n(width)}"${pen} d="${pathData(points, closed, digits)}"/>`;
}

/** Exact, so that it lies in the smallest pocket still. */
const placeOf = ([x, y]: Point): string => `${x} ${y}`;

const outlineData = (outline: readonly (readonly number[])[], digits: number): string =>
  outline.map((chain) => pathData(chain, true, digits)).join("");

const escaped = (text: string): string =>
  plainText(text).replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);
