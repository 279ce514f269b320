/** Many SVGs through the command line and back, and as the browser draws them: each in a square cell of one page. */
import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page } from "@playwright/test";
import { decode } from "fast-png";

/** Of a cell, in pixels. */
export const SIDE = 120;
const COLUMNS = 10;

export interface Drawn {
  /** Wide to high, as the file says; undefined for what the browser draws nothing of. */
  readonly shape: number | undefined;
  /** Red, green and blue on white. */
  readonly pixels: Uint8Array;
}

export async function drawn(page: Page, svgs: readonly string[]): Promise<Drawn[]> {
  const cells = svgs.map(
    (svg) => `<img src="data:image/svg+xml;base64,${Buffer.from(svg).toString("base64")}">`,
  );
  await page.setViewportSize({ width: SIDE * COLUMNS, height: SIDE * Math.ceil(svgs.length / COLUMNS) });
  await page.setContent(
    `<style>body{margin:0;display:grid;grid-template-columns:repeat(${COLUMNS},${SIDE}px)}img{width:${SIDE}px;height:${SIDE}px}</style>${cells.join("")}`,
  );
  await page.waitForFunction(() => [...document.images].every(({ complete }) => complete));
  const shapes = await page.evaluate(() =>
    [...document.images].map(({ naturalWidth, naturalHeight }) => naturalWidth / naturalHeight),
  );
  const { width, channels, data } = decode(await page.screenshot());
  return svgs.map((_, k) => {
    const [left, top] = [(k % COLUMNS) * SIDE, Math.floor(k / COLUMNS) * SIDE];
    const pixels = Uint8Array.from({ length: 3 * SIDE * SIDE }, (_, i) => {
      const p = Math.floor(i / 3);
      return data[((top + Math.floor(p / SIDE)) * width + left + (p % SIDE)) * channels + (i % 3)];
    });
    return { shape: shapes[k] > 0 ? shapes[k] : undefined, pixels };
  });
}

export interface Converted {
  /** Undefined for what could not be read. */
  readonly svg: string | undefined;
  readonly report: {
    readonly problem?: string;
    readonly leftAside?: readonly unknown[];
    readonly changed?: readonly unknown[];
  };
}

/** As one batch. */
export function converted(svgs: readonly string[]): Converted[] {
  const folder = mkdtempSync(join(tmpdir(), "fern-batch-"));
  const names = svgs.map((svg, k) => {
    const name = join(folder, `${k}.svg`);
    writeFileSync(name, svg);
    return name;
  });
  const out = join(folder, "out");
  const command = ["scripts/compiled.sh", "bin/fern.ts", "convert", ...names];
  const ran = spawnSync("bash", [...command, "--merge", "0", "--json", "--out", out], { maxBuffer: 2 ** 28 });
  expect([0, 2], ran.stderr.toString()).toContain(ran.status);
  const reports: Converted["report"][] = JSON.parse(ran.stdout.toString());
  const made = reports.map((report, k): Converted => {
    const name = join(out, `${k}.svg`);
    return { report, svg: existsSync(name) ? readFileSync(name, "utf8") : undefined };
  });
  rmSync(folder, { recursive: true });
  return made;
}
