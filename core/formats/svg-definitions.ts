/** What items of an SVG refer to: clip paths, blurs and gradients, each once, under ids that no other picture has. */
import { boxesApart, grow } from "../geometry/point.ts";
import { boxOfItem } from "../scene/item-box.ts";
import type { Chain, GradientPaint, Item } from "../scene/items.ts";
import type { Scene } from "../scene/scene.ts";
import { short } from "./svg-path.ts";
import { attributeText, outlineData } from "./svg-text.ts";

/**
 * How many decimals are written: lines more exactly than colour, since what they enclose depends on where they
 * meet.
 */
export interface Digits {
  readonly colour: number;
  readonly line: number;
}

export interface Definitions {
  /** The id of the file's root. */
  readonly root: string;
  readonly clipIds: ReadonlyMap<readonly Chain[], string>;
  /** Of what clips the parts behind a part to where it does not hide them. */
  readonly hideIds: ReadonlyMap<readonly Chain[], string>;
  readonly blurIds: ReadonlyMap<Item, string>;
  readonly gradientIds: ReadonlyMap<GradientPaint, string>;
  /** Their elements. */
  readonly elements: readonly string[];
}

export function definitionsOf(
  scene: Scene,
  items: readonly Item[],
  digits: Digits,
  plain: boolean,
): Definitions {
  const clips = clipsOf(items, digits.colour);
  const hides = hidesOf(scene, digits.colour);
  const blurs = blursOf(scene, items, digits.colour);
  const gradients = gradientsOf(items, digits.line, plain);
  const own = [clips, hides, blurs].map((defs) => [...defs.values()]);
  // However many things share a gradient, it is one.
  const root = rootId([scene.tones, ...own, [...new Set(gradients.values())]]);
  const clipIds = idsOf(root, "trim", clips);
  const hideIds = idsOf(root, "behind", hides);
  const blurIds = idsOf(root, "soft", blurs);
  const alike = idsOf(root, "gradient", new Map([...gradients.values()].map((def) => [def, def])));
  return {
    root,
    clipIds,
    hideIds,
    blurIds,
    gradientIds: new Map([...gradients].map(([paint, def]) => [paint, alike.get(def)!])),
    elements: [
      ...[...clips].map(([clip, d]) => `<clipPath id="${clipIds.get(clip)}"><path d="${d}"/></clipPath>`),
      ...[...hides].map(
        ([clip, d]) => `<clipPath id="${hideIds.get(clip)}"><path clip-rule="evenodd" d="${d}"/></clipPath>`,
      ),
      ...[...alike].map(([{ element, text }, id]) => `<${element} id="${id}"${text}</${element}>`),
      ...[...blurs].map(([item, filter]) => `<filter id="${blurIds.get(item)}"${filter}</filter>`),
    ],
  };
}

/** The outlines that items are clipped to, each once, as path data. */
function clipsOf(items: readonly Item[], digits: number): Map<readonly Chain[], string> {
  const clips = items.flatMap(({ effects }) => (effects.clip ? [effects.clip] : []));
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
function blursOf(scene: Scene, items: readonly Item[], digits: number): Map<Item, string> {
  return new Map(
    items.flatMap((item): [Item, string][] => {
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
function gradientsOf(items: readonly Item[], digits: number, plain: boolean) {
  const paints = items.flatMap(({ paint }) => (paint.kind === "gradient" ? [paint] : []));
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
