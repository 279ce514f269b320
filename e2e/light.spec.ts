/** Light on art from elsewhere: gradients, soft shade and blends, in the hand and alike in every painter. */
import { expect, type Page } from "@playwright/test";
import { Resvg } from "@resvg/resvg-js";
import { decode } from "fast-png";
import { stepOf } from "../core/colour/ladder.ts";
import { defaultPage } from "../core/drawing/new-drawing.ts";
import { startingLamp } from "../core/drawing/start.ts";
import type { Point } from "../core/geometry/point.ts";
import { lampOn } from "../core/light/lamp.ts";
import {
  artColour,
  closeMore,
  deskReady,
  hexOf,
  isAccessible,
  onScreen,
  openFile,
  pick,
  save,
  stage,
  test,
  tool,
} from "./desk.ts";
import { GARDEN, GARDEN_PAGE, GARDEN_POCKETS } from "./garden.ts";

const [a, b, c] = GARDEN_POCKETS;
const FROND = "#6f9a4a";
const DARKER = stepOf({ value: FROND }, -1);
const PAGE = defaultPage(GARDEN_PAGE);

const spot = (page: Page, at: Point) => onScreen(page, at, GARDEN_PAGE);
const colourAt = async (page: Page, at: Point) => hexOf(await artColour(page, at, GARDEN_PAGE));

async function drag(page: Page, places: readonly Point[]): Promise<void> {
  const [first, ...rest] = await Promise.all(places.map((at) => spot(page, at)));
  await page.mouse.move(...first);
  await page.mouse.down();
  for (const [x, y] of rest) await page.mouse.move(x, y, { steps: 4 });
  await page.mouse.up();
}

async function open(page: Page): Promise<void> {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
  for (const { seed } of [a, b, c]) await page.mouse.click(...(await spot(page, seed)));
  await expect.poll(() => colourAt(page, c.seed)).toBe(FROND);
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Marigold/ })
    .click();
  await stage(page, "Light").click();
}

/** A short way through the inner point of a pocket. */
const across = ({ seed: [x, y], box }: typeof a): [Point, Point] => [
  [x - box.width / 8, y - box.height / 8],
  [x + box.width / 8, y + box.height / 8],
];

test("a gradient is drawn over a pocket, changed by its handles, laid over another as one, and fades", async ({
  page,
}) => {
  await open(page);
  await tool(page, "Gradient").click();
  const [from, to] = across(a);
  await drag(page, [from, a.seed, to]);
  await expect(page.getByRole("button", { name: "Undo: Lay gradient" })).toBeVisible();
  await expect.poll(() => colourAt(page, a.seed)).not.toBe(FROND);
  const middle = await colourAt(page, a.seed);
  await expect(page.getByRole("button", { name: /^Stop 2 at 100 %: Marigold/ })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await drag(page, [to, [to[0] + a.box.width / 2, to[1] + a.box.height / 2]]);
  await expect.poll(() => colourAt(page, a.seed)).not.toBe(middle);
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, a.seed)).toBe(middle);
  await page.getByRole("button", { name: "Add a stop" }).click();
  await expect(page.getByRole("group", { name: "Stops" }).getByRole("button", { name: /^Stop/ })).toHaveCount(
    3,
  );
  await page.getByRole("button", { name: "Remove the stop" }).click();
  await page.getByRole("switch", { name: "One over many" }).click();
  await page.mouse.click(...(await spot(page, b.seed)));
  await expect.poll(() => colourAt(page, b.seed)).not.toBe(FROND);
  await isAccessible(page, "[aria-label=Tray]");
  await page.getByRole("slider", { name: "All gradients" }).press("Home");
  await expect.poll(() => colourAt(page, a.seed)).toBe(FROND);
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, a.seed)).toBe(middle);
  const { bytes } = await save(page, "SVG");
  await openFile(page, "again.svg", bytes.toString());
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect.poll(() => colourAt(page, a.seed)).toBe(middle);
  const again = await save(page, "SVG");
  const told = (svg: Buffer) => svg.toString().match(/<stop [^>]*>|gradientTransform="[^"]*"/g);
  expect(told(again.bytes)).toEqual(told(bytes));
});

/** How many of some places in a pocket are in a colour. */
async function countIn(page: Page, { seed, box }: typeof a, colour: string): Promise<number> {
  let count = 0;
  for (let k = -6; k <= 6; k++)
    for (const [dx, dy] of [
      [k, 0],
      [0, k],
    ]) {
      const at: Point = [seed[0] + (dx * box.width) / 22, seed[1] + (dy * box.height) / 22];
      if ((await colourAt(page, at)) === colour) count++;
    }
  return count;
}

test("pockets are shaded by the lamp in steps of their own colour; it is moved, left out, taken over", async ({
  page,
}) => {
  await open(page);
  await tool(page, "Lamp").click();
  await page.mouse.click(...(await spot(page, a.seed)));
  await expect(page.getByRole("button", { name: "Undo: Shade pocket" })).toBeVisible();
  await expect.poll(() => countIn(page, a, DARKER)).toBeGreaterThan(0);
  const shaded = await countIn(page, a, DARKER);
  await page.locator("#paper").focus();
  await page.keyboard.down("f");
  await expect.poll(() => countIn(page, a, DARKER)).toBe(0);
  await page.keyboard.up("f");
  await expect.poll(() => countIn(page, a, DARKER)).toBe(shaded);
  await drag(page, [lampOn({ lamp: startingLamp(), page: PAGE }).at, [58, 58]]);
  await expect(page.getByRole("button", { name: "Undo: Move lamp" })).toBeVisible();
  await expect.poll(() => countIn(page, a, DARKER)).not.toBe(shaded);
  await page.getByRole("slider", { name: "Reach" }).press("End");
  await expect.poll(() => countIn(page, a, DARKER)).toBeGreaterThan(shaded);
  await page.getByRole("slider", { name: "Reach" }).press("Home");
  await page.getByRole("slider", { name: "Shine", exact: true }).press("End");
  await expect.poll(() => countIn(page, a, stepOf({ value: FROND }, 1))).toBeGreaterThan(0);
  await page.getByRole("slider", { name: "Shine", exact: true }).press("Home");
  await page.getByRole("slider", { name: "Reach" }).press("End");
  await page.getByRole("button", { name: "Change all" }).click();
  await page.getByRole("button", { name: "Shade all" }).click();
  await expect(page.getByText("3 pockets shaded")).toBeVisible();
  await expect(stage(page, "Light")).toContainText("3 shades");
  await isAccessible(page, "[aria-label=Tray]");
  await page.mouse.click(...(await spot(page, b.seed)));
  await page.getByRole("button", { name: "Leave out", exact: true }).click();
  await expect(page.getByText("2 pockets shaded")).toBeVisible();
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString().match(/data-form=/g)).toHaveLength(1);
  await stage(page, "Light").click();
  await tool(page, "Lamp").click();
  await page.mouse.click(...(await spot(page, a.seed)));
  await page.getByRole("button", { name: "Take it over" }).click();
  await expect(page.getByRole("button", { name: "Undo: Take light over" })).toBeVisible();
  await expect(stage(page, "Light")).toContainText("1 shade");
  const taken = await countIn(page, a, DARKER);
  expect(taken).toBeGreaterThan(0);
  await closeMore(page);
  await drag(page, [
    [58, 58],
    [5, 58],
  ]);
  await expect(page.getByRole("button", { name: "Undo: Move lamp" })).toBeVisible();
  expect(await countIn(page, a, DARKER)).toBe(taken);
});

test("a crease lays one side of a pocket deeper; its side is turned, its points are dragged", async ({
  page,
}) => {
  await open(page);
  await tool(page, "Crease").click();
  const { seed, box } = a;
  const [left, right]: Point[] = [
    [box.x - 1, seed[1]],
    [box.x + box.width + 1, seed[1]],
  ];
  const low: Point = [seed[0], seed[1] + box.height / 10];
  const high: Point = [seed[0], seed[1] - box.height / 10];
  await drag(page, [left, seed, right]);
  await expect(page.getByRole("button", { name: "Undo: Draw crease" })).toBeVisible();
  await expect.poll(() => colourAt(page, low)).toBe(DARKER);
  expect(await colourAt(page, high)).toBe(FROND);
  await page.getByRole("button", { name: "Turn the side" }).click();
  await expect.poll(() => colourAt(page, high)).toBe(DARKER);
  expect(await colourAt(page, low)).toBe(FROND);
  await page.locator("#paper").focus();
  await page.keyboard.press("Enter");
  await expect.poll(() => colourAt(page, low)).toBe(DARKER);
  for (const end of [left, right])
    await drag(page, [end, [end[0], end[1] + box.height / 4], [end[0], end[1] + box.height / 3]]);
  await expect.poll(() => colourAt(page, low)).toBe(FROND);
  await isAccessible(page, "[aria-label=Tray]");
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, low)).toBe(DARKER);
  await stage(page, "Flats").click();
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Radish/ })
    .click();
  await page.mouse.click(...(await spot(page, high)));
  await expect.poll(() => colourAt(page, low)).toBe(stepOf({ value: "#c23f5a" }, -1));
  await stage(page, "Light").click();
  await tool(page, "Crease").click();
  await page.mouse.click(...(await spot(page, seed)));
  await page.keyboard.press("Backspace");
  await expect.poll(() => colourAt(page, low)).toBe("#c23f5a");
});

/** Levels by which two pictures differ on white: on the whole, and the share of those that are far apart. */
const unlike = (page: Page, one: string, other: string): Promise<{ mean: number; far: number }> =>
  page.evaluate(
    async ([first, second]) => {
      const pixelsOf = async (source: string, size?: { width: number; height: number }) => {
        const image = new Image();
        image.src = source;
        await image.decode();
        const { width, height } = size ?? { width: image.naturalWidth, height: image.naturalHeight };
        const context = new OffscreenCanvas(width, height).getContext("2d")!;
        context.fillStyle = "#fff";
        context.fillRect(0, 0, width, height);
        context.drawImage(image, 0, 0, width, height);
        return context.getImageData(0, 0, width, height);
      };
      const a = await pixelsOf(first);
      const { data } = await pixelsOf(second, a);
      let sum = 0;
      let far = 0;
      for (let k = 0; k < data.length; k++) {
        const off = Math.abs(data[k] - a.data[k]);
        sum += off;
        if (off > 24) far++;
      }
      return { mean: sum / data.length, far: far / data.length };
    },
    [one, other] as const,
  );

const pictureUrl = (bytes: Buffer, type: string): string =>
  `data:image/${type};base64,${bytes.toString("base64")}`;

test("gradients, soft shade and blends are the same in PNG, in Chromium's SVG and in another renderer's", async ({
  page,
}) => {
  await open(page);
  await tool(page, "Gradient").click();
  await page.getByRole("radio", { name: "Round" }).click();
  await drag(page, [a.seed, across(a)[1]]);
  await page.getByRole("radio", { name: "Inward" }).click();
  await drag(page, [b.seed, across(b)[1]]);
  await page.getByRole("radio", { name: "Along" }).click();
  await tool(page, "Lamp").click();
  await page.getByRole("radio", { name: "Rim", exact: true }).click();
  await page.getByRole("button", { name: "All", exact: true }).click();
  await page.getByRole("radio", { name: "Shadow", exact: true }).click();
  await page.mouse.click(...(await spot(page, a.seed)));
  await page.getByRole("slider", { name: "Softness of the shadow" }).press("PageUp");
  await pick(page, "Shadow on the ground", "Ground: laid flat");
  await page.getByRole("slider", { name: "Softness of the ground shadow" }).press("PageUp");
  await tool(page, "Crease").click();
  await page.getByRole("switch", { name: "Runs out" }).click();
  await drag(page, [[c.box.x - 1, c.seed[1]], c.seed]);
  await expect(page.getByRole("button", { name: "Undo: Draw crease" })).toBeVisible();
  await tool(page, "Shade").click();
  for (const [pocket, blend] of [
    [a, "multiply"],
    [b, "color-dodge"],
    [c, "hard-light"],
  ] as const) {
    await page.keyboard.press("Escape");
    await pick(page, "Blend", blend);
    const [[x, y], [right, low]] = across(pocket);
    await drag(page, [pocket.seed, [right, y], [right, low], [x, low], pocket.seed]);
    await page.getByRole("slider", { name: "Softness of the edge" }).press("PageUp");
  }
  await expect(stage(page, "Light")).toContainText("4 shades");
  const { bytes: svg } = await save(page, "SVG");
  expect(svg.toString()).toContain("mix-blend-mode:color-dodge");
  const { bytes: png } = await save(page, "PNG");
  const { width } = decode(png);
  const other = new Resvg(svg.toString(), { fitTo: { mode: "width", value: width } }).render().asPng();
  for (const picture of [pictureUrl(other, "png"), pictureUrl(svg, "svg+xml")]) {
    const { mean, far } = await unlike(page, pictureUrl(png, "png"), picture);
    expect(mean).toBeLessThan(0.2);
    expect(far).toBeLessThan(0.001);
  }
});
