/**
 * The lit lantern as PNG: 18 x 24 in at 350 ppi beside the same on one canvas, and 24 x 32 in at 600 ppi with the most memory
 * the browser took meanwhile. Needs Chromium.
 */
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";
import { build } from "esbuild";
import { memoryOfChromium } from "./browser-memory.ts";
import { CHROMIUM } from "./chromium.ts";
import { judge } from "./judge.ts";
import type { PngTimes } from "./png-page.ts";

const LOOK_EVERY_MS = 200;

export async function pngBench(): Promise<void> {
  const [script, deflate] = await Promise.all(
    ["bench/png-page.ts", "app/work/deflate.worker.ts"].map(bundled),
  );
  const browser = await chromium.launch(CHROMIUM);
  let most = 0;
  const look = setInterval(() => {
    most = Math.max(most, memoryOfChromium());
  }, LOOK_EVERY_MS);
  try {
    const page = await browser.newPage();
    await page.addScriptTag({ content: script });
    const text = readFileSync("demo/almanac-lantern-coloured.fern", "utf8");
    const made = (width: number, height: number, beside: boolean) =>
      page.evaluate(
        ([of, w, h, also, worker]) =>
          (globalThis as unknown as { pngTimes: (...of: unknown[]) => Promise<PngTimes> }).pngTimes(
            of,
            w,
            h,
            also,
            worker,
          ),
        [text, width, height, beside, deflate] as const,
      );
    const say = (what: string, { pixels, banded, bytes, whole }: PngTimes) =>
      console.log(
        `  ${what}: ${(pixels / 1e6).toFixed(0)} megapixels, ${banded.toFixed(1)} s${whole ? `, ${(banded / whole).toFixed(2)} x one canvas` : ""}, ${(bytes / 2 ** 20).toFixed(1)} MB`,
      );
    const told = (what: string, measured: number, unit: string, aim: number, whole?: number) =>
      judge({
        area: "picture",
        what: `the coloured lantern as PNG, ${what}`,
        measured,
        unit,
        aim,
        ...(whole ? { limit: { what: "on one canvas", measured: whole } } : {}),
      });
    const print = await made(6300, 8400, true);
    say("18 x 24 in at 350 ppi", print);
    told("53 megapixels", print.banded, "s", 4, print.whole);
    for (const [as, aim] of [
      ["pdf", 2],
      ["layers", 8],
    ] as const) {
      const took = await page.evaluate(
        ([of, kind, worker]) =>
          (globalThis as unknown as { fileTime: (...of: unknown[]) => Promise<number> }).fileTime(
            of,
            kind,
            worker,
          ),
        [text, as, deflate] as const,
      );
      const what = as === "pdf" ? "PDF" : "OpenRaster, 53 megapixels";
      judge({ area: "picture", what: `the coloured lantern as ${what}`, measured: took, unit: "s", aim });
    }
    const { ours, svg } = await page.evaluate(
      ([of]) =>
        (
          globalThis as unknown as {
            paintTimes: (...of: unknown[]) => Promise<{ ours: number; svg: number }>;
          }
        ).paintTimes(of, 1600),
      [text] as const,
    );
    judge({
      area: "picture",
      what: "the coloured lantern painted, 1600 pixels wide",
      measured: ours,
      unit: "ms",
      aim: Math.round(svg),
      limit: { what: "the browser's own SVG", measured: svg },
    });
    most = 0;
    const poster = await made(14_400, 19_200, false);
    say("24 x 32 in at 600 ppi", poster);
    told("276 megapixels", poster.banded, "s", 15);
    told("276 megapixels, memory of the browser", most / 2 ** 30, "GB", 1.2);
  } finally {
    clearInterval(look);
    await browser.close();
  }
}

async function bundled(entry: string): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [entry],
    bundle: true,
    format: "iife",
    write: false,
    tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
  });
  return outputFiles[0].text;
}
