/**
 * Which pour colours which pocket. A pour remembers the region it filled and the lines around it; a pocket takes the
 * pour whose region fits it best. So after a split both halves find the old pour, after a merge the larger wins, and
 * a pocket that closes again has its colour back. Colour never goes to a pocket that is not its own: what finds none
 * waits.
 */
import type { Pour, Table } from "../drawing/drawing.ts";
import { boundsOf, boxesApart } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { Pocket } from "./pockets.ts";

/** For each pocket the id of its pour, or undefined when it is bare and always was. */
export function poursOfPockets(pockets: readonly Pocket[], pours: Table<Pour>): (string | undefined)[] {
  const found = byRegion(pockets, pours);
  followLines(pockets, pours, found);
  return found;
}

function byRegion(pockets: readonly Pocket[], pours: Table<Pour>): (string | undefined)[] {
  const all = Object.values(pours).map((pour) => ({ pour, box: boxOf(pour) }));
  return pockets.map((pocket) => {
    let best: Pour | undefined;
    let bestFit = 0;
    for (const { pour, box } of all) {
      if (boxesApart(pocket.box, box)) continue;
      const fit = fitOf(pocket, pour);
      if (fit > bestFit || (fit === bestFit && best && pour.rank > best.rank)) {
        best = pour;
        bestFit = fit;
      }
    }
    return best?.id;
  });
}

/** A pocket whose lines have gone elsewhere keeps its pour: no other pocket lies within just these lines. */
function followLines(pockets: readonly Pocket[], pours: Table<Pour>, found: (string | undefined)[]): void {
  const taken = new Set(found);
  const lost = Object.values(pours).filter(({ id, lines }) => lines.length > 0 && !taken.has(id));
  if (lost.length === 0) return;
  const within = new Map<string, number>();
  pockets.forEach(({ lines }, index) => {
    const key = linesKey(lines);
    within.set(key, within.has(key) ? AMBIGUOUS : index);
  });
  for (const { id, lines } of lost) {
    const index = within.get(linesKey(lines)) ?? AMBIGUOUS;
    if (index !== AMBIGUOUS) found[index] ??= id;
  }
}

const AMBIGUOUS = -1;

const linesKey = (lines: readonly string[]): string => [...lines].sort().join("\n");

/** Pours with paint that colour no pocket now. */
export function waitingPours(pours: Table<Pour>, pourOf: readonly (string | undefined)[]): Pour[] {
  const found = new Set(pourOf);
  return Object.values(pours).filter(({ id, paint }) => paint && !found.has(id));
}

const boxes = new WeakMap<Pour, NonNullable<ReturnType<typeof boundsOf>>>();

function boxOf(pour: Pour) {
  const known = boxes.get(pour);
  if (known) return known;
  const box = boundsOf([pour.region[0]])!;
  boxes.set(pour, box);
  return box;
}

/** A pocket that is so many times the region lies elsewhere for the most part: another has been let into it. */
const GROWN = 2;

/** Likeness of the pocket and the poured region, 0 when it is not the region's own. One whose line was moved may grow. */
function fitOf(pocket: Pocket, pour: Pour): number {
  const touches = regionContains(pour.region, pocket.seed) || regionContains(pocket.rings, pour.seed);
  if (!touches) return 0;
  const grown = pocket.area > GROWN * pour.area;
  return grown && !pour.lines.every((line) => pocket.lines.includes(line))
    ? 0
    : likeness(pocket.area, pour.area);
}

const likeness = (a: number, b: number): number => Math.min(a, b) / Math.max(a, b);
