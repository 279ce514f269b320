/** Elements of SVG as text. */
import { plainText } from "../drawing/plain-text.ts";
import type { Chain } from "../scene/items.ts";
import { pathData } from "./svg-path.ts";
import type { Attributes } from "./svg-words.ts";

export const elementText = (attributes: Attributes): string => `<path${attributeText(attributes)}/>`;

/** Those that have a value. */
export const attributeText = (attributes: Attributes): string =>
  Object.entries(attributes)
    .map(([name, value]) => (value === undefined ? "" : ` ${name}="${escaped(value)}"`))
    .join("");

export const escaped = (text: string): string =>
  plainText(text).replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** Closed chains as path data. */
export const outlineData = (outline: readonly Chain[], digits: number): string =>
  outline.map((chain) => pathData(chain, true, digits)).join("");
