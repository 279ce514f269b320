/**
 * One pour's colour changed in a drawing of 3,000 strokes and 5,000 pockets: deriving, sending and painting what has
 * changed, beside all of it anew in the same run. Needs Chromium.
 */
import { chromium } from "@playwright/test";
import { build } from "esbuild";
import { CHROMIUM } from "./chromium.ts";
import { judge } from "./judge.ts";
import type { SceneTimes } from "./scene-page.ts";

const FRAME_MS = 1000 / 60;

export async function sceneBench(): Promise<void> {
  const { outputFiles } = await build({
    entryPoints: ["bench/scene-page.ts"],
    bundle: true,
    format: "iife",
    write: false,
  });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage();
    await page.addScriptTag({ content: outputFiles[0].text });
    const times = (await page.evaluate("sceneTimes()")) as SceneTimes;
    const sum = ({ derive, send, paint }: SceneTimes["now"]) => derive + send + paint;
    const say = (what: string, one: SceneTimes["now"]) =>
      console.log(
        `  scene, ${what.padEnd(8)} edit ${one.edit.toFixed(1)} ms; derive ${one.derive.toFixed(1)} ms, send ${one.send.toFixed(1)} ms, paint ${one.paint.toFixed(1)} ms: ${sum(one).toFixed(1)} ms`,
      );
    console.log(`  scene of ${times.strokes} strokes and ${times.pockets} pockets, one pour changed`);
    say("changed", times.now);
    say("anew", times.anew);
    console.log(`  scene, a colour with ${times.uses} uses turned by a slider`);
    say("turned", times.recoloured);
    judge({
      area: "picture",
      what: `a colour with ${times.uses} uses turned by a slider, a step`,
      measured: times.recoloured.edit + sum(times.recoloured),
      unit: "ms",
      aim: 16.7,
      limit: { what: "all of it anew", measured: sum(times.anew) },
    });
    console.log(`  scene, turned so it differs by ${times.drift} of 255 from painting its items`);
    const ratio = sum(times.anew) / sum(times.now);
    console.log(
      `  scene, ${ratio.toFixed(1)} times faster than anew; a frame is ${FRAME_MS.toFixed(1)} ms: ${sum(times.now) < FRAME_MS ? "within it" : "LONGER"}`,
    );
  } finally {
    await browser.close();
  }
}
