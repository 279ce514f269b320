/** What lies over a pour's colour, named in one place: it stays when another colour is poured and goes where the pour goes. */
import type { Pour } from "./drawing.ts";

export const OVERS = ["gradient", "pattern", "bands", "form", "rim", "cast", "style"] as const;
type OverName = (typeof OVERS)[number];
export type Over = Pick<Pour, OverName>;

/** Those of them that there are. */
export const overOf = (pour: Over): Over =>
  Object.fromEntries(OVERS.flatMap((name) => (pour[name] ? [[name, pour[name]]] : [])));

/** Those that the lamp makes. */
export const LAMP_MADE = ["form", "rim", "cast"] as const;
