/** What shows of the part behind within a new part; it is copied along for the look alone. */
import type { Drawing, FlatShape, Stroke } from "../drawing/drawing.ts";
import { newId } from "../drawing/new-id.ts";
import { drawingOfPart } from "../drawing/parts.ts";
import { curveCount, flatten, pointAt } from "../geometry/cubic.ts";
import { nearestOnLines, nearestPlace } from "../geometry/nearest.ts";
import { diagonal, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { profileOf, shareAt } from "../lines/profile.ts";
import { isIn, type PartOfPockets, type Ways } from "./part-of-pockets.ts";
import type { Pocket } from "./pockets.ts";

/** Ink that stays but reaches into the part, and shapes of colour that lie in both, go along as echoes. */
export function withEchoes(drawing: Drawing, { chosen }: PartOfPockets, { from, to }: Ways): Drawing {
  if (chosen.size === 0) return drawing;
  const region = [...chosen];
  const behind = drawingOfPart(drawing, from);
  const reaches = reachInto(drawing, region, Object.values(drawingOfPart(drawing, to).strokes));
  const strokes = Object.values(behind.strokes)
    .filter(reaches)
    .map((stroke): Stroke => ({ ...stroke, id: newId(), part: to, echo: "within" }));
  const shapes = Object.values(behind.flatShapes).map((shape) => ({ shape, lies: placeOf(shape, region) }));
  const flats = shapes.flatMap(({ shape, lies }): FlatShape[] => {
    if (lies === "outside") return [];
    return lies === "inside"
      ? [{ ...shape, part: to }]
      : [{ ...shape, id: newId(), part: to, echo: "within" }];
  });
  return {
    ...drawing,
    strokes: { ...drawing.strokes, ...byId(strokes) },
    flatShapes: { ...drawing.flatShapes, ...byId(flats) },
  };
}

const byId = <T extends { readonly id: string }>(items: readonly T[]) =>
  Object.fromEntries(items.map((item) => [item.id, item]));

/** Places at which a line is asked whether its ink reaches into the part, for each of its cubics. */
const PROBES = 16;
/** Ink that reaches this much less far in than the border's own does not show. A part of the page's diagonal. */
const SLACK = 1e-4;

/** Whether a stroke's ink shows inside a region, beyond the ink of the lines that bound it. */
function reachInto({ nibs, page }: Drawing, region: readonly Pocket[], bounds: readonly Stroke[]) {
  const outlines = region.flatMap(({ outline }) => outline.map((points) => ({ points })));
  const halfAt = (stroke: Stroke, u: number) => {
    const profile = profileOf(stroke, nibs[stroke.nib ?? ""]);
    return (stroke.width * (profile ? shareAt(profile, u / curveCount(stroke.points)) : 1)) / 2;
  };
  const slack = SLACK * diagonal(page.box);
  return (stroke: Stroke): boolean => {
    const probes = PROBES * curveCount(stroke.points);
    for (let k = 0; k <= probes; k++) {
      const u = k / PROBES;
      const at = pointAt(stroke.points, u);
      const half = halfAt(stroke, u);
      if (isIn(region, at)) return true;
      const border = nearestOnLines(outlines, at, half);
      if (!border) continue;
      const over = nearestOnLines(bounds, border.at, slack)?.line;
      const hidden = over ? halfAt(over, nearestPlace(over.points, border.at)) : 0;
      if (half - border.gap > hidden + slack) return true;
    }
    return false;
  };
}

function placeOf({ outline }: FlatShape, region: readonly Pocket[]): "inside" | "outside" | "both" {
  const rings = outline.map((chain) => flatten(chain, Number.POSITIVE_INFINITY));
  const places = rings.flatMap((ring) =>
    Array.from({ length: ring.length / 2 }, (_, k): Point => [ring[2 * k], ring[2 * k + 1]]),
  );
  const within = places.filter((at) => isIn(region, at)).length;
  if (within === places.length) return "inside";
  return within > 0 || region.some(({ seed }) => regionContains(rings, seed)) ? "both" : "outside";
}
