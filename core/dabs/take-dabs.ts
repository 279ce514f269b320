/** Taking what dabs claim: the bridges that close it and the pours in what they enclose. */
import type { Bridge, Drawing, Paint } from "../drawing/drawing.ts";
import type { OnePour } from "../drawing/edits.ts";
import { newId } from "../drawing/new-id.ts";
import { drawingOfPart, inPart } from "../drawing/parts.ts";
import { polyline } from "../geometry/cubic.ts";
import type { Box } from "../geometry/point.ts";
import { matchAnchors } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { pourTargets } from "../pockets/pouring.ts";
import type { DabClaims } from "./dab-reading.ts";
import { pageEdges } from "./page-edges.ts";

export interface TakenDabs {
  readonly bridges: readonly Bridge[];
  readonly pours: readonly OnePour[];
}

/** Of some regions of a part, by their numbers. Throws TooDense where the lines ask for too much. */
export function takenFrom(
  drawing: Drawing,
  part: string,
  claims: DabClaims,
  chosen: readonly number[],
): TakenDabs {
  const { regions, regionAt } = claims;
  const taken = new Set(chosen);
  const bridges = closing(claims, drawing.page.box, taken).map(
    (points): Bridge => ({ id: newId(), points, ...inPart(part) }),
  );
  const closed = {
    ...drawing,
    bridges: { ...drawing.bridges, ...Object.fromEntries(bridges.map((bridge) => [bridge.id, bridge])) },
  };
  const pockets = new LineReader(part).read(drawingOfPart(closed, part));
  const paintIn: (Paint | undefined)[] = pockets.map(({ seed }) => {
    const region = regionAt(seed);
    return taken.has(region) ? regions[region].paint : undefined;
  });
  const poured = pockets.flatMap(({ hidden }, i) => (!hidden && paintIn[i] ? [i] : []));
  const matches = matchAnchors(pockets, closed.pours, closed.shades);
  const targets = pourTargets(closed, { pockets, ...matches }, poured);
  return { bridges, pours: poured.map((pocket, i) => ({ target: targets[i], paint: paintIn[pocket]! })) };
}

/** Chains that close some regions: bridges of their openings, and where colour runs up to it the page's edge. */
function closing(
  { regions, edges, space, regionOf, openBorder }: DabClaims,
  page: Box,
  taken: ReadonlySet<number>,
): (readonly number[])[] {
  const wanted = new Set([...taken].flatMap((region) => regions[region].edges));
  const stretches = openBorder ? pageEdges(space, page, (t) => taken.has(regionOf[t])) : [];
  return [...[...wanted].map((edge) => edges[edge].bridge), ...stretches.map((ends) => polyline(ends))];
}
