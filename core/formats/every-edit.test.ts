/**
 * Whatever is done to a drawing, it can be kept: after every edit it is within the bounds of files and storage, comes back the
 * same from them, and its pockets, followed through the edits, are those of a fresh reading; undo and redo lead through all.
 */
import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { scanOf } from "../../demo/scan/scanner.ts";
import { Dice } from "../../testing/dice.ts";
import { ART } from "../../testing/foreign-art.ts";
import { SOAK } from "../../testing/long-runs.ts";
import { randomFrom } from "../../testing/random.ts";
import { EDIT_FILES, RANDOM_NAMES, RandomHand } from "../../testing/random-edits.ts";
import { checked } from "../drawing/checked.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { FIELD_NAMES } from "../drawing/fields.ts";
import { applyEdit, beginHistory, type History, toStep } from "../drawing/history.ts";
import { toRecord } from "../drawing/record-form.ts";
import { recordOf } from "../drawing/records.ts";
import { mendedBy } from "../drawing/say-repairs.ts";
import { findInk, TRACE_SETTINGS } from "../lines/trace/trace.ts";
import { readInk, tracedDrawing } from "../lines/trace/traced-drawing.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { TooDense } from "../pockets/too-dense.ts";
import { derive } from "../scene/scene.ts";
import { openDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

/** Of every kind of drawing. */
const SEQUENCES = Number(process.env.SEQUENCES ?? (SOAK ? 25 : 3));
const STEPS = SOAK ? 40 : 25;
/** In a soak, so many steps of every kind of drawing. */
const LEAST_STEPS = SOAK ? Number(process.env.STEPS ?? 10_000) : 0;
/** A soak ends early with so many sequences that failed. */
const MOST_FAILED = 12;
const FIRST = Number(process.env.SEED ?? fc.readConfigureGlobal().seed ?? 1);
/** How many steps lie between two that are written as SVG and read again. */
const SVG_EVERY = 8;

const Whole = recordOf(FIELD_NAMES);
const EMOJI = "node_modules/@twemoji/svg";

/** Kinds of drawings that sequences begin with: icons of strokes, pictures of fills, our demos, and a scan read as shapes. */
const KINDS: Readonly<Record<string, (dice: Dice) => Drawing>> = {
  icons: (dice) => {
    const { file, svg } = dice.of(ART);
    return importSvg(file, svg).drawing;
  },
  emoji: (dice) => {
    const file = dice.of(readdirSync(EMOJI).filter((name, i) => name.endsWith(".svg") && i % 97 === 0));
    return importSvg(file, readFileSync(`${EMOJI}/${file}`, "utf8")).drawing;
  },
  demos: (dice) => {
    const name = dice.of(["boot", "kettle", "snail"]);
    return importSvg(name, readFileSync(`demo/almanac-${name}.svg`, "utf8")).drawing;
  },
  scans: (dice) => {
    const { grey } = scanOf(readFileSync("demo/scan/radishes.svg", "utf8"), {
      pixels: 500,
      seed: dice.whole(1, 1e6),
    });
    return tracedDrawing("radishes", readInk(findInk(grey, TRACE_SETTINGS), "shapes"), grey);
  },
};

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

/** A sequence of edits of a kind of drawing; which of them were made. */
function tried(kind: string, seed: number): string[] {
  const dice = new Dice(randomFrom(seed));
  const first = KINDS[kind](dice);
  const hand = new RandomHand(dice);
  const made: string[] = [];
  let history: History = beginHistory(first);
  for (let step = 0; step < STEPS; step++) {
    const found = hand.next(history.drawing);
    const move = found && applyEdit(history, found.edit);
    // What an edit says it looks at is all that it looks at.
    if (found?.edit.few)
      expect(move, found.edit.label).toEqual(applyEdit(history, { ...found.edit, few: undefined }));
    if (!found || !move || move.wrong!.length > 0) continue;
    made.push(found.name);
    const said = `${kind}, seed ${seed}: ${made.join(", ")}`;
    expectKept(move.history.drawing, said);
    expectSamePockets(hand.reader, move.history.drawing, said);
    if (made.length % SVG_EVERY === 0) expectSameFromSvg(move.history.drawing, said);
    history = move.history;
  }
  const back = toStep(history, 0)?.history ?? history;
  expect(back.drawing, `${kind}, seed ${seed}, all undone`).toEqual(first);
  expect(
    (toStep(back, history.steps.length)?.history ?? back).drawing,
    `${kind}, seed ${seed}, all redone`,
  ).toEqual(history.drawing);
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

  const kinds = Object.keys(KINDS);
  const made = new Set<string>();
  it.each(kinds)(
    `leaves a drawing that can be kept, opened and undone, of %s: seeds from ${FIRST}`,
    {
      timeout: 36_000_000,
    },
    (kind) => {
      const failed: unknown[] = [];
      let steps = 0;
      for (let turn = 0; turn < SEQUENCES || (steps < LEAST_STEPS && failed.length < MOST_FAILED); turn++) {
        if (SOAK && turn % 50 === 0) process.stdout.write(`${kind}: ${steps} steps in ${turn} sequences\n`);
        const seed = FIRST + kinds.indexOf(kind) + turn * kinds.length;
        try {
          const names = tried(kind, seed);
          steps += names.length;
          for (const name of names) made.add(name);
        } catch (error) {
          if (error instanceof TooDense) continue;
          failed.push(error);
          // A soak lasts for hours: what failed is known at once.
          process.stdout.write(`${kind}, seed ${seed}: ${String(error).split("\n")[0]}\n`);
        }
      }
      expect(failed).toEqual([]);
      expect(steps).toBeGreaterThanOrEqual(LEAST_STEPS);
    },
  );

  it("takes nearly every edit in such sequences", () => {
    // Some can seldom be made at all.
    expect(made.size).toBeGreaterThan(Math.min(0.9 * RANDOM_NAMES.length, 8 * SEQUENCES));
  });
});
