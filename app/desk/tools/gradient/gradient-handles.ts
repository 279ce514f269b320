/** The handles of a gradient on the drawing, and what drawing one of them makes of it. */
import type { Gradient } from "#core/drawing/drawing.ts";
import { distance, mix, type Point } from "#core/geometry/point.ts";
import type { OverlayMark } from "../tool.ts";
import { withStop } from "./gradient-state.ts";

/** Its ends, its width across, its focus, its inner stops and the middles between stops; `index` is a stop's. */
export interface Handle {
  readonly role: "from" | "to" | "ratio" | "focus" | "stop" | "middle";
  readonly index: number;
  readonly at: Point;
}

/** The first to be met is the one to be taken. */
export function handlesOf(gradient: Gradient): Handle[] {
  const { kind, from, to, stops, ratio = 1, focus = 0 } = gradient;
  const along = (share: number): Point => mix(from, to, share);
  const across: Point = [from[0] - (to[1] - from[1]) * ratio, from[1] + (to[0] - from[0]) * ratio];
  const inner = stops.flatMap(({ at }, index): Handle[] =>
    at > 0 && at < 1 ? [{ role: "stop", index, at: along(at) }] : [],
  );
  const middles = stops.slice(0, -1).map(
    ({ at, middle = 0.5 }, index): Handle => ({
      role: "middle",
      index,
      at: along(at + (stops[index + 1].at - at) * middle),
    }),
  );
  const round: Handle[] =
    kind === "radial"
      ? [
          { role: "ratio", index: -1, at: across },
          ...(focus > 0 ? [{ role: "focus", index: -1, at: along(focus) } as const] : []),
        ]
      : [];
  return [
    { role: "to", index: stops.length - 1, at: to },
    { role: "from", index: 0, at: from },
    ...inner,
    ...round,
    ...middles,
  ];
}

const LEAST_GAP = 0.005;
const between = (n: number, least: number, most: number): number => Math.min(most, Math.max(least, n));

/** How dragging a handle to a place changes a gradient; with Alt the start handle sets the focus. */
export function drawnTo(
  gradient: Gradient,
  { role, index }: Handle,
  place: Point,
  alt: boolean,
): Partial<Omit<Gradient, "cloth">> {
  const { from, to, stops, kind } = gradient;
  const share = shareOf(gradient, place);
  if (role === "focus" || (role === "from" && alt && kind === "radial"))
    return { focus: between(share, 0, 0.95) || undefined };
  if (role === "to") return { to: place };
  if (role === "from") return { from: place };
  if (role === "ratio") {
    const long = distance(from, to);
    return long > 0 ? { ratio: between(distance(from, place) / long, 0.02, 50) } : {};
  }
  const [before, own, after] = [stops[index - 1], stops[index], stops[index + 1]];
  if (role === "stop")
    return {
      stops: withStop(gradient, index, {
        at: between(share, (before?.at ?? 0) + LEAST_GAP, (after?.at ?? 1) - LEAST_GAP),
      }),
    };
  const gap = after.at - own.at;
  return { stops: withStop(gradient, index, { middle: between((share - own.at) / gap, 0.05, 0.95) }) };
}

/** Where along a gradient a place lies, 0 at its start and 1 at its end. */
export function shareOf({ from, to }: Gradient, [x, y]: Point): number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const long = dx * dx + dy * dy;
  return long > 0 ? ((x - from[0]) * dx + (y - from[1]) * dy) / long : 0;
}

export function gradientMarks(gradient: Gradient, chosen: number): OverlayMark[] {
  const { from, to } = gradient;
  const axis: OverlayMark = {
    kind: "chain",
    points: [...from, ...from, ...to, ...to],
    closed: false,
    tint: "fern",
  };
  const dots = handlesOf(gradient).map(
    ({ role, index, at }): OverlayMark => ({
      kind: "dot",
      at,
      tint: role === "middle" || role === "focus" ? "quiet" : "fern",
      shape: role === "ratio" || role === "to" ? "square" : "round",
      filled: role !== "middle" && role !== "ratio" && role !== "focus" && index === chosen,
    }),
  );
  return [axis, ...dots.reverse()];
}
