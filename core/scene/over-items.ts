/** What lies over a pour's colour, trimmed to its pocket: a gradient, the figures of a pattern, bands along a line. */
import type { Drawing, Pour } from "../drawing/drawing.ts";
import { stretchOf } from "../lines/stretch.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { RingSource, Rings } from "./flat-of.ts";
import { gradientPaint, isPainted } from "./gradient-paint.ts";
import { inwardItems } from "./inward-items.ts";
import { inwardRings } from "./inward-steps.ts";
import type { Effects, Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette, Tone } from "./palette.ts";
import { patternItems } from "./pattern-items.ts";

type Over = Pick<Drawing, "strokes" | "tiles" | "gradientStrength"> & {
  readonly palette: Palette;
  readonly rings?: RingSource;
};

export const overItems = (pour: Pour, pocket: Pocket, over: Over): readonly Item[] => [
  ...gradientItems(pour, pocket, over),
  ...figureItems(pour, pocket, over),
  ...bandItems(pour, pocket, over),
];

const trimmed = (pocket: Pocket, { opacity }: Tone): Effects => ({
  clip: pocket.cover,
  ...(opacity === undefined ? {} : { opacity }),
});

const keptGradient = memo<Pocket, readonly Item[]>();

/** It covers just what the pocket's colour does, and so needs no clip. */
function gradientItems({ id, gradient, paint }: Pour, pocket: Pocket, over: Over): readonly Item[] {
  const { gradientStrength, palette, rings } = over;
  if (!gradient || !paint || gradientStrength === 0) return [];
  const own = { id: `${id}-gradient`, strength: gradientStrength };
  const base = palette.toneOf(paint);
  const region = { outline: pocket.cover, evenOdd: false };
  const within = isPainted(gradient)
    ? NONE
    : inwardRings(region, gradient, palette, { beneath: base, rings });
  return keptGradient(pocket, [id, gradient, gradientStrength, palette, within], () =>
    isPainted(gradient)
      ? [
          {
            id: own.id,
            says: { is: "over" },
            area: { kind: "region", chains: pocket.cover, evenOdd: false },
            paint: gradientPaint(gradient, base, palette),
            effects: gradientStrength < 1 ? { opacity: gradientStrength } : {},
          },
        ]
      : inwardItems(region, within, gradient, palette, own),
  );
}

const NONE: Rings = [];
const keptPattern = memo<Pocket, readonly Item[]>();

function figureItems({ id, pattern }: Pour, pocket: Pocket, over: Over): readonly Item[] {
  if (!pattern) return [];
  const { palette, tiles } = over;
  return keptPattern(pocket, [id, pattern, tiles[pattern.tile ?? ""], palette], () =>
    patternItems(pattern, { id, box: pocket.box, region: pocket.cover }, over),
  );
}

const keptBands = memo<Pocket, readonly Item[]>();

/** The widest first, each a line along the line it follows, so that the narrower ones lie on it. */
function bandItems({ id, bands }: Pour, pocket: Pocket, { strokes, palette }: Over): readonly Item[] {
  const line = bands && strokes[bands.line];
  if (!line) return [];
  const tones = bands.bands.map(({ paint }) => palette.toneOf(paint));
  return keptBands(pocket, [id, bands, line, ...tones], () => {
    const { points, closed } = stretchOf(line, bands.along ?? { from: 0, to: 1 });
    let deep = 0;
    const items = bands.bands.map(({ width }, i): Item => {
      deep += width;
      return {
        id: `${id}-band-${i + 1}`,
        says: { is: "over" },
        area: {
          kind: "line",
          points,
          closed,
          width: 2 * deep,
          cap: "butt",
          join: "round",
          miterLimit: 4,
          dash: [],
          dashOffset: 0,
        },
        paint: { kind: "tone", tone: tones[i] },
        effects: trimmed(pocket, tones[i]),
      };
    });
    return items.reverse();
  });
}
