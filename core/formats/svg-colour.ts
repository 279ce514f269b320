/** Colours and paints as SVG and CSS write them. */
import { converter, formatHex } from "culori";
import { weakMapMemoize } from "reselect";
import { cssColour } from "../colour/css-colour.ts";
import { urlOf } from "./svg-units.ts";

/** A plain colour. */
export interface Tint {
  /** #rrggbb */
  readonly value: string;
  readonly alpha: number;
}

const rgb = converter("rgb");

/** Undefined for what is no colour. SVG 1.1 may name the same colour of a printing profile behind it. */
export const tintOf = weakMapMemoize((text: string): Tint | undefined => {
  const plain = text.replace(/\s+icc-color\([^)]*\)\s*$/i, "");
  const colour = rgb(cssColour(plain.trim().toLowerCase()));
  const value = formatHex(colour);
  return colour && value ? { value, alpha: colour.alpha ?? 1 } : undefined;
});

const PLAIN_TEXT = /^[\t\n\f\r -~]*$/;

export const isColour = (text: string): boolean =>
  /^\s*currentcolor\s*$/i.test(text) || (PLAIN_TEXT.test(text) && tintOf(text) !== undefined);

export const isPaint = (text: string): boolean =>
  /^\s*(none\s*$|context-(fill|stroke)\s*$)/i.test(text) ||
  (/^\s*url\(/.test(text) && urlOf(text) !== undefined) ||
  isColour(text);
