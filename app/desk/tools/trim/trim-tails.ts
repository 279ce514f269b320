import type { Drawing } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { reshapeLines } from "#core/drawing/line-edits.ts";
import { ringNamed } from "#core/drawing/rings.ts";
import { trimmedLines } from "#core/lines/trim.ts";
import { type InkTail, ringWithout } from "#core/pockets/ink-tails.ts";
import type { Tail } from "#core/pockets/tails.ts";
import { plural } from "#core/words.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { type AnyTail, trim } from "./trim-state.ts";

/** Takes tails off their lines. */
export function trimTails(desk: DeskStore, tails: readonly AnyTail[]): void {
  const { drawing, edit } = desk.getState();
  const lines = new Map(entitiesOf(drawing.strokes).map(({ id, points }) => [id, points]));
  const ofStrokes = tails.filter((tail): tail is Tail => !("cut" in tail));
  const ofInk = tails.filter((tail): tail is InkTail => "cut" in tail);
  const shapes = new Map([...trimmedLines(lines, ofStrokes), ...trimmedRings(drawing, ofInk)]);
  trim.find(desk, null);
  if (shapes.size > 0)
    edit(reshapeLines(shapes, `Trim ${plural(tails.length, "tail", `${tails.length} tails`)}`));
}

/** Rings without some of their tails, by their names. */
function trimmedRings(drawing: Drawing, tails: readonly InkTail[]): Map<string, readonly number[]> {
  const names = new Set(tails.map(({ line }) => line));
  return new Map(
    [...names].flatMap((name) => {
      const ring = ringNamed(drawing, name);
      const cuts = tails.filter(({ line }) => line === name).map(({ cut }) => cut);
      return ring
        ? [[name, ringWithout(drawing.inkShapes[ring.shape].outline[ring.place], cuts)] as const]
        : [];
    }),
  );
}
