/** The ink sheet's items: plain strokes where one width says all, outlines where it changes along the line. */
import type { Drawing, InkShape, Nib, Paint, Profile, Stroke } from "../drawing/drawing.ts";
import { nibOutline } from "../lines/nib-outline.ts";
import { isPlain, profileOf } from "../lines/profile.ts";
import { type Tone, toneKey } from "./palette.ts";
import type { InkItem, SceneItem, StrokeItem } from "./scene.ts";

interface KnownInk {
  readonly of: readonly unknown[];
  readonly tones: ReadonlyMap<string, Tone>;
  readonly items: SceneItem[];
}

const lastInk = new WeakMap<Drawing["strokes"], KnownInk>();

/** Ink is the largest part of a scene and changes seldom: the same lines give the very same items. */
export function inkItemsOf(drawing: Drawing, toneOf: (paint: Paint) => Tone): SceneItem[] {
  const { strokes, inkShapes, nibs, ink } = drawing;
  const inked = [...Object.values(strokes), ...Object.values(inkShapes)];
  const tones = new Map<string, Tone>();
  const toneOfInk = (paint: Paint = ink) => {
    const tone = toneOf(paint);
    tones.set(toneKey(paint), tone);
    return tone;
  };
  for (const { paint } of inked) toneOfInk(paint);
  const of = [inkShapes, nibs, ink];
  const known = lastInk.get(strokes);
  if (known && sameInk(known, of, tones)) return known.items;
  const items = inked
    .sort((a, b) => a.rank - b.rank)
    .map((line) =>
      "outline" in line
        ? inkItem(line, toneOfInk(line.paint))
        : strokeItem(line, line.nib ? nibs[line.nib] : undefined, toneOfInk(line.paint)),
    );
  lastInk.set(strokes, { of, tones, items });
  return items;
}

const sameInk = (known: KnownInk, of: readonly unknown[], tones: ReadonlyMap<string, Tone>): boolean =>
  known.of.every((part, i) => part === of[i]) &&
  known.tones.size === tones.size &&
  [...tones].every(([key, { value, variable }]) => {
    const before = known.tones.get(key);
    return before?.value === value && before.variable === variable;
  });

function strokeItem(stroke: Stroke, nib: Nib | undefined, tone: Tone): StrokeItem | InkItem {
  const { id, name, groups, points, closed, width } = stroke;
  if (!isPlain(stroke, nib)) {
    const outline = nibbedInk(stroke, nib);
    return { kind: "ink", id, name, groups, tone, outline, evenOdd: false, drawn: { stroke, nib } };
  }
  return {
    kind: "stroke",
    id,
    name,
    groups,
    tone,
    points,
    closed,
    width,
    cap: stroke.cap ?? "round",
    join: stroke.join ?? "round",
    miterLimit: stroke.miterLimit ?? 4,
    dash: stroke.dash ?? [],
    dashOffset: stroke.dashOffset ?? 0,
    nib: stroke.nib,
  };
}

const nibbed = new WeakMap<Stroke, { readonly nib: Nib | undefined; readonly outline: number[][] }>();

/** Offsetting takes longer than all else here: the ink of a stroke is kept for as long as the stroke is the same. */
function nibbedInk(stroke: Stroke, nib: Nib | undefined): number[][] {
  const known = nibbed.get(stroke);
  if (known && known.nib === nib) return known.outline;
  const outline = nibOutline({
    points: stroke.points,
    closed: stroke.closed,
    cap: stroke.cap ?? "round",
    width: stroke.width,
    profile: profileOf(stroke, nib) ?? EVEN,
    strands: nib?.strands ?? 1,
  });
  nibbed.set(stroke, { nib, outline });
  return outline;
}

const EVEN: Profile = [0, 1, 1, 1];

const inkItem = ({ id, name, groups, outline, evenOdd }: InkShape, tone: Tone): InkItem => ({
  kind: "ink",
  id,
  name,
  groups,
  tone,
  outline,
  evenOdd,
});
