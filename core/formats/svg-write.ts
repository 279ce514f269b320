/**
 * Writes a scene as SVG: named sheets as groups, ink as strokes, fills as Bézier paths, colours as CSS custom
 * properties named after the tin. Every shape also carries its plain colour, for programs without custom properties.
 */
import { type Drawing, type Page, widthInInches } from "../drawing/drawing.ts";
import { MAIN } from "../drawing/parts.ts";
import type { Chain, Item, ScenePart, SceneSheet } from "../scene/items.ts";
import { type Derived, type Scene, sceneOf } from "../scene/scene.ts";
import { definitionsOf } from "./svg-definitions.ts";
import { factsOf, OURS } from "./svg-facts.ts";
import { type Context, writeItem } from "./svg-items.ts";
import { digitsFor, lineDigitsFor, short } from "./svg-path.ts";
import { attributeText, escaped } from "./svg-text.ts";
import { styleOf, wayOf } from "./svg-tones.ts";

export interface SvgOptions {
  /** The drawing of the scene: gives the file a printed size, and what it needs to come back without loss. */
  readonly drawing?: Drawing;
  /** The page alone, for its printed size, where the file is not to come back as a drawing. */
  readonly page?: Page;
  /** Without custom properties, classes and what only we understand: every colour is written out. */
  readonly plain?: boolean;
  /** The name of the colourway that pages in dark colours show. */
  readonly dark?: string;
}

/** A drawing as its own SVG, from which it comes back without loss: hidden sheets are in it, unseen. */
export const deliveredSvg = (drawing: Drawing, derived: Derived, dark?: string): string =>
  writeSvg(sceneOf(drawing, derived, { hidden: true }), { drawing, dark });

/** What a program that knows paths and little else makes the same picture of; it comes back as art from elsewhere. */
export const plainSvg = (scene: Scene, page: Page): string => writeSvg(scene, { page, plain: true });

/** Without its drawing or page the picture scales with where it is put. */
export function writeSvg(
  scene: Scene,
  { drawing, page = drawing?.page, plain = false, dark }: SvgOptions = {},
): string {
  const { x, y, width, height } = scene.box;
  const size = Math.max(width, height);
  const digits = { colour: digitsFor(size), line: lineDigitsFor(size) };
  const view = [x, y, width, height].map((n) => short(n, digits.colour)).join(" ");
  const printed = page ? sizeAttributes(page) : "";
  const items = scene.parts.flatMap(({ sheets }) => sheets.flatMap((sheet) => sheet.items));
  const facts = drawing ? factsOf(drawing, new Set(items.map(({ id }) => id))) : "";
  const definitions = definitionsOf(scene, items, digits, plain);
  const { root, elements } = definitions;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" id="${root}" viewBox="${view}"${printed}${attributeText(wayOf(scene, dark))}>`,
    `<title>${escaped(scene.title)}</title>`,
    ...(drawing ? [`<metadata id="${OURS}">${escaped(facts)}</metadata>`] : []),
    ...(plain ? [] : [`<style>${styleOf(scene, items, root, dark)}</style>`]),
    ...(elements.length ? [`<defs>\n${elements.join("\n")}\n</defs>`] : []),
    plain ? `<g id="art">` : `<g id="art" style="isolation:isolate">`,
    writeParts(scene.parts, definitions.hideIds, { plain, digits, ...definitions }),
    "</g>",
    "</svg>\n",
  ].join("\n");
}

function sizeAttributes(page: Page): string {
  const width = short(page.width, 3);
  const height = short((page.width * page.box.height) / page.box.width, 3);
  return widthInInches(page) > 0 ? ` width="${width}${page.unit}" height="${height}${page.unit}"` : "";
}

/** A drawing of one part has its sheets alone; each part of several clips all that lies behind it. */
function writeParts(
  parts: readonly ScenePart[],
  hideIds: ReadonlyMap<readonly Chain[], string>,
  context: Context,
): string {
  if (parts.length === 1 && parts[0].id === MAIN) return writeSheets(parts[0], context, true);
  return parts.reduce((behind, part) => {
    const clip = hideIds.get(part.hides);
    const seen = clip && behind ? `<g clip-path="url(#${clip})">\n${behind}\n</g>` : behind;
    const own = {
      ...(context.plain ? {} : { "data-is": "part", "data-part": part.id, "data-name": part.name }),
      display: part.hidden ? "none" : undefined,
    };
    const written = `<g${attributeText(own)}>\n${writeSheets(part, context, false)}\n</g>`;
    return seen ? `${seen}\n${written}` : written;
  }, "");
}

const writeSheets = ({ sheets }: ScenePart, context: Context, named: boolean): string =>
  sheets.map((sheet) => writeSheet(sheet, context, named)).join("\n");

/**
 * A faint group would not blend with what lies below it: then its items are faint themselves. Where there is but one
 * sheet of a name it has that as its id.
 */
function writeSheet(
  { name, items, opacity, blends, hidden }: SceneSheet,
  context: Context,
  named: boolean,
): string {
  const attributes = {
    ...(named || !context.plain ? { [named ? "id" : "data-sheet"]: name } : {}),
    opacity: opacity < 1 && !blends ? short(opacity, 3) : undefined,
    display: hidden ? "none" : undefined,
    ...(name === "ink" ? { "stroke-linecap": "round", "stroke-linejoin": "round" } : {}),
  };
  const own = context.plain ? items.map(({ groups: _, ...item }) => item) : items;
  const written = grouped(own, (item) => writeItem(item, blends ? opacity : 1, context));
  return `<g${attributeText(attributes)}>\n${written}\n</g>`;
}

/** Items that follow one another and came in the same groups are written in those groups again. */
function grouped(items: readonly Item[], write: (item: Item) => string): string {
  const out: string[] = [];
  let open: readonly string[] = [];
  const turnTo = (groups: readonly string[]) => {
    const shared = groups.findIndex((name, i) => name !== open[i]);
    const kept = shared < 0 ? Math.min(groups.length, open.length) : shared;
    for (let k = open.length; k > kept; k--) out.push("</g>");
    for (const name of groups.slice(kept)) out.push(`<g data-name="${escaped(name)}">`);
    open = groups;
  };
  for (const item of items) {
    turnTo(item.groups ?? NO_GROUPS);
    out.push(write(item));
  }
  turnTo(NO_GROUPS);
  return out.join("\n");
}

const NO_GROUPS: readonly string[] = [];
