/**
 * Palettes as files: design tokens (Design Tokens Community Group, Format and Color modules 2025.10), CSS custom
 * properties, and a plain list of hexadecimal values with names. What they cannot say (ladders, colourways) stands in
 * extensions or is left out.
 */
import { converter } from "culori";
import { tinOf, valuesIn } from "../colour/colourways.ts";
import { type Drawing, ranked } from "../drawing/drawing.ts";
import { freeName } from "../drawing/free-name.ts";
import { FIRST_COLOURWAY } from "../drawing/start.ts";
import { variableNames, wayNames } from "../scene/palette.ts";

type Coloured = Pick<Drawing, "name" | "tin" | "colourways" | "shown">;

/** Where our own facts stand in a token. */
export const OURS = "fern-pocket";

export const PALETTE_FORMATS = ["tokens", "css", "list"] as const;
export type PaletteFormat = (typeof PALETTE_FORMATS)[number];

export const PALETTE_FILES: {
  readonly [K in PaletteFormat]: {
    readonly word: string;
    readonly ending: string;
    readonly write: (drawing: Coloured) => string;
  };
} = {
  tokens: { word: "Design tokens", ending: "tokens.json", write: tokensOf },
  css: { word: "CSS custom properties", ending: "css", write: cssOf },
  list: { word: "Plain list", ending: "txt", write: listOf },
};

const rgb = converter("rgb");
const rounded = (n: number): number => Math.round(n * 1e4) / 1e4;

function tokensOf(drawing: Coloured): string {
  const root: Record<string, unknown> = { $description: `Palette of ${drawing.name}` };
  const ways = ranked(drawing.colourways).filter(({ id }) => id !== FIRST_COLOURWAY);
  for (const { id, name, value, opacity = 1, group, ladder } of ranked(drawing.tin)) {
    const { r, g, b } = rgb(value)!;
    const colourways = Object.fromEntries(ways.map((way) => [way.name, tinOf(drawing, way.id)[id].value]));
    const own = { ...(ladder ? { ladder } : {}), ...(ways.length > 0 ? { colourways } : {}) };
    const within = group === undefined ? root : groupIn(root, group);
    within[freeIn(within, tokenName(name))] = {
      $type: "color",
      $value: { colorSpace: "srgb", components: [r, g, b].map(rounded), alpha: opacity, hex: value },
      ...(name === tokenName(name) ? {} : { $description: name }),
      ...(Object.keys(own).length > 0 ? { $extensions: { [OURS]: own } } : {}),
    };
  }
  return `${JSON.stringify(root, null, 2)}\n`;
}

function groupIn(root: Record<string, unknown>, group: string): Record<string, unknown> {
  const name = tokenName(group);
  const there = root[name];
  if (there !== undefined && !("$value" in (there as object))) return there as Record<string, unknown>;
  const free = freeIn(root, name);
  root[free] = {};
  return root[free] as Record<string, unknown>;
}

/** Names of tokens hold no dots and braces and begin with no dollar sign. */
export const tokenName = (name: string): string =>
  name.replace(/[.{}]/g, "-").replace(/^\$/, "-") || "Colour";

const freeIn = (group: object, name: string): string => freeName((one) => Object.hasOwn(group, one), name);

function cssOf(drawing: Coloured): string {
  const names = variableNames(drawing);
  const ways = wayNames(drawing);
  const block = (selector: string, way: string, only: (id: string) => boolean) => {
    const lines = ranked(tinOf(drawing, way))
      .filter(({ id }) => only(id))
      .map(
        ({ id, name, value, opacity, group }) =>
          `  --${names.get(id)}: ${value}${alphaText(opacity)}; /* ${[...(group ? [group] : []), name].map(comment).join(" / ")} */`,
      );
    return `${selector} {\n${lines.join("\n")}\n}\n`;
  };
  const first = valuesIn(drawing, FIRST_COLOURWAY);
  const others = ranked(drawing.colourways)
    .filter(({ id }) => id !== FIRST_COLOURWAY)
    .map(({ id }) =>
      block(
        `[data-colourway="${ways.get(id)}"]`,
        id,
        (colour) => tinOf(drawing, id)[colour].value !== first[colour],
      ),
    );
  return [block(":root", FIRST_COLOURWAY, () => true), ...others].join("\n");
}

const alphaText = (opacity = 1): string =>
  opacity < 1
    ? Math.round(opacity * 255)
        .toString(16)
        .padStart(2, "0")
    : "";

const comment = (text: string): string => text.replaceAll("*/", "* /");

function listOf(drawing: Coloured): string {
  let last: string | undefined;
  return ranked(drawing.tin)
    .sort((a, b) => Number(a.group !== undefined) - Number(b.group !== undefined))
    .map(({ name, value, group }) => {
      const heading = group !== last && group !== undefined ? `\n${group}:\n` : "";
      last = group;
      return `${heading}${value} ${name}\n`;
    })
    .join("");
}
