/** Items of a scene as elements of SVG. */
import type { Area, Effects, Item, ItemPaint } from "../scene/items.ts";
import type { Definitions, Digits } from "./svg-definitions.ts";
import { pathData, short } from "./svg-path.ts";
import { SEAM, sayingOf } from "./svg-says.ts";
import { elementText, outlineData } from "./svg-text.ts";
import type { Attributes } from "./svg-words.ts";

/** What writing an item needs to know of its file. */
export interface Context extends Pick<Definitions, "clipIds" | "blurIds" | "gradientIds"> {
  readonly plain: boolean;
  readonly digits: Digits;
}

export function writeItem(item: Item, sheetOpacity: number, context: Context): string {
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
