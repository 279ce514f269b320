/** Where ink is filled shapes, colour runs under it: no ground shows between them, at any size, in a second renderer. */
import { Resvg } from "@resvg/resvg-js";
import { expect, it } from "vitest";
import { SOAK } from "../testing.ts";
import { LEAST, MASK, mostShown } from "./fringe.ts";
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
} from "./inked-art.ts";

const picture = (svg: string, width: number, background?: string) =>
  new Resvg(svg, { fitTo: { mode: "width", value: width }, background }).render().pixels;

/** Of what is soft or faint a renderer holds many layers at once: gigabytes at the largest scale. */
const LAYERED = SOAK ? SCALES : SCALES.slice(0, 2);

function shownIn(art: InkedArt, scales: readonly number[] = SCALES): string[] {
  return scales.flatMap((scale) => {
    const { pixels, shown } = windowOf(art, scale);
    const [one, other] = ["#f0f", "#0f0"].map((ground) => picture(shown(art.svg), pixels, ground));
    const most = mostShown(one, other, picture(shown(art.covered), MASK * pixels), pixels);
    return most > LEAST ? [`${art.name} at ${scale} pixels a unit: ${most}`] : [];
  });
}

it("shows no ground in drawings whose strokes were expanded to outlines", () => {
  const art = outlinedArt();
  expect(art.length).toBeGreaterThanOrEqual(SOAK ? 10 : 3);
  expect(art.flatMap((art) => shownIn(art))).toEqual([]);
});

it("shows no ground across bridges", () => {
  const art = bridgedArt();
  expect(art.length).toBeGreaterThanOrEqual(1);
  expect(art.flatMap((art) => shownIn(art))).toEqual([]);
});

it("shows no ground in scans read as shapes", () => {
  expect(scannedArt().flatMap((art) => shownIn(art))).toEqual([]);
});

it("shows no ground where parts lie on one another", () => {
  expect(partedArt().flatMap((art) => shownIn(art))).toEqual([]);
});

it("shows no ground under gradients, rims, shadows and soft shade", () => {
  expect(
    litArt()
      .slice(0, SOAK ? 5 : 1)
      .flatMap((art) => shownIn(art, LAYERED)),
  ).toEqual([]);
});

it("shows no ground under patterns, nor under colours that are half seen through over an undercoat", () => {
  expect(clothedArt().flatMap((art) => shownIn(art))).toEqual([]);
  expect(glazedArt().flatMap((art) => shownIn(art, LAYERED))).toEqual([]);
});
