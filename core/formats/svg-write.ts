/**
 * Writes a scene as SVG: named sheets as groups, ink as strokes, fills as Bézier paths, colours as CSS custom
 * properties named after the tin. Every shape also carries its plain colour, for programs without custom properties.
 */
import { type Drawing, type Page, type SheetName, widthInInches } from "../drawing/drawing.ts";
import { MAIN } from "../drawing/parts.ts";
import { plainText } from "../drawing/plain-text.ts";
import { boxesApart, grow } from "../geometry/point.ts";
import { boxOfItem } from "../scene/item-box.ts";
import {
  type Area,
  type Chain,
  type Effects,
  type GradientPaint,
  type Item,
  type ItemPaint,
  type ScenePart,
  type SceneSheet,
  tonesIn,
} from "../scene/items.ts";
import type { Tone } from "../scene/palette.ts";
import { type Derived, type Scene, type SceneWay, sceneOf } from "../scene/scene.ts";
import { factsOf, OURS } from "./svg-facts.ts";
import { digitsFor, lineDigitsFor, pathData, short } from "./svg-path.ts";
import { SEAM, sayingOf } from "./svg-says.ts";
import type { Attributes } from "./svg-words.ts";

export interface SvgOptions {
  /** The drawing of the scene: gives the file a printed size, and what it needs to come back without loss. */
  readonly drawing?: Drawing;
  /** Its printed size alone, where it is not to come back. */
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
  const digits = digitsOf(Math.max(width, height));
  const view = [x, y, width, height].map((n) => short(n, digits.colour)).join(" ");
  const printed = page ? sizeAttributes(page) : "";
  const facts = drawing ? factsOf(drawing, idsIn(scene)) : "";
  const clips = clipsOf(scene, digits.colour);
  const hides = hidesOf(scene, digits.colour);
  const blurs = blursOf(scene, digits.colour);
  const gradients = gradientsOf(scene, digits.line, plain);
  const own = [clips, hides, blurs].map((defs) => [...defs.values()]);
  // However many things share a gradient, it is one.
  const root = rootId([scene.tones, ...own, [...new Set(gradients.values())]]);
  const gradientIds = idsOf(root, "gradient", new Map([...gradients.values()].map((def) => [def, def])));
  const context: Context = {
    root,
    plain,
    digits,
    clipIds: idsOf(root, "trim", clips),
    blurIds: idsOf(root, "soft", blurs),
    gradientIds: new Map([...gradients].map(([paint, def]) => [paint, gradientIds.get(def)!])),
  };
  const hideIds = idsOf(root, "behind", hides);
  const body = writeParts(scene.parts, hideIds, context);
  const defs = [
    ...[...clips].map(
      ([clip, d]) => `<clipPath id="${context.clipIds.get(clip)}"><path d="${d}"/></clipPath>`,
    ),
    ...[...hides].map(
      ([clip, d]) => `<clipPath id="${hideIds.get(clip)}"><path clip-rule="evenodd" d="${d}"/></clipPath>`,
    ),
    ...[...gradientIds].map(([{ element, text }, id]) => `<${element} id="${id}"${text}</${element}>`),
    ...[...blurs].map(([item, filter]) => `<filter id="${context.blurIds.get(item)}"${filter}</filter>`),
  ];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" id="${root}" viewBox="${view}"${printed}${attributeText(wayOf(scene, dark))}>`,
    `<title>${escaped(scene.title)}</title>`,
    ...(drawing ? [`<metadata id="${OURS}">${escaped(facts)}</metadata>`] : []),
    ...(plain ? [] : [`<style>${styleOf(scene, root, dark)}</style>`]),
    ...(defs.length ? [`<defs>\n${defs.join("\n")}\n</defs>`] : []),
    plain ? `<g id="art">` : `<g id="art" style="isolation:isolate">`,
    body,
    "</g>",
    "</svg>\n",
  ].join("\n");
}

/** What writing an item needs to know of its file. */
interface Context {
  readonly root: string;
  readonly plain: boolean;
  readonly digits: Digits;
  readonly clipIds: ReadonlyMap<readonly Chain[], string>;
  readonly blurIds: ReadonlyMap<Item, string>;
  readonly gradientIds: ReadonlyMap<GradientPaint, string>;
}

const itemsIn = ({ parts }: Scene): Item[] =>
  parts.flatMap(({ sheets }) => sheets.flatMap(({ items }) => items));

const idsIn = (scene: Scene): Set<string> => new Set(itemsIn(scene).map(({ id }) => id));

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

/** The outlines that items are clipped to, each once, as path data. */
function clipsOf(scene: Scene, digits: number): Map<readonly Chain[], string> {
  const clips = itemsIn(scene).flatMap(({ effects }) => (effects.clip ? [effects.clip] : []));
  return new Map(clips.map((clip) => [clip, outlineData(clip, digits)]));
}

/** For what each part hides all but that: far more than the page, with holes. */
function hidesOf({ parts, box }: Scene, digits: number): Map<readonly Chain[], string> {
  const [x, y] = [box.x - FAR * box.width, box.y - FAR * box.height];
  const all = `M${x} ${y}h${(2 * FAR + 1) * box.width}v${(2 * FAR + 1) * box.height}h${-(2 * FAR + 1) * box.width}Z`;
  const hiding = parts.filter(({ hides, hidden }) => hides.length > 0 && !hidden);
  return new Map(hiding.map(({ hides }) => [hides, `${all}${outlineData(hides, digits)}`]));
}

const FAR = 20;

/** Less than this share of a box on the page is nothing. */
const ON_PAGE = 1e-3;

/**
 * The filters of what is soft, each within the box that it can reach. What reaches nothing of the page has none: some
 * renderers break on a filter beside their picture.
 */
function blursOf(scene: Scene, digits: number): Map<Item, string> {
  return new Map(
    itemsIn(scene).flatMap((item): [Item, string][] => {
      const { blur } = item.effects;
      const box = blur && boxOfItem({ ...item, effects: { blur } });
      if (!box || boxesApart(grow(box, -ON_PAGE * box.width), scene.box)) return [];
      const [x, y, width, height] = [box.x, box.y, box.width, box.height].map((n) => short(n, digits));
      const region = { filterUnits: "userSpaceOnUse", x, y, width, height };
      const gaussian = `<feGaussianBlur stdDeviation="${short(blur, digits)}"/>`;
      return [[item, `${attributeText({ ...region, "color-interpolation-filters": "sRGB" })}>${gaussian}`]];
    }),
  );
}

/** The gradients, those that are alike as one, in the space of their own; their stops have classes, so that every colourway reaches them. */
function gradientsOf(scene: Scene, digits: number, plain: boolean) {
  const paints = itemsIn(scene).flatMap(({ paint }) => (paint.kind === "gradient" ? [paint] : []));
  const known = new Map<string, ReturnType<typeof gradientText>>();
  return new Map(
    paints.map((paint) => {
      const made = gradientText(paint, digits, plain);
      const def = known.get(made.text) ?? made;
      known.set(made.text, def);
      return [paint, def];
    }),
  );
}

function gradientText({ shape, space, focus, stops }: GradientPaint, digits: number, plain: boolean) {
  const own =
    shape === "linear"
      ? { x1: "0", y1: "0", x2: "1", y2: "0" }
      : { cx: "0", cy: "0", r: "1", fx: short(focus, 4), fy: "0" };
  const attributes = {
    gradientUnits: "userSpaceOnUse",
    ...own,
    gradientTransform: `matrix(${space.map((n) => short(n, digits)).join(" ")})`,
  };
  const written = stops.map(({ at, tone, opacity }) => {
    const seen = opacity * (tone.opacity ?? 1);
    const stop = {
      offset: short(at, 5),
      class: plain ? undefined : `g-${tone.variable}`,
      "stop-color": tone.value,
      "stop-opacity": seen < 1 ? short(seen, 3) : undefined,
    };
    return `<stop${attributeText(stop)}/>`;
  });
  return { element: `${shape}Gradient`, text: `${attributeText(attributes)}>${written.join("")}` };
}

const idsOf = <K>(root: string, name: string, defs: ReadonlyMap<K, unknown>): Map<K, string> =>
  new Map([...defs.keys()].map((key, i) => [key, `${root}-${name}-${i + 1}`]));

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
 * An id that is the same only for pictures with the same colours and clips, by 32-bit FNV-1a (Fowler, Noll and Vo):
 * so each of several in one page keeps its own to itself.
 */
function rootId(own: readonly unknown[]): string {
  const content = JSON.stringify(own);
  let hash = 0x811c9dc5;
  for (let i = 0; i < content.length; i++) hash = Math.imul(hash ^ content.charCodeAt(i), 0x01000193);
  return `spot-${(hash >>> 0).toString(36)}`;
}

/** The rule is wrapped so that readers that know no custom properties keep to the attributes. */
function styleOf(scene: Scene, root: string, dark: string | undefined): string {
  const properties = propertiesOf(scene.tones);
  const ways = scene.ways
    .filter(({ shown }) => !shown)
    .map(({ name, tones }) => `#${root}[${WAY}="${name}"]{${propertiesOf(tones)}}`);
  const flat = new Set(
    itemsIn(scene).map(({ paint }) => (paint.kind === "tone" ? paint.tone : paint.base).variable),
  );
  const stops = new Set(
    itemsIn(scene).flatMap(({ paint }) =>
      paint.kind === "gradient" ? tonesIn(paint).map(({ variable }) => variable) : [],
    ),
  );
  const fills = scene.tones.flatMap(({ variable }) => {
    const own = `#${root} .f-${variable}{fill:var(--${variable})}#${root} .s-${variable}{stroke:var(--${variable})}`;
    const stop = `#${root} .g-${variable}{stop-color:var(--${variable})}`;
    return [...(flat.has(variable) ? [own] : []), ...(stops.has(variable) ? [stop] : [])];
  });
  return `@supports (color:var(--a)){#${root}{${properties}}${ways.join("")}${darkOf(scene, root, dark)}${fills.join("")}}`;
}

/** A page that names a colourway itself has that; otherwise dark pages have their own. */
function darkOf(scene: Scene, root: string, dark: string | undefined): string {
  const way = darkWay(scene, dark);
  return way ? `@media (prefers-color-scheme:dark){#${root}:not([${WAY}]){${propertiesOf(way.tones)}}}` : "";
}

const darkWay = ({ ways }: Scene, dark: string | undefined): SceneWay | undefined =>
  ways.find(({ name, shown }) => name === dark && !shown);

/** The attribute of the root that names the colourway it is painted in. */
const WAY = "data-colourway";

/** Where dark pages have one of their own, the file itself names none. */
const wayOf = (scene: Scene, dark: string | undefined): Attributes => ({
  [WAY]: darkWay(scene, dark) ? undefined : scene.ways.find(({ shown }) => shown)?.name,
});

/** A picture of ours in another of its colourways. */
export const inColourway = (svg: string, name: string): string =>
  svg.replace(new RegExp(`(<svg [^>]*${WAY}=")[^"]*`), (_, before: string) => `${before}${escaped(name)}`);

/** A picture of ours without some of its sheets. */
export const withoutSheets = (svg: string, names: readonly SheetName[]): string =>
  svg.replace(
    "</style>",
    () => `${names.map((name) => `[id=${name}],[data-sheet=${name}]{display:none}`).join("")}</style>`,
  );

const propertiesOf = (tones: readonly Tone[]): string =>
  tones.map(({ variable, value }) => `--${variable}:${value}`).join(";");

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

function writeItem(item: Item, sheetOpacity: number, context: Context): string {
  const { area, paint, effects, name } = item;
  const { digits } = context;
  const opacity = (effects.opacity ?? 1) * sheetOpacity;
  const written = effectsOf({ ...effects, opacity: opacity < 1 ? opacity : undefined }, item, context);
  const path = elementText({
    ...colourOf(paint, area.kind, context),
    ...(context.plain ? {} : { "data-name": name || undefined, ...sayingOf(item, digits.line) }),
    display: item.hidden ? "none" : undefined,
    ...Object.assign({}, ...written.map(({ attributes }) => attributes)),
    ...areaOf(area, item.says.is === "shape" ? digits.line : digits.colour, digits.line),
  });
  return [...written.flatMap(({ beneath }) => beneath ?? []), path].join("\n");
}

/** A region has its gradient, a line the tone that it lies over. */
function colourOf(paint: ItemPaint, kind: Area["kind"], { gradientIds, plain }: Context): Attributes {
  const { variable, value } = paint.kind === "tone" ? paint.tone : paint.base;
  const named = (letter: string) => (plain ? {} : { class: `${letter}-${variable}` });
  if (kind === "line") return { ...named("s"), fill: "none", stroke: value };
  return paint.kind === "tone" ? { ...named("f"), fill: value } : { fill: `url(#${gradientIds.get(paint)})` };
}

type AreaOf<K extends Area["kind"]> = Extract<Area, { readonly kind: K }>;

const AREAS: { readonly [K in Area["kind"]]: (area: AreaOf<K>, fill: number, line: number) => Attributes } = {
  region: ({ chains, evenOdd }, digits) => ({
    "fill-rule": evenOdd ? "evenodd" : undefined,
    d: outlineData(chains, digits),
  }),
  line: ({ points, closed, width, cap, join, miterLimit, dash, dashOffset }, _, digits) => ({
    "stroke-width": short(width, digits),
    "stroke-linecap": cap === "round" ? undefined : cap,
    "stroke-linejoin": join === "round" ? undefined : join,
    "stroke-miterlimit": join === "miter" && miterLimit !== 4 ? short(miterLimit, digits) : undefined,
    "stroke-dasharray": dash.length > 0 ? dash.map((n) => short(n, digits)).join(" ") : undefined,
    "stroke-dashoffset": dash.length > 0 && dashOffset !== 0 ? short(dashOffset, digits) : undefined,
    d: pathData(points, closed, digits),
  }),
};

const areaOf = (area: Area, fillDigits: number, lineDigits: number): Attributes =>
  (AREAS[area.kind] as (area: Area, fill: number, line: number) => Attributes)(area, fillDigits, lineDigits);

/** What an effect adds to an item: attributes of its element, and an element beneath it. */
interface Effected {
  readonly attributes?: Attributes;
  readonly beneath?: string;
}

const EFFECTS: {
  readonly [K in keyof Effects]-?: (
    effect: NonNullable<Effects[K]>,
    item: Item,
    context: Context,
  ) => Effected;
} = {
  clip: (clip, _, { clipIds }) => ({ attributes: { "clip-path": `url(#${clipIds.get(clip)})` } }),
  seam: (seam, { paint }, context) => ({ beneath: seamText(seam, paint, context) }),
  blend: (blend) => (blend === "normal" ? {} : { attributes: { style: `mix-blend-mode:${blend}` } }),
  blur: (_, item, { blurIds }) => {
    const id = blurIds.get(item);
    return id ? { attributes: { filter: `url(#${id})` } } : {};
  },
  opacity: (opacity, { area }) => ({
    attributes: { [area.kind === "line" ? "stroke-opacity" : "fill-opacity"]: short(opacity, 3) },
  }),
};

const effectsOf = (effects: Effects, item: Item, context: Context): Effected[] =>
  (Object.keys(EFFECTS) as (keyof Effects)[])
    .filter((key) => effects[key] !== undefined)
    .map((key) => (EFFECTS[key] as EffectWriter)(effects[key], item, context));

type EffectWriter = (effect: unknown, item: Item, context: Context) => Effected;

const seamText = (
  { chains, width }: NonNullable<Effects["seam"]>,
  paint: ItemPaint,
  context: Context,
): string =>
  elementText({
    ...colourOf(paint, "line", context),
    ...(context.plain ? {} : SEAM),
    "stroke-width": short(width, context.digits.colour),
    d: chains.map((chain) => pathData(chain, false, context.digits.colour)).join(""),
  });

const outlineData = (outline: readonly Chain[], digits: number): string =>
  outline.map((chain) => pathData(chain, true, digits)).join("");

const elementText = (attributes: Attributes): string => `<path${attributeText(attributes)}/>`;

/** Those that have a value. */
const attributeText = (attributes: Attributes): string =>
  Object.entries(attributes)
    .map(([name, value]) => (value === undefined ? "" : ` ${name}="${escaped(value)}"`))
    .join("");

const escaped = (text: string): string =>
  plainText(text).replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);
