/**
 * Which pour colours which pocket. A pour remembers the region it filled and the lines around it; a pocket takes the
 * pour whose region fits it best. So after a split both halves find the old pour, after a merge the larger wins, and
 * a pocket that closes again has its colour back. A pocket that has moved away from its region takes its pour along
 * by its lines.
 */
import type { Pour, Table } from "../drawing/drawing.ts";
import { boundsOf, boxesApart } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { Pocket } from "./pockets.ts";

/** For each pocket the id of its pour, or undefined when it is bare and always was. */
export function poursOfPockets(pockets: readonly Pocket[], pours: Table<Pour>): (string | undefined)[] {
  const found = byRegion(pockets, pours);
  takeAlong(pockets, pours, found);
  return found;
}

const boxes = new WeakMap<Pour, NonNullable<ReturnType<typeof boundsOf>>>();

function boxOf(pour: Pour) {
  const known = boxes.get(pour);
  if (known) return known;
  const box = boundsOf([pour.region[0]])!;
  boxes.set(pour, box);
  return box;
}

function byRegion(pockets: readonly Pocket[], pours: Table<Pour>): (string | undefined)[] {
  const all = Object.values(pours).map((pour) => ({ pour, box: boxOf(pour) }));
  return pockets.map((pocket) => {
    let best: Pour | undefined;
    let bestFit = 0;
    for (const candidate of all) {
      if (boxesApart(pocket.box, candidate.box)) continue;
      const fit = fitOf(pocket, candidate.pour);
      if (fit > bestFit || (fit === bestFit && best && candidate.pour.rank > best.rank)) {
        best = candidate.pour;
        bestFit = fit;
      }
    }
    return best?.id;
  });
}

/** Likeness of the pocket and the poured region, 0 when neither holds the other's inner point. */
function fitOf(pocket: Pocket, pour: Pour): number {
  const touches = regionContains(pour.region, pocket.seed) || regionContains(pocket.rings, pour.seed);
  return touches ? likeness(pocket.area, pour.area) : 0;
}

const likeness = (a: number, b: number): number => Math.min(a, b) / Math.max(a, b);

/** How much of all lines around either a pocket and a pour must share, and how like their areas must be. */
const SAME_LINES = 0.5;
const SAME_AREA = 0.3;

/** Gives bare pockets the pours that have lost their region, by the lines around both; the best pairs first. */
function takeAlong(pockets: readonly Pocket[], pours: Table<Pour>, found: (string | undefined)[]): void {
  const taken = new Set(found);
  const lost = Object.values(pours).filter(({ id }) => !taken.has(id));
  if (lost.length === 0) return;
  const pairs: { index: number; id: string; fit: number }[] = [];
  pockets.forEach((pocket, index) => {
    if (found[index] !== undefined) return;
    for (const pour of lost) {
      const lines = sharedLines(pocket.lines, pour.lines);
      const area = likeness(pocket.area, pour.area);
      if (lines >= SAME_LINES && area >= SAME_AREA) pairs.push({ index, id: pour.id, fit: lines * area });
    }
  });
  pairs.sort((a, b) => b.fit - a.fit || a.index - b.index);
  for (const { index, id } of pairs) {
    if (found[index] !== undefined || taken.has(id)) continue;
    found[index] = id;
    taken.add(id);
  }
}

/** Lines in both lists, as a part of those in either. */
function sharedLines(a: readonly string[], b: readonly string[]): number {
  const both = a.filter((line) => b.includes(line)).length;
  return both / Math.max(1, a.length + b.length - both);
}
