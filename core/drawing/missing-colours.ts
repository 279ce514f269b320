import { coloursMeant } from "./colours-meant.ts";
import { type Colour, type Drawing, topRank } from "./drawing.ts";

const GREY = "#808080";

/** A drawing whose every paint is in its tin: a colour that a file has lost comes back as a grey to be changed. */
export function withMissingColours(drawing: Drawing): Drawing {
  const { tin } = drawing;
  const missing = [...coloursMeant(drawing)].filter((id) => !Object.hasOwn(tin, id));
  if (missing.length === 0) return drawing;
  const top = topRank(tin);
  const found = missing.map(
    (id, i): Colour => ({ id, rank: top + i + 1, name: "Missing colour", value: GREY }),
  );
  return { ...drawing, tin: { ...tin, ...Object.fromEntries(found.map((colour) => [colour.id, colour])) } };
}
