/** Rings are flat runs [x, y, x, y, …] without a repeated last point, in page units. */
import type { Coords, Point } from "./point.ts";

/** Signed area by the shoelace formula. */
export function ringArea(ring: Coords): number {
  let sum = 0;
  const n = ring.length;
  for (let i = 0; i < n; i += 2) {
    const j = (i + 2) % n;
    sum += (ring[i] - ring[0]) * (ring[j + 1] - ring[1]) - (ring[j] - ring[0]) * (ring[i + 1] - ring[1]);
  }
  return sum / 2;
}

/** How long the way round a flat ring [x, y, …] is. */
export function ringLength(ring: Coords): number {
  let length = 0;
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
    const dx = ring[i] - ring[j];
    const dy = ring[i + 1] - ring[j + 1];
    length += Math.sqrt(dx * dx + dy * dy);
  }
  return length;
}

/** Even-odd containment: a ring list with holes is one region. */
export function regionContains(rings: readonly Coords[], [x, y]: Point): boolean {
  let inside = false;
  for (const ring of rings) {
    const n = ring.length;
    for (let i = 0, j = n - 2; i < n; j = i, i += 2) {
      if (ring[i + 1] > y === ring[j + 1] > y) continue;
      if (x < ((ring[j] - ring[i]) * (y - ring[i + 1])) / (ring[j + 1] - ring[i + 1]) + ring[i])
        inside = !inside;
    }
  }
  return inside;
}

/** Sorted places where the horizontal line at y enters or leaves the region. */
export function crossingsAt(rings: readonly Coords[], y: number): number[] {
  const xs: number[] = [];
  for (const ring of rings) {
    const n = ring.length;
    for (let i = 0, j = n - 2; i < n; j = i, i += 2) {
      if (ring[i + 1] > y === ring[j + 1] > y) continue;
      xs.push(((ring[j] - ring[i]) * (y - ring[i + 1])) / (ring[j + 1] - ring[i + 1]) + ring[i]);
    }
  }
  // Two are by far the most common.
  if (xs.length !== 2) return xs.sort((a, b) => a - b);
  return xs[0] <= xs[1] ? xs : [xs[1], xs[0]];
}

const SCANS = [0.5, 0.37, 0.63, 0.25, 0.75, 0.13, 0.87];

/** A point well inside a region: the middle of the widest of a few horizontal chords. */
export function innerPoint(rings: readonly Coords[]): Point {
  const outer = rings[0];
  let top = Infinity;
  let bottom = -Infinity;
  for (let i = 1; i < outer.length; i += 2) {
    top = Math.min(top, outer[i]);
    bottom = Math.max(bottom, outer[i]);
  }
  let best: Point = [outer[0], outer[1]];
  let widest = 0;
  for (const part of SCANS) {
    const y = top + (bottom - top) * part;
    const xs = crossingsAt(rings, y);
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const width = xs[i + 1] - xs[i];
      if (width > widest * 1.2) {
        widest = width;
        best = [(xs[i] + xs[i + 1]) / 2, y];
      }
    }
  }
  return best;
}

/** How often a ring winds around a point (Sunday, "Inclusion of a point in a polygon", 2001). */
export function windingNumber(ring: Coords, [x, y]: Point): number {
  let winding = 0;
  const n = ring.length;
  for (let i = 0, j = n - 2; i < n; j = i, i += 2) {
    const upwards = ring[i + 1] > y;
    if (ring[j + 1] > y === upwards) continue;
    const turn = (ring[i] - ring[j]) * (y - ring[j + 1]) - (x - ring[j]) * (ring[i + 1] - ring[j + 1]);
    if (upwards ? turn > 0 : turn < 0) winding += upwards ? 1 : -1;
  }
  return winding;
}

/** How far a point lies from the nearest edge of closed rings; Infinity where there are none. */
export function distanceToRings([x, y]: Point, rings: readonly Coords[]): number {
  let least = Infinity;
  for (const ring of rings) {
    const n = ring.length;
    for (let i = 0; i < n; i += 2) {
      const dx = ring[(i + 2) % n] - ring[i];
      const dy = ring[(i + 3) % n] - ring[i + 1];
      const along = ((x - ring[i]) * dx + (y - ring[i + 1]) * dy) / (dx * dx + dy * dy || 1);
      const t = Math.max(0, Math.min(1, along));
      least = Math.min(least, (x - ring[i] - t * dx) ** 2 + (y - ring[i + 1] - t * dy) ** 2);
    }
  }
  return Math.sqrt(least);
}
