import { expect } from "@playwright/test";
import { decode } from "fast-png";
import { DEMOS } from "../app/drawer/demo.ts";
import {
  artColour,
  clickPage,
  demoFile,
  deskReady,
  dragPage,
  hexOf,
  isAccessible,
  isKept,
  onScreen,
  openDemo,
  openDrawer,
  openFile,
  openPage,
  paper,
  pick,
  pocketsIn,
  said,
  save,
  stage,
  test,
  typeNumber,
} from "./desk.ts";

const kettle = pocketsIn(demoFile("kettle"));
const BOOT_POCKETS = pocketsIn(demoFile("boot")).length;
const FROND = "#6f9a4a";
const RADISH = "#c23f5a";

test.describe("drawer", () => {
  test("shows demos drawn from their content, and is accessible", async ({ page }) => {
    await openDrawer(page);
    const pictures = page.getByRole("button", { name: /^Open a copy/ }).locator("img");
    await expect(pictures).toHaveCount(DEMOS.length);
    for (const picture of await pictures.all()) {
      await expect
        .poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth))
        .toBeGreaterThan(0);
    }
    await isAccessible(page);
  });

  test("renames, duplicates and deletes with undo", async ({ page }) => {
    await openDemo(page, "Boot with ferns");
    await page.getByRole("link", { name: "Back to the drawer" }).click();
    await page.getByRole("button", { name: "Rename Boot with ferns" }).click();
    await page.getByRole("textbox", { name: "Name" }).fill("October spot");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("heading", { name: "October spot" })).toBeVisible();
    await page.getByRole("button", { name: "Duplicate October spot" }).click();
    await expect(page.getByRole("heading", { name: "October spot copy" })).toBeVisible();
    await page.getByRole("button", { name: "Delete October spot copy" }).click();
    await expect(page.getByRole("heading", { name: "October spot copy" })).toHaveCount(0);
    await page.getByRole("button", { name: "Put it back" }).click();
    await expect(page.getByRole("heading", { name: "October spot copy" })).toBeVisible();
  });

  test("takes a new drawing from a dropped SVG", async ({ page }) => {
    await openDrawer(page);
    const data = await page.evaluateHandle((text) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([text], "barrel.svg", { type: "image/svg+xml" }));
      return transfer;
    }, demoFile("snail"));
    await page.dispatchEvent("main", "drop", { dataTransfer: data });
    await deskReady(page);
    await expect(stage(page, "Lines")).toContainText("178 strokes");
  });
});

test.describe("flats", () => {
  test("lights a pocket on hover, pours on click, replaces and never stacks", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    const { seed } = kettle[0];
    const overlay = () =>
      page.evaluate(
        () => document.querySelector<HTMLCanvasElement>('[data-layer="overlay"]')!.toDataURL().length,
      );
    const before = await overlay();
    await page.mouse.move(...(await onScreen(page, seed)));
    await expect.poll(overlay).not.toBe(before);
    expect((await artColour(page, seed))[3]).toBe(0);
    await clickPage(page, seed);
    await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length} pockets`);
    await expect.poll(async () => hexOf(await artColour(page, seed))).toBe(FROND);
    await page.getByRole("button", { name: /^Radish/ }).click();
    await clickPage(page, seed);
    await expect.poll(async () => hexOf(await artColour(page, seed))).toBe(RADISH);
    await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length} pockets`);
    await page.getByRole("radio", { name: "Empty" }).click();
    await clickPage(page, seed);
    await expect.poll(async () => (await artColour(page, seed))[3]).toBe(0);
  });

  test("pours into every pocket a drag crosses, as one step that can be undone", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    const three = kettle.slice(0, 3);
    await dragPage(
      page,
      three.map(({ seed }) => seed),
    );
    for (const { seed } of three)
      await expect.poll(async () => hexOf(await artColour(page, seed))).toBe(FROND);
    await page.getByRole("button", { name: /^Undo: Pour \d+ pockets/ }).click();
    for (const { seed } of three) await expect.poll(async () => (await artColour(page, seed))[3]).toBe(0);
    await page.keyboard.press("Control+Shift+Z");
    await expect.poll(async () => hexOf(await artColour(page, three[0].seed))).toBe(FROND);
  });

  test("changes a colour everywhere at once, adds, names and reorders", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    await dragPage(
      page,
      kettle.slice(0, 2).map(({ seed }) => seed),
    );
    await page.getByRole("button", { name: "Change Frond" }).click();
    await page.getByLabel("Colour as hexadecimal").fill("#112233");
    await page.keyboard.press("Escape");
    for (const { seed } of kettle.slice(0, 2))
      await expect.poll(async () => hexOf(await artColour(page, seed))).toBe("#112233");
    await page.getByRole("button", { name: "Change Frond", exact: true }).click();
    const handle = (await page.getByRole("slider", { name: "Lightness and chroma" }).boundingBox())!;
    await page.mouse.move(handle.x + 12, handle.y + 12);
    await page.mouse.down();
    await page.mouse.move(handle.x + 32, handle.y - 28, { steps: 4 });
    const colour = async () => hexOf(await artColour(page, kettle[0].seed));
    await expect.poll(colour).not.toBe("#112233");
    await page.mouse.up();
    await page.keyboard.press("Escape");
    const dragged = await colour();
    await isKept(page);
    await page.reload();
    await expect.poll(colour).toBe(dragged);
    await page.getByRole("button", { name: "Add a colour" }).click();
    await page.getByRole("button", { name: "Change Colour 14" }).click();
    await page.getByRole("textbox", { name: "Name" }).fill("Slug grey");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Escape");
    // As it closes, the window gives the focus back.
    await expect(page.getByRole("button", { name: "Change Slug grey" })).toBeFocused();
    await page.getByRole("button", { name: "Move Slug grey" }).focus();
    await page.keyboard.press("Space");
    await expect(page.getByText("Slug grey at place 14 of 14.")).toBeAttached();
    // A list listens for arrows from the next turn on; a page at work may be handed a key before that.
    await page.evaluate(() => new Promise((then) => setTimeout(then)));
    await page.keyboard.press("ArrowUp");
    await expect(page.getByText("Slug grey at place 13 of 14.")).toBeAttached();
    await page.keyboard.press("Space");
    const wells = page.getByRole("region", { name: "Tin" }).getByRole("listitem");
    await expect(wells.nth(12)).toContainText("Slug grey");
  });

  test("dips up a colour with a held key", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    await page.getByRole("button", { name: /^Radish/ }).click();
    await clickPage(page, kettle[0].seed);
    await page.getByRole("button", { name: /^Enamel/ }).click();
    await page.keyboard.down("d");
    await clickPage(page, kettle[0].seed);
    await page.keyboard.up("d");
    await expect(page.getByRole("radiogroup", { name: "Ladder of Radish" })).toBeVisible();
    await clickPage(page, kettle[1].seed);
    await expect.poll(async () => hexOf(await artColour(page, kettle[1].seed))).toBe(RADISH);
  });

  test("is walked and poured by keyboard, and says what it finds", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    await paper(page).focus();
    await page.keyboard.press("ArrowRight");
    await expect(said(page)).toHaveText(
      new RegExp(`^Pocket 1 of ${kettle.length}, uncoloured, touches \\d+ uncoloured$`),
    );
    await page.keyboard.press("Enter");
    await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length} pockets`);
  });
});

test("zooms to the pointer, pans and fits", async ({ page }) => {
  await openDemo(page, "Kettle on the potting bench");
  const { seed } = kettle[0];
  await clickPage(page, seed);
  await expect.poll(async () => hexOf(await artColour(page, seed))).toBe(FROND);
  await page.mouse.move(...(await onScreen(page, seed)));
  await page.mouse.wheel(0, -900);
  await expect(page.getByText(/^[3-9]\d\d %$/)).toBeVisible();
  await expect.poll(async () => hexOf(await artColour(page, seed))).toBe(FROND);
  await page.keyboard.down("Space");
  const [x, y] = await onScreen(page, seed);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 2000, y, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.up("Space");
  await expect.poll(async () => hexOf(await artColour(page, seed))).not.toBe(FROND);
  await page.keyboard.press("0");
  await expect.poll(async () => hexOf(await artColour(page, seed))).toBe(FROND);
});

test.describe("gaps", () => {
  /** Inside the boot's heel, which its two ends leave open. */
  const HEEL = [320, 800] as const;

  test("explains a leak, pours nothing, and bridges it", async ({ page }) => {
    await openDemo(page, "Boot with ferns");
    await clickPage(page, HEEL);
    const card = page.getByRole("region", { name: "Why colour would run out" });
    await expect(card).toContainText(/opening \d+(\.\d+)? mm wide/);
    await expect(card).toContainText("Nothing was poured");
    expect((await artColour(page, HEEL))[3]).toBe(0);
    await card.getByRole("button", { name: "Bridge it" }).click();
    await expect(card).toHaveCount(0);
    await expect(stage(page, "Flats")).toContainText(`of ${BOOT_POCKETS + 1} pockets`);
    await clickPage(page, HEEL);
    await expect.poll(async () => hexOf(await artColour(page, HEEL))).toBe(FROND);
    await page.keyboard.press("Control+Z");
    await page.keyboard.press("Control+Z");
    await expect(stage(page, "Flats")).toContainText(`of ${BOOT_POCKETS} pockets`);
  });

  test("lists openings with widths and steps through them", async ({ page }) => {
    await openDemo(page, "Boot with ferns");
    await stage(page, "Gaps").click();
    const rows = page.getByRole("complementary").getByRole("button", { name: /^Opening \d+/ });
    await expect(rows.first()).toContainText(/\d mm$/);
    const widths = (await rows.allTextContents()).map((text) => Number(/([\d.]+) mm/.exec(text)![1]));
    expect(widths).toEqual([...widths].sort((a, b) => a - b));
    await page.getByRole("button", { name: "Next opening" }).click();
    await expect(rows.first()).toHaveAttribute("aria-pressed", "true");
    await expect(said(page)).toContainText("Opening 1 of");
  });

  test("draws a bridge by hand, hides it, and takes it away", async ({ page }) => {
    await openDemo(page, "Boot with ferns");
    await stage(page, "Gaps").click();
    await page.getByRole("radio", { name: "Bridge", exact: true }).click();
    await dragPage(page, [
      [262, 842],
      [256, 870],
    ]);
    await expect(stage(page, "Flats")).toContainText(`of ${BOOT_POCKETS + 1} pockets`);
    await page.getByRole("switch", { name: "Show bridges (1)" }).click();
    await page.getByRole("radio", { name: "Unbridge" }).click();
    await clickPage(page, [261, 858]);
    await expect(stage(page, "Flats")).toContainText(`of ${BOOT_POCKETS} pockets`);
  });
});

test.describe("light and press", () => {
  test("draws a shade trimmed to the pocket it began in, beneath the ink", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    const { seed } = kettle[0];
    const [x, y] = seed;
    await clickPage(page, seed);
    await stage(page, "Light").click();
    await page.getByRole("button", { name: /^Dusk/ }).click();
    await dragPage(page, [seed, [x + 300, y], [x + 300, y + 200], [x, y + 200], [x - 10, y + 20]]);
    await expect(stage(page, "Light")).toContainText("1 shade");
    await expect.poll(async () => hexOf(await artColour(page, [x + 12, y + 12]))).not.toBe(FROND);
    const beyond = kettle
      .slice(1)
      .filter(
        ({ seed: [px, py], area }) => area > 700 && px > x + 40 && px < x + 290 && py > y && py < y + 190,
      );
    expect(beyond.length).toBeGreaterThan(0);
    for (const pocket of beyond) {
      const [r, g, b, alpha] = await artColour(page, pocket.seed);
      // Clear, or ink that happens to run there: never the shade's own colour.
      expect(alpha === 0 || Math.max(r, g, b) < 60).toBe(true);
    }
    await clickPage(page, [x + 12, y + 12]);
    await pick(page, "Blend", "screen");
    await page.getByRole("slider", { name: "Opacity of the shape" }).press("ArrowLeft");
    await page.getByRole("button", { name: "Remove it" }).click();
    await expect(stage(page, "Light")).toContainText("0 shades");
  });

  test("hides, locks and fades sheets; a locked one says why it stays as it is", async ({ page }) => {
    await openDemo(page, "Kettle on the potting bench");
    const { seed } = kettle[0];
    await clickPage(page, seed);
    await page.getByRole("button", { name: "Hide flats" }).click();
    await expect.poll(async () => (await artColour(page, seed))[3]).toBe(0);
    await page.getByRole("button", { name: "Show flats" }).click();
    await page.getByRole("slider", { name: "Opacity of flats" }).press("Home");
    await expect.poll(async () => (await artColour(page, seed))[3]).toBe(0);
    await page.getByRole("slider", { name: "Opacity of flats" }).press("End");
    await page.getByRole("button", { name: "Lock flats" }).click();
    await clickPage(page, kettle[1].seed);
    await expect(page.getByTestId("reason")).toContainText("The flats sheet is locked");
    await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length} pockets`);
    // What is refused offers to be opened, where the hand is.
    await page.getByRole("main").getByRole("button", { name: "Unlock flats" }).click();
    await page.getByRole("button", { name: "Lock ink" }).click();
    await stage(page, "Lines").click();
    await dragPage(page, [
      [100, 100],
      [300, 140],
    ]);
    await expect(page.getByTestId("reason")).toContainText("The ink sheet is locked");
    await expect(page.getByRole("button", { name: "Undo: Lock" })).toHaveCount(0);
  });
});

test("keeps every change: closing the tab in the middle loses nothing, not even undo", async ({
  page,
  context,
}) => {
  await openDemo(page, "Kettle on the potting bench");
  await clickPage(page, kettle[0].seed);
  await clickPage(page, kettle[1].seed);
  await isKept(page);
  const url = page.url();
  await page.close();
  const again = await context.newPage();
  await again.goto(url);
  await expect(stage(again, "Flats")).toContainText(`2 of ${kettle.length} pockets`);
  await again.getByRole("button", { name: "Undo: Pour pocket" }).click();
  await expect(stage(again, "Flats")).toContainText(`1 of ${kettle.length} pockets`);
});

test("delivers SVG, PNG with its ppi, and a drawing file that comes back", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  await stage(page, "Deliver").click();
  await openPage(page);
  await typeNumber(page.getByLabel("ppi"), "150");
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/<g id="flats">[\s\S]*<g id="shade">[\s\S]*<g id="ink"/);
  expect(svg).toContain("--rain-barrel:#7a5b43");
  const picture = decode((await save(page, "PNG")).bytes);
  expect(picture.resolution).toEqual({ x: 5906, y: 5906, unit: 1 });
  expect(picture.width).toBe(Math.round((100 / 25.4) * 150));
  expect([...picture.data.slice(0, 4)]).toEqual([0, 0, 0, 0]);
  const file = await save(page, "Drawing file");
  expect(file.name).toBe("Boot-with-ferns-coloured.fern");
  await openFile(page, file.name, file.bytes);
  await deskReady(page);
  await expect(stage(page, "Light")).toContainText(/\d+ shades/);
});

test("every stage of the desk is accessible", async ({ page }) => {
  await openDemo(page, "Boot with ferns");
  for (const name of ["Lines", "Gaps", "Flats", "Light", "Deliver"]) {
    await stage(page, name).click();
    await isAccessible(page);
  }
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
});
