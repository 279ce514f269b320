/** Pouring into pockets of the desk, by whatever is wished for: a colour, nothing, a step from what is there, or ink. */
import { stepBeside } from "#core/colour/ladder.ts";
import type { Paint, Pour } from "#core/drawing/drawing.ts";
import { countPockets, type OnePour, pourEach, pourLabel } from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pourTargets } from "#core/pockets/pouring.ts";
import { plural } from "#core/words.ts";
import type { Desk } from "../store/desk-state.ts";
import { shownTin } from "../tin/shown-tin.ts";
import { pourIn } from "./pour-in.ts";
import type { PourWish } from "./pour-wish.ts";

type Shown = Pick<Desk, "derived" | "drawing">;

/** The edit that pours into pockets; undefined when it would change nothing. */
export function pourInto(desk: Shown, pockets: readonly Pocket[], wish: PourWish): Edit | undefined {
  const { derived, drawing } = desk;
  const wanting = pockets
    .map((pocket) => derived.pockets.indexOf(pocket))
    .flatMap((index) => {
      const now = drawing.pours[derived.pourOf[index] ?? ""];
      const after = wished(desk, wish, now);
      return isThere(after, now) ? [] : [{ index, after }];
    });
  if (wanting.length === 0) return undefined;
  const targets = pourTargets(
    drawing,
    derived,
    wanting.map(({ index }) => index),
  );
  const pours = wanting.map(({ after }, i): OnePour => ({ target: targets[i], ...after }));
  return pourEach(pours, labelOf(wish, targets.length));
}

/** What a wish would lay into a pocket; null where it holds that already, or is to be empty. */
export function paintAfter({ derived, drawing }: Shown, pocket: Pocket, wish: PourWish): Paint | null {
  const now = pourIn({ derived, drawing }, pocket);
  const after = wished({ derived, drawing }, wish, now);
  return isThere(after, now) ? null : after.paint;
}

type Wished = Pick<OnePour, "paint" | "spot" | "cuts">;

const isThere = (after: Wished, now: Pour | undefined): boolean =>
  samePaint(after.paint, now?.paint ?? null) && after.spot === now?.spot && after.cuts === now?.cuts;

function wished({ drawing }: Shown, wish: PourWish, now: Pour | undefined): Wished {
  if (wish.kind === "paint") return { paint: wish.paint, ...(wish.cuts && wish.paint ? { cuts: true } : {}) };
  if (wish.kind === "ink") return { paint: drawing.ink, spot: true };
  if (!now?.paint || now.spot) return { paint: now?.paint ?? null, spot: now?.spot };
  return { paint: steppedPaint(drawing, now.paint, wish.by), cuts: now.cuts };
}

/** A paint so many rungs up or down, as far as its ladder goes. */
export function steppedPaint(drawing: Shown["drawing"], paint: Paint, by: number): Paint {
  const colour = shownTin({ drawing })[paint.colour];
  return colour ? { ...paint, step: stepBeside(colour, paint.step, by) } : paint;
}

const samePaint = (a: Paint | null, b: Paint | null): boolean =>
  a === b || (a !== null && b !== null && a.colour === b.colour && a.step === b.step);

function labelOf(wish: PourWish, count: number): string {
  if (wish.kind === "paint") return pourLabel(wish.paint, count);
  if (wish.kind === "ink") return plural(count, "Spot black", `${count} spot blacks`);
  return `${wish.by > 0 ? "Lighten" : "Darken"} ${countPockets(count)}`;
}
