/** Pattern: figures that repeat over the colour of a pocket, the ground or a shape, or bands along a line of a pocket. */
import { Grid3x3 } from "lucide-react";
import type { Bands, FlatShape, Paint, Pattern } from "#core/drawing/drawing.ts";
import { newId } from "#core/drawing/new-id.ts";
import { changePattern, setBands, setPattern } from "#core/drawing/patterns.ts";
import { pointAt } from "#core/geometry/cubic.ts";
import { nearestPlace } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { pointAtShare, shareNear, stretchOf, withEndAt } from "#core/lines/stretch.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { isRemoval } from "../../keys/key-names.ts";
import { pickable } from "../../parts/pickable.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import { steppedPaint } from "../../pockets/pour-into.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import { colouredAt } from "../../shapes/coloured-at.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { askForColour } from "../../store/next-thing.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";
import { chosenPattern, patterns, takeAway } from "./pattern-state.ts";
import { patternTray } from "./pattern-tray.tsx";

const GRAB_PIXELS = 10;
/** How far the handle that turns and scales stands from its figure, in multiples of the figures' size. */
const HANDLE_AT = 4;

export const patternTool: Tool = {
  name: "pattern",
  word: "Pattern",
  hint: "Click coloured pockets, shapes or the ground to lay it; drag it about; the square handle turns and scales it",
  icon: Grid3x3,
  sheet: "flats",
  cursor: "crosshair",
  lights: true,
  press: (press) => handleGesture(press) ?? stretchGesture(press) ?? onColour(press),
  key: (desk, event) => {
    const state = desk.getState();
    const pocket = walkedPocket(state);
    if (event.key === "Enter" && pocket) lay(desk, pocket, pocket.seed);
    else if (isRemoval(event)) takeAway(desk);
    else return false;
    return true;
  },
  marks: (desk) => {
    const pattern = chosenPattern(desk);
    if (!pattern) return bandMarks(desk);
    const handle = handleOf(pattern);
    return [
      {
        kind: "chain",
        points: [...pattern.at, ...pattern.at, ...handle, ...handle],
        closed: false,
        tint: "fern",
      },
      { kind: "dot", at: pattern.at, tint: "fern", shape: "round", filled: true },
      { kind: "dot", at: handle, tint: "fern", shape: "square", filled: true },
    ];
  },
  places: (desk) => {
    const pattern = chosenPattern(desk);
    const own = pattern ? [pattern.at, handleOf(pattern)] : bandEnds(desk).map(({ at }) => at);
    return [...own, ...desk.derived.pockets.map(({ seed }) => seed)];
  },
  settings: patternTray,
};

function handleOf({ at, turn, size }: Pattern): Point {
  const angle = (turn * Math.PI) / 180;
  return [at[0] + HANDLE_AT * size * Math.cos(angle), at[1] + HANDLE_AT * size * Math.sin(angle)];
}

/** Turning and scaling by the handle of the chosen cloth, or moving it by where its figures stand. */
function handleGesture({ desk, at, pixel }: Press): Gesture | undefined {
  const state = desk.getState();
  const pattern = chosenPattern(state);
  if (!pattern) return undefined;
  const near = (place: Point) => distance(place, at) <= GRAB_PIXELS * pixel;
  if (near(handleOf(pattern)))
    return {
      move: (press) => {
        const [dx, dy] = [press.at[0] - pattern.at[0], press.at[1] - pattern.at[1]];
        const size = Math.max(pixel, Math.hypot(dx, dy) / HANDLE_AT);
        const turn = (Math.atan2(dy, dx) * 180) / Math.PI;
        const steady = press.shift ? Math.round(turn / 15) * 15 : turn;
        state.show(changePattern(state.drawing, pattern.cloth, { size, turn: steady }));
      },
    };
  return near(pattern.at) ? moving(state, pattern, at) : undefined;
}

/** The stretch of a line that the chosen bands follow. */
function chosenBands(desk: Desk) {
  const { banded } = patterns.held(desk);
  const bands = banded === null ? undefined : desk.drawing.pours[banded]?.bands;
  const line = bands && desk.drawing.strokes[bands.line];
  return line && { id: banded!, bands, line, along: bands.along ?? { from: 0, to: 1 } };
}

/** The places where its ends can be taken hold of; those of a closed line coincide until they are dragged apart. */
function bandEnds(desk: Desk): { readonly end: "from" | "to"; readonly at: Point }[] {
  const chosen = chosenBands(desk);
  if (!chosen) return [];
  return (["to", "from"] as const).map((end) => ({ end, at: pointAtShare(chosen.line, chosen.along[end]) }));
}

function bandMarks(desk: Desk): OverlayMark[] {
  const chosen = chosenBands(desk);
  if (!chosen) return [];
  return [
    { kind: "chain", ...stretchOf(chosen.line, chosen.along), tint: "fern" },
    ...bandEnds(desk).map(
      ({ at, end }): OverlayMark => ({
        kind: "dot",
        at,
        tint: "fern",
        shape: end === "from" ? "round" : "square",
        filled: true,
      }),
    ),
  ];
}

/** An end of the stretch is drawn along its line. */
function stretchGesture({ desk, at, pixel }: Press): Gesture | undefined {
  const state = desk.getState();
  const chosen = chosenBands(state);
  const taken = bandEnds(state).find((one) => distance(one.at, at) <= GRAB_PIXELS * pixel);
  if (!chosen || !taken) return undefined;
  const { id, bands, line, along } = chosen;
  return {
    move: (press) =>
      state.show(
        setBands(id, { ...bands, along: withEndAt(line, along, taken.end, shareNear(line, press.at)) }),
      ),
  };
}

const moving = (state: Desk, pattern: Pattern, from: Point): Gesture => ({
  move: ({ at }) =>
    state.show(
      changePattern(state.drawing, pattern.cloth, {
        at: [pattern.at[0] + at[0] - from[0], pattern.at[1] + at[1] - from[1]],
      }),
    ),
});

/** Colour that a pattern can lie over. */
type Coloured = Pick<FlatShape, "id" | "paint" | "pattern">;

const isPatterned = ({ sheet = "flats" }: FlatShape): boolean => sheet === "flats" || sheet === "ground";

function onColour({ desk, at, pixel }: Press): Gesture | undefined {
  const state = desk.getState();
  const pocket = pocketAt(state.derived.pockets, at);
  if (patterns.settings(state).kind === "bands") {
    if (pocket) lay(desk, pocket, at);
    else state.tell("Bands follow a line of a pocket. Click inside one.");
    return undefined;
  }
  const shapes = pickable(state, state.drawing.flatShapes).filter(isPatterned);
  const coloured = colouredAt(state, at, pixel, shapes);
  if (coloured?.pattern) {
    patterns.hold(desk, { cloth: coloured.pattern.cloth, banded: null });
    return moving(desk.getState(), coloured.pattern, at);
  }
  if (coloured) layPattern(desk, coloured, at);
  else if (pocket) askForColour(state, "a pattern lies over it");
  else state.tell("A pattern lies over the colour of a pocket, a shape or the ground. Click on one.");
  return undefined;
}

function lay(desk: DeskStore, pocket: Pocket, at: Point): void {
  const state = desk.getState();
  const pour = colouredIn(state, pocket);
  if (!pour) askForColour(state, "a pattern lies over it");
  else if (patterns.settings(state).kind === "bands") layBands(desk, pocket, pour, at);
  else layPattern(desk, pour, at);
}

function layPattern(desk: DeskStore, coloured: Coloured, at: Point): void {
  const state = desk.getState();
  const { kind, size, turn, share, tile, oneCloth } = patterns.settings(state);
  const chosen = oneCloth ? chosenPattern(state) : undefined;
  const picture = kind === "picture" ? state.drawing.tiles[tile ?? ""] : undefined;
  if (kind === "picture" && !picture && !chosen) {
    state.tell("Choose a picture first. It is laid in steps of the colour in hand.");
    return;
  }
  const width = state.drawing.page.box.width;
  const pattern: Pattern = chosen ?? {
    cloth: newId(),
    kind: kind as Pattern["kind"],
    at,
    size: size * width,
    turn,
    share,
    ...(picture ? { tile: picture.id } : {}),
    paint: figurePaint(state, coloured.paint),
  };
  state.edit(setPattern(state.drawing, [coloured.id], pattern));
  patterns.hold(desk, { cloth: pattern.cloth, banded: null });
}

/** The colour in hand, or where the pocket has that already a step darker. */
function figurePaint({ drawing, paint }: Desk, ground: Paint): Paint {
  const same = paint.colour === ground.colour && paint.step === ground.step;
  return same ? steppedPaint(drawing, paint, -1) : paint;
}

function layBands(desk: DeskStore, pocket: Pocket, pour: Coloured, at: Point): void {
  const state = desk.getState();
  const { bandCount, bandWidth } = patterns.settings(state);
  const line = nearestLine(state, pocket, at);
  if (!line) {
    state.tell("No stroke bounds this pocket that bands could follow.");
    return;
  }
  const paint = figurePaint(state, pour.paint);
  const width = bandWidth * state.drawing.page.box.width;
  const bands: Bands["bands"] = Array.from({ length: bandCount }, (_, i) => ({
    width,
    paint: i % 2 === 0 ? paint : pour.paint,
  }));
  state.edit(setBands(pour.id, { line, bands }));
  patterns.hold(desk, { cloth: null, banded: pour.id });
}

/** Of the strokes around a pocket the one nearest to a place. */
function nearestLine({ drawing }: Desk, { lines }: Pocket, at: Point): string | undefined {
  const far = (id: string): number => {
    const { points } = drawing.strokes[id];
    return distance(pointAt(points, nearestPlace(points, at)), at);
  };
  return lines.filter((id) => drawing.strokes[id]).sort((a, b) => far(a) - far(b))[0];
}
