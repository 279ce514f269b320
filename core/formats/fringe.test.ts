/** Where ink is filled shapes, colour runs under it: no ground shows between them, at any size, in a second renderer. */
import { Resvg } from "@resvg/resvg-js";
import { expect, it } from "vitest";
import {
  bridgedArt,
  clothedArt,
  glazedArt,
  type InkedArt,
  litArt,
  outlinedArt,
  partedArt,
  SCALES,
  scannedArt,
  windowOf,
} from "../../testing/inked-art.ts";
import { SOAK } from "../../testing/long-runs.ts";
import { LEAST, MASK, mostShown } from "./fringe.ts";

const picture = (svg: string, width: number, background?: string) =>
  new Resvg(svg, { fitTo: { mode: "width", value: width }, background }).render().pixels;

/** Of what is soft or faint a renderer holds many layers at once: gigabytes at the largest scale. */
const LAYERED = SOAK ? SCALES : SCALES.slice(0, 2);

async function shownIn(all: readonly InkedArt[], scales: readonly number[] = SCALES): Promise<string[]> {
  const found: string[] = [];
  for (const art of all)
    for (const scale of scales) {
      const { pixels, shown } = windowOf(art, scale);
      const [one, other] = ["#f0f", "#0f0"].map((ground) => picture(shown(art.svg), pixels, ground));
      const most = mostShown(one, other, picture(shown(art.covered), MASK * pixels), pixels);
      if (most > LEAST) found.push(`${art.name} at ${scale} pixels a unit: ${most}`);
      // A renderer's pictures are let go of between tasks alone: in one go they come to gigabytes.
      await new Promise((resolve) => setImmediate(resolve));
    }
  return found;
}

it("shows no ground in drawings whose strokes were expanded to outlines", async () => {
  const art = outlinedArt();
  expect(art.length).toBeGreaterThanOrEqual(SOAK ? 10 : 3);
  expect(await shownIn(art)).toEqual([]);
});

it("shows no ground across bridges", async () => {
  const art = bridgedArt();
  expect(art.length).toBeGreaterThanOrEqual(1);
  expect(await shownIn(art)).toEqual([]);
});

it("shows no ground in scans read as shapes", async () => {
  expect(await shownIn(scannedArt())).toEqual([]);
});

it("shows no ground where parts lie on one another", async () => {
  expect(await shownIn(partedArt())).toEqual([]);
});

it("shows no ground under gradients, rims, shadows and soft shade", async () => {
  expect(await shownIn(litArt().slice(0, SOAK ? 5 : 1), LAYERED)).toEqual([]);
});

it("shows no ground under patterns, nor under colours that are half seen through over an undercoat", async () => {
  expect(await shownIn(clothedArt())).toEqual([]);
  expect(await shownIn(glazedArt(), LAYERED)).toEqual([]);
});
