/** How a pattern is laid, and the cloth that is chosen. */
import type { Pattern } from "#core/drawing/drawing.ts";
import { patternedWith, setBands, setPattern } from "#core/drawing/patterns.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  readonly kind: Pattern["kind"] | "bands";
  /** As a share of the page's width. */
  readonly size: number;
  readonly turn: number;
  readonly share: number;
  /** The picture that is laid. */
  readonly tile: string | null;
  /** Whether pockets that follow one another take the same cloth. */
  readonly oneCloth: boolean;
  readonly bandCount: number;
  /** As a share of the page's width. */
  readonly bandWidth: number;
}

interface Held {
  readonly cloth: string | null;
  /** The pour whose bands are chosen. */
  readonly banded: string | null;
}

export const patterns = toolState<Settings, Held>(
  "pattern",
  {
    kind: "stripes",
    size: 0.025,
    turn: 0,
    share: 0.5,
    tile: null,
    oneCloth: true,
    bandCount: 3,
    bandWidth: 0.012,
  },
  { cloth: null, banded: null },
);

/** The chosen pattern, as long as something still uses it. */
export function chosenPattern(desk: Desk): Pattern | undefined {
  const { cloth } = patterns.held(desk);
  return cloth === null ? undefined : patternedWith(desk.drawing, cloth)[0]?.pattern;
}

/** Takes the chosen cloth or bands away. */
export function takeAway(desk: DeskStore): void {
  const state = desk.getState();
  const { banded, cloth } = patterns.held(state);
  const { pours } = state.drawing;
  if (banded !== null && pours[banded]?.bands) state.edit(setBands(banded, null));
  else if (cloth !== null) {
    const ids = patternedWith(state.drawing, cloth).map(({ id }) => id);
    if (ids.length > 0) state.edit(setPattern(state.drawing, ids, null));
  }
  patterns.hold(desk, { cloth: null, banded: null });
}
