/** Pouring into pockets of the desk, by what is asked for: a colour, nothing, a step from what is there, or ink. */
import { stepBeside } from "#core/colour/ladder.ts";
import type { Paint, Pour } from "#core/drawing/drawing.ts";
import { countPockets, type OnePour, pourEach, pourLabel } from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import { samePaint } from "#core/drawing/same-paint.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pourTargets } from "#core/pockets/pouring.ts";
import { plural } from "#core/words.ts";
import type { Desk } from "../store/desk-state.ts";
import { shownTin } from "../tin/shown-tin.ts";
import { pourIn } from "./pour-in.ts";
import type { PourRequest } from "./pour-request.ts";

type Shown = Pick<Desk, "derived" | "drawing">;

/** The edit that pours into pockets; undefined when it would change nothing. */
export function pourInto(desk: Shown, pockets: readonly Pocket[], request: PourRequest): Edit | undefined {
  const { derived, drawing } = desk;
  const wanting = pockets
    .map((pocket) => derived.pockets.indexOf(pocket))
    .flatMap((index) => {
      const now = drawing.pours[derived.pourOf[index] ?? ""];
      const after = requested(desk, request, now);
      return isThere(after, now) ? [] : [{ index, after }];
    });
  if (wanting.length === 0) return undefined;
  const targets = pourTargets(
    drawing,
    derived,
    wanting.map(({ index }) => index),
  );
  const pours = wanting.map(({ after }, i): OnePour => ({ target: targets[i], ...after }));
  return pourEach(pours, labelOf(request, targets.length));
}

/** What a request would lay into a pocket; null where it holds that already, or is to be empty. */
export function paintAfter({ derived, drawing }: Shown, pocket: Pocket, request: PourRequest): Paint | null {
  const now = pourIn({ derived, drawing }, pocket);
  const after = requested({ derived, drawing }, request, now);
  return isThere(after, now) ? null : after.paint;
}

type Requested = Pick<OnePour, "paint" | "spot" | "cuts" | "leftBare">;

const isThere = (after: Requested, now: Pour | undefined): boolean =>
  (!after.leftBare || now !== undefined) &&
  samePaint(after.paint, now?.paint ?? null) &&
  after.spot === now?.spot &&
  after.cuts === now?.cuts;

function requested({ drawing }: Shown, request: PourRequest, now: Pour | undefined): Requested {
  if (request.kind === "paint")
    return { paint: request.paint, ...(request.cuts && request.paint ? { cuts: true } : {}) };
  if (request.kind === "bare") return { paint: null, leftBare: true };
  if (request.kind === "ink") return { paint: drawing.ink, spot: true };
  if (!now?.paint || now.spot) return { paint: now?.paint ?? null, spot: now?.spot };
  return { paint: steppedPaint(drawing, now.paint, request.by), cuts: now.cuts };
}

/** A paint so many rungs up or down, as far as its ladder goes. */
export function steppedPaint(drawing: Shown["drawing"], paint: Paint, by: number): Paint {
  const colour = shownTin({ drawing })[paint.colour];
  return colour ? { ...paint, step: stepBeside(colour, paint.step, by) } : paint;
}

function labelOf(request: PourRequest, count: number): string {
  if (request.kind === "paint") return pourLabel(request.paint, count);
  if (request.kind === "bare") return `Leave ${countPockets(count)} bare`;
  if (request.kind === "ink") return plural(count, "Spot black", `${count} spot blacks`);
  return `${request.by > 0 ? "Lighten" : "Darken"} ${countPockets(count)}`;
}
