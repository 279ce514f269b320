/** Where ink is filled shapes no ground shows between it and the colour, as Chromium draws delivered SVGs. */
import { execFileSync } from "node:child_process";
import { expect, type Page, test } from "@playwright/test";
import { LEAST, MASK, mostShown } from "../core/formats/fringe.ts";
import { SOAK } from "../testing/long-runs.ts";

interface View {
  readonly name: string;
  readonly pixels: number;
  readonly svg: string;
  readonly covered: string;
}

const art = (): View[][] =>
  JSON.parse(
    execFileSync("npx", ["tsx", "--tsconfig", "tsconfig.base.json", "testing/print-inked-art.ts"], {
      encoding: "utf8",
      maxBuffer: 2 ** 28,
    }),
  );

const shownIn = (page: Page, view: View): Promise<number> =>
  page.evaluate(
    async ({ svg, covered, pixels, mask, count }) => {
      const drawn = async (text: string, size: number, ground?: string) => {
        const image = new Image();
        image.src = `data:image/svg+xml,${encodeURIComponent(text)}`;
        await image.decode();
        const context = new OffscreenCanvas(size, size).getContext("2d", { willReadFrequently: true })!;
        if (ground) {
          context.fillStyle = ground;
          context.fillRect(0, 0, size, size);
        }
        context.drawImage(image, 0, 0, size, size);
        return context.getImageData(0, 0, size, size).data;
      };
      const one = await drawn(svg, pixels, "#f0f");
      const other = await drawn(svg, pixels, "#0f0");
      return new Function(`return ${count}`)()(one, other, await drawn(covered, mask * pixels), pixels);
    },
    { ...view, mask: MASK, count: mostShown.toString() },
  );

test("no ground shows in drawings expanded to outlines and scans read as shapes", async ({ page }) => {
  test.slow();
  const drawings = art();
  expect(drawings.length).toBeGreaterThanOrEqual(SOAK ? 13 : 5);
  const found: string[] = [];
  for (const view of drawings.flat()) {
    const most = await shownIn(page, view);
    if (most > LEAST) found.push(`${view.name}: ${most}`);
  }
  expect(found).toEqual([]);
});
