/** Colours a drawing as a person at the desk does: by the same edits, one after another, at places of the page. */
import { DabReader } from "../../core/dabs/dab-reader.ts";
import { takenFrom } from "../../core/dabs/take-dabs.ts";
import { touchChain } from "../../core/dabs/touches.ts";
import { takeDabs } from "../../core/drawing/dab-edits.ts";
import type { Cast, Crease, Dab, Drawing, FlatShape, Form, Paint, Rim, Shade } from "../../core/drawing/drawing.ts";
import { addBridges, declineOpenings, pour, pourEach } from "../../core/drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../../core/drawing/history.ts";
import { addCrease, setMade } from "../../core/drawing/light-edits.ts";
import { addStroke, changeStrokes } from "../../core/drawing/line-edits.ts";
import { newDrawing } from "../../core/drawing/new-drawing.ts";
import { MAIN } from "../../core/drawing/parts.ts";
import { addShade, addShape, orderShapes } from "../../core/drawing/shape-edits.ts";
import { readSvg } from "../../core/formats/svg-read.ts";
import { chainThrough } from "../../core/lines/figures.ts";
import { fitClosed, fitOpen } from "../../core/lines/fit.ts";
import { anchorOf } from "../../core/pockets/anchors.ts";
import { buildMap } from "../../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../../core/pockets/pockets.ts";
import { gapsOf, linesOf, longestReach } from "../../core/pockets/reading.ts";
import { derive, pocketAt } from "../../core/scene/scene.ts";
import { at, type Hand, mix, onOval, type P, through } from "./hand.ts";

export const paint = (colour: string, step = 0): Paint => ({ colour, step });

const FIT = 0.6;

type ShapeOptions = Partial<FlatShape> & { readonly back?: true };

export class Colouring {
  drawing: Drawing;
  private pockets: readonly Pocket[] | null = null;
  private made = 0;
  private readonly dabs: Dab[] = [];

  constructor(drawing: Drawing) {
    this.drawing = drawing;
  }

  /** On line art as it comes in. */
  static of(hand: Hand, title: string): Colouring {
    const { page, strokes, inkShapes } = readSvg(hand.svg(title));
    return new Colouring(newDrawing(title, page, strokes, inkShapes));
  }

  do(edit: Edit): void {
    const { strokes, bridges, inkShapes } = this.drawing;
    this.drawing = applyEdit(beginHistory(this.drawing), edit)?.history.drawing ?? this.drawing;
    const now = this.drawing;
    if (now.strokes !== strokes || now.bridges !== bridges || now.inkShapes !== inkShapes) this.pockets = null;
  }

  /** Lines are drawn with a nib, so many times as wide; those shorter than a width stay as they are. */
  nib(nib: string, times: number): void {
    for (const { id, width, closed } of Object.values(this.drawing.strokes))
      if (!closed) this.do(changeStrokes([id], { nib, width: width * times }));
  }

  /** Bridges every opening up to a width in page units. */
  close(widest = longestReach(this.drawing)): void {
    const { openings } = gapsOf(buildMap(linesOf(this.drawing)), longestReach(this.drawing));
    const found = openings.filter(({ width }) => width <= widest);
    this.do(addBridges(found.map(({ bridge }) => ({ id: this.id("bridge"), points: bridge }))));
  }

  /** What is open still stays so, and is no snag. */
  leaveOpen(): void {
    const { openings } = gapsOf(buildMap(linesOf(this.drawing)), longestReach(this.drawing));
    this.do(declineOpenings(openings.map(({ at }) => ({ id: this.id("open"), at }))));
  }

  dab(own: Paint | null, ...touches: readonly (readonly P[])[]): void {
    for (const points of touches)
      this.dabs.push({ id: this.id("dab"), paint: own, points: touchChain(points.map(([x, y]) => [x, y])), width: 16 });
  }

  takeDabs(reach: number): void {
    const claims = new DabReader().claims(this.drawing, MAIN, this.dabs, { reach, bareBorder: true });
    const taken = takenFrom(this.drawing, MAIN, claims, [...claims.regions.keys()]);
    this.do(takeDabs([], taken.bridges, taken.pours));
  }

  pour(own: Paint | null, ...places: readonly P[]): void {
    for (const at of places) {
      const pocket = this.pocketAt(at);
      this.do(pour([{ anchor: anchorOf(pocket), pourId: this.poured(at)[0] }], own, [this.id("pour")]));
    }
  }

  /** Paper shows there on purpose. */
  leaveBare(...places: readonly P[]): void {
    const pours = places.map((at) => ({
      target: { anchor: anchorOf(this.pocketAt(at)), pourId: this.poured(at)[0] },
      paint: null,
      leftBare: true as const,
    }));
    this.do(pourEach(pours, "Leave bare", places.map(() => this.id("bare"))));
  }

  /** Ids of the pours at some places. */
  poured(...places: readonly P[]): string[] {
    const { pourOf, pockets } = this.derived();
    return places.flatMap((at) => {
      const found = pocketAt(pockets, [...at]);
      return (found && pourOf[pockets.indexOf(found)]) ?? [];
    });
  }

  /** All that is poured in some colours; in any where none is named. */
  pouredIn(...colours: readonly string[]): string[] {
    return Object.values(this.drawing.pours)
      .filter(({ paint: own }) => own && (colours.length === 0 || colours.includes(own.colour)))
      .map(({ id }) => id);
  }

  form(form: Form, ids: readonly string[]): void {
    this.do(setMade("form", ids, form));
  }

  rim(rim: Rim, ids: readonly string[]): void {
    this.do(setMade("rim", ids, rim));
  }

  cast(cast: Cast, ids: readonly string[]): void {
    this.do(setMade("cast", ids, cast));
  }

  /** Shade in the pocket that lies at a place, so many steps deeper. */
  shade(at: P, deeper: number, points: readonly P[], more: Partial<Shade> = {}): void {
    const anchor = anchorOf(this.pocketAt(at));
    const outline = [fitClosed(through(points, true), FIT)];
    const own = paint("lamp-black");
    this.do(
      addShade({ id: this.id("shade"), outline, kind: "drawn", evenOdd: false, anchor, paint: own, deeper, opacity: 1, ...more }),
    );
  }

  crease(points: readonly P[], side: Crease["side"], deeper = 1, more: Partial<Crease> = {}): void {
    this.do(addCrease({ id: this.id("crease"), points: fitOpen(through(points, false), FIT), side, deeper, ...more }));
  }

  /** A patch of colour that no line encloses; one sent back lies beneath all pours. */
  shape(own: Paint, points: readonly P[], more: ShapeOptions = {}): void {
    this.lay(own, fitClosed(through(points, true), FIT), more);
  }

  /** The same with straight edges from corner to corner. */
  block(own: Paint, corners: readonly P[], more: ShapeOptions = {}): void {
    this.lay(own, chainThrough(corners.map((at) => ({ at })), true), more);
  }

  private lay(own: Paint, outline: readonly number[], { back, ...more }: ShapeOptions): void {
    const id = this.id("shape");
    this.do(addShape({ id, outline: [outline], evenOdd: false, paint: own, opacity: 1, ...more }));
    if (back) this.do(orderShapes(this.drawing, [this.drawing.flatShapes[id]], "back"));
  }

  /** Short tapering strokes from places on one line to places on another, as many as given; the first is the thicker end. */
  hatch(from: readonly P[], to: readonly P[], count: number, width = 2.6): void {
    const [a, b] = [through(from, false), through(to, false)];
    for (let i = 0; i < count; i++) {
      const share = (i + 0.5) / count;
      // Not all alike: each second one is shorter.
      const [start, end] = [at(a, share), mix(at(a, share), at(b, share), i % 2 ? 0.72 : 0.95)];
      const bow: P = mix(start, end, 0.5);
      const points = fitOpen(through([start, [bow[0] + (end[1] - start[1]) * 0.08, bow[1] - (end[0] - start[0]) * 0.08], end], false), FIT);
      this.do(addStroke({ id: this.id("hatch"), points, closed: false, width, nib: "taper-at-the-end" }));
    }
  }

  /** A soft shadow on the ground, wide and low. */
  shadow([x, y]: P, rx: number, ry: number, own: Paint = paint("dusk")): void {
    const round: P[] = Array.from({ length: 16 }, (_, i) => onOval(x, y, rx, ry, i * 22.5));
    this.shape(own, round, { sheet: "ground", opacity: 0.26, soft: ry / 4 });
  }

  /** Like "pour-12", unlike any before. */
  private id(kind: string): string {
    this.made++;
    return `${kind}-${this.made}`;
  }

  private derived() {
    this.pockets ??= pocketsOf(buildMap(linesOf(this.drawing))).filter(({ hidden }) => !hidden);
    return derive(this.drawing, this.pockets);
  }

  private pocketAt(at: P): Pocket {
    const found = pocketAt(this.derived().pockets, [...at]);
    if (!found) throw new Error(`No pocket lies at ${at}.`);
    return found;
  }
}
