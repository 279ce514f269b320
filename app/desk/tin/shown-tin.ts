import { tinOf } from "#core/colour/colourways.ts";
import type { Colour, Table } from "#core/drawing/drawing.ts";
import type { Desk } from "../store/desk-state.ts";

/** The tin with the values of the colourway that is seen. */
export const shownTin = ({ drawing }: Pick<Desk, "drawing">): Table<Colour> => tinOf(drawing);
