/**
 * A planar map that follows edits of its lines: only segments that a change touches are noded again, their edges
 * are taken out of and put into the rings around vertices, and only loops that changed are walked anew. The map
 * afterwards has the faces a fresh build would find. After Guibas and Marimont, "Rounding arrangements
 * dynamically" (1998), with the book-keeping left to what can be found again through the grid.
 */
import { IntList, range } from "../geometry/lists.ts";
import { cellOf, cellsAlong, crowdOf, eachIn, fileLater } from "./cells.ts";
import { cross, crossingAt, errorBoundFor } from "./exact.ts";
import { islandOf, LOOP, traceLoop } from "./faces.ts";
import { cornerJoinsOf, type JoinInput, joinsAt, searchDistance, widestInk } from "./joins.ts";
import { passesSquare } from "./lattice-square.ts";
import { AlongSorter } from "./noding.ts";
import { isOtherwiseRounded } from "./otherwise-rounded.ts";
import { appendLine, joinLine, type PlanarMap } from "./planar-map.ts";
import { RingEditor } from "./ring-edit.ts";
import { type Extent, fitsLattice, type Line, longestExtent } from "./segments.ts";
import { sideJoinsOf } from "./side-joins.ts";
import { Budget, unlessTooDense } from "./too-dense.ts";

/** An edit of the lines: `gone` are ids of lines to take out, `come` lines to put in. A changed line is in both. */
export interface LineChange {
  readonly gone: readonly string[];
  readonly come: readonly Line[];
}

/** What has to change for the lines of a map to become others; lines are compared by identity. */
export function changeBetween(before: readonly Line[], after: readonly Line[]): LineChange {
  const kept = new Set(after);
  const known = new Set(before);
  return {
    gone: before.filter((line) => !kept.has(line)).map(({ id }) => id),
    come: after.filter((line) => !known.has(line)),
  };
}

/** Once this part of the map's slots is dead or new, building afresh is the better way. */
const WORN = 0.5;

/** Follows a change; false when the map must be built afresh instead, and is not to be used any more. */
export function editMap(map: PlanarMap, change: LineChange): boolean {
  if (!change.come.every(({ points }) => fitsLattice(map.lattice, points))) return false;
  const leaving = indicesOf(map, change.gone);
  if (isOtherwiseRounded(map, leaving, change.come)) return false;
  const built = map.noding.builtSlots;
  if (map.noding.slotCount - built > WORN * built + 4096) return false;
  return unlessTooDense(
    () => {
      new MapEditor(map).run(leaving, change.come);
      return true;
    },
    () => false,
  );
}

/** The numbers of the live lines with some ids. */
function indicesOf({ lines, ends }: PlanarMap, ids: readonly string[]): Set<number> {
  const wanted = new Set(ids);
  const found = new Set<number>();
  for (let index = 0; index < lines.length; index++)
    if (ends.last[index] >= 0 && wanted.has(lines[index].id)) found.add(index);
  return found;
}

/** The number of comparisons beyond which a fresh build, which quarters crowded cells, is faster. */
const MOST_LOOKS = { least: 2e6, perSegment: 60 };

type Stretched = { -readonly [K in keyof Extent]: Extent[K] };

class MapEditor {
  /** Vertices where something came or went. */
  private readonly touched = new Set<number>();
  /** Live segments whose vertices have to be found anew. */
  private readonly affected = new Set<number>();
  private readonly extent: Stretched = { left: 2 ** 31, top: 2 ** 31, right: 0, bottom: 0 };
  private readonly scratch = new IntList(64);

  private readonly rings: RingEditor;
  private readonly looks: Budget;

  constructor(private readonly map: PlanarMap) {
    this.looks = new Budget(MOST_LOOKS.least + MOST_LOOKS.perSegment * map.segs.count);
    this.rings = new RingEditor(map, this.looks);
  }

  run(leaving: ReadonlySet<number>, come: readonly Line[]): void {
    const { map } = this;
    const firstNew = map.lines.length;
    const widest = Math.max(this.widestThere(), widestInk(come));
    const before = [...leaving].flatMap((line) => this.segmentsOfLine(line));
    for (const line of come) appendLine(map, line);
    const after = range(map.ends.first[firstNew] ?? map.segs.count, map.segs.count);
    const ends = this.endsNear([...before, ...after], leaving, widest);
    const joins = this.joinsToRenew(leaving, ends);
    for (const s of before) this.takeOut(s);
    for (const line of joins) for (const s of this.segmentsOfLine(line)) this.takeOut(s);
    for (const line of [...leaving, ...joins]) this.forgetLine(line);
    for (const s of after) fileLater(map.cells, map.segs, s);
    const fresh = [...after, ...this.joinAgain(ends, after, widest)];
    if (fresh.length > 0)
      map.noding.errorBound = Math.max(
        map.noding.errorBound,
        errorBoundFor(longestExtent(map.segs, fresh[0])),
      );
    for (const s of fresh) this.putIn(s);
    this.renode();
    this.retrace();
    for (const v of this.touched) map.changedVertices.add(v);
  }

  private widestThere(): number {
    const { lines, ends } = this.map;
    let widest = 0;
    for (let k = 0; k < lines.length; k++) if (ends.last[k] >= 0) widest = Math.max(widest, lines[k].width);
    return widest;
  }

  private segmentsOfLine(line: number): number[] {
    return range(this.map.ends.first[line], this.map.ends.last[line]);
  }

  private forgetLine(line: number): void {
    const { ends, joins } = this.map;
    ends.first[line] = ends.last[line] = -1;
    joins.delete(line);
  }

  /** Open ends of lines that stay, or came, near what changed: [line, whether its start]. */
  private endsNear(
    changed: readonly number[],
    leaving: ReadonlySet<number>,
    widest: number,
  ): [number, boolean][] {
    const { map } = this;
    const { segs, ends, lines } = map;
    for (const s of changed) this.stretch(s);
    const input = this.joinInput();
    const found: [number, boolean][] = [];
    for (let index = 0; index < lines.length; index++) {
      const line = lines[index];
      if (line.closed || ends.first[index] >= ends.last[index]) continue;
      if (leaving.has(index) || map.joins.has(index)) continue;
      const search = 4 * searchDistance(input, line, widest);
      const first = ends.first[index];
      const last = ends.last[index] - 1;
      if (this.isNear(segs.ax[first], segs.ay[first], search)) found.push([index, true]);
      if (this.isNear(segs.bx[last], segs.by[last], search)) found.push([index, false]);
    }
    return found;
  }

  private stretch(s: number): void {
    const { ax, ay, bx, by } = this.map.segs;
    const { extent } = this;
    extent.left = Math.min(extent.left, ax[s], bx[s]);
    extent.right = Math.max(extent.right, ax[s], bx[s]);
    extent.top = Math.min(extent.top, ay[s], by[s]);
    extent.bottom = Math.max(extent.bottom, ay[s], by[s]);
  }

  private isNear(x: number, y: number, within: number): boolean {
    const { left, right, top, bottom } = this.extent;
    return x >= left - within && x <= right + within && y >= top - within && y <= bottom + within;
  }

  private joinInput(): JoinInput {
    const { lines, segs, cells, lattice, strict, ends, joins } = this.map;
    return { lines, segs, cells, lattice, strict, ends, joins };
  }

  /** Joins of lines that leave, to lines that leave, and of the ends that are looked at anew. */
  private joinsToRenew(leaving: ReadonlySet<number>, ends: readonly [number, boolean][]): number[] {
    const anew = new Set(ends.map(([line, start]) => 2 * line + Number(start)));
    return [...this.map.joins].flatMap(([index, { line, start, other }]) =>
      leaving.has(line) || leaving.has(other) || (start !== undefined && anew.has(2 * line + Number(start)))
        ? [index]
        : [],
    );
  }

  /** Finds the joins of some ends and of new segments; gives the segments of those joins. */
  private joinAgain(ends: readonly [number, boolean][], after: readonly number[], widest: number): number[] {
    const { map } = this;
    const input = this.joinInput();
    const ofEnds = ends.flatMap(([line, start]) => [...joinsAt(input, line, start, widest)]);
    const joins = [...ofEnds, ...cornerJoinsOf(input, after), ...sideJoinsOf(input, ofEnds, widest, after)];
    const from = map.segs.count;
    for (const join of joins) {
      const index = map.lines.length;
      map.joins.set(index, join);
      appendLine(map, joinLine(join, map.lattice));
    }
    const fresh = range(from, map.segs.count);
    for (const s of fresh) fileLater(map.cells, map.segs, s);
    return fresh;
  }

  /** Takes a segment's edges out of the map and the segment out of the grid. */
  private takeOut(s: number): void {
    const { noding, segs } = this.map;
    this.stretch(s);
    let e = noding.first[s];
    for (; noding.owner[e] === s; e++) this.touched.add(noding.at[e]);
    this.touched.add(noding.at[e]);
    this.removeEdges(s);
    segs.line[s] = -1;
  }

  private removeEdges(s: number): void {
    const { noding, changedVertices } = this.map;
    for (let e = noding.first[s]; noding.owner[e] === s; e++) {
      changedVertices.add(noding.at[e]).add(noding.at[e + 1]);
      this.rings.unlink(e);
      noding.owner[e] = -1;
    }
  }

  /** Notes what a new segment meets; its own edges are made with those of all affected ones. */
  private putIn(s: number): void {
    const { segs } = this.map;
    this.stretch(s);
    this.touched.add(this.vertexAt(segs.ax[s], segs.ay[s]));
    this.touched.add(this.vertexAt(segs.bx[s], segs.by[s]));
    this.affected.add(s);
    this.eachCrossing(s, (other, x, y) => {
      this.touched.add(this.vertexAt(x, y));
      this.affected.add(other);
    });
  }

  /** Calls `visit` for every proper crossing of a segment with a live one, with the lattice point nearest to it. */
  private eachCrossing(s: number, visit: (other: number, x: number, y: number) => void): void {
    const { segs, cells, noding } = this.map;
    const { ax, ay, bx, by } = segs;
    const seen = new Set<number>([s]);
    const meet = (t: number) => {
      if (seen.has(t)) return;
      seen.add(t);
      // The older segment comes first, as in a full build, so that rounding goes the same way.
      const [i, j] = s < t ? [s, t] : [t, s];
      const dx = bx[i] - ax[i];
      const dy = by[i] - ay[i];
      const ex = bx[j] - ax[j];
      const ey = by[j] - ay[j];
      const { errorBound } = noding;
      const sideJ = cross(dx, dy, ax[j] - ax[i], ay[j] - ay[i], errorBound);
      const sideK = cross(dx, dy, bx[j] - ax[i], by[j] - ay[i], errorBound);
      if (!((sideJ > 0 && sideK < 0) || (sideJ < 0 && sideK > 0))) return;
      const sideA = cross(ex, ey, ax[i] - ax[j], ay[i] - ay[j], errorBound);
      const sideB = cross(ex, ey, bx[i] - ax[j], by[i] - ay[j], errorBound);
      if (!((sideA > 0 && sideB < 0) || (sideA < 0 && sideB > 0))) return;
      const pair = { x: ax[i], y: ay[i], dx, dy, u: ax[j], v: ay[j], du: ex, dv: ey };
      const x = crossingAt(ax[i], dx, sideA, sideB, errorBound, pair);
      visit(t, x, crossingAt(ay[i], dy, sideA, sideB, errorBound, pair));
    };
    cellsAlong(segs, s, cells, this.scratch);
    for (const cell of this.scratch.data.slice(0, this.scratch.length)) {
      this.looks.spend(crowdOf(cells, cell));
      eachIn(cells, segs, cell, meet);
    }
  }

  private findVertex(x: number, y: number): number {
    const { cells, noding } = this.map;
    const cell = cellOf(cells, x, y);
    this.looks.spend(noding.cellVertices[cell + 1] - noding.cellVertices[cell]);
    for (let v = noding.cellVertices[cell]; v < noding.cellVertices[cell + 1]; v++)
      if (noding.vx[v] === x && noding.vy[v] === y) return v;
    return noding.laterVertices.get(cell)?.find((v) => noding.vx[v] === x && noding.vy[v] === y) ?? -1;
  }

  private vertexAt(x: number, y: number): number {
    const found = this.findVertex(x, y);
    if (found >= 0) return found;
    const { noding, cells } = this.map;
    if (noding.vertexCount === noding.vx.length) {
      noding.vx = grown(noding.vx);
      noding.vy = grown(noding.vy);
    }
    const v = noding.vertexCount++;
    noding.vx[v] = x;
    noding.vy[v] = y;
    const cell = cellOf(cells, x, y);
    const later = noding.laterVertices.get(cell);
    if (later) later.push(v);
    else noding.laterVertices.set(cell, [v]);
    return v;
  }

  /** Nodes every live segment through a touched vertex again. */
  private renode(): void {
    const { segs, cells, noding } = this.map;
    for (const v of this.touched) {
      const x = noding.vx[v];
      const y = noding.vy[v];
      const cell = cellOf(cells, x, y);
      this.looks.spend(crowdOf(cells, cell));
      eachIn(cells, segs, cell, (s) => {
        if (this.passes(s, x, y) || this.holds(s, v)) this.affected.add(s);
      });
    }
    for (const v of this.touched) {
      if (this.isHot(v)) noding.cold.delete(v);
      else noding.cold.add(v);
    }
    for (const s of this.affected) if (s < noding.first.length && noding.first[s] >= 0) this.removeEdges(s);
    for (const s of this.affected) this.layOut(s);
  }

  private passes(s: number, x: number, y: number): boolean {
    const { segs, noding } = this.map;
    const { ax, ay, bx, by } = segs;
    if (x < Math.min(ax[s], bx[s]) || x > Math.max(ax[s], bx[s])) return false;
    if (y < Math.min(ay[s], by[s]) || y > Math.max(ay[s], by[s])) return false;
    return passesSquare(bx[s] - ax[s], by[s] - ay[s], x - ax[s], y - ay[s], noding.errorBound);
  }

  /** Whether a segment was cut at a vertex until now. */
  private holds(s: number, v: number): boolean {
    const { noding } = this.map;
    if (s >= noding.first.length || noding.first[s] < 0) return false;
    let e = noding.first[s];
    for (; noding.owner[e] === s; e++) if (noding.at[e] === v) return true;
    return noding.at[e] === v;
  }

  /** Finds a segment's vertices from nothing, writes them to new slots and links its edges. */
  private layOut(s: number): void {
    const { segs, noding } = this.map;
    const { ax, ay, bx, by } = segs;
    const from = this.vertexAt(ax[s], ay[s]);
    const to = this.vertexAt(bx[s], by[s]);
    const hits = Int32Array.from(this.hotVertices(s)).filter((v) => v !== from && v !== to);
    new AlongSorter(noding.vx, noding.vy).sort(segs, s, hits, 0, hits.length);
    const slot = this.reserve(hits.length + 2);
    this.setFirst(s, slot);
    const chain = [from, ...hits, to];
    chain.forEach((v, k) => {
      // Also those it is only bent to: where lines meet is found anew with it.
      this.map.changedVertices.add(v);
      noding.at[slot + k] = v;
      noding.owner[slot + k] = k + 1 < chain.length ? s : -1;
    });
    for (let e = slot; e + 1 < slot + chain.length; e++) this.rings.link(e);
  }

  /** The vertices whose squares a segment passes, and those of its own crossings. */
  private hotVertices(s: number): Set<number> {
    const { segs, cells, noding } = this.map;
    const hot = new Set<number>();
    this.eachCrossing(s, (_other, x, y) => {
      hot.add(this.vertexAt(x, y));
    });
    const consider = (v: number) => {
      if (this.passes(s, noding.vx[v], noding.vy[v]) && this.isHot(v)) hot.add(v);
    };
    cellsAlong(segs, s, cells, this.scratch);
    for (const cell of this.scratch.data.slice(0, this.scratch.length)) {
      this.looks.spend(noding.cellVertices[cell + 1] - noding.cellVertices[cell]);
      for (let v = noding.cellVertices[cell]; v < noding.cellVertices[cell + 1]; v++) consider(v);
      for (const v of noding.laterVertices.get(cell) ?? []) consider(v);
    }
    return hot;
  }

  private readonly hotness = new Map<number, boolean>();

  /** A vertex is hot while a segment ends there or two cross there; only touched ones can have gone cold. */
  private isHot(v: number): boolean {
    if (!this.touched.has(v)) return !this.map.noding.cold.has(v);
    const known = this.hotness.get(v);
    if (known !== undefined) return known;
    const hot = this.findReason(v);
    this.hotness.set(v, hot);
    return hot;
  }

  private findReason(v: number): boolean {
    const { segs, cells, noding } = this.map;
    const { ax, ay, bx, by } = segs;
    const x = noding.vx[v];
    const y = noding.vy[v];
    const through: number[] = [];
    let ends = false;
    eachIn(cells, segs, cellOf(cells, x, y), (s) => {
      if ((ax[s] === x && ay[s] === y) || (bx[s] === x && by[s] === y)) ends = true;
      else if (this.passes(s, x, y)) through.push(s);
    });
    if (ends) return true;
    return through.some((s) => {
      let crosses = false;
      this.eachCrossing(s, (_other, cx, cy) => {
        if (cx === x && cy === y) crosses = true;
      });
      return crosses;
    });
  }

  private reserve(slots: number): number {
    const { noding, halfEdges, faces } = this.map;
    const slot = noding.slotCount;
    noding.slotCount += slots;
    while (noding.slotCount > noding.at.length) {
      noding.at = grown(noding.at);
      noding.owner = grown(noding.owner);
    }
    while (noding.slotCount * 2 > halfEdges.next.length) {
      halfEdges.next = grown(halfEdges.next);
      faces.loop = grown(faces.loop);
    }
    halfEdges.next.fill(-1, slot * 2, noding.slotCount * 2);
    faces.loop.fill(-1, slot * 2, noding.slotCount * 2);
    return slot;
  }

  private setFirst(s: number, slot: number): void {
    const { noding } = this.map;
    if (s >= noding.first.length) {
      const first = new Int32Array(s + (s >> 2) + 16).fill(-1);
      first.set(noding.first);
      noding.first = first;
    }
    noding.first[s] = slot;
  }

  /** Walks the loops that changed, and finds again what islands see that may have changed for them. */
  private retrace(): void {
    const { map, extent } = this;
    const { faces, halfEdges } = map;
    const firstFresh = faces.loopCount;
    for (const h of this.rings.restart)
      if (halfEdges.next[h] >= 0 && faces.loop[h] < firstFresh) traceLoop(map, faces, h);
    for (const [id, island] of faces.islands) {
      const blind = island.seen >= 0 && halfEdges.next[island.seen] < 0;
      const passed =
        island.y >= extent.top - 1 && island.y <= extent.bottom + 1 && island.x >= extent.left - 1;
      if (blind || passed) faces.islands.set(id, islandOf(map, faces, id));
    }
    for (let id = firstFresh; id < faces.loopCount; id++)
      if (faces.kind[id] !== LOOP.bound) faces.islands.set(id, islandOf(map, faces, id));
  }
}

const grown = (from: Int32Array): Int32Array => {
  const to = new Int32Array(from.length + (from.length >> 2) + 1024);
  to.set(from);
  return to;
};
