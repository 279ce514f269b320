/** What an SVG paint comes to: one plain colour; gradients are taken by their middle colour. */
import { formatHex, interpolate } from "culori";
import { type Tint, tintOf } from "./svg-colour.ts";
import type { AsideKind } from "./svg-mark.ts";
import type { Style, StyleSheet } from "./svg-style.ts";
import { linkOf, type SvgElement, type SvgTree } from "./svg-tree.ts";
import { urlOf } from "./svg-units.ts";

export interface PaintReading {
  readonly tint?: Tint;
  /** What about it could not be kept. */
  readonly aside?: AsideKind;
}

export function readPaint(paint: string, current: string, tree: SvgTree, sheet: StyleSheet): PaintReading {
  const text = paint.trim();
  if (text === "none" || text === "transparent") return {};
  if (text.startsWith("context-")) return {};
  const id = urlOf(text);
  if (id !== undefined) return serverPaint(tree.byId.get(id), text, tree, sheet);
  return { tint: tintOf(/^currentcolor$/i.test(text) ? current : text) };
}

function serverPaint(
  server: SvgElement | undefined,
  text: string,
  tree: SvgTree,
  sheet: StyleSheet,
): PaintReading {
  const otherwise = /\)\s*(\S.*)$/.exec(text)?.[1];
  if (server?.name === "pattern") return { aside: "pattern" };
  if (!server?.name.endsWith("Gradient")) return otherwise ? { tint: tintOf(otherwise) } : {};
  const stops = stopsOf(server, tree).map((stop) => {
    const style = wholeStyleOf(stop, sheet);
    const tint = tintOf(style["stop-color"] ?? "black");
    return tint && { ...tint, alpha: tint.alpha * Number(style["stop-opacity"] ?? 1) };
  });
  const known = stops.filter((tint): tint is Tint => tint !== undefined);
  if (known.length === 0) return {};
  const middle = interpolate(
    known.map(({ value }) => value),
    "oklab",
  )(0.5);
  const alpha = known.reduce((sum, tint) => sum + tint.alpha, 0) / known.length;
  return { tint: { value: formatHex(middle) ?? known[0].value, alpha }, aside: "gradient" };
}

/** With what it inherits: colours may be custom properties of the root. */
const wholeStyleOf = (element: SvgElement, sheet: StyleSheet): Style =>
  sheet.styleOf(element, element.parent ? wholeStyleOf(element.parent, sheet) : {});

/** A gradient's stops, or those of the one it is like. */
function stopsOf(gradient: SvgElement, tree: SvgTree, depth = 0): SvgElement[] {
  const own = gradient.children.filter(({ name }) => name === "stop");
  const link = linkOf(gradient);
  const other = link?.startsWith("#") ? tree.byId.get(link.slice(1)) : undefined;
  return own.length > 0 || !other || depth > 8 ? own : stopsOf(other, tree, depth + 1);
}
