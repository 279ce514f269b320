/** What the lamp makes, light that is carried, and light on the line, on art from elsewhere. */
import { expect } from "@playwright/test";
import { stepOf } from "../core/colour/ladder.ts";
import { defaultPage } from "../core/drawing/new-drawing.ts";
import { startingLamp } from "../core/drawing/start.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { flatten, pointAt } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { innerPoint, regionContains } from "../core/geometry/polygon.ts";
import { castOffset, swept } from "../core/light/cast.ts";
import { lampOn } from "../core/light/lamp.ts";
import { rimLight } from "../core/light/rim.ts";
import { isAccessible, paper, pick, save, stage, test, tool, typeNumber, undo } from "./desk.ts";
import {
  clearance,
  click,
  colourAt,
  FROND,
  GARDEN,
  GARDEN_PAGE,
  GARDEN_POCKETS,
  openGarden,
  spot,
} from "./garden.ts";

const [a, b] = GARDEN_POCKETS;
const PAGE = defaultPage(GARDEN_PAGE);
const LAMP = lampOn({ lamp: startingLamp(), page: PAGE });

const EDGE = 0.11;

/** The place in a rim, as it is made at first, that is farthest from ink. */
function inRim(pocket: typeof a, { behind = false, wide = 0.012 } = {}): Point {
  const width = wide * GARDEN_PAGE.width;
  const rings = rimLight(pocket, LAMP, { width, gap: 0.006 * GARDEN_PAGE.width, behind }).map((chain) =>
    flatten(chain, 0.001),
  );
  let best: Point = innerPoint(rings);
  let most = Number.NEGATIVE_INFINITY;
  const { box } = pocket;
  for (let k = 0; k < 12_000; k++) {
    const at: Point = [box.x + box.width * ((k * 0.618034) % 1), box.y + box.height * ((k * 0.754878) % 1)];
    const around = [0, 1, 2, 3].map(
      (turn): Point => [at[0] + EDGE * (turn - 1.5), at[1] + EDGE * ((turn % 2) - 0.5)],
    );
    // Not on an edge, where a pixel is of two colours.
    if (!rings.some((ring) => around.every((one) => regionContains([ring], one)))) continue;
    const clear = clearance(at);
    if (clear > most) [best, most] = [at, clear];
  }
  return best;
}

test("the rim that faces the lamp is lit, or the one away from it; its kind is hidden and made fainter", async ({
  page,
}) => {
  await openGarden(page, [a, b]);
  await tool(page, "Lamp").click();
  await tool(page, "Rim").click();
  // As wide as it goes.
  await page.getByRole("slider", { name: "Width of the rim" }).press("End");
  const [facing, away] = [false, true].map((behind) => inRim(a, { behind, wide: 0.06 }));
  await click(page, a.seed);
  await expect(undo(page, "Light the rim of pocket")).toBeVisible();
  const lit = stepOf({ value: FROND }, 2);
  await expect.poll(() => colourAt(page, facing)).toBe(lit);
  await page.getByRole("switch", { name: "From behind" }).click();
  await expect.poll(() => colourAt(page, away)).toBe(lit);
  await expect.poll(() => colourAt(page, facing)).toBe(FROND);
  await page.getByRole("slider", { name: "Strength of rim light" }).press("PageDown");
  await expect.poll(() => colourAt(page, away)).not.toBe(lit);
  await page.getByRole("button", { name: "Hide rim light" }).click();
  await expect.poll(() => colourAt(page, away)).toBe(FROND);
  await page.getByRole("button", { name: "Show rim light" }).click();
  await isAccessible(page);
  await page.getByRole("button", { name: "Take it over" }).click();
  await expect(undo(page, "Take light over")).toBeVisible();
  await page.getByRole("button", { name: "Before and after" }).click();
  const compared = page.getByRole("dialog", { name: "Before and after" });
  await expect(compared.getByRole("img")).toHaveCount(3);
  await isAccessible(page, "[role=dialog]");
});

test("a click on a lit pocket chooses it and changes nothing; leaving out has a button and a key", async ({
  page,
}) => {
  await openGarden(page, [a, b]);
  await tool(page, "Lamp").click();
  await click(page, a.seed);
  await expect(undo(page, "Shade pocket")).toBeVisible();
  const tones = page.getByRole("spinbutton", { name: "Tones" });
  await typeNumber(tones, "3");
  await click(page, b.seed);
  await typeNumber(tones, "1");
  // The first again: it is chosen, and says how it is lit.
  await click(page, a.seed);
  await expect(tones).toHaveValue("3");
  await expect(undo(page, "Change form shade")).toBeVisible();
  await page.getByRole("button", { name: "Leave out", exact: true }).click();
  await expect(undo(page, "Leave out pocket")).toBeVisible();
  await click(page, b.seed);
  await paper(page).press("Delete");
  await expect(undo(page, "Leave out pocket")).toBeVisible();
  await expect(page.getByText("0 pockets shaded")).toBeAttached();
  await expect(page.getByRole("button", { name: "Leave out", exact: true })).toHaveCount(0);
});

/** A pocket and another that its shadow falls on, with a place where it does. */
const thrown = (() => {
  const high = 0.02 * GARDEN_PAGE.width;
  for (const caster of GARDEN_POCKETS) {
    const { x, y, width, height } = caster.box;
    const shadow = flatten(
      swept(caster.outline[0], castOffset(LAMP, [x + width / 2, y + height / 2], high)),
      0.001,
    );
    for (const under of GARDEN_POCKETS) {
      if (under === caster) continue;
      for (let k = 0; k < 400; k++) {
        const at: Point = [
          under.box.x + under.box.width * ((k * 0.618034) % 1),
          under.box.y + under.box.height * ((k * 0.754878) % 1),
        ];
        const around = [0, 1, 2, 3].map(
          (turn): Point => [
            at[0] + 0.35 * Math.cos((turn * Math.PI) / 2),
            at[1] + 0.35 * Math.sin((turn * Math.PI) / 2),
          ],
        );
        // Far enough from ink and edges to be seen as it is.
        if (around.every((one) => regionContains(under.rings, one) && regionContains([shadow], one)))
          if (around.every((one) => !regionContains(caster.rings, one)) && clearance(at) > 0.3)
            return { caster, under, at };
      }
    }
  }
  throw new Error("no pocket throws a shadow on another");
})();

test("a pocket throws its shadow on another, and all of it one on the ground", async ({ page }) => {
  await openGarden(page, [thrown.caster, thrown.under]);
  await tool(page, "Lamp").click();
  await tool(page, "Shadow").click();
  await click(page, thrown.caster.seed);
  await expect(undo(page, "Throw the shadow of pocket")).toBeVisible();
  await expect.poll(() => colourAt(page, thrown.at)).toBe(stepOf({ value: FROND }, -2));
  // The lamp of another drawing stands as it does there.
  await page.getByRole("button", { name: "Take the lamp of another drawing" }).click();
  await expect(page.getByRole("menuitem", { name: "There is no other drawing" })).toBeVisible();
  await page.keyboard.press("Escape");
  // What stands as high is not fallen on.
  await click(page, thrown.under.seed);
  await expect.poll(() => colourAt(page, thrown.at)).toBe(FROND);
  await pick(page, "Shadow on the ground", "Ground: ellipse");
  await expect(undo(page, "Lay shadow on the ground")).toBeVisible();
  await isAccessible(page, "[aria-label=Tray]");
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/<g id="ground">\n<path class="f-dark-grey"[^>]*fill-opacity="0.25"/);
});

test("light is carried from pocket to pocket, kept as a style that they follow, and let go", async ({
  page,
}) => {
  await openGarden(page, [a, b]);
  await tool(page, "Lamp").click();
  await tool(page, "Rim").click();
  await click(page, a.seed);
  await expect.poll(() => colourAt(page, inRim(a))).not.toBe(FROND);
  await tool(page, "Carry").click();
  await click(page, b.seed);
  await expect(page.getByText(/^This pocket has no light to take/).first()).toBeVisible();
  await click(page, a.seed);
  await tool(page, "Same size").click();
  await click(page, b.seed);
  await expect(undo(page, "Lay light on pocket")).toBeVisible();
  await expect.poll(() => colourAt(page, inRim(b))).toBe(stepOf({ value: FROND }, 2));
  await page.keyboard.press("Control+z");
  await page.getByRole("button", { name: "Keep as a style" }).click();
  await page.getByLabel("Name of the style").fill("Leaf light");
  await page.keyboard.press("Enter");
  await click(page, b.seed);
  await expect(undo(page, "Lay style on pocket")).toBeVisible();
  await expect.poll(() => colourAt(page, inRim(b))).toBe(stepOf({ value: FROND }, 2));
  await isAccessible(page, "[aria-label=Tray]");
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/data-style="[^"]*&quot;fit&quot;:&quot;same&quot;/);
  await stage(page, "Light").click();
  await page.getByRole("button", { name: "Let them go" }).click();
  await expect(undo(page, "Let style go")).toBeVisible();
  await expect.poll(() => colourAt(page, inRim(b))).toBe(stepOf({ value: FROND }, 2));
});

test("lines hold the colour beside them, and a bloom lies on ink alone", async ({ page }) => {
  await openGarden(page, [a]);
  const line = readSvg(GARDEN).strokes.find(({ id }) => a.lines.includes(id))!;
  const on = pointAt(line.points, 0.5);
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await click(page, on);
  await page.getByRole("button", { name: "Line colour" }).click();
  await page.getByRole("menuitem", { name: "These lines take the darker colour beside them" }).click();
  await expect.poll(() => colourAt(page, on)).toBe(stepOf({ value: FROND }, -3));
  await expect(page.getByLabel("Steps deeper")).toHaveValue("3");
  await isAccessible(page, "[aria-label=Tray]");
  await stage(page, "Flats").click();
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Marigold/ })
    .click();
  await tool(page, "Colour").click();
  await pick(page, "Sheet", "on ink");
  const [x, y] = await spot(page, on);
  await page.mouse.move(x - 30, y - 30);
  await page.mouse.down();
  for (const [dx, dy] of [
    [30, -30],
    [30, 30],
    [-30, 30],
    [-30, -28],
  ])
    await page.mouse.move(x + dx, y + dy, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => colourAt(page, on)).toBe("#e6a93a");
  expect(await colourAt(page, a.seed)).toBe(FROND);
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/class="s-frond-down-3" fill="none"[^>]*data-is="stroke"[^>]*data-hold="darker 3"/);
  expect(svg).toMatch(/<g id="ink"[\s\S]*class="f-marigold"[^>]*data-is="flat"[^>]*clip-path/);
});
