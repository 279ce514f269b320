/** The lantern, every pocket shaded by the lamp: a step of the lamp, and the forms from nothing beside a plain raster solve. */
import { readFileSync } from "node:fs";
import { FormWork } from "../app/work/form-work.ts";
import { LightLink } from "../app/work/light-link.ts";
import { poursWith } from "../core/drawing/light-edits.ts";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { curveCount } from "../core/geometry/cubic.ts";
import { formShade } from "../core/light/form-shade.ts";
import { inflate, type NormalField } from "../core/light/inflate.ts";
import { lampOn } from "../core/light/lamp.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";
import { judge } from "./judge.ts";
import { median, middle } from "./timing.ts";

const ROUNDS = 15;
const LIMIT_MS = 50;
const FORM = { tones: 1, roundness: 1, reach: 0.6 };

export async function lightBench(): Promise<void> {
  const { page, strokes, inkShapes } = readSvg(readFileSync("demo/almanac-lantern.svg", "utf8"));
  const drawing = newDrawing("", page, strokes, inkShapes);
  const pockets = new LineReader().read(drawing).filter(({ hidden }) => !hidden);
  let k = 0;
  const step = () => {
    const lamp = { ...drawing.lamp, at: [0.2 + (k++ % 20) / 40, 0.1] as const };
    return pockets.map((pocket) => formShade(pocket, lampOn({ ...drawing, lamp }), FORM));
  };
  const curves = step().flatMap((tones) => tones.flatMap((tone) => tone.map(curveCount)));
  const stepped = median(ROUNDS, step);
  const { finest } = lampOn(drawing);
  const forms = median(ROUNDS, () => pockets.map(({ rings, box }) => inflate(rings, box, finest)));
  const fields = pockets.flatMap(({ rings, box }) => inflate(rings, box, finest) ?? []);
  const plain = median(3, () => fields.map(plainSolve));
  console.log(`light: ${strokes.length} strokes, ${pockets.length} pockets, all shaded by the lamp`);
  console.log(
    `  a step of the lamp   ${stepped.toFixed(1)} ms (limit ${LIMIT_MS}: ${stepped < LIMIT_MS ? "within it" : "LONGER"})`,
  );
  console.log(
    `  all forms anew       ${forms.toFixed(1)} ms, a plain raster solve takes ${(plain / forms).toFixed(1)} x as long`,
  );
  console.log(
    `  cubics a shape       ${middle(curves)} in the middle, ${Math.max(...curves)} at most, ${((100 * curves.filter((n) => n < 24).length) / curves.length).toFixed(1)} % under 24`,
  );
  const { worker, page: own, pours } = await draggedLamp();
  console.log(
    `  as the desk does it, with ${pours} pockets in two tones: ${own.toFixed(1)} ms of a step on the page`,
  );
  judge({
    area: "picture",
    what: `a step of the lamp over ${pours} pockets in two tones`,
    measured: worker + own,
    unit: "ms",
    aim: LIMIT_MS,
  });
}

/** Milliseconds of a step of the lamp in the worker and on the page: asking, taking the answer in, the scene anew. */
async function draggedLamp(): Promise<{ worker: number; page: number; pours: number }> {
  const coloured = readDrawingFile(readFileSync("demo/almanac-lantern-coloured.fern", "utf8"));
  const pockets = new LineReader().read(coloured).filter(({ hidden }) => !hidden);
  const forms = new FormWork();
  let drawing = coloured;
  let inWorker = 0;
  const link = new LightLink(
    {
      tones: async (request) => {
        const begun = performance.now();
        const answer = forms.answer(request);
        inWorker = performance.now() - begun;
        return answer;
      },
      // The lantern has no gradient inward.
      rings: () => Promise.reject(new Error("no rings")),
    },
    () => sceneOf(drawing, derived),
  );
  let derived = derive(drawing, pockets, { light: link });
  const times: { worker: number; page: number }[] = [];
  for (let k = 0; k < ROUNDS + 5; k++) {
    const begun = performance.now();
    drawing = { ...coloured, lamp: { ...coloured.lamp, at: [0.2 + k / 40, 0.4] } };
    derived = derive(drawing, pockets, { before: derived, light: link });
    sceneOf(drawing, derived);
    await link.settled();
    times.push({ worker: inWorker, page: performance.now() - begun - inWorker });
  }
  const warm = times.slice(5);
  return {
    worker: middle(warm.map((one) => one.worker)),
    page: middle(warm.map((one) => one.page)),
    pours: poursWith(coloured, "form").length,
  };
}

const SETTLED = 1e-3;

/** The same equation on the same cells by Gauss and Seidel, until no cell changes any more. */
function plainSolve({ inside, columns }: NormalField): Float64Array {
  const u = new Float64Array(inside.length);
  for (let change = 1; change > SETTLED; ) {
    change = 0;
    for (let at = columns; at < u.length - columns; at++) {
      if (!inside[at]) continue;
      const next = (u[at - 1] + u[at + 1] + u[at - columns] + u[at + columns] + 4) / 4;
      change = Math.max(change, Math.abs(next - u[at]));
      u[at] = next;
    }
  }
  return u;
}
