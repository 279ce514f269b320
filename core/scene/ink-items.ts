/** The ink sheet: plain strokes where one width says all, outlines where it changes along the line. */
import type { Drawing, InkShape, Nib, Profile, Stroke } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { nibOutline } from "../lines/nib-outline.ts";
import { isPlain, profileOf } from "../lines/profile.ts";
import type { Chain, Effects, Item, Region } from "./items.ts";
import { memo, sameList } from "./memo.ts";
import type { Palette, Tone } from "./palette.ts";

const hasEcho = memo<Drawing["strokes"], boolean>();
const lists = memo<Drawing["strokes"], Item[]>();
const allLists = memo<Drawing["strokes"], Item[]>();

type InkLine = Stroke | InkShape;

/** The lines that a palette painted last, from the back to the front, with their items. */
interface Painted {
  readonly of: readonly unknown[];
  readonly lines: readonly InkLine[];
  readonly items: readonly Item[];
}

const painted = new WeakMap<Palette, Painted>();

interface InkWork {
  /** That of their part. */
  readonly region: Region;
  readonly palette: Palette;
  /** Tones of lines that take theirs from what lies beside them. */
  readonly held: ReadonlyMap<string, Tone>;
  /** Whether hidden lines are wanted. */
  readonly hidden: boolean;
}

/**
 * Ink is the largest part of a scene and changes seldom: the same lines give the very same list.
 */
export function inkItems(
  { strokes, inkShapes, nibs, ink }: Drawing,
  { region, palette, held, hidden }: InkWork,
): Item[] {
  const lines = () => [...entitiesOf(strokes), ...entitiesOf(inkShapes)];
  const clip = hasEcho(strokes, [inkShapes], () => lines().some(({ echo }) => echo === "within"))
    ? region()
    : undefined;
  const made = hidden ? allLists : lists;
  const of = [nibs, ink, clip, ...held.keys(), ...held.values()];
  return made(strokes, [inkShapes, palette, ...of], () => {
    const shown = inOrder(lines(), hidden);
    const before = painted.get(palette);
    const same = before && sameList(before.of, of) ? before : NOTHING;
    const items = shown.map((line, k) => {
      if (same.lines[k] === line) return same.items[k];
      const tone = held.get(line.id) ?? palette.toneOf(line.paint ?? ink);
      const within = line.echo === "within" ? clip : undefined;
      return "outline" in line
        ? shapeItem(line, tone, within)
        : strokeItem(line, nibs[line.nib ?? ""], tone, within);
    });
    painted.set(palette, { of, lines: shown, items });
    return items;
  });
}

const NOTHING = { lines: [], items: [] };

/** Those that are seen, from the back to the front; sorted only where they do not stand so already. */
function inOrder(lines: readonly InkLine[], hidden: boolean): readonly InkLine[] {
  const shown = hidden || !lines.some((line) => line.hidden) ? lines : lines.filter((line) => !line.hidden);
  const isSorted = shown.every(({ rank }, k) => k === 0 || shown[k - 1].rank <= rank);
  return isSorted ? shown : [...shown].sort((a, b) => a.rank - b.rank);
}

const kept = memo<InkLine, Item>();
const NO_EFFECTS = {};

/** An echo from within shows only inside its part's region. */
type Clip = readonly Chain[] | undefined;

const effectsOf = (clip: Clip, { opacity }: Tone): Effects =>
  clip || opacity !== undefined
    ? { ...(clip && { clip }), ...(opacity !== undefined && { opacity }) }
    : NO_EFFECTS;

const shapeItem = (shape: InkShape, tone: Tone, clip: Clip): Item =>
  kept(shape, [tone, clip], () => ({
    id: shape.id,
    says: { is: "shape", echo: shape.echo, locked: shape.locked, hold: shape.hold },
    area: { kind: "region", chains: shape.outline, evenOdd: shape.evenOdd },
    paint: { kind: "tone", tone },
    effects: effectsOf(clip, tone),
    name: shape.name,
    groups: shape.groups,
    hidden: shape.hidden,
  }));

const strokeItem = (stroke: Stroke, nib: Nib | undefined, tone: Tone, clip: Clip): Item =>
  kept(stroke, [nib, tone, clip], () => ({
    id: stroke.id,
    ...(isPlain(stroke, nib) ? plainStroke(stroke) : nibbedStroke(stroke, nib)),
    paint: { kind: "tone", tone },
    effects: effectsOf(clip, tone),
    name: stroke.name,
    groups: stroke.groups,
    hidden: stroke.hidden,
  }));

function plainStroke(stroke: Stroke): Pick<Item, "says" | "area"> {
  const { points, closed, width } = stroke;
  const { cap = "round", join = "round", miterLimit = 4, dash = [], dashOffset = 0 } = stroke;
  return {
    says: {
      is: "stroke",
      nib: stroke.nib,
      cut: stroke.cut,
      echo: stroke.echo,
      locked: stroke.locked,
      hold: stroke.hold,
    },
    area: { kind: "line", points, closed, width, cap, join, miterLimit, dash, dashOffset },
  };
}

const nibbedStroke = (stroke: Stroke, nib: Nib | undefined): Pick<Item, "says" | "area"> => ({
  says: { is: "nibbed", stroke },
  area: { kind: "region", chains: nibbedInk(stroke, nib), evenOdd: false },
});

/** What a stroke covers with ink, whatever it is painted as. */
export const inkOf = (stroke: Stroke, nib: Nib | undefined): readonly Chain[] => nibbedInk(stroke, nib);

const nibbed = memo<Stroke, number[][]>();

/** Offsetting takes longer than all else here: the ink of a stroke is kept for as long as the stroke is the same. */
const nibbedInk = (stroke: Stroke, nib: Nib | undefined): number[][] =>
  nibbed(stroke, [nib], () =>
    nibOutline({
      points: stroke.points,
      closed: stroke.closed,
      cap: stroke.cap ?? "round",
      width: stroke.width,
      profile: profileOf(stroke, nib) ?? EVEN,
      strands: nib?.strands ?? 1,
    }),
  );

const EVEN: Profile = [0, 1, 1, 1];
