/** Pockets: the bounded faces of the planar map, with everything the rest of the house asks of them. */
import { bisector } from "d3-array";
import { MAIN } from "../drawing/parts.ts";
import { enclosedArea, flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf, type Point } from "../geometry/point.ts";
import { distanceToRings, innerPoint, ringLength } from "../geometry/polygon.ts";
import { boundingLoops, LOOP, resolveFaces } from "./faces.ts";
import { originOf } from "./half-edges.ts";
import { hemOf } from "./hems.ts";
import { isHidden, pushInkedBounds } from "./hidden.ts";
import type { InkField } from "./ink-regions.ts";
import { inkOf, regionsOf } from "./inked-map.ts";
import { CurveCutter, chainOfPieces, cyclesOf, type FacedMap, type Run, runsOf } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";
import { inkWidthAt, type Line } from "./segments.ts";
import { grownCycle, seamStrip } from "./trapping.ts";

/** A stretch of outline shared with another pocket, as a chain of cubics. */
export interface Border {
  /** Key of the neighbour. */
  readonly neighbour: number;
  readonly chain: readonly number[];
  /** Across a bridge: what its colour covers where it runs on under the neighbour's (see trapping.ts). */
  readonly strip?: readonly number[];
}

export interface Pocket {
  /** Stays the same from one reading to the next while nothing about the pocket changes; no two of a drawing share it. */
  readonly key: number;
  /** The part whose lines bound it. */
  readonly part: string;
  /** Exact area in page units squared, holes taken off. */
  readonly area: number;
  /** A point well inside. */
  readonly seed: Point;
  readonly box: Box;
  /** Closed chains of cubics (see geometry/cubic.ts), the outer one first, holes after. */
  readonly outline: readonly (readonly number[])[];
  /** What its colour covers: the outline, grown under ink shapes (see trapping.ts); the winding rule is nonzero. */
  readonly cover: readonly (readonly number[])[];
  /** The outline flattened to rings, for hit tests. */
  readonly rings: readonly (readonly number[])[];
  /** Ids of the lines that bound it, joins left out. */
  readonly lines: readonly string[];
  /** What it shares with its neighbours. */
  readonly borders: readonly Border[];
  /** Ribbons within it along bridges beyond which colour of a part behind goes on (see hems.ts); they wind backwards. */
  readonly hems: readonly (readonly number[])[];
  /** Bridges beyond which a part in front goes on: its colour runs on under that one's by a hairline. */
  readonly runsUnder: readonly (readonly number[])[];
  /** Wholly under the ink around it: not offered, never counted as missed. */
  readonly hidden: boolean;
}

/** All pockets of a map, largest first; bare ones are without what only painters ask for (see PocketReader). */
export const pocketsOf = (map: PlanarMap, bare = false): Pocket[] =>
  new PocketReader(map, MAIN, 0, bare).read();

/** What is kept of a face between readings. */
interface Kept {
  readonly pocket: Pocket;
  readonly cycles: readonly number[][];
  /** The loops that lie in the face beside its own bound. */
  readonly islands: readonly number[];
  /** Pairs of a loop across the outline and the face it belonged to. */
  readonly across: readonly number[];
  /** Where its runs, and those of its borders, begin and end. */
  readonly vertices: readonly number[];
}

/** Of equal ones the one whose face was found first. */
const byArea = (a: Pocket, b: Pocket): number => b.area - a.area || a.key - b.key;
const placeAmong = bisector(byArea).left;

/** Sorted pockets without some of them and with others that are sorted too: those that stay are not looked at. */
function inOrder(sorted: readonly Pocket[], gone: readonly Pocket[], fresh: readonly Pocket[]): Pocket[] {
  const isGone = new Uint8Array(sorted.length);
  for (const pocket of gone) isGone[placeAmong(sorted, pocket)] = 1;
  const places = fresh.map((pocket) => placeAmong(sorted, pocket));
  const all: Pocket[] = [];
  let next = 0;
  for (let k = 0; k <= sorted.length; k++) {
    while (places[next] === k) all.push(fresh[next++]);
    if (k < sorted.length && !isGone[k]) all.push(sorted[k]);
  }
  return all;
}

/** Numbers of a ring of three corners. */
const CORNERS = 6;

/** Reads the pockets of a map again and again while its lines are edited; faces that stayed are not read anew. */
export class PocketReader {
  /** By the loop that bounds each face. */
  private kept: readonly (Kept | undefined)[] = [];
  private sorted: readonly Pocket[] = [];
  private readonly cutter: CurveCutter;
  /** The ink shapes of the map as it was read last. */
  ink: InkField;

  /**
   * Keys begin at `base`; all pockets are of one part. Bare ones are without what only painters ask for: their cover is the outline,
   * and there are no borders.
   */
  constructor(
    readonly map: PlanarMap,
    private readonly part = MAIN,
    private readonly base = 0,
    private readonly bare = false,
  ) {
    this.cutter = new CurveCutter(map);
    this.ink = inkOf(map);
  }

  /** All pockets, largest first. */
  read(): Pocket[] {
    const faced: FacedMap = { map: this.map, face: resolveFaces(this.map.faces) };
    const islands = islandsByFace(faced);
    this.ink = this.ink.turnedTo(regionsOf(this.map));
    const now = new Array<Kept | undefined>(this.map.faces.loopCount);
    const fresh: Pocket[] = [];
    const { changedVertices, noding } = this.map;
    this.cutter.forget(changedVertices);
    const isChanged = new Uint8Array(noding.vertexCount);
    for (const v of changedVertices) isChanged[v] = 1;
    for (const key of boundingLoops(this.map.faces)) {
      const inside = islands.get(key) ?? NONE;
      const before = this.kept[key];
      const holds = before && sameNumbers(before.islands, inside) && !anyOf(before.vertices, isChanged);
      const kept = holds ? this.withBorders(faced, before) : this.readFace(faced, key, inside);
      if (!kept) continue;
      now[key] = kept;
      if (kept !== before) fresh.push(kept.pocket);
    }
    this.sorted = inOrder(this.sorted, this.goneFrom(now), fresh.sort(byArea));
    this.kept = now;
    changedVertices.clear();
    if (this.ink.regions.length === 0) return [...this.sorted];
    return this.sorted.filter(({ seed }) => !this.ink.holds(seed));
  }

  /** Pockets of the last reading that are not the same any more. */
  private goneFrom(now: readonly (Kept | undefined)[]): Pocket[] {
    const gone: Pocket[] = [];
    this.kept.forEach((before, key) => {
      if (before && now[key] !== before && now[key]?.pocket !== before.pocket) gone.push(before.pocket);
    });
    return gone;
  }

  private readFace(faced: FacedMap, key: number, islands: readonly number[]): Kept | undefined {
    const { map } = this;
    const rims = islands.filter((loop) => map.faces.kind[loop] === LOOP.rim);
    const parts = cyclesOf(faced, [key, ...rims])
      .map((found) => {
        const { cycle, runs, pieces } = this.begunAlike(found, runsOf(faced, found, false));
        const chain = chainOfPieces(pieces);
        return { cycle, runs, pieces, chain, area: enclosedArea(chain) };
      })
      .sort((a, b) => b.area - a.area);
    const area = parts.reduce((sum, part) => sum + part.area, 0);
    // Between curves that share both ends the lattice may see a face where they leave none.
    if (!(area > map.lattice.step ** 2)) return undefined;
    const rings = parts
      .map(({ chain }) => flatten(chain, map.lattice.tolerance * 2).slice(0, -2))
      .filter((ring, i) => i === 0 || ring.length >= CORNERS);
    // Nothing can be put between curves whose chords are one line.
    if (rings[0].length < CORNERS) return undefined;
    const seed = innerPoint(rings);
    const runs = parts.flatMap((part) => part.runs);
    const cycles = parts.map(({ cycle }) => cycle);
    // Beside one neighbour, or none, its runs are that already.
    const stretches = parts.map(({ cycle, runs: own }) =>
      hasOneNeighbour(faced, cycle) ? own : runsOf(faced, cycle, true),
    );
    const outline = parts.map(({ chain }) => chain);
    const inked = runs.some(({ line }) => map.lines[line].region);
    const pocket: Pocket = {
      key: this.base + key,
      part: this.part,
      area,
      seed,
      box: boundsOf([rings[0]])!,
      outline,
      cover:
        inked && !this.bare ? parts.flatMap(({ runs, pieces }) => grownCycle(this, runs, pieces)) : outline,
      rings,
      lines: [...new Set(runs.map(({ line }) => line))]
        .filter((line) => !map.joins.has(line))
        .map((line) => map.lines[line].id),
      borders: this.bare ? [] : this.bordersOf(stretches),
      hems: this.hemsOf(stretches, rings),
      runsUnder: this.meeting(stretches, "front"),
      hidden: this.underInk(parts, rings, area, seed),
    };
    const vertices = stretches.flatMap((own) => own.map(({ first }) => originOf(map.noding, first)));
    return { pocket, cycles, islands, across: acrossOf(faced, cycles), vertices };
  }

  /** The cycle begun at its highest run, the leftmost of several: independent of how its lines came about. */
  private begunAlike(cycle: readonly number[], runs: readonly Run[]) {
    const pieces = this.cutter.pieces(runs);
    let first = 0;
    pieces.forEach(([x, y], i) => {
      const [left, top] = pieces[first];
      if (y < top || (y === top && x < left)) first = i;
    });
    return {
      cycle: turned(cycle, cycle.indexOf(runs[first].first)),
      runs: turned(runs, first),
      pieces: turned(pieces, first),
    };
  }

  /** The same face, its borders read anew where what lies across them has changed. */
  private withBorders(faced: FacedMap, before: Kept): Kept {
    const { across, cycles, pocket } = before;
    let same = true;
    for (let k = 0; k < across.length && same; k += 2)
      same = this.map.faces.some[across[k]] >= 0 && faced.face[across[k]] === across[k + 1];
    if (same) return before;
    return {
      ...before,
      pocket: {
        ...pocket,
        borders: this.bordersOf(cycles.map((cycle) => runsOf(faced, cycle, true))),
      },
      across: acrossOf(faced, cycles),
    };
  }

  /** Of outlines in stretches along one line and beside one neighbour. */
  private bordersOf(stretches: readonly Run[][]): Border[] {
    return stretches.flatMap((runs) => {
      if (runs.every(({ beyond }) => beyond < 0)) return [];
      const pieces = this.cutter.pieces(runs);
      return runs.flatMap(({ beyond, line }, i): Border[] => {
        if (beyond < 0) return [];
        const border = { neighbour: this.base + beyond, chain: pieces[i] };
        const bare = this.isBare(line) && pieces[i].length >= 8;
        return [bare ? { ...border, strip: seamStrip(this, line, pieces[i]) } : border];
      });
    });
  }

  /** Stretches of its outline along bridges beyond which another part goes on. */
  private meeting(stretches: readonly Run[][], side: Line["meets"]): number[][] {
    const { lines } = this.map;
    return stretches.flatMap((runs) => {
      if (!runs.some(({ line }) => lines[line].meets === side)) return [];
      return this.cutter.pieces(runs).filter((_, i) => lines[runs[i].line].meets === side);
    });
  }

  private hemsOf(stretches: readonly Run[][], rings: readonly number[][]): number[][] {
    const { lattice } = this.map;
    return this.meeting(stretches, "behind").flatMap((piece) => {
      const hem = hemOf(flatten(piece, lattice.tolerance), rings, lattice);
      return hem ? [hem] : [];
    });
  }

  /** A bridge that someone has drawn, or a hidden line: no ink covers it. */
  private isBare(line: number): boolean {
    const { bridge, hidden } = this.map.lines[line];
    return hidden === true || (bridge && !this.map.joins.has(line));
  }

  /** A pocket can only hide under its ink when its area is less than the ink along its outline could cover. */
  private underInk(
    parts: readonly { runs: readonly Run[]; pieces: readonly number[][] }[],
    rings: readonly number[][],
    area: number,
    seed: Point,
  ): boolean {
    const { lattice } = this.map;
    const widthOf = (run: Run) => narrowestInk(this.map, run);
    const widest = Math.max(...parts.map(({ runs }) => Math.max(...runs.map(widthOf))));
    const outlineLength = rings.reduce((sum, ring) => sum + ringLength(ring), 0);
    if (area > (outlineLength * widest) / 2 || distanceToRings(seed, rings) > widest / 2) return false;
    const bounds: number[] = [];
    for (const { runs, pieces } of parts)
      runs.forEach((run, i) => {
        pushInkedBounds(bounds, flatten(pieces[i], lattice.tolerance * 2), widthOf(run) / 2);
      });
    return isHidden(rings, bounds, seed, widest * SPECK);
  }
}

/** White as narrow as this part of the ink around it is not seen. */
const SPECK = 0.002;

/** Width of the ink along a run where it is narrowest; a join lies under that of the lines it joins. */
function narrowestInk({ lines, joins }: PlanarMap, { line, from, to }: Run): number {
  const join = joins.get(line);
  if (join) return Math.min(...[join.line, join.other].map((of) => (lines[of].hidden ? 0 : lines[of].width)));
  if (lines[line].hidden) return 0;
  return Math.min(...[from, (from + to) / 2, to].map((u) => inkWidthAt(lines[line], u)));
}

/** The same round, from one of its places on. */
const turned = <T>(round: readonly T[], from: number): T[] => [...round.slice(from), ...round.slice(0, from)];

const NONE: readonly number[] = [];

const sameNumbers = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((value, i) => value === b[i]);

function anyOf(vertices: readonly number[], marked: Uint8Array): boolean {
  for (let k = 0; k < vertices.length; k++) if (marked[vertices[k]]) return true;
  return false;
}

function islandsByFace({ map, face }: FacedMap): Map<number, number[]> {
  const found = new Map<number, number[]>();
  for (const loop of map.faces.islands.keys()) {
    if (face[loop] < 0) continue;
    const others = found.get(face[loop]);
    if (others) others.push(loop);
    else found.set(face[loop], [loop]);
  }
  return found;
}

/** Whether the same face lies beyond all of a cycle. */
function hasOneNeighbour({ map, face }: FacedMap, cycle: readonly number[]): boolean {
  const { loop } = map.faces;
  const first = face[loop[cycle[0] ^ 1]];
  return cycle.every((h) => face[loop[h ^ 1]] === first);
}

/** The loops across an outline, each with its face. */
function acrossOf({ map, face }: FacedMap, cycles: readonly number[][]): number[] {
  const { loop } = map.faces;
  const loops = new Set<number>();
  for (const cycle of cycles) for (const h of cycle) loops.add(loop[h ^ 1]);
  return [...loops].flatMap((id) => [id, face[id]]);
}
