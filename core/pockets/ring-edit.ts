/**
 * Puts edges into the rings around vertices of a planar map, and takes them out. The order around a vertex is held by
 * `next` alone (half-edges.ts); loops that an edge touches end, and are to be walked anew from `restart`.
 */
import { cellOf, eachIn } from "./cells.ts";
import { cross } from "./exact.ts";
import { originOf, standsFirst, targetOf } from "./half-edges.ts";
import type { PlanarMap } from "./planar-map.ts";
import type { Budget } from "./too-dense.ts";

export class RingEditor {
  /** Half-edges from which loops are walked anew. */
  readonly restart = new Set<number>();
  /** A half-edge that leaves a vertex, where known. */
  private readonly leaving = new Map<number, number>();

  private readonly standsFirst: ReturnType<typeof standsFirst>;

  constructor(
    private readonly map: PlanarMap,
    private readonly looks: Budget,
  ) {
    this.standsFirst = standsFirst(map.lines, map.segs, map.noding);
  }

  /** Takes an edge out of the rings around its ends; an edge that repeated it takes its place. */
  unlink(e: number): void {
    if (this.map.halfEdges.next[2 * e] < 0) return;
    this.takeOut(e);
    const repeat = this.findRepeat(e);
    if (repeat >= 0) this.link(repeat);
  }

  private takeOut(e: number): void {
    const { halfEdges, noding } = this.map;
    const { next } = halfEdges;
    for (const h of [2 * e, 2 * e + 1]) {
      this.endLoop(h);
      this.unlinkEnd(h);
    }
    for (const h of [2 * e, 2 * e + 1]) {
      next[h] = -1;
      const v = originOf(noding, h);
      if (this.leaving.get(v) === h) this.leaving.delete(v);
    }
  }

  private unlinkEnd(h: number): void {
    const { next } = this.map.halfEdges;
    let g = h;
    while (next[g ^ 1] !== h) g = next[g ^ 1];
    if (g === h) return;
    next[g ^ 1] = next[h ^ 1];
    this.restart.add(g ^ 1);
  }

  /** The edge with the same ends that stands first of those left out as repeats; -1 when there is none. */
  private findRepeat(e: number): number {
    const { noding, halfEdges, cells, segs } = this.map;
    const u = noding.at[e];
    const v = noding.at[e + 1];
    let found = -1;
    eachIn(cells, segs, cellOf(cells, noding.vx[u], noding.vy[u]), (s) => {
      if (s >= noding.first.length || noding.first[s] < 0) return;
      for (let f = noding.first[s]; noding.owner[f] === s; f++) {
        this.looks.spend(1);
        if (f === e || halfEdges.next[2 * f] >= 0) continue;
        const same = noding.at[f] === u && noding.at[f + 1] === v;
        if (!same && (noding.at[f] !== v || noding.at[f + 1] !== u)) continue;
        if (found < 0 || this.standsFirst(f, found)) found = f;
      }
    });
    return found;
  }

  /** Puts an edge into the rings around its ends, unless it repeats one that is there and stands before it. */
  link(e: number): void {
    const { next } = this.map.halfEdges;
    const repeated = this.repeatedBy(2 * e);
    if (repeated >= 0) {
      if (!this.standsFirst(e, repeated)) return;
      this.takeOut(repeated);
    }
    const before = this.placeFor(2 * e);
    const beforeTwin = this.placeFor(2 * e + 1);
    this.insert(2 * e, before);
    this.insert(2 * e + 1, beforeTwin);
    for (const h of [2 * e, 2 * e + 1]) if (next[h] >= 0) this.restart.add(h);
  }

  /** The edge in the rings with the same ends as half-edge h; -1 when there is none. */
  private repeatedBy(h: number): number {
    const { noding, halfEdges } = this.map;
    const first = this.leavingAt(originOf(noding, h));
    if (first < 0) return -1;
    const target = targetOf(noding, h);
    let g = first;
    do {
      if (targetOf(noding, g) === target) return g >> 1;
      g = halfEdges.next[g ^ 1];
    } while (g !== first);
    return -1;
  }

  /** Sets h after g in the clockwise ring around its origin. */
  private insert(h: number, g: number): void {
    const { next } = this.map.halfEdges;
    if (g < 0) next[h ^ 1] = h;
    else {
      this.endLoop(g ^ 1);
      next[h ^ 1] = next[g ^ 1];
      next[g ^ 1] = h;
      this.restart.add(g ^ 1);
    }
    this.leaving.set(originOf(this.map.noding, h), h);
  }

  /** The half-edge after which h comes, clockwise; -1 where h is alone. */
  private placeFor(h: number): number {
    const { noding, halfEdges } = this.map;
    const first = this.leavingAt(originOf(noding, h));
    if (first < 0) return -1;
    let g = first;
    for (;;) {
      const after = halfEdges.next[g ^ 1];
      if (after === first || this.liesBetween(g, h, after)) return g;
      g = after;
    }
  }

  /** Whether h lies in the sector that opens clockwise from g to g2. */
  private liesBetween(g: number, h: number, g2: number): boolean {
    if (g === g2) return true;
    const opening = this.turn(g, g2);
    if (opening > 0) return !(this.turn(g2, h) <= 0 && this.turn(h, g) <= 0);
    return this.turn(g, h) < 0 && (opening === 0 || this.turn(h, g2) < 0);
  }

  /** Positive where half-edge b turns counter-clockwise of a, both leaving one vertex. */
  private turn(a: number, b: number): number {
    const { noding } = this.map;
    const { vx, vy } = noding;
    const v = originOf(noding, a);
    const s = targetOf(noding, a);
    const t = targetOf(noding, b);
    return cross(vx[s] - vx[v], vy[s] - vy[v], vx[t] - vx[v], vy[t] - vy[v], noding.errorBound);
  }

  private leavingAt(v: number): number {
    const known = this.leaving.get(v);
    if (known !== undefined) return known;
    const { noding, halfEdges, cells, segs } = this.map;
    let found = -1;
    eachIn(cells, segs, cellOf(cells, noding.vx[v], noding.vy[v]), (s) => {
      if (found >= 0 || s >= noding.first.length || noding.first[s] < 0) return;
      for (let e = noding.first[s]; noding.owner[e] === s; e++) {
        this.looks.spend(1);
        if (halfEdges.next[2 * e] < 0) continue;
        if (noding.at[e] === v) found = 2 * e;
        else if (noding.at[e + 1] === v) found = 2 * e + 1;
      }
    });
    if (found >= 0) this.leaving.set(v, found);
    return found;
  }

  private endLoop(h: number): void {
    const { faces } = this.map;
    const id = faces.loop[h];
    if (id < 0 || faces.some[id] < 0) return;
    faces.some[id] = -1;
    faces.islands.delete(id);
  }
}
