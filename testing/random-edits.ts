/**
 * Edits at random, for tests: every one that there is, on whatever a drawing holds just then. A new edit in core/drawing does not
 * compile until it stands here; numbers are now and then as hands would never set them.
 */
import { claimsOf } from "../core/dabs/dab-reading.ts";
import { dabSpaceIn } from "../core/dabs/dab-space.ts";
import { takenFrom } from "../core/dabs/take-dabs.ts";
import { carriedBy } from "../core/drawing/carried.ts";
import * as colourEdits from "../core/drawing/colour-edits.ts";
import * as dabEdits from "../core/drawing/dab-edits.ts";
import { difference } from "../core/drawing/difference.ts";
import {
  BLENDS,
  type Drawing,
  GRADIENTS,
  type Gradient,
  LIGHTS,
  type Light,
  MIXES,
  PATTERNS,
  type Paint,
  type Pour,
  SHAPE_SHEETS,
  SHEETS,
  type Stroke,
  type Table,
  TRIMS,
} from "../core/drawing/drawing.ts";
import * as edits from "../core/drawing/edits.ts";
import * as gradients from "../core/drawing/gradients.ts";
import type { Edit } from "../core/drawing/history.ts";
import * as lightEdits from "../core/drawing/light-edits.ts";
import * as lightStyles from "../core/drawing/light-styles.ts";
import * as lineEdits from "../core/drawing/line-edits.ts";
import { newId } from "../core/drawing/new-id.ts";
import * as pageEdits from "../core/drawing/page-edits.ts";
import * as partEdits from "../core/drawing/part-edits.ts";
import { drawingOfPart, inPart, partOf, partsOf } from "../core/drawing/parts.ts";
import * as patterns from "../core/drawing/patterns.ts";
import * as picked from "../core/drawing/picked.ts";
import * as placing from "../core/drawing/place-drawing.ts";
import * as shapeEdits from "../core/drawing/shape-edits.ts";
import { polyline } from "../core/geometry/cubic.ts";
import { aboutPoint, composed, type Matrix, translation } from "../core/geometry/matrix.ts";
import { boundsOf, diagonal, type Point } from "../core/geometry/point.ts";
import { ellipse } from "../core/lines/figures.ts";
import { tidied } from "../core/lines/tidy.ts";
import { trimmedLines } from "../core/lines/trim.ts";
import { anchorAround, anchorOf } from "../core/pockets/anchors.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { withPartJoined } from "../core/pockets/join-parts.ts";
import { withPart } from "../core/pockets/make-part.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { pourTargets } from "../core/pockets/pouring.ts";
import { type Derived, derive } from "../core/scene/scene.ts";
import type { Dice } from "./dice.ts";

const MODULES = {
  ...colourEdits,
  ...dabEdits,
  ...edits,
  ...gradients,
  ...lightEdits,
  ...lightStyles,
  ...lineEdits,
  ...pageEdits,
  ...partEdits,
  ...patterns,
  ...picked,
  ...placing,
  ...shapeEdits,
};

/** The files of core/drawing that make edits; a test looks whether these are all. */
export const EDIT_FILES = [
  "colour-edits",
  "dab-edits",
  "edits",
  "gradients",
  "light-edits",
  "light-styles",
  "line-edits",
  "page-edits",
  "part-edits",
  "patterns",
  "picked",
  "place-drawing",
  "shape-edits",
];

type Modules = typeof MODULES;
type Made = Edit | { readonly edit: Edit };
/** What makes an edit; `patchEdit` makes one of what was worked out elsewhere, as below. */
type EditName = Exclude<
  { [K in keyof Modules]: Modules[K] extends (...given: never) => Made ? K : never }[keyof Modules],
  "patchEdit"
>;
/** Worked out from pockets and lines. */
type WorkedName = "makePart" | "joinPart" | "tidyLines" | "trimLines";

/** A drawing as it is, with what can be asked of it. */
interface Hand {
  readonly drawing: Drawing;
  readonly reader: DrawingReader;
  /** With the hidden ones. */
  readonly all: readonly Pocket[];
  readonly derived: Derived;
  readonly dice: Dice;
}

const sizeOf = ({ page }: Drawing): number => diagonal(page.box);
const ids = (table: Table<unknown>): string[] => Object.keys(table);
const linesOf = ({ strokes, inkShapes }: Drawing): string[] => [...ids(strokes), ...ids(inkShapes)];
const optional = <T>(dice: Dice, value: () => T): T | undefined => (dice.chance(0.5) ? value() : undefined);

function place({ drawing: { page }, dice }: Hand): Point {
  const { x, y, width, height } = page.box;
  return [x + width * (1.2 * dice.share() - 0.1), y + height * (1.2 * dice.share() - 0.1)];
}

const paint = ({ drawing, dice }: Hand): Paint => ({
  colour: dice.of(ids(drawing.tin)),
  step: dice.chance(0.95) ? dice.whole(-4, 4) : dice.of([-10, 10]),
});

const chain = (hand: Hand): number[] =>
  polyline(Array.from({ length: hand.dice.whole(2, 5) }, () => place(hand)));

const loop = (hand: Hand): number[] => {
  const size = sizeOf(hand.drawing);
  return ellipse(place(hand), hand.dice.length(size), hand.dice.length(size));
};

function matrixAt(hand: Hand, middle: Point): Matrix {
  const { dice, drawing } = hand;
  const size = sizeOf(drawing);
  if (dice.chance(0.6))
    return translation(size * (dice.share() - 0.5) * 0.2, size * (dice.share() - 0.5) * 0.2);
  const grown = dice.chance(0.9) ? 0.5 + dice.share() : dice.of([1e-6, 1e4, 0.01, 50]);
  const mirrored = dice.chance(0.3) ? -grown : grown;
  return composed(aboutPoint(middle, mirrored, grown, 0), aboutPoint(middle, 1, 1, dice.share() * 6));
}

const middleOf = (drawing: Drawing): Point => {
  const { x, y, width, height } = drawing.page.box;
  return [x + width / 2, y + height / 2];
};

const visible = ({ all }: Hand): Pocket[] => all.filter(({ hidden }) => !hidden);

function targets(hand: Hand, most = 4) {
  const numbers = hand.derived.pockets.map((_, index) => index);
  return pourTargets(hand.drawing, hand.derived, hand.dice.some(numbers, most));
}

const painted = ({ drawing }: Hand): Pour[] =>
  Object.values(drawing.pours).filter((pour) => pour.paint && !pour.spot);

function lit(hand: Hand, most = 3): lightStyles.LightTarget[] {
  const { derived, drawing, dice } = hand;
  return dice.some(derived.pockets, most).flatMap((pocket) => {
    const pour = drawing.pours[derived.pourOf[derived.pockets.indexOf(pocket)] ?? ""];
    return pour?.paint
      ? [{ box: pocket.box, anchor: anchorOf(pocket), pour: pour as lightStyles.LightTarget["pour"] }]
      : [];
  });
}

function gradient(hand: Hand): Gradient {
  const { dice } = hand;
  const count = dice.chance(0.95) ? dice.whole(2, 4) : 25;
  return {
    cloth: newId(),
    kind: dice.of(GRADIENTS),
    from: place(hand),
    to: place(hand),
    mix: dice.of(MIXES),
    stops: Array.from({ length: count }, (_, i) => ({ at: i / (count - 1), paint: paint(hand), opacity: 1 })),
  };
}

const light = (hand: Hand): Light | undefined => {
  const [pocket] = lit(hand, 1);
  return pocket && lightStyles.takenLight(pocket, Object.values(hand.drawing.shades).slice(0, 2));
};

const carried = (hand: Hand) => carriedBy(hand.drawing, hand.dice.some(linesOf(hand.drawing)), hand.all);

const shapesOf = ({ drawing }: Hand): shapeEdits.AnyShape[] => [
  ...Object.values(drawing.flatShapes),
  ...Object.values(drawing.shades),
];

/** An edit of something that may not be there. */
const on = <T>(thing: T | undefined, edit: (thing: T) => Edit | undefined): Edit | undefined =>
  thing === undefined ? undefined : edit(thing);
const onSome = <T>(list: readonly T[], edit: (list: readonly T[]) => Edit | undefined): Edit | undefined =>
  list.length === 0 ? undefined : edit(list);

const form = ({ dice, drawing }: Hand): NonNullable<Pour["form"]> => ({
  tones: dice.whole(1, 3),
  deeper: dice.whole(-6, 6),
  roundness: dice.share(),
  reach: dice.share(),
  ...(dice.chance(0.3) ? { soft: dice.length(sizeOf(drawing)) } : {}),
  ...(dice.chance(0.3) ? { cloth: dice.of(["one", "other"]) } : {}),
});
const cast = ({ dice, drawing }: Hand): NonNullable<Pour["cast"]> => ({
  deeper: dice.whole(-6, 6),
  high: dice.length(sizeOf(drawing)),
});

type RandomEdit = (hand: Hand) => Edit | undefined;

const EDITS: { readonly [K in EditName | WorkedName]: RandomEdit } = {
  addColour: ({ dice }) => colourEdits.addColour(newId(), dice.name(), dice.colour()),
  addColours: ({ dice }) =>
    colourEdits.addColours([{ id: newId(), name: dice.name(), value: dice.colour() }]),
  bringColours: ({ dice }) =>
    colourEdits.bringColours(
      [{ id: newId(), name: dice.name(), value: dice.colour(), ways: { Night: dice.colour() } }],
      { Night: newId() },
    ),
  changeColour: ({ drawing, dice }) =>
    colourEdits.changeColour(dice.of(ids(drawing.tin)), dice.colour(), "One"),
  renameColour: ({ drawing, dice }) => colourEdits.renameColour(dice.of(ids(drawing.tin)), dice.name()),
  setColourOpacity: ({ drawing, dice }) =>
    colourEdits.setColourOpacity(dice.of(ids(drawing.tin)), dice.share(), "One"),
  setLadder: ({ drawing, dice }) =>
    colourEdits.setLadder(
      dice.of(ids(drawing.tin)),
      { steps: dice.whole(3, 11), drift: dice.whole(-15, 15) },
      "One",
    ),
  removeColour: ({ drawing, dice }) => {
    const [one, by] = dice.some(
      ids(drawing.tin).filter((id) => id !== drawing.ink.colour),
      2,
    );
    return on(one, (id) => colourEdits.removeColour(id, "One", optional(dice, () => by) ?? null));
  },
  removeUnused: ({ drawing }) => colourEdits.removeUnused(drawing),
  orderTin: ({ drawing }) =>
    colourEdits.orderTin(
      ids(drawing.tin)
        .map((id) => ({ id }))
        .reverse(),
    ),
  renameGroup: ({ dice }) => colourEdits.renameGroup("Garden", dice.name()),
  addColourway: ({ drawing, dice }) =>
    colourEdits.addColourway(newId(), dice.name(), { [dice.of(ids(drawing.tin))]: dice.colour() }),
  renameColourway: ({ drawing, dice }) =>
    colourEdits.renameColourway(dice.of(ids(drawing.colourways)), dice.name()),
  setColourway: ({ drawing, dice }) =>
    colourEdits.setColourway(drawing, drawing.shown, { [dice.of(ids(drawing.tin))]: dice.colour() }),
  showColourway: ({ drawing, dice }) => colourEdits.showColourway(dice.of(ids(drawing.colourways)), "One"),
  removeColourway: ({ drawing, dice }) =>
    on(dice.one(ids(drawing.colourways).slice(1)), (id) => colourEdits.removeColourway(id, "One")),

  pour: (hand) =>
    onSome(targets(hand), (all) => edits.pour(all, optional(hand.dice, () => paint(hand)) ?? null)),
  pourEach: (hand) =>
    onSome(targets(hand), (all) =>
      edits.pourEach(
        all.map((target) => ({
          target,
          ...(hand.dice.chance(0.1)
            ? { paint: null, leftBare: true as const }
            : { paint: paint(hand), ...(hand.dice.chance(0.2) ? { spot: true } : {}) }),
        })),
        "Pour",
      ),
    ),
  fillSpecks: (hand) =>
    onSome(targets(hand), (all) => edits.fillSpecks(all.map((target) => ({ target, paint: paint(hand) })))),
  setUndercoat: (hand) => edits.setUndercoat(optional(hand.dice, () => paint(hand)) ?? null),
  addBridges: (hand) => edits.addBridges([{ id: newId(), points: polyline([place(hand), place(hand)]) }]),
  removeBridge: ({ drawing, dice }) => on(dice.one(ids(drawing.bridges)), edits.removeBridge),
  setReach: ({ drawing, dice }) =>
    edits.setReach(dice.chance(0.5) ? 0 : Math.min(dice.length(sizeOf(drawing)), 0.05 * sizeOf(drawing))),
  letWaitingGo: ({ drawing, dice }) =>
    onSome(dice.some(ids(drawing.pours), 2), (all) => edits.letWaitingGo(all, [])),
  declineOpenings: (hand) => edits.declineOpenings([{ id: newId(), at: place(hand) }]),
  reconsiderOpenings: () => edits.reconsiderOpenings(),
  changeSheet: ({ dice }) =>
    edits.changeSheet(dice.of(SHEETS), dice.of([{ opacity: dice.share() }, { visible: dice.chance(0.7) }])),
  setWalls: ({ dice }) =>
    edits.setWalls(dice.of([{ hiddenWalls: dice.chance(0.5) }, { shapeWalls: dice.chance(0.3) }])),
  setStrict: ({ dice }) => edits.setStrict(dice.chance(0.4)),

  layDab: (hand) =>
    dabEdits.layDab({
      id: newId(),
      ...inPart(hand.dice.of(partsOf(hand.drawing)).id),
      paint: optional(hand.dice, () => paint(hand)) ?? null,
      points: chain(hand),
      width: hand.dice.length(sizeOf(hand.drawing)),
      ...(hand.dice.chance(0.2) ? { firm: true } : {}),
    }),
  takeDabs: ({ drawing, dice }) =>
    on(dice.one(Object.values(drawing.dabs)), (one) => {
      const part = partOf(one);
      const own = drawingOfPart(drawing, part);
      const dabs = Object.values(own.dabs);
      const spreading = {
        reach: dice.chance(0.5) ? Infinity : dice.length(sizeOf(drawing)),
        bareBorder: true,
      };
      const claims = claimsOf(dabSpaceIn(own, false), dabs, spreading);
      const { bridges, pours } = takenFrom(drawing, part, claims, [...claims.regions.keys()]);
      return dabEdits.takeDabs(
        dabs.map(({ id }) => id),
        bridges,
        pours,
      );
    }),
  giveUpDabs: ({ drawing, dice }) => onSome(dice.some(ids(drawing.dabs)), dabEdits.giveUpDabs),

  setGradient: (hand) =>
    onSome(
      hand.dice.some([...painted(hand).map(({ id }) => id), ...shapesOf(hand).map(({ id }) => id)]),
      (all) => gradients.setGradient(hand.drawing, all, optional(hand.dice, () => gradient(hand)) ?? null),
    ),
  changeGradient: (hand) => {
    const cloths = painted(hand).flatMap((pour) => pour.gradient?.cloth ?? []);
    const { dice } = hand;
    return on(dice.one(cloths), (cloth) =>
      gradients.changeGradient(hand.drawing, cloth, { to: place(hand) }),
    );
  },
  setGradientStrength: ({ dice }) => gradients.setGradientStrength(dice.share()),

  setLamp: ({ dice }) => lightEdits.setLamp({ at: [dice.length(3), dice.share()], far: dice.chance(0.5) }),
  setMade: (hand) => {
    const own = hand.dice.some(painted(hand).map(({ id }) => id));
    const makes = [
      () => lightEdits.setMade("form", own, optional(hand.dice, () => form(hand)) ?? null),
      () => lightEdits.setMade("cast", own, optional(hand.dice, () => cast(hand)) ?? null),
      () =>
        lightEdits.setMade("rim", own, { deeper: -2, width: hand.dice.length(sizeOf(hand.drawing)), gap: 0 }),
    ];
    return onSome(own, () => hand.dice.of(makes)());
  },
  changeMade: ({ drawing, dice }) =>
    onSome(lightEdits.poursWith(drawing, "form"), (all) =>
      lightEdits.changeMade("form", all, { soft: dice.length(sizeOf(drawing)), tones: dice.whole(1, 3) }),
    ),
  setPartCast: (hand) =>
    lightEdits.setPartCast(
      hand.dice.of(ids(hand.drawing.parts)),
      optional(hand.dice, () => cast(hand)) ?? null,
    ),
  changePartCast: ({ drawing, dice }) =>
    lightEdits.changePartCast(dice.of(ids(drawing.parts)), { high: dice.length(sizeOf(drawing)) }),
  setGroundShadow: (hand) =>
    lightEdits.setGroundShadow(
      optional(hand.dice, () => ({
        kind: "flat" as const,
        paint: paint(hand),
        opacity: hand.dice.share(),
      })) ?? null,
    ),
  setLight: ({ dice }) =>
    lightEdits.setLight(dice.of(LIGHTS), { visible: dice.chance(0.6), strength: dice.share() }),
  addCrease: (hand) =>
    lightEdits.addCrease({
      id: newId(),
      points: chain(hand),
      side: hand.dice.of([1, -1]),
      deeper: hand.dice.whole(-6, 6),
    }),
  changeCrease: (hand) =>
    on(hand.dice.one(ids(hand.drawing.creases)), (id) =>
      lightEdits.changeCrease(id, { points: chain(hand), soft: hand.dice.length(sizeOf(hand.drawing)) }),
    ),
  removeCrease: ({ drawing, dice }) => on(dice.one(ids(drawing.creases)), lightEdits.removeCrease),

  layLight: (hand) =>
    on(light(hand), (own) =>
      lightStyles.layLight(own, lit(hand), { fit: hand.dice.of(["same", "fitted"] as const) }),
    ),
  setStyle: (hand) => {
    const { dice, drawing } = hand;
    const own = dice.some(painted(hand).map(({ id }) => id));
    return on(dice.one(ids(drawing.styles)), (style) =>
      onSome(own, () => lightStyles.setStyle(own, { style, fit: "fitted" })),
    );
  },
  letGo: (hand) => lightStyles.letGo(lit(hand), hand.drawing.styles),
  addStyle: (hand) => on(light(hand), (own) => lightStyles.addStyle(newId(), hand.dice.name(), own)),
  changeStyle: (hand) =>
    on(hand.dice.one(Object.values(hand.drawing.styles)), (style) =>
      on(light(hand), (own) => lightStyles.changeStyle(style, own)),
    ),
  renameStyle: ({ drawing, dice }) =>
    on(dice.one(ids(drawing.styles)), (id) => lightStyles.renameStyle(id, dice.name())),
  removeStyle: (hand) =>
    on(hand.dice.one(Object.values(hand.drawing.styles)), (style) =>
      lightStyles.removeStyle(
        style,
        lit(hand).filter(({ pour }) => pour.style?.style === style.id),
        hand.drawing.styles,
      ),
    ),

  addStroke: (hand) => lineEdits.addStroke(randomStroke(hand)),
  changeLines: ({ drawing, dice }) =>
    onSome(dice.some(linesOf(drawing)), (all) =>
      lineEdits.changeLines(
        all,
        dice.of([{ name: dice.name() }, { hidden: dice.chance(0.3) }, { locked: dice.chance(0.3) }]),
      ),
    ),
  reshapeLines: (hand) =>
    onSome(hand.dice.some(Object.values(hand.drawing.strokes), 2), (all) =>
      lineEdits.reshapeLines(new Map(all.map((stroke) => [stroke.id, nudged(hand, stroke)])), "Bend"),
    ),
  reshapeLine: (hand) =>
    on(hand.dice.one(Object.values(hand.drawing.strokes)), (stroke) =>
      lineEdits.reshapeLine(stroke.id, nudged(hand, stroke), "Bend"),
    ),
  changeStrokes: (hand) =>
    onSome(hand.dice.some(linesOf(hand.drawing)), (all) =>
      lineEdits.changeStrokes(
        all,
        hand.dice.of([
          { width: hand.dice.length(sizeOf(hand.drawing)) },
          { nib: hand.dice.one(ids(hand.drawing.nibs)) },
          { profile: hand.dice.of([[0, 0.2, 1, 1], undefined]) },
          { paint: optional(hand.dice, () => paint(hand)) },
          { hold: { by: "front" as const, deeper: hand.dice.whole(-3, 3) } },
        ]),
      ),
    ),
  setInk: (hand) => lineEdits.setInk(paint(hand), "One"),
  setAllInk: (hand) => lineEdits.setAllInk(paint(hand), "One"),
  transformLines: (hand) =>
    onSome(linesOf(hand.drawing), () =>
      lineEdits.transformLines(carried(hand), matrixAt(hand, place(hand)), {
        scaleWidths: hand.dice.chance(0.5),
        label: "Move",
      }),
    ),
  removeLines: ({ drawing, dice }) => onSome(dice.some(linesOf(drawing), 2), lineEdits.removeLines),
  orderLines: ({ drawing, dice }) =>
    onSome(dice.some(linesOf(drawing)), (all) =>
      lineEdits.orderLines(all, dice.of(["front", "back"] as const)),
    ),
  addNib: ({ dice }) =>
    lineEdits.addNib({ id: newId(), name: dice.name(), profile: [0, 0, 0.5, 1, 1, 0], strands: 2 }),
  changeNib: ({ drawing, dice }) =>
    on(dice.one(ids(drawing.nibs)), (id) => lineEdits.changeNib(id, { strands: dice.whole(1, 9) }, "One")),
  removeNib: ({ drawing, dice }) =>
    on(dice.one(ids(drawing.nibs).slice(1)), (id) => lineEdits.removeNib(id, "One")),

  changePage: ({ dice }) =>
    pageEdits.changePage(dice.of([{ width: dice.length(1000) }, { ppi: dice.whole(1, 2400) }])),
  setUnit: ({ dice }) => pageEdits.setUnit(dice.of(["mm", "in"] as const)),
  resizePage: ({ drawing, dice }) => {
    const { width, height } = pageEdits.sizeOf(drawing.page);
    const grown = dice.chance(0.8) ? 0.5 + dice.share() : dice.of([0.001, 50, 1000]);
    return pageEdits.resizePage(
      { width: width * grown, height: height * (0.5 + dice.share()) },
      dice.of(["kept", "scaled"] as const),
    );
  },
  fitPage: ({ drawing, dice }) =>
    on(boundsOf(Object.values(drawing.strokes).map(({ points }) => points)), (box) =>
      pageEdits.fitPage(dice.chance(0.8) ? box : { ...box, width: 20, height: 20 }, dice.of([0, 5, 50])),
    ),
  setBleed: ({ dice }) => pageEdits.setBleed(dice.length(100)),
  layGround: (hand) => pageEdits.layGround(hand.drawing.page, paint(hand)),
  setSticker: (hand) =>
    pageEdits.setSticker(
      optional(hand.dice, () => ({ paint: paint(hand), width: hand.dice.length(sizeOf(hand.drawing)) })) ??
        null,
    ),

  changePart: ({ drawing, dice }) =>
    partEdits.changePart(
      dice.of(partsOf(drawing)),
      dice.of([{ name: dice.name() }, { visible: dice.chance(0.8) }]),
    ),
  orderParts: ({ drawing }) => partEdits.orderParts(ids(drawing.parts).reverse()),
  removePart: ({ drawing, dice }) =>
    on(dice.one(ids(drawing.parts).slice(1)), (id) => partEdits.removePart(id, "One")),
  copyPart: (hand) =>
    hand.drawing && Object.keys(hand.drawing.strokes).length < MOST_LINES
      ? partEdits.copyPart(
          hand.drawing,
          hand.dice.of(ids(hand.drawing.parts)),
          matrixAt(hand, middleOf(hand.drawing)),
        ).edit
      : undefined,

  addTile: ({ dice }) =>
    patterns.addTile({
      id: newId(),
      name: dice.name(),
      ratio: dice.of([1, 0.5, 0.001, 400]),
      tones: [[ellipse([0.5, 0.5], 0.3, 0.3)]],
    }),
  setPattern: (hand) => {
    const { drawing, dice } = hand;
    const tile = dice.one(ids(drawing.tiles));
    const kind = dice.of(PATTERNS.filter((one) => one !== "picture" || tile));
    const holders = [...painted(hand), ...Object.values(drawing.flatShapes)];
    return onSome(dice.some(holders.map(({ id }) => id)), (all) =>
      patterns.setPattern(drawing, all, {
        cloth: newId(),
        kind,
        at: place(hand),
        size: dice.length(sizeOf(drawing)),
        turn: dice.whole(-180, 180),
        share: dice.share(),
        paint: paint(hand),
        ...(kind === "picture" ? { tile } : {}),
      }),
    );
  },
  changePattern: (hand) =>
    on(
      hand.dice.one(
        [...painted(hand), ...Object.values(hand.drawing.flatShapes)].flatMap(
          ({ pattern }) => pattern?.cloth ?? [],
        ),
      ),
      (cloth) =>
        patterns.changePattern(hand.drawing, cloth, {
          size: hand.dice.length(sizeOf(hand.drawing)),
          turn: 400,
        }),
    ),
  setBands: (hand) =>
    on(hand.dice.one(painted(hand)), ({ id, anchor }) =>
      on(hand.dice.one(anchor.lines.filter((line) => hand.drawing.strokes[line])), (line) =>
        patterns.setBands(id, {
          line,
          bands: [{ width: hand.dice.length(sizeOf(hand.drawing)), paint: paint(hand) }],
          ...(hand.dice.chance(0.5) ? { along: { from: 0.2, to: 0.7 } } : {}),
        }),
      ),
    ),

  duplicateCarried: (hand) =>
    onSome(
      linesOf(hand.drawing),
      () => picked.duplicateCarried(carried(hand), matrixAt(hand, place(hand))).edit,
    ),
  removeCarried: (hand) => onSome(linesOf(hand.drawing), () => picked.removeCarried(carried(hand), "Cut")),
  placeDrawing: (hand) => {
    if (Object.keys(hand.drawing.strokes).length >= MOST_LINES) return undefined;
    const source = { ...picked.pickedDrawing(carried(hand)), name: hand.dice.name() };
    const into = hand.dice.chance(0.5) ? hand.dice.of(ids(hand.drawing.parts)) : undefined;
    return placing.placeDrawing(hand.drawing, source, { middle: place(hand), into, label: "Paste" }).edit;
  },

  addShape: (hand) =>
    shapeEdits.addShape({
      id: newId(),
      outline: [loop(hand)],
      evenOdd: false,
      paint: paint(hand),
      opacity: hand.dice.share(),
      sheet: hand.dice.of(SHAPE_SHEETS),
      ...(hand.dice.chance(0.3) ? { trim: hand.dice.of(TRIMS) } : {}),
      ...(hand.dice.chance(0.3) ? { blend: hand.dice.of(BLENDS) } : {}),
      ...(hand.dice.chance(0.2) ? { soft: Math.max(1e-3, hand.dice.length(sizeOf(hand.drawing))) } : {}),
    }),
  addShade: (hand) =>
    onSome(hand.dice.some(visible(hand), 2), (pockets) =>
      shapeEdits.addShade({
        id: newId(),
        kind: "drawn",
        outline: [loop(hand)],
        evenOdd: false,
        anchor: anchorAround(pockets.filter(({ part }) => part === pockets[0].part)),
        paint: paint(hand),
        opacity: hand.dice.share(),
        ...(hand.dice.chance(0.3) ? { blend: hand.dice.of(BLENDS) } : {}),
        ...(hand.dice.chance(0.3) ? { deeper: hand.dice.of([-2, 1, 3]) } : {}),
      }),
    ),
  reshape: (hand) =>
    on(hand.dice.one(shapesOf(hand)), ({ id }) =>
      shapeEdits.reshape(
        [{ id, outline: hand.dice.chance(0.8) ? [loop(hand)] : [], evenOdd: false }],
        "flats",
        "Bend",
      ),
    ),
  moveShapes: (hand) =>
    onSome(hand.dice.some(shapesOf(hand)), (all) =>
      shapeEdits.moveShapes(all, matrixAt(hand, place(hand)), "Move"),
    ),
  changeShapes: (hand) =>
    onSome(hand.dice.some(shapesOf(hand)), (all) =>
      shapeEdits.changeShapes(
        all,
        hand.dice.of([
          { paint: paint(hand) },
          { opacity: hand.dice.share() },
          { blend: hand.dice.of(BLENDS) },
          { soft: undefined },
        ]),
      ),
    ),
  removeShapes: (hand) => onSome(hand.dice.some(shapesOf(hand), 2), shapeEdits.removeShapes),
  orderShapes: (hand) =>
    onSome(hand.dice.some(shapesOf(hand)), (all) =>
      shapeEdits.orderShapes(hand.drawing, all, hand.dice.of(["front", "back"] as const)),
    ),
  duplicateShapes: (hand) =>
    onSome(
      hand.dice.some(shapesOf(hand)),
      (all) => shapeEdits.duplicateShapes(hand.drawing, all, matrixAt(hand, place(hand))).edit,
    ),
  retrimShapes: (hand) =>
    onSome(hand.dice.some(shapesOf(hand), 2), (all) =>
      shapeEdits.retrimShapes(
        all.map((shape) => ({ shape, to: hand.dice.of(["free", "coloured", "part"] as const) })),
      ),
    ),

  makePart: ({ drawing, reader, all, dice }) => {
    if (ids(drawing.parts).length > 5) return undefined;
    const part = dice.of(ids(drawing.parts));
    const pockets = all.filter((pocket) => pocket.part === part);
    const map = reader.mapOf(part);
    const chosen = new Set(
      dice.some(
        pockets.filter(({ hidden }) => !hidden),
        3,
      ),
    );
    if (!map || chosen.size === 0) return undefined;
    const next = withPart(drawing, { name: dice.name(), part, pockets, map, chosen });
    return partEdits.patchEdit("Make part", difference(drawing, next));
  },
  joinPart: ({ drawing, dice }) => {
    const [part, into] = dice.some(ids(drawing.parts), 2);
    return into === undefined
      ? undefined
      : partEdits.patchEdit("Join parts", difference(drawing, withPartJoined(drawing, part, into)));
  },
  tidyLines: ({ drawing, dice }) =>
    on(dice.one(Object.values(drawing.strokes)), ({ id, points, closed }) => {
      const settings = {
        tolerance: dice.length(sizeOf(drawing)) / 20,
        corner: 40,
        straight: dice.chance(0.2),
      };
      return lineEdits.reshapeLine(id, tidied(points, closed, settings, []).points, "Tidy");
    }),
  trimLines: ({ drawing, reader, dice }) => {
    const { tails } = reader.gaps(drawing);
    const lines = new Map(Object.values(drawing.strokes).map(({ id, points }) => [id, points]));
    return onSome(dice.some(tails, 3), (some) => lineEdits.reshapeLines(trimmedLines(lines, some), "Trim"));
  },
};

/** Copying goes no further than this, so that a sequence stays quick. */
const MOST_LINES = 120;

const randomStroke = (hand: Hand): Omit<Stroke, "rank"> => {
  const closed = hand.dice.chance(0.4);
  return {
    id: newId(),
    points: closed ? loop(hand) : chain(hand),
    closed,
    width: hand.dice.length(sizeOf(hand.drawing)),
    ...(hand.dice.chance(0.3) ? { nib: hand.dice.of(ids(hand.drawing.nibs)) } : {}),
  };
};

/** A stroke with one of its points or handles elsewhere; a closed one stays closed. */
function nudged(hand: Hand, { points, closed }: Stroke): number[] {
  const next = [...points];
  const at = 2 * hand.dice.whole(0, points.length / 2 - 1);
  const away = sizeOf(hand.drawing) * 0.1;
  next[at] += away * (hand.dice.share() - 0.5);
  next[at + 1] += away * (hand.dice.share() - 0.5);
  if (closed && at === 0) next.splice(-2, 2, next[0], next[1]);
  if (closed && at === points.length - 2) next.splice(0, 2, next[at], next[at + 1]);
  return next;
}

export type RandomName = keyof typeof EDITS;
export const RANDOM_NAMES = Object.keys(EDITS) as readonly RandomName[];

/** Makes edits at random of one drawing after the other. */
export class RandomHand {
  constructor(
    private readonly dice: Dice,
    readonly reader = new DrawingReader(),
  ) {}

  /** The next edit of a drawing, and which it is; undefined where there is nothing for it to do. */
  next(
    drawing: Drawing,
    name: RandomName = this.dice.of(RANDOM_NAMES),
  ): { name: RandomName; edit: Edit } | undefined {
    const { pockets: all } = this.reader.read(drawing);
    const derived = derive(
      drawing,
      all.filter(({ hidden }) => !hidden),
    );
    const edit = EDITS[name]({ drawing, reader: this.reader, all, derived, dice: this.dice });
    return edit && { name, edit };
  }
}
