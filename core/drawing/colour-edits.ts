/** Edits of the tin and of its colourways. */
import type { Draft } from "immer";
import { counted } from "../words.ts";
import { coloursMeant } from "./colours-meant.ts";
import { type Colour, type Drawing, type Gradient, type Ladder, type Paint, topRank } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { FIRST_COLOURWAY } from "./start.ts";

export const addColour = (id: string, name: string, value: string): Edit => addColours([{ id, name, value }]);

/** Puts colours at the end of the tin. */
export const addColours = (colours: readonly Omit<Colour, "rank">[]): Edit => ({
  label: colours.length === 1 ? `Add ${colours[0].name}` : `Add ${colours.length} colours`,
  change: (draft) => {
    const top = topRank(draft.tin);
    colours.forEach((colour, i) => {
      draft.tin[colour.id] = { ...colour, rank: top + i + 1 } as Draft<Colour>;
    });
  },
});

/** A colour that comes with its values in colourways, by their names; known to the tin already, or put at its end. */
export interface BroughtColour extends Omit<Colour, "rank"> {
  readonly ways?: Readonly<Record<string, string>>;
}

/** Brings colours and what they are in colourways; those that are not there yet are made, under the ids given by their names. */
export const bringColours = (
  colours: readonly BroughtColour[],
  wayIds: Readonly<Record<string, string>>,
): Edit => ({
  label: addColours(colours).label,
  change: (draft) => {
    const fresh = colours.filter(({ id }) => !draft.tin[id]);
    addColours(fresh.map(({ ways: _, ...colour }) => colour)).change(draft);
    for (const { id, value, ways = {} } of colours)
      for (const [name, own] of Object.entries(ways)) {
        const way = wayNamed(draft, name) ?? madeWay(draft, wayIds[name], name);
        if (way.id !== FIRST_COLOURWAY && own !== value) way.values[id] = own;
      }
  },
});

const wayNamed = ({ colourways }: Draft<Drawing>, name: string) =>
  Object.values(colourways).find((way) => way.name.toLowerCase() === name.toLowerCase());

function madeWay({ colourways }: Draft<Drawing>, id: string, name: string) {
  colourways[id] = { id, rank: topRank(colourways) + 1, name, values: {} };
  return colourways[id];
}

/** Changes a colour in the colourway that is seen. */
export const changeColour = (id: string, value: string, name: string): Edit => ({
  label: `Change ${name}`,
  merge: `colour-${id}`,
  change: (draft) => {
    if (draft.shown === FIRST_COLOURWAY) draft.tin[id].value = value;
    else draft.colourways[draft.shown].values[id] = value;
  },
});

export const renameColour = (id: string, name: string): Edit => ({
  label: `Name colour ${name}`,
  change: (draft) => {
    draft.tin[id].name = name;
  },
});

export const setColourOpacity = (id: string, opacity: number, name: string): Edit => ({
  label: `Change ${name}`,
  merge: `opacity-${id}`,
  change: (draft) => {
    if (opacity < 1) draft.tin[id].opacity = opacity;
    else delete draft.tin[id].opacity;
  },
});

export const setLadder = (id: string, ladder: Ladder, name: string): Edit => ({
  label: `Ladder of ${name}`,
  merge: `ladder-${id}`,
  change: (draft) => {
    draft.tin[id].ladder = ladder as Draft<Ladder>;
  },
});

type Painted = { paint?: Draft<Paint> | null };

/**
 * Takes a colour out of the tin. Another, on the same step, takes its place wherever it was used; with none its places
 * are empty, and lines are in the drawing's ink, which must be another.
 */
export const removeColour = (id: string, name: string, by: string | null): Edit => ({
  label: `Remove ${name}`,
  change: (draft) => {
    const { ink, undercoat, groundShadow, sticker, pours, shades, flatShapes, dabs } = draft;
    const { strokes, inkShapes } = draft;
    if (by === null && ink.colour === id) return;
    if (undercoat?.colour === id && !replaced({ paint: undercoat }, by)) draft.undercoat = null;
    if (groundShadow?.paint.colour === id && !replaced(groundShadow, by)) draft.groundShadow = null;
    if (sticker?.paint.colour === id && !replaced(sticker, by)) draft.sticker = null;
    for (const item of [{ paint: ink }, ...Object.values<Painted>(strokes), ...Object.values(inkShapes)])
      if (item.paint?.colour === id && !replaced(item, by)) delete item.paint;
    for (const table of [pours, shades, flatShapes, dabs])
      for (const [key, item] of Object.entries<Painted>(table))
        if (item.paint?.colour === id && !replaced(item, by)) delete table[key];
    for (const holder of [...Object.values(draft.pours), ...Object.values(draft.flatShapes)]) {
      const { pattern } = holder;
      if (pattern?.paint.colour === id && !replaced(pattern, by)) delete holder.pattern;
    }
    for (const { bands } of Object.values(draft.pours)) {
      const gone = bands?.bands.filter((band) => band.paint.colour === id && !replaced(band, by)) ?? [];
      if (bands && gone.length > 0) bands.bands = bands.bands.filter((band) => !gone.includes(band));
    }
    for (const table of [pours, shades, flatShapes])
      for (const item of Object.values<{ gradient?: Draft<Gradient> }>(table)) dropFrom(item, id, by);
    for (const { shapes, gradient } of Object.values(draft.styles))
      for (const { paint } of [...shapes, ...(gradient?.stops ?? [])])
        if (paint.colour === id) paint.colour = by;
    for (const { values } of Object.values(draft.colourways)) delete values[id];
    delete draft.tin[id];
  },
});

/** Takes every colour out of the tin that nothing is of. */
export const removeUnused = (drawing: Drawing): Edit => {
  const meant = coloursMeant(drawing);
  const gone = Object.keys(drawing.tin).filter((id) => !meant.has(id));
  return {
    label: `Remove ${counted(gone.length, "unused colour", "unused colours")}`,
    change: (draft) => {
      for (const id of gone) {
        delete draft.tin[id];
        for (const { values } of Object.values(draft.colourways)) delete values[id];
      }
    },
  };
};

/** Stops of a colour that is removed take another colour, or go; a gradient with fewer than two stops goes as well. */
function dropFrom(item: { gradient?: Draft<Gradient> }, id: string, by: string | null): void {
  const { gradient } = item;
  if (!gradient?.stops.some(({ paint }) => paint.colour === id)) return;
  gradient.stops = gradient.stops.filter((stop) => stop.paint.colour !== id || replaced(stop, by));
  if (gradient.stops.length < 2) delete item.gradient;
}

function replaced({ paint }: Painted, by: string | null): boolean {
  if (by !== null) paint!.colour = by;
  return by !== null;
}

/** The tin's colours in their order, each in the group it stands in from now on. */
export const orderTin = (order: readonly Pick<Colour, "id" | "group">[]): Edit => ({
  label: "Reorder tin",
  change: (draft) => {
    order.forEach(({ id, group }, i) => {
      draft.tin[id].rank = i + 1;
      if (group === undefined) delete draft.tin[id].group;
      else draft.tin[id].group = group;
    });
  },
});

export const renameGroup = (group: string, name: string): Edit => ({
  label: `Name group ${name}`,
  change: (draft) => {
    for (const colour of Object.values(draft.tin)) if (colour.group === group) colour.group = name;
  },
});

/** A colourway with the given values of colours, which is seen from now on. */
export const addColourway = (id: string, name: string, values: Readonly<Record<string, string>>): Edit => ({
  label: `Add colourway ${name}`,
  change: (draft) => {
    draft.colourways[id] = { id, rank: topRank(draft.colourways) + 1, name, values: { ...values } };
    draft.shown = id;
  },
});

export const renameColourway = (id: string, name: string): Edit => ({
  label: `Name colourway ${name}`,
  change: (draft) => {
    draft.colourways[id].name = name;
  },
});

/** All values of a colourway at once, as a slider turns them. */
export const setColourway = (
  { colourways }: Pick<Drawing, "colourways">,
  id: string,
  values: Readonly<Record<string, string>>,
): Edit => ({
  label: `Change ${colourways[id].name}`,
  merge: `colourway-${id}`,
  change: (draft) => {
    if (id !== FIRST_COLOURWAY) draft.colourways[id].values = { ...values };
    else for (const [colour, value] of Object.entries(values)) draft.tin[colour].value = value;
  },
});

export const showColourway = (id: string, name: string): Edit => ({
  label: `Show ${name}`,
  merge: "shown",
  change: (draft) => {
    draft.shown = id;
  },
});

/** A colourway other than the first, which every drawing has. */
export const removeColourway = (id: string, name: string): Edit => ({
  label: `Remove colourway ${name}`,
  change: (draft) => {
    delete draft.colourways[id];
    if (draft.shown === id) draft.shown = FIRST_COLOURWAY;
  },
});
