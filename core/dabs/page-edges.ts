/** Where colour runs up to the page's edge: the stretches of that edge which close it. */
import { type Box, diagonal, type Point } from "../geometry/point.ts";
import { type FreeSpace, triangleOf } from "../pockets/free-space.ts";
import { nextInTriangle } from "../pockets/triangle-mesh.ts";

/** Of the page's diagonal: vertices this near to its edge lie on it. */
const ON_EDGE = 1e-6;

/** From one place of a side to another. */
type Stretch = [from: number, to: number];

/** The sides of a page: the axis that they lie across, 0 for x, and where. */
const sidesOf = ({ x, y, width, height }: Box) => [
  { axis: 1, at: y },
  { axis: 1, at: y + height },
  { axis: 0, at: x },
  { axis: 0, at: x + width },
];

/** Calls `visit` for every half-edge on a side of the page, with its place along that side. */
function onSide(
  { mesh, xy }: FreeSpace,
  { axis, at }: ReturnType<typeof sidesOf>[number],
  near: number,
  visit: (halfEdge: number, stretch: Stretch) => void,
): void {
  for (let e = 0; e < mesh.triangles.length; e++) {
    if (!mesh.fixed[e]) continue;
    const [a, b] = [mesh.triangles[e], mesh.triangles[nextInTriangle(e)]];
    if (Math.abs(xy[2 * a + axis] - at) > near || Math.abs(xy[2 * b + axis] - at) > near) continue;
    const [p, q] = [xy[2 * a + 1 - axis], xy[2 * b + 1 - axis]];
    visit(e, [Math.min(p, q), Math.max(p, q)]);
  }
}

/** Whether a triangle lies beside the page's edge, which must be a line of the free space. */
export function besidePageEdge(space: FreeSpace, page: Box): (triangle: number) => boolean {
  const beside = new Set<number>();
  for (const side of sidesOf(page))
    onSide(space, side, ON_EDGE * diagonal(page), (e) => beside.add(triangleOf(e)));
  return (triangle) => beside.has(triangle);
}

/** Stretches of that edge beside some triangles, as pairs of points. */
export function pageEdges(
  space: FreeSpace,
  page: Box,
  isTaken: (triangle: number) => boolean,
): [Point, Point][] {
  const near = ON_EDGE * diagonal(page);
  return sidesOf(page).flatMap((side) => {
    const stretches: Stretch[] = [];
    onSide(space, side, near, (e, stretch) => {
      if (isTaken(triangleOf(e))) stretches.push(stretch);
    });
    const place = (along: number): Point => (side.axis === 1 ? [along, side.at] : [side.at, along]);
    return merged(stretches, near).map(([from, to]): [Point, Point] => [place(from), place(to)]);
  });
}

/** Stretches that touch, as one. */
function merged(stretches: readonly Stretch[], near: number): Stretch[] {
  const whole: Stretch[] = [];
  for (const [from, to] of [...stretches].sort((a, b) => a[0] - b[0])) {
    const last = whole[whole.length - 1];
    if (last && from <= last[1] + near) last[1] = Math.max(last[1], to);
    else whole.push([from, to]);
  }
  return whole;
}
