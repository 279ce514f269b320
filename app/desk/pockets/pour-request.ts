import type { Paint } from "#core/drawing/drawing.ts";

/** What pouring is to lay. */
export type PourRequest =
  | { readonly kind: "paint"; readonly paint: Paint | null; readonly cuts?: boolean }
  /** Moves a pocket's own colour by this many steps; a bare pocket stays bare. */
  | { readonly kind: "step"; readonly by: number }
  /** As spot blacks. */
  | { readonly kind: "ink" }
  /** Paper on purpose: it is not missed any more. */
  | { readonly kind: "bare" };

export const paintRequest = (paint: Paint | null, cuts = false): PourRequest => ({
  kind: "paint",
  paint,
  cuts,
});
