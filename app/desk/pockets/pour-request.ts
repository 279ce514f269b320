import type { Paint } from "#core/drawing/drawing.ts";

/** What pouring is to lay. */
export type PourRequest =
  | { readonly kind: "paint"; readonly paint: Paint | null; readonly cuts?: boolean }
  /** So many rungs up or down from its own colour; what is bare stays so. */
  | { readonly kind: "step"; readonly by: number }
  /** As spot blacks. */
  | { readonly kind: "ink" };

export const paintRequest = (paint: Paint | null, cuts = false): PourRequest => ({
  kind: "paint",
  paint,
  cuts,
});
