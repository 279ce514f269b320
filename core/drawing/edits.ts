/** The edits a drawing knows, each a small named value. */
import { current, type Draft, isDraft, original } from "immer";
import {
  type Anchor,
  type Bridge,
  type Declined,
  type Drawing,
  type Paint,
  type Pour,
  type Sheet,
  type SheetName,
  topRank,
} from "./drawing.ts";
import type { Edit } from "./history.ts";
import { newId } from "./new-id.ts";
import { overOf } from "./over.ts";

/** What pouring needs to know of a pocket. */
export interface PourTarget {
  readonly anchor: Anchor;
  /** The pour that colours it now. */
  readonly pourId?: string;
  /** Whether that pour colours other pockets as well, and so must be kept. */
  readonly shared?: boolean;
  /** The shades that are to live here from now on, or a copy of them where they live elsewhere too. */
  readonly shades?: readonly { readonly id: string; readonly copied: boolean }[];
}

export const countPockets = (count: number): string => (count === 1 ? "pocket" : `${count} pockets`);

/** Pours into pockets, replacing what was there; with no paint it takes the colour out. */
export const pour = (
  targets: readonly PourTarget[],
  paint: Paint | null,
  ids: readonly string[] = targets.map(() => newId()),
): Edit =>
  pourEach(
    targets.map((target) => ({ target, paint })),
    pourLabel(paint, targets.length),
    ids,
  );

export const pourLabel = (paint: Paint | null, count: number): string =>
  `${paint ? "Pour" : "Empty"} ${countPockets(count)}`;

/** One pour of many: into a pocket, with its own paint, or as a spot black; without paint it may be left bare on purpose. */
export interface OnePour extends Pick<Pour, "paint" | "spot" | "cuts"> {
  readonly target: PourTarget;
  readonly leftBare?: true;
}

export const pourEach = (
  pours: readonly OnePour[],
  label: string,
  ids: readonly string[] = pours.map(() => newId()),
): Edit => ({ sheet: "flats", label, change: pourChange(pours, ids) });

/** Fills the remaining specks, each with its own paint. */
export const fillSpecks = (pours: readonly OnePour[]): Edit =>
  pourEach(pours, pours.length === 1 ? "Fill speck" : `Fill ${pours.length} specks`);

/** Lays one colour beneath the flats under everything enclosed, or takes it away. */
export const setUndercoat = (paint: Paint | null): Edit => ({
  sheet: "flats",
  label: paint ? "Lay undercoat" : "Take undercoat away",
  change: (draft) => {
    draft.undercoat = paint && { ...paint };
  },
});

function pourChange(pours: readonly OnePour[], ids: readonly string[]): Edit["change"] {
  const named = pours.map((one, i) => ({
    ...one,
    id: ids[i],
    shades: (one.target.shades ?? []).map((shade) => ({
      id: shade.id,
      to: shade.copied ? newId() : shade.id,
    })),
  }));
  return (draft) => {
    const before = plainTable(draft.pours);
    // Where the edges of shapes part colours, what is poured between them lies over them.
    let rank = Math.max(topRank(before), draft.shapeWalls ? topRank(plainTable(draft.flatShapes)) : 0);
    for (const { target, paint, spot, cuts, leftBare, id, shades } of named) {
      const anchor = target.anchor as Draft<Anchor>;
      for (const shade of shades)
        draft.shades[shade.to] = { ...plain(draft.shades[shade.id]), id: shade.to, anchor };
      const { pourId, shared } = target;
      const over = paint && !spot && pourId ? overOf(before[pourId]) : {};
      if (pourId && !shared) delete draft.pours[pourId];
      if (paint || leftBare || (pourId && shared))
        draft.pours[id] = {
          id,
          rank: ++rank,
          paint,
          anchor,
          ...(spot ? { spot } : {}),
          ...(cuts && paint ? { cuts } : {}),
          ...over,
        } as Draft<Pour>;
    }
  };
}

/** As it was before this change: asking a draft for each of its entities would make a draft of each. */
const plainTable = <T extends object>(table: Draft<T>): T => original(table) as T;

const plain = <T extends object>(value: Draft<T>): Draft<T> =>
  isDraft(value) ? (current(value) as Draft<T>) : value;

export const addBridges = (bridges: readonly Bridge[]): Edit => ({
  label: bridges.length === 1 ? "Add bridge" : `Add ${bridges.length} bridges`,
  change: (draft) => {
    for (const bridge of bridges) draft.bridges[bridge.id] = { ...bridge, points: [...bridge.points] };
  },
});

export const removeBridge = (id: string): Edit => ({
  label: "Remove bridge",
  change: (draft) => {
    delete draft.bridges[id];
  },
});

/** Openings up to this width in page units count as closed from now on. */
export const setReach = (reach: number): Edit => ({
  label: reach > 0 ? "Set reach" : "Reach off",
  merge: "reach",
  change: (draft) => {
    draft.reach = reach;
  },
});

/** Forgets colour and shade that wait for pockets that have gone. */
export const letWaitingGo = (pours: readonly string[], shades: readonly string[]): Edit => ({
  label: "Forget waiting colour",
  change: (draft) => {
    for (const id of pours) delete draft.pours[id];
    for (const id of shades) delete draft.shades[id];
  },
});

/** Leaves openings open for good, until they are reconsidered. */
export const declineOpenings = (declined: readonly Declined[]): Edit => ({
  label: declined.length === 1 ? "Leave opening open" : `Leave ${declined.length} openings open`,
  change: (draft) => {
    for (const one of declined) draft.declined[one.id] = { ...one, at: [one.at[0], one.at[1]] };
  },
});

export const reconsiderOpenings = (): Edit => ({
  label: "Reconsider openings",
  change: (draft) => {
    draft.declined = {};
  },
});

export const changeSheet = (name: SheetName, change: Partial<Sheet>): Edit => ({
  label: `Change ${name} sheet`,
  merge: change.opacity === undefined ? undefined : `sheet-${name}-opacity`,
  change: (draft) => {
    Object.assign(draft.sheets[name], change);
  },
});

/** What parts colours beside lines that are painted. */
export const setWalls = (change: Partial<Pick<Drawing, "hiddenWalls" | "shapeWalls">>): Edit => ({
  label: "Change what parts colours",
  change: (draft) => {
    Object.assign(draft, change);
  },
});

export const setStrict = (strict: boolean): Edit => ({
  label: strict ? "Take centre lines alone" : "Join touching ink",
  change: (draft) => {
    draft.strict = strict;
  },
});
