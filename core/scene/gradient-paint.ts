/**
 * A gradient as painters take it: in a space of its own, with so many stops that straight lines in sRGB between them,
 * which every painter draws alike, come within 1 (OKLab distance times 100) of the way through OKLCH, or within 6 levels
 * of 255 where it is so dark that a level is more. Hue goes the
 * shorter way round (CSS Color Module Level 4, 12.4).
 */
import type { Gradient, GradientStop } from "../drawing/drawing.ts";
import type { Matrix } from "../geometry/matrix.ts";
import type { GradientPaint, PaintStop } from "./items.ts";
import type { Palette, Tone } from "./palette.ts";

/** Pieces between two stops that are mixed through OKLCH. */
const PIECES = 32;

/** Along a line or round a centre: one along an outline is painted in steps (inward-steps.ts). */
export type PaintedGradient = Gradient & { readonly kind: GradientPaint["shape"] };

export const isPainted = (gradient: Gradient): gradient is PaintedGradient => gradient.kind !== "inward";

/** `base` is what it lies over, or in place of. */
export function gradientPaint(gradient: PaintedGradient, base: Tone, palette: Palette): GradientPaint {
  const { kind, focus = 0 } = gradient;
  return {
    kind: "gradient",
    shape: kind,
    base,
    space: spaceOf(gradient),
    focus,
    stops: stopsOf(gradient, palette),
  };
}

/** From the gradient's own space to the page: a line runs from 0 to 1 along x, a circle of radius 1 lies around 0. */
function spaceOf({ kind, from: [x, y], to, ratio = 1 }: Gradient): Matrix {
  const [dx, dy] = [to[0] - x, to[1] - y];
  const across = kind === "radial" ? ratio : 1;
  return [dx, dy, -dy * across, dx * across, x, y];
}

function stopsOf({ stops, mix }: Gradient, palette: Palette): PaintStop[] {
  const sorted = [...stops].sort((a, b) => a.at - b.at);
  return sorted.flatMap((stop, i) => {
    const next = sorted[i + 1];
    const own = { at: stop.at, tone: palette.toneOf(stop.paint), opacity: stop.opacity };
    return next ? [own, ...between(stop, next, mix, palette)] : [own];
  });
}

function between(a: GradientStop, b: GradientStop, mix: Gradient["mix"], { mixOf }: Palette): PaintStop[] {
  const pieces = mix === "srgb" && a.middle === undefined ? 1 : PIECES;
  return Array.from({ length: pieces - 1 }, (_, k) => {
    const place = (k + 1) / pieces;
    const share = shareAt(place, a.middle);
    return {
      at: a.at + (b.at - a.at) * place,
      tone: mixOf(a.paint, b.paint, share, mix),
      opacity: a.opacity + (b.opacity - a.opacity) * share,
    };
  });
}

/** What a gradient shows at a place along it, 0 to 1. */
export function toneAlong(
  { stops, mix }: Pick<Gradient, "stops" | "mix">,
  place: number,
  palette: Palette,
): Pick<PaintStop, "tone" | "opacity"> {
  const sorted = [...stops].sort((a, b) => a.at - b.at);
  const after = sorted.findIndex(({ at }) => at > place);
  if (after <= 0) {
    const { paint, opacity } = after < 0 ? sorted[sorted.length - 1] : sorted[0];
    return { tone: palette.toneOf(paint), opacity };
  }
  const [a, b] = [sorted[after - 1], sorted[after]];
  const share = shareAt((place - a.at) / (b.at - a.at), a.middle);
  return {
    tone: palette.mixOf(a.paint, b.paint, Math.round(share * 1000) / 1000, mix),
    opacity: a.opacity + (b.opacity - a.opacity) * share,
  };
}

/** The share of the second colour at a place between two stops, which is half at the middle. */
const shareAt = (place: number, middle = 0.5): number =>
  middle === 0.5 ? place : place ** (Math.log(0.5) / Math.log(middle));
