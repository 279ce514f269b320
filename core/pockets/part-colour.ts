/** What becomes of colour when a part is made: it goes with its pockets, and new windows open to what lies behind. */
import type { Anchor, Crease, Drawing, Pour, Shade } from "../drawing/drawing.ts";
import { newId } from "../drawing/new-id.ts";
import { inPart, partOf } from "../drawing/parts.ts";
import { diagonal } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { anchorAround, anchorOf, matchAnchors } from "./anchors.ts";
import { isIn, type PartOfPockets, type Ways } from "./part-of-pockets.ts";
import type { Pocket } from "./pockets.ts";
import { pocketsAlong } from "./pockets-along.ts";

/** For each earlier pocket, the one that it belongs to now. */
export function homesOf(
  { pockets, chosen }: PartOfPockets,
  fresh: readonly Pocket[],
  { from, to }: Ways,
): Map<Pocket, Pocket> {
  const homes = new Map<Pocket, Pocket>();
  for (const pocket of pockets) {
    const part = chosen.has(pocket) ? to : from;
    const home = fresh.find((one) => one.part === part && regionContains(one.rings, pocket.seed));
    if (home) homes.set(pocket, home);
  }
  return homes;
}

/** For each pocket there is now, the largest of the earlier ones that it is made of. */
function largestIn(homes: ReadonlyMap<Pocket, Pocket>): Map<Pocket, Pocket> {
  const largest = new Map<Pocket, Pocket>();
  for (const [pocket, home] of homes) {
    const other = largest.get(home);
    if (!other || pocket.area > other.area) largest.set(home, pocket);
  }
  return largest;
}

/** Pours and shades with the pockets they live in; one that lives in both parts becomes two. */
export function withColour(
  before: Drawing,
  drawing: Drawing,
  { pockets }: PartOfPockets,
  homes: ReadonlyMap<Pocket, Pocket>,
): Drawing {
  const { pourOf, pocketsOf } = matchAnchors(pockets, before.pours, before.shades);
  const pours: Record<string, Pour> = { ...before.pours };
  const placed = new Set<string>();
  const largest = largestIn(homes);
  pockets.forEach((pocket, index) => {
    const id = pourOf[index];
    const home = homes.get(pocket);
    if (id === undefined || !home) return;
    // A window that has become some of a larger pocket is none any more.
    if (before.pours[id].through && largest.get(home) !== pocket) {
      delete pours[id];
      return;
    }
    const own = placed.has(id) ? newId() : id;
    placed.add(id);
    pours[own] = { ...before.pours[id], id: own, anchor: anchorOf(home) };
  });
  const shades: Record<string, Shade> = { ...before.shades };
  for (const [id, places] of pocketsOf) {
    const byPart = new Map<string, Pocket[]>();
    for (const index of places) {
      const home = homes.get(pockets[index]);
      if (home) byPart.set(home.part, [...(byPart.get(home.part) ?? []), home]);
    }
    [...byPart.values()].forEach((own, i) => {
      const name = i === 0 ? id : newId();
      shades[name] = { ...before.shades[id], id: name, anchor: anchorAround(own) };
    });
  }
  return { ...drawing, pours, shades, creases: creasesIn(before, pockets, homes) };
}

/** Creases go where the pockets that they run through go; one that runs through both parts becomes two. */
function creasesIn(
  { creases: before, page }: Drawing,
  pockets: readonly Pocket[],
  homes: ReadonlyMap<Pocket, Pocket>,
): Drawing["creases"] {
  const creases: Record<string, Crease> = { ...before };
  const own = pockets[0]?.part;
  for (const crease of Object.values(before)) {
    if (partOf(crease) !== own) continue;
    const { part: _, ...bare } = crease;
    const along = pocketsAlong(crease.points, pockets, diagonal(page.box));
    const parts = new Set(along.flatMap((index) => homes.get(pockets[index])?.part ?? []));
    [...parts].forEach((part, i) => {
      const id = i === 0 ? crease.id : newId();
      creases[id] = { ...bare, id, ...inPart(part) };
    });
  }
  return creases;
}

/** What the lines of either part enclose that was no pocket of its own before is open to what lies behind. */
export function withWindows(
  drawing: Drawing,
  { part, pockets, chosen }: PartOfPockets,
  fresh: readonly Pocket[],
): Drawing {
  const gone = [...chosen];
  const stayed = pockets.filter((pocket) => !chosen.has(pocket) && !pocket.hidden);
  const wasThere = (pocket: Pocket) => isIn(pocket.part === part ? stayed : gone, pocket.seed);
  const windows = fresh.filter((pocket) => !pocket.hidden && !wasThere(pocket));
  const rank = Object.values(drawing.pours).reduce((top, pour) => Math.max(top, pour.rank), 0);
  const pours = windows.map((pocket, i): Pour => {
    const anchor: Anchor = anchorOf(pocket);
    return { id: newId(), rank: rank + i + 1, paint: null, through: true, anchor };
  });
  return {
    ...drawing,
    pours: { ...drawing.pours, ...Object.fromEntries(pours.map((pour) => [pour.id, pour])) },
  };
}
