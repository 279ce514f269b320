/** What dabs claim: regions of free space, each with its colour, and the openings that would be closed around them. */
import type { Paint } from "../drawing/drawing.ts";
import type { Point } from "../geometry/point.ts";
import {
  type FreeSpace,
  type Opening,
  openingOf,
  triangleArea,
  triangleAt,
  triangleOf,
} from "../pockets/free-space.ts";
import { chambersOf } from "./chambers.ts";
import type { DabSpace } from "./dab-space.ts";
import { BARE, type LabelledTouch, labelsOf, type Spreading } from "./labels.ts";
import { type DabStroke, touchOf } from "./touches.ts";

/** What is asked about a dab; without paint it keeps its place bare. */
export interface AskedDab extends DabStroke {
  readonly id: string;
  readonly paint: Paint | null;
}

/** A connected piece of free space that would get one colour. */
export interface DabRegion {
  readonly paint: Paint;
  /** Page units squared. */
  readonly area: number;
  /** Its triangles: x, y of three corners each, page units. */
  readonly triangles: Float32Array;
  /** Numbers of the openings that would be closed around it. */
  readonly edges: readonly number[];
  /** The dabs in it. */
  readonly dabs: readonly string[];
}

export interface DabReading {
  readonly regions: readonly DabRegion[];
  /** All that would be closed, each once. */
  readonly edges: readonly Opening[];
}

/** Regions with what taking them needs to know beside what is shown. */
export interface DabClaims extends DabReading {
  readonly space: FreeSpace;
  /** The number of each triangle's region; -1 where no colour goes. */
  readonly regionOf: Int32Array;
  /** The same by place. */
  readonly regionAt: (at: Point) => number;
  /** Whether colour may run up to the page's edge, which is a line of the space then. */
  readonly openBorder: boolean;
}

const paintKey = (paint: Paint): string => `${paint.colour} ${paint.step}`;

export function claimsOf(dabSpace: DabSpace, dabs: readonly AskedDab[], spreading: Spreading): DabClaims {
  const { space } = dabSpace;
  const chambers = chambersOf(dabSpace, spreading.reach);
  const paints = paintsOf(dabs);
  const touches = dabs.map((dab) => ({
    id: dab.id,
    label: dab.paint ? 1 + paints.findIndex((paint) => paintKey(paint) === paintKey(dab.paint!)) : BARE,
    touch: touchOf(space, chambers, dab),
    firm: dab.firm === true,
  }));
  const labels = labelsOf(dabSpace, chambers, touches, spreading);
  const { regionOf, members } = regionsOf(space, labels);
  const { edges, around } = edgesOf(space, labels, regionOf, members.length);
  const dabsIn = dabsByRegion(touches, labels, regionOf, members.length);
  const regions = members.map((triangles, i) => ({
    paint: paints[labels[triangles[0]] - 1],
    area: triangles.reduce((sum, t) => sum + triangleArea(space, t), 0),
    triangles: cornersOf(space, triangles),
    edges: around[i],
    dabs: dabsIn[i],
  }));
  const regionAt = (at: Point) => regionOf[triangleAt(space, at)] ?? -1;
  return { regions, edges, space, regionOf, regionAt, openBorder: !spreading.bareBorder };
}

/** The ids of the dabs that got their way in each region. */
function dabsByRegion(
  touches: readonly (LabelledTouch & { readonly id: string })[],
  labels: Int32Array,
  regionOf: Int32Array,
  count: number,
): string[][] {
  const found = Array.from({ length: count }, (): string[] => []);
  for (const { id, touch, label } of touches) {
    const own = [...touch.keys()].filter((t) => labels[t] === label);
    for (const region of new Set(own.map((t) => regionOf[t]))) found[region]?.push(id);
  }
  return found;
}

/** Every paint once, in an order that does not depend on that of the dabs. */
function paintsOf(dabs: readonly AskedDab[]): Paint[] {
  const paints = new Map(dabs.flatMap(({ paint }) => (paint ? [[paintKey(paint), paint] as const] : [])));
  return [...paints].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, paint]) => paint);
}

/** Pieces of one colour that hang together, as lists of triangles. */
function regionsOf({ mesh, room }: FreeSpace, labels: Int32Array) {
  const regionOf = new Int32Array(room.length).fill(-1);
  const members: number[][] = [];
  for (let first = 0; first < room.length; first++) {
    if (labels[first] <= BARE || regionOf[first] >= 0) continue;
    const region = [first];
    regionOf[first] = members.length;
    for (let k = 0; k < region.length; k++)
      for (let e = 3 * region[k]; e < 3 * region[k] + 3; e++) {
        if (mesh.fixed[e] || mesh.twins[e] < 0) continue;
        const t = triangleOf(mesh.twins[e]);
        if (regionOf[t] >= 0 || labels[t] !== labels[first]) continue;
        regionOf[t] = members.length;
        region.push(t);
      }
    members.push(region);
  }
  return { regionOf, members };
}

/** The gates where a colour ends, and by region the numbers of those around it. */
function edgesOf(space: FreeSpace, labels: Int32Array, regionOf: Int32Array, count: number) {
  const { mesh, gates } = space;
  const edges: Opening[] = [];
  const around = Array.from({ length: count }, (): number[] => []);
  for (const e of gates) {
    const [s, t] = [triangleOf(e), triangleOf(mesh.twins[e])];
    if (labels[s] === labels[t] || Math.max(labels[s], labels[t]) <= BARE) continue;
    for (const region of [regionOf[s], regionOf[t]]) around[region]?.push(edges.length);
    edges.push(openingOf(space, e));
  }
  return { edges, around };
}

function cornersOf({ mesh, xy }: FreeSpace, triangles: readonly number[]): Float32Array {
  const corners = new Float32Array(triangles.length * 6);
  triangles.forEach((t, i) => {
    for (let k = 0; k < 3; k++) {
      const v = mesh.triangles[3 * t + k];
      corners[6 * i + 2 * k] = xy[2 * v];
      corners[6 * i + 2 * k + 1] = xy[2 * v + 1];
    }
  });
  return corners;
}

/** How wide the widest opening of some is, in page units; 0 for none. */
export const widestOf = ({ edges }: DabReading, numbers: Iterable<number>): number => {
  let widest = 0;
  for (const i of numbers) widest = Math.max(widest, edges[i].width);
  return widest;
};
