/** What lies over a pour's colour, named in one place: it stays when another colour is poured and goes where the pour goes. */
import { type Matrix, meanScale } from "../geometry/matrix.ts";
import type { Pour } from "./drawing.ts";
import { movedGradient } from "./moved-gradient.ts";
import { movedPattern } from "./moved-pattern.ts";

export const OVERS = ["gradient", "pattern", "bands", "form", "rim", "cast", "style"] as const;
export type OverName = (typeof OVERS)[number];
export type Over = Pick<Pour, OverName>;

/** Those of them that there are. */
export const overOf = (pour: Over): Over => picked(pour, OVERS);

/** Those that the lamp makes. */
export const LAMP_MADE = ["form", "rim", "cast"] as const;

function picked<K extends OverName>(pour: Over, names: readonly K[]): Pick<Over, K> {
  const found: Record<string, unknown> = {};
  for (const name of names) if (pour[name]) found[name] = pour[name];
  return found as Pick<Over, K>;
}

type Move<K extends OverName> = (
  over: NonNullable<Over[K]>,
  matrix: Matrix,
  scale: number,
) => NonNullable<Over[K]>;

const MOVES: { readonly [K in OverName]: Move<K> } = {
  gradient: movedGradient,
  pattern: movedPattern,
  bands: (bands, _, scale) => ({
    ...bands,
    bands: bands.bands.map((band) => ({ ...band, width: band.width * scale })),
  }),
  form: (form, _, scale) => (form.soft ? { ...form, soft: form.soft * scale } : form),
  rim: (rim, _, scale) => ({
    ...rim,
    width: rim.width * scale,
    gap: rim.gap * scale,
    ...(rim.soft ? { soft: rim.soft * scale } : {}),
  }),
  cast: (cast, _, scale) => ({ ...cast, high: cast.high * scale }),
  style: (use) => use,
};

/** The same, gone along through a matrix: lengths grow as the page does. */
export function movedOver(pour: Over, matrix: Matrix): Over {
  const scale = meanScale(matrix);
  const moved: Record<string, unknown> = {};
  for (const name of OVERS)
    if (pour[name]) moved[name] = (MOVES[name] as Move<OverName>)(pour[name], matrix, scale);
  return moved as Over;
}
