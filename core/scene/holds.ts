/** Colour holds: lines whose colour is that of a pocket beside them, some steps deeper. */
import { oklchOf } from "../colour/oklch.ts";
import { type Drawing, entitiesOf, type Hold, type Pour } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { PocketsDerived } from "./flat-of.ts";
import type { Palette, Tone } from "./palette.ts";

interface Beside {
  readonly pocket: Pocket;
  readonly pour: Pour;
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
  { strokes, inkShapes, pours }: Pick<Drawing, "strokes" | "inkShapes" | "pours">,
  part: string,
  { pockets, pourOf }: PocketsDerived,
  { toneOf }: Palette,
): ReadonlyMap<string, Tone> {
  const holds = new Map<string, Hold>();
  for (const table of [strokes, inkShapes])
    for (const { id, hold } of entitiesOf<{ readonly id: string; readonly hold?: Hold }>(table))
      if (hold) holds.set(id, hold);
  if (holds.size === 0) return NONE;
  const best = new Map<string, Beside>();
  pockets.forEach((pocket, index) => {
    const pour = pocket.part === part ? pours[pourOf[index] ?? ""] : undefined;
    if (!pour?.paint || pour.spot) return;
    const beside = { pocket, pour, tone: toneOf(pour.paint) };
    for (const line of pocket.lines) {
      const id = holds.has(line) ? line : line.replace(/\/\d+$/, "");
      const hold = holds.get(id);
      const before = best.get(id);
      if (hold && (!before || DECIDES[hold.by](beside, before) > 0)) best.set(id, beside);
    }
  });
  return new Map(
    [...best].map(([id, { pour }]) => {
      const { colour, step } = pour.paint!;
      return [id, toneOf({ colour, step: step - holds.get(id)!.deeper })];
    }),
  );
}
