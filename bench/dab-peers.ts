/** Two other ways to colour from dabs, small, for comparison: both on a raster whose walls are the lines. */
import type { Grid } from "./label-grid.ts";

/** `seeds` holds the label of seeded cells plus 1, 0 for the others. */
export interface Raster {
  readonly grid: Grid;
  readonly walls: Uint8Array;
  readonly seeds: Uint8Array;
}

/** Each cell takes the label of the nearest seed by the shortest way round the walls. */
export function nearestDab({ grid, walls, seeds }: Raster): Uint8Array {
  const labels = seeds.slice();
  let front = [...seeds.keys()].filter((i) => seeds[i] > 0);
  while (front.length > 0) {
    const next: number[] = [];
    for (const i of front)
      forNeighbours(grid, i, (j) => {
        if (labels[j] > 0 || walls[j]) return;
        labels[j] = labels[i];
        next.push(j);
      });
    front = next;
  }
  return labels.map((label) => Math.max(0, label - 1));
}

/** Sweeps over the coarse raster and over the fine one, with their over-relaxation. */
const COARSE = { sweeps: 400, omega: 1.96 };
const FINE = { sweeps: 80, omega: 1.9 };

/**
 * Each cell takes the label whose seeds a random walker from it most likely meets first (Grady, "Random walks for image
 * segmentation", 2006): Laplace's equation by successive over-relaxation, on a raster half as fine first.
 */
export function randomWalker(fine: Raster, coarse: Raster): Uint8Array {
  const [near, nearCoarse] = [nearestDab(fine), nearestDab(coarse)];
  const count = fine.seeds.reduce((most, seed) => Math.max(most, seed), 0);
  const best = new Float32Array(near.length).fill(-1);
  const labels = new Uint8Array(near.length);
  for (let label = 0; label < count; label++) {
    const rough = chanceOf(coarse, label, (i) => (nearCoarse[i] === label ? 1 : 0), COARSE);
    const chance = chanceOf(fine, label, (i) => rough[cellBelow(fine.grid, coarse.grid, i)], FINE);
    for (let i = 0; i < chance.length; i++) {
      if (fine.walls[i] || chance[i] <= best[i]) continue;
      best[i] = chance[i];
      labels[i] = label;
    }
  }
  return labels;
}

function cellBelow(fine: Grid, coarse: Grid, i: number): number {
  const row = Math.min(coarse.rows - 1, Math.floor(i / fine.columns) >> 1);
  return row * coarse.columns + Math.min(coarse.columns - 1, (i % fine.columns) >> 1);
}

/** For each cell a bit for each neighbour that a walker can step to: left, right, up, down. */
function openSides(walls: Uint8Array, columns: number): Uint8Array {
  return walls.map((wall, i) => {
    if (wall) return 0;
    const x = i % columns;
    return (
      (x > 0 && !walls[i - 1] ? 1 : 0) |
      (x + 1 < columns && !walls[i + 1] ? 2 : 0) |
      (i >= columns && !walls[i - columns] ? 4 : 0) |
      (i + columns < walls.length && !walls[i + columns] ? 8 : 0)
    );
  });
}

/** How likely a walker from each cell meets a seed of a label first. */
function chanceOf(
  { grid: { columns }, walls, seeds }: Raster,
  label: number,
  guess: (i: number) => number,
  { sweeps, omega }: typeof COARSE,
): Float32Array {
  const chance = Float32Array.from(walls, (_, i) => (seeds[i] ? (seeds[i] === label + 1 ? 1 : 0) : guess(i)));
  const open = openSides(walls, columns);
  for (let sweep = 0; sweep < sweeps; sweep++)
    for (let i = 0; i < chance.length; i++) {
      if (seeds[i] || open[i] === 0) continue;
      const o = open[i];
      let sum = 0;
      let count = 0;
      if (o & 1) {
        sum += chance[i - 1];
        count++;
      }
      if (o & 2) {
        sum += chance[i + 1];
        count++;
      }
      if (o & 4) {
        sum += chance[i - columns];
        count++;
      }
      if (o & 8) {
        sum += chance[i + columns];
        count++;
      }
      chance[i] += omega * (sum / count - chance[i]);
    }
  return chance;
}

function forNeighbours({ columns, rows }: Grid, i: number, visit: (j: number) => void): void {
  const x = i % columns;
  if (x > 0) visit(i - 1);
  if (x + 1 < columns) visit(i + 1);
  if (i >= columns) visit(i - columns);
  if (i + columns < columns * rows) visit(i + columns);
}
