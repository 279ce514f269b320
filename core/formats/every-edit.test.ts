/**
 * Whatever is done to a drawing, it can be kept: after every edit it is within the bounds of files and storage, comes back the
 * same from them, and its pockets, followed through the edits, are those of a fresh reading; undo and redo lead through all.
 */
import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ART } from "../../testing/foreign-art.ts";
import { randomFrom } from "../../testing/hostile-lines.ts";
import { SOAK } from "../../testing/long-runs.ts";
import { Dice, EDIT_FILES, RANDOM_NAMES, RandomHand } from "../../testing/random-edits.ts";
import { checked } from "../drawing/checked.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { FIELD_NAMES } from "../drawing/fields.ts";
import { applyEdit, beginHistory, type History, toStep } from "../drawing/history.ts";
import { toRecord } from "../drawing/record-form.ts";
import { recordOf } from "../drawing/records.ts";
import { mendedBy } from "../drawing/say-repairs.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { TooDense } from "../pockets/too-dense.ts";
import { derive } from "../scene/scene.ts";
import { openDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

const SEQUENCES = Number(process.env.SEQUENCES ?? (SOAK ? 400 : 10));
const STEPS = SOAK ? 40 : 25;
const FIRST = Number(process.env.SEED ?? fc.readConfigureGlobal().seed ?? 1);
/** How many steps lie between two that are written as SVG and read again. */
const SVG_EVERY = 8;

const Whole = recordOf(FIELD_NAMES);
const SOURCES = [
  ...ART.map(
    ({ file, svg }) =>
      () =>
        importSvg(file, svg).drawing,
  ),
  ...["boot", "kettle", "snail"].map(
    (name) => () => importSvg(name, readFileSync(`demo/almanac-${name}.svg`, "utf8")).drawing,
  ),
];

/** Areas of all pockets, largest first, as a part of the page. */
function areasIn(reader: DrawingReader, { page, ...drawing }: Drawing): number[] {
  const { pockets } = reader.read({ page, ...drawing });
  return pockets.map(({ area }) => area / (page.box.width * page.box.height)).sort((a, b) => b - a);
}

function expectKept(drawing: Drawing, said: string): void {
  expect(checked(Whole, toRecord(drawing)), said).not.toHaveProperty("wrong");
  const { drawing: again, ...repairs } = openDrawingFile(writeDrawingFile(drawing));
  expect(mendedBy(repairs), said).toEqual({ brought: [], lost: [] });
  expect(again, said).toEqual(JSON.parse(JSON.stringify(drawing)));
}

/** How many there are of everything that an SVG of ours holds. */
const countsOf = (drawing: Drawing) =>
  Object.fromEntries(
    (["parts", "strokes", "inkShapes", "bridges", "flatShapes", "shades", "creases", "tin"] as const).map(
      (table) => [table, Object.keys(drawing[table]).length],
    ),
  );

const svgOf = (drawing: Drawing): string => {
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return deliveredSvg(drawing, derive(drawing, pockets));
};

function expectSameFromSvg(drawing: Drawing, said: string): void {
  const { drawing: again, report } = importSvg(drawing.name, svgOf(drawing));
  expect([countsOf(again), report.leftAside], said).toEqual([countsOf(drawing), []]);
}

/** Another lattice has other chords: they cut off a thousandth of a pocket, or this part of the page. */
const CLOSE = 1e-3;
const CHORDS = 2e-5;

function expectSamePockets(reader: DrawingReader, drawing: Drawing, said: string): void {
  const [followed, fresh] = [areasIn(reader, drawing), areasIn(new DrawingReader(), drawing)];
  expect(followed.length, said).toBe(fresh.length);
  followed.forEach((area, i) => {
    expect(Math.abs(area - fresh[i]), said).toBeLessThanOrEqual(CLOSE * fresh[i] + CHORDS);
  });
}

/** A sequence of edits; which of them were made. */
function tried(seed: number): string[] {
  const dice = new Dice(randomFrom(seed));
  const first = dice.of(SOURCES)();
  const hand = new RandomHand(dice);
  const made: string[] = [];
  let history: History = beginHistory(first);
  for (let step = 0; step < STEPS; step++) {
    const found = hand.next(history.drawing);
    const move = found && applyEdit(history, found.edit);
    if (!found || !move || move.wrong!.length > 0) continue;
    made.push(found.name);
    const said = `seed ${seed}: ${made.join(", ")}`;
    expectKept(move.history.drawing, said);
    expectSamePockets(hand.reader, move.history.drawing, said);
    if (made.length % SVG_EVERY === 0) expectSameFromSvg(move.history.drawing, said);
    history = move.history;
  }
  const back = toStep(history, 0)?.history ?? history;
  expect(back.drawing, `seed ${seed}, all undone`).toEqual(first);
  expect((toStep(back, history.steps.length)?.history ?? back).drawing, `seed ${seed}, all redone`).toEqual(
    history.drawing,
  );
  return made;
}

describe("every edit there is", () => {
  it("stands in the list", () => {
    const files = readdirSync("core/drawing").filter(
      (file) =>
        file.endsWith(".ts") &&
        !file.includes("test") &&
        /import type \{[^}]*\bEdit\b[^}]*\} from "\.\/history/.test(
          readFileSync(`core/drawing/${file}`, "utf8"),
        ),
    );
    expect(files.map((file) => file.replace(".ts", ""))).toEqual(EDIT_FILES);
  });

  it(`leaves a drawing that can be kept, opened and undone: seeds ${FIRST} to ${FIRST + SEQUENCES - 1}`, {
    timeout: 7_200_000,
  }, () => {
    const failed: unknown[] = [];
    const made = new Set<string>();
    for (let seed = FIRST; seed < FIRST + SEQUENCES; seed++)
      try {
        for (const name of tried(seed)) made.add(name);
      } catch (error) {
        if (!(error instanceof TooDense)) failed.push(error);
      }
    expect(failed).toEqual([]);
    // Some can seldom be made at all.
    expect(made.size).toBeGreaterThan(Math.min(0.9 * RANDOM_NAMES.length, 2 * SEQUENCES));
  });
});
