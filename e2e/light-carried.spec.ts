/** Light laid elsewhere, made of whole parts, and beside lines and above them, on art from elsewhere. */
import { expect, type Page } from "@playwright/test";
import { stepOf } from "../core/colour/ladder.ts";
import { oklchOf } from "../core/colour/oklch.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { pointAt } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { regionContains } from "../core/geometry/polygon.ts";
import {
  artColours,
  hexOf,
  isAccessible,
  isKept,
  openDrawer,
  pick,
  save,
  stage,
  test,
  tool,
  undo,
} from "./desk.ts";
import {
  clearance,
  click,
  colourAt,
  FROND,
  GARDEN,
  GARDEN_PAGE,
  GARDEN_POCKETS,
  openGarden,
  putInFlower,
  spot,
} from "./garden.ts";

const [a, b] = GARDEN_POCKETS;

type GardenPocket = typeof a;

/** Places of a pocket that are clear of ink, spread over its box. */
function placesIn({ box, rings }: GardenPocket, count: number, clear = 0.35): Point[] {
  const places: Point[] = [];
  for (let k = 0; places.length < count && k < 4000; k++) {
    const at: Point = [box.x + box.width * ((k * 0.618034) % 1), box.y + box.height * ((k * 0.754878) % 1)];
    if (regionContains(rings, at) && clearance(at) > clear) places.push(at);
  }
  return places;
}

const coloursAt = async (page: Page, places: readonly Point[]): Promise<string[]> =>
  (await artColours(page, places, GARDEN_PAGE)).map(hexOf);

/** Two places of a pocket at one height, toward its left and its right. */
function sidesOf(pocket: GardenPocket): [Point, Point] {
  const places = placesIn(pocket, 400, 0.2);
  const by = (side: 1 | -1) =>
    places.reduce((best, at) =>
      side * (at[0] - best[0]) > 0 && Math.abs(at[1] - pocket.seed[1]) < pocket.box.height / 4 ? at : best,
    );
  return [by(-1), by(1)];
}

async function drag(page: Page, from: Point, to: Point): Promise<void> {
  await page.mouse.move(...(await spot(page, from)));
  await page.mouse.down();
  await page.mouse.move(...(await spot(page, to)), { steps: 8 });
  await page.mouse.up();
}

const lightness = async (page: Page, at: Point) => oklchOf(await colourAt(page, at)).l;

test("light is laid fitted, mirrored and varied", async ({ page }) => {
  await openGarden(page, [a, b]);
  await tool(page, "Gradient").click();
  const [left, right] = sidesOf(a);
  await drag(page, left, right);
  await expect.poll(() => colourAt(page, right)).not.toBe(FROND);
  const falls = async (pocket: GardenPocket) => {
    const [from, to] = sidesOf(pocket);
    return (await lightness(page, from)) - (await lightness(page, to));
  };
  expect(await falls(a)).toBeGreaterThan(0.04);
  await tool(page, "Carry").click();
  await click(page, a.seed);
  await click(page, b.seed);
  await expect(undo(page, "Lay light on pocket")).toBeVisible();
  await expect.poll(() => falls(b)).toBeGreaterThan(0.03);
  const places = placesIn(b, 24);
  const plain = await coloursAt(page, places);
  await page.keyboard.press("Control+z");
  await page.getByRole("switch", { name: "Mirrored" }).click();
  await click(page, b.seed);
  await expect.poll(() => falls(b)).toBeLessThan(-0.03);
  await page.keyboard.press("Control+z");
  await page.getByRole("switch", { name: "Mirrored" }).click();
  await page.getByRole("switch", { name: "Varied" }).click();
  await click(page, b.seed);
  await expect.poll(() => falls(b)).toBeGreaterThan(0.02);
  expect(await coloursAt(page, places)).not.toEqual(plain);
  await isAccessible(page, "[aria-label=Tray]");
});

test("a part has one form over all its pockets, each in its own colour", async ({ page }) => {
  // The rabbit's and the grape's pockets, which lie against one another.
  await openGarden(page, GARDEN_POCKETS);
  await tool(page, "Lamp").click();
  await page.getByRole("button", { name: "Shade all" }).click();
  const places = GARDEN_POCKETS.flatMap((pocket) => placesIn(pocket, 12, 0.2));
  const shade = stepOf({ value: FROND }, -1);
  const shaded = async () => (await coloursAt(page, places)).map((colour) => colour === shade);
  const count = async () => (await shaded()).filter(Boolean).length;
  await expect.poll(count).toBeGreaterThan(10);
  const apart = await shaded();
  await page.getByRole("switch", { name: "Part as one" }).click();
  await expect.poll(shaded).not.toEqual(apart);
  expect(await count()).toBeGreaterThan(5);
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/data-form="[^"]*whole/);
});

test("a part throws its shadow on what lies behind it", async ({ page }) => {
  await openGarden(page, GARDEN_POCKETS);
  await putInFlower(page);
  const places = GARDEN_POCKETS.flatMap((pocket) => placesIn(pocket, 60, 0.2));
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Marigold/ })
    .click();
  const middle: Point = [GARDEN_PAGE.x + GARDEN_PAGE.width / 2, GARDEN_PAGE.y + GARDEN_PAGE.height / 2];
  await click(page, middle);
  await expect.poll(() => colourAt(page, middle)).toBe("#e6a93a");
  await stage(page, "Light").click();
  await tool(page, "Lamp").click();
  await tool(page, "Shadow").click();
  await tool(page, "Part").click();
  await page.getByRole("slider", { name: "How high it stands" }).press("End");
  const before = await coloursAt(page, places);
  await click(page, middle);
  const deeper = stepOf({ value: FROND }, -2);
  const fallen = async () =>
    (await coloursAt(page, places)).filter((colour, i) => colour !== before[i] && colour === deeper).length;
  await expect.poll(fallen).toBeGreaterThan(0);
  // What throws it is not darker for it.
  expect(await colourAt(page, middle)).toBe("#e6a93a");
  await isAccessible(page, "[aria-label=Tray]");
});

/** A line between two pockets, the larger first. */
const between = (() => {
  for (const { id, points } of readSvg(GARDEN).strokes) {
    const beside = GARDEN_POCKETS.filter(({ lines }) => lines.includes(id));
    if (beside.length === 2) return { on: pointAt(points, 0.5), large: beside[0], small: beside[1] };
  }
  throw new Error("no line has two pockets beside it");
})();

test("a line takes its colour from the larger pocket beside it, or from the one in front", async ({
  page,
}) => {
  await openGarden(page, [between.large]);
  await stage(page, "Flats").click();
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Marigold/ })
    .click();
  await click(page, between.small.seed);
  await expect.poll(() => colourAt(page, between.small.seed)).toBe("#e6a93a");
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await click(page, between.on);
  const hold = async (which: string) => {
    await page.getByRole("button", { name: "Line colour" }).click();
    await page.getByRole("menuitem", { name: `These lines take ${which}` }).click();
  };
  await hold("the colour of the larger pocket beside them");
  await expect.poll(() => colourAt(page, between.on)).toBe(stepOf({ value: FROND }, -3));
  await hold("the colour beside them that was laid last");
  await expect.poll(() => colourAt(page, between.on)).toBe(stepOf({ value: "#e6a93a" }, -3));
});

test("a gradient runs inward from a shape's outline; a catch-light lies above the ink", async ({ page }) => {
  await openGarden(page, [a]);
  await stage(page, "Flats").click();
  await tool(page, "Colour").click();
  const [x, y] = a.seed;
  await pick(page, "Sheet", "on gloss");
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Marigold/ })
    .click();
  await tool(page, "Box").click();
  await drag(page, [x - 6, y - 6], [x + 6, y + 6]);
  const inked = readSvg(GARDEN)
    .strokes.flatMap(({ points }) => Array.from({ length: 40 }, (_, k) => pointAt(points, k / 40)))
    .find((at) => Math.max(Math.abs(at[0] - x), Math.abs(at[1] - y)) < 5)!;
  await expect.poll(() => colourAt(page, a.seed)).toBe("#e6a93a");
  expect(await colourAt(page, inked)).toBe("#e6a93a");
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Radish/ })
    .click();
  await stage(page, "Light").click();
  await tool(page, "Gradient").click();
  await tool(page, "Inward").click();
  await click(page, a.seed);
  await expect.poll(() => colourAt(page, a.seed)).not.toBe("#e6a93a");
});

test("the lamp of another drawing stands here too", async ({ page }) => {
  await openGarden(page, [a]);
  await tool(page, "Lamp").click();
  await tool(page, "Near").click();
  await isKept(page);
  await openDrawer(page);
  await page.getByRole("button", { name: "Open a copy of Sprig drawn with nibs", exact: true }).click();
  await stage(page, "Light").click();
  await tool(page, "Lamp").click();
  await expect(tool(page, "Far off")).toBeChecked();
  await page.getByRole("button", { name: "Take the lamp of another drawing" }).click();
  await page.getByRole("menuitem", { name: /garden/ }).click();
  await expect(tool(page, "Near")).toBeChecked();
});
