/** A colour as CSS writes it. */
import { type Color, parse } from "culori";

/** Undefined for what is no colour: culori's parser throws at some such texts. */
export function cssColour(text: string): Color | undefined {
  try {
    return parse(text);
  } catch {
    return undefined;
  }
}
