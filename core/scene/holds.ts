/**
 * Colour holds: lines whose colour is that of a pocket beside them, some steps deeper; deeper still, as the pocket's own shade
 * is, where they bound a form on the side that is turned from the lamp.
 */
import { oklchOf } from "../colour/oklch.ts";
import type { Drawing, Hold } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { curveCount, pointAt } from "../geometry/cubic.ts";
import { directionFrom, lampOn, type PlacedLamp } from "../light/lamp.ts";
import type { PocketsDerived } from "./flat-of.ts";
import { type LitPocket, litPockets } from "./lit-pour.ts";
import type { Palette, Tone } from "./palette.ts";

interface Beside extends LitPocket {
  readonly tone: Tone;
}

/** Which of two colours beside a line decides: the first, where it is not below 0. */
const DECIDES: { readonly [K in Hold["by"]]: (a: Beside, b: Beside) => number } = {
  front: (a, b) => a.pour.rank - b.pour.rank,
  darker: (a, b) => oklchOf(b.tone.value).l - oklchOf(a.tone.value).l,
  larger: (a, b) => a.pocket.area - b.pocket.area,
};

const NONE: ReadonlyMap<string, Tone> = new Map();

/** The tones of a part's lines that hold a colour, by their ids; none where no colour lies beside. */
export function heldTones(
  drawing: Drawing,
  part: string,
  derived: PocketsDerived,
  { toneOf }: Palette,
): ReadonlyMap<string, Tone> {
  const holds = new Map<string, Hold>();
  for (const table of [drawing.strokes, drawing.inkShapes])
    for (const { id, hold } of entitiesOf<{ readonly id: string; readonly hold?: Hold }>(table))
      if (hold) holds.set(id, hold);
  if (holds.size === 0) return NONE;
  const best = new Map<string, Beside>();
  for (const { pocket, pour } of litPockets(drawing, part, derived)) {
    const beside = { pocket, pour, tone: toneOf(pour.paint) };
    for (const line of pocket.lines) {
      const id = holds.has(line) ? line : line.replace(/\/\d+$/, "");
      const hold = holds.get(id);
      const before = best.get(id);
      if (hold && (!before || DECIDES[hold.by](beside, before) > 0)) best.set(id, beside);
    }
  }
  const lamp = lampOn(drawing);
  return new Map(
    [...best].map(([id, beside]) => {
      const { colour, step } = beside.pour.paint;
      const shade = isTurnedAway(drawing, id, beside, lamp) ? beside.pour.form!.deeper : 0;
      return [id, toneOf({ colour, step: step - holds.get(id)!.deeper - shade })];
    }),
  );
}

/** Whether a line bounds a form on the side that its shade lies on. */
function isTurnedAway(
  { strokes }: Drawing,
  id: string,
  { pocket: { box }, pour: { form } }: Beside,
  lamp: PlacedLamp,
): boolean {
  const points = strokes[id]?.points;
  if (!form || !points) return false;
  const [x, y] = pointAt(points, curveCount(points) / 2);
  const [lx, ly] = directionFrom(lamp, [x, y]);
  const [dx, dy] = [x - box.x - box.width / 2, y - box.y - box.height / 2];
  return dx * lx + dy * ly < -AWAY * Math.hypot(dx, dy);
}

/** The cosine from which on a side is turned away. */
const AWAY = 0.2;
