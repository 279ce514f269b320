/** Which colours of the tin anything in a drawing is of: what is seen, what waits, what is kept for later. */
import type { Drawing } from "./drawing.ts";

/** Ids of colours. The tin and its colourways tell what colours are, and mean none. */
export function coloursMeant({ tin: _, colourways: __, ...facts }: Drawing): ReadonlySet<string> {
  const meant = new Set<string>();
  const look = (fact: unknown): void => {
    if (typeof fact !== "object" || fact === null || isRun(fact)) return;
    for (const [key, value] of Object.entries(fact))
      if (key === "colour" && typeof value === "string") meant.add(value);
      else look(value);
  };
  look(facts);
  return meant;
}

/** The long runs of numbers in a drawing hold no colours. */
const isRun = (fact: object): boolean => Array.isArray(fact) && typeof fact[0] === "number";
