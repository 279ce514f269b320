/** The fonts that letters are drawn from, loaded once each. */
import caveat from "@fontsource/caveat/files/caveat-latin-500-normal.woff?url";
import fraunces from "@fontsource/fraunces/files/fraunces-latin-400-normal.woff?url";
import { Lettering } from "#core/deliver/lettering.ts";

const FONTS = { hand: caveat, print: fraunces } as const;
export type Hand = keyof typeof FONTS;
export const HANDS = Object.keys(FONTS) as readonly Hand[];

const loaded = new Map<Hand, Promise<Lettering>>();

export function letteringIn(hand: Hand): Promise<Lettering> {
  const before = loaded.get(hand);
  if (before) return before;
  const loading = fetch(FONTS[hand])
    .then((response) => response.arrayBuffer())
    .then((bytes) => new Lettering(bytes));
  loaded.set(hand, loading);
  loading.catch(() => loaded.delete(hand));
  return loading;
}
