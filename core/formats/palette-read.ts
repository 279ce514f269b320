/** Reads palettes from files: what palette-write.ts writes, and what others make of the same formats. */
import * as csstree from "css-tree";
import { formatHex, toGamut } from "culori";
import { cssColour } from "../colour/css-colour.ts";
import { colourName } from "../colour/name.ts";
import { checked } from "../drawing/checked.ts";
import type { Colour } from "../drawing/drawing.ts";
import { Ladder } from "../drawing/facts/colours.ts";
import { cutShort, plainText } from "../drawing/plain-text.ts";
import { FileProblem } from "./file-problem.ts";
import { OURS, tokenName } from "./palette-write.ts";

/** A colour as a file tells it, with its values in colourways by their names. */
export interface PaletteColour extends Pick<Colour, "name" | "value" | "opacity" | "group" | "ladder"> {
  readonly ways?: Readonly<Record<string, string>>;
}

const inGamut = toGamut("rgb", "oklch");
const rounded = (n: number): number => Math.round(n * 1e4) / 1e4;

/** Most colours a palette file may bring. */
const MOST = 1000;

/** The colours a text tells, by whichever of the formats it is. Throws a FileProblem where it tells none. */
export function readPalette(text: string): PaletteColour[] {
  const found = /^\s*\{/.test(text)
    ? readTokens(text)
    : /--[\w\p{L}-]+\s*:/u.test(text)
      ? readCss(text)
      : readList(text);
  if (found.length === 0)
    throw new FileProblem(
      "not-ours",
      "No colours were found in it. Design tokens, CSS custom properties and lists of hexadecimal values can be read.",
    );
  if (found.length > MOST)
    throw new FileProblem("too-large", `It has ${found.length} colours; a tin takes ${MOST} of a file.`);
  return found.map(({ name, group, ...colour }) => ({
    ...colour,
    name: cutShort(plainText(name), 60) || colourName(colour.value),
    ...(group ? { group: cutShort(plainText(group), 60) } : {}),
  }));
}

/** Whether JSON is an object, no list. */
const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function readTokens(text: string): PaletteColour[] {
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch {
    throw new FileProblem("broken", "It begins like design tokens, but its JSON is broken.");
  }
  const found: PaletteColour[] = [];
  const walk = (node: unknown, path: readonly string[], type: unknown) => {
    if (!isObject(node) || path.length > DEEPEST) return;
    const own = node.$type ?? type;
    if ("$value" in node) {
      const seen = own === undefined || own === "color" ? seenIn(node.$value, root) : undefined;
      if (seen) found.push({ ...namedBy(path, node), ...seen, ...ladderIn(node), ...waysIn(node) });
      return;
    }
    for (const [key, child] of Object.entries(node))
      if (!key.startsWith("$")) walk(child, [...path, key], own);
  };
  walk(root, [], undefined);
  return found;
}

const DEEPEST = 24;

function namedBy(
  path: readonly string[],
  { $description }: Record<string, unknown>,
): Pick<Colour, "name" | "group"> {
  const group = path.slice(0, -1).join(" / ");
  const last = path[path.length - 1] ?? "";
  const name = typeof $description === "string" && tokenName($description) === last ? $description : last;
  return { name, ...(group ? { group } : {}) };
}

function ladderIn({ $extensions }: Record<string, unknown>): { readonly ladder?: Ladder } {
  const own = isObject($extensions) ? $extensions[OURS] : undefined;
  const ladder = isObject(own) && isObject(own.ladder) ? checked(Ladder, own.ladder) : undefined;
  return ladder && "value" in ladder ? { ladder: ladder.value as unknown as Ladder } : {};
}

/** Values in other colourways. */
function waysIn({ $extensions }: Record<string, unknown>): Pick<PaletteColour, "ways"> {
  const own = isObject($extensions) ? $extensions[OURS] : undefined;
  const told = isObject(own) && isObject(own.colourways) ? Object.entries(own.colourways) : [];
  const ways = told.flatMap(([name, value]) => {
    const seen = typeof value === "string" ? valued(value) : undefined;
    return seen && plainText(name) ? [[cutShort(plainText(name), 60), seen.value]] : [];
  });
  return ways.length > 0 ? { ways: Object.fromEntries(ways) } : {};
}

type Valued = Pick<Colour, "value" | "opacity">;

/** A token's value as it is, or through aliases ({group.name}) to another's. */
function seenIn(value: unknown, root: unknown, hops = 0): Valued | undefined {
  if (typeof value === "string") {
    const alias = /^\{(.+)\}$/.exec(value)?.[1];
    if (alias === undefined) return valued(value);
    const target = alias
      .split(".")
      .reduce<unknown>((node, key) => (isObject(node) ? node[key] : undefined), root);
    return isObject(target) && hops < DEEPEST ? seenIn(target.$value, root, hops + 1) : undefined;
  }
  if (!isObject(value)) return undefined;
  const { colorSpace, components, alpha = 1, hex } = value;
  const channels = Array.isArray(components) ? components.map((n) => (n === "none" ? 0 : Number(n))) : [];
  const space = SPACES[String(colorSpace)];
  if (space && channels.length === 3 && channels.every(Number.isFinite))
    return valued(space(channels), Number(alpha));
  return typeof hex === "string" ? valued(hex, Number(alpha)) : undefined;
}

/** The colour spaces of tokens as CSS writes them. */
const functional = (name: string) => (of: readonly number[]) => `${name}(${of.join(" ")})`;
const spaced = (name: string) => (of: readonly number[]) => `color(${name} ${of.join(" ")})`;
const percent =
  (name: string) =>
  ([h, s, l]: readonly number[]) =>
    `${name}(${h} ${s}% ${l}%)`;
const SPACES: Readonly<Record<string, (channels: readonly number[]) => string>> = {
  srgb: spaced("srgb"),
  "srgb-linear": spaced("srgb-linear"),
  "display-p3": spaced("display-p3"),
  "a98-rgb": spaced("a98-rgb"),
  "prophoto-rgb": spaced("prophoto-rgb"),
  rec2020: spaced("rec2020"),
  "xyz-d65": spaced("xyz-d65"),
  "xyz-d50": spaced("xyz-d50"),
  lab: functional("lab"),
  lch: functional("lch"),
  oklab: functional("oklab"),
  oklch: functional("oklch"),
  hsl: percent("hsl"),
  hwb: percent("hwb"),
};

function valued(css: string, alpha = 1): Valued | undefined {
  const colour = cssColour(css.trim());
  if (!colour) return undefined;
  const opacity = (colour.alpha ?? 1) * (Number.isFinite(alpha) ? Math.min(1, Math.max(0, alpha)) : 1);
  if (opacity === 0) return undefined;
  return {
    value: formatHex(inGamut({ ...colour, alpha: 1 })),
    ...(opacity < 1 ? { opacity: rounded(opacity) } : {}),
  };
}

/**
 * Custom properties, each where it stands first, and what they are in colourways of ours; names stand in the comments after them
 * where we wrote them.
 */
function readCss(text: string): PaletteColour[] {
  const names = new Map(
    [...text.matchAll(/(--[^\s:;{}]+)\s*:[^;{}]*;\s*\/\*\s*(.*?)\s*\*\//gu)].map(([, property, name]) => [
      property,
      name,
    ]),
  );
  const found = new Map<string, PaletteColour>();
  const tree = csstree.parse(text, { onParseError: () => {}, parseCustomProperty: false });
  csstree.walk(tree, {
    visit: "Declaration",
    enter(node) {
      if (!node.property.startsWith("--")) return;
      const seen = valued(csstree.generate(node.value));
      if (!seen) return;
      const before = found.get(node.property);
      const way = this.rule && WAY.exec(csstree.generate(this.rule.prelude))?.[1];
      if (before && way)
        found.set(node.property, { ...before, ways: { ...before.ways, [wordsOf(`--${way}`)]: seen.value } });
      if (before) return;
      const told = names.get(node.property)?.split(" / ");
      const name = told?.at(-1) ?? wordsOf(node.property);
      found.set(node.property, {
        ...seen,
        name,
        ...(told && told.length > 1 ? { group: told.slice(0, -1).join(" / ") } : {}),
      });
    },
  });
  return [...found.values()];
}

/** The rule of a colourway, as palette-write.ts writes it. */
const WAY = /\[data-colourway=["']?([^"'\]]+)["']?\]/;

function wordsOf(property: string): string {
  const words = property.slice(2).replace(/[-_]+/g, " ").trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const HEX = /#([0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3,4})\b/i;

/** One colour a line, its name before or after it; a line that ends in a colon names a group. */
function readList(text: string): PaletteColour[] {
  let group: string | undefined;
  return text.split(/\r?\n/).flatMap((line) => {
    const hex = HEX.exec(line)?.[0] ?? bareHex(line);
    if (!hex) {
      if (/^\s*\S.*:\s*$/.test(line)) group = line.trim().slice(0, -1);
      return [];
    }
    const seen = valued(hex.startsWith("#") ? hex : `#${hex}`);
    const name = line.replace(hex, "").replace(/^[\s,;:|"'=-]+|[\s,;:|"'=-]+$/g, "");
    return seen ? [{ ...seen, name, ...(group ? { group } : {}) }] : [];
  });
}

/** Six digits at the beginning or the end of a line, without their sign. */
const bareHex = (line: string): string | undefined =>
  /^\s*([0-9a-f]{6})\b|\b([0-9a-f]{6})\s*$/i.exec(line)?.[0].trim();
