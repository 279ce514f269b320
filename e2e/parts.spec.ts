/** Parts in the real interface: taken out, put behind, moved, turned, copied, locked, joined, kept in files. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  AROUND_FERNS,
  artColour,
  clickPage,
  demoFile,
  deskReady,
  dragPage,
  hexOf,
  isKept,
  openDemo,
  openFile,
  openSection,
  pocketsIn,
  said,
  save,
  stage,
  test,
  tool,
} from "./desk.ts";

const parts = (page: Page) => page.getByRole("list", { name: "Parts, front to back" }).locator("li");

/** Remembers the art as it is shown, within the page, once it is painted and stands still. */
async function rememberArt(page: Page): Promise<void> {
  await expect.poll(async () => hexOf(await artColour(page, BOOT))).not.toBe("#ffffff");
  await page.evaluate(readArt, true);
  // The first look of a poll is taken at once: it must not be at the very picture just remembered.
  const changed = async () => {
    await page.waitForTimeout(600);
    const count = await changedPixels(page);
    await page.evaluate(readArt, true);
    return count;
  };
  await expect.poll(changed).toBe(0);
}

/** Within the leather of the boot. */
const BOOT: Point = [560, 700];

/** Pixels that differ from the art remembered by more than several edges of ink over one another may. */
const changedPixels = (page: Page): Promise<number> => page.evaluate(readArt, false);

function readArt(remember: boolean): number {
  const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer="art"]')!;
  const probe = new OffscreenCanvas(canvas.width, canvas.height).getContext("2d")!;
  probe.drawImage(canvas, 0, 0);
  const { data } = probe.getImageData(0, 0, canvas.width, canvas.height);
  const page = window as unknown as { rememberedArt: Uint8ClampedArray };
  if (remember) page.rememberedArt = data;
  // As much of a colour as is seen: what is all but clear has any colour at all in straight numbers.
  const shown = (of: Uint8ClampedArray, k: number, c: number) =>
    c === 3 ? of[k + 3] : (of[k + c] * of[k + 3]) / 255;
  let count = 0;
  for (let k = 0; k < data.length; k += 4)
    if ([0, 1, 2, 3].some((c) => Math.abs(shown(data, k, c) - shown(page.rememberedArt, k, c)) > 110))
      count++;
  return count;
}

async function menu(page: Page, part: string, item: string): Promise<void> {
  await page.getByRole("button", { name: `More for ${part}` }).click();
  await page.getByRole("menuitem", { name: item }).click();
}

async function makeFerns(page: Page): Promise<void> {
  await tool(page, "Gather").click();
  await dragPage(page, AROUND_FERNS);
  await expect(said(page)).toContainText("pockets gathered");
  await page.getByRole("button", { name: "Make a part" }).click();
  await expect(parts(page)).toHaveCount(2);
}

test("a part leaves the picture and the pockets as they are, and joined again all is as before", async ({
  page,
}) => {
  test.slow();
  await openDemo(page, "Boot with ferns, coloured");
  await expect(stage(page, "Flats")).toContainText("63 of 63 pockets");
  await rememberArt(page);
  await expect(page.getByText("Parts", { exact: true })).toHaveCount(0);
  await makeFerns(page);
  await expect(stage(page, "Flats")).toContainText("63 of 63 pockets");
  await page.keyboard.press("Escape");
  await page.mouse.move(5, 400);
  await expect.poll(() => changedPixels(page)).toBeLessThan(4);
  await menu(page, "Part 2", "Join to the part behind it");
  await expect(parts(page)).toHaveCount(0);
  await expect(stage(page, "Flats")).toContainText("63 of 63 pockets");
  await expect(stage(page, "Lines")).toContainText("79 strokes");
  await expect.poll(() => changedPixels(page)).toBeLessThan(4);
});

test("the ferns go behind the boot, are moved and turned, and a copy lies in front mirrored", async ({
  page,
}) => {
  test.slow();
  await openDemo(page, "Boot with ferns, coloured");
  await makeFerns(page);
  const brown = hexOf(await artColour(page, BOOT));
  await page.getByRole("button", { name: "Part 2", exact: true }).click();
  await expect(said(page)).toContainText("Part 2");
  const leaf = pocketsIn(demoFile("boot")).find(
    ({ seed }) => seed[0] > 500 && seed[0] < 560 && seed[1] < 120,
  )!;
  const green = hexOf(await artColour(page, leaf.seed));
  await dragPage(page, [
    [leaf.seed[0], leaf.seed[1] - Math.sqrt(leaf.area) / 1.05],
    [560, 300],
    [560, 650],
  ]);
  await expect(
    page
      .getByRole("button", { name: "Undo: Turn" })
      .or(page.getByRole("button", { name: /^Undo: (Move|Turn)/ })),
  ).toBeVisible();
  await menu(page, "Part 2", "Send back");
  await expect(parts(page).first()).toContainText("Drawing");
  await expect.poll(async () => hexOf(await artColour(page, BOOT))).toBe(brown);
  await menu(page, "Part 2", "Copy");
  await expect(parts(page)).toHaveCount(3);
  await menu(page, "Part 2 copy", "Bring forward");
  await page.getByRole("button", { name: "Mirror left to right" }).click();
  await expect(page.getByRole("button", { name: "Undo: Mirror" })).toBeVisible();
  expect(green).not.toBe(brown);
});

test("a part is locked, hidden, named and shown alone, with one sentence for what is refused", async ({
  page,
}) => {
  test.slow();
  await openDemo(page, "Boot with ferns, coloured");
  await makeFerns(page);
  await menu(page, "Part 2", "Rename");
  await expect(page.getByLabel("Name of the part")).toBeFocused();
  await page.keyboard.type("Ferns");
  await page.keyboard.press("Enter");
  await expect(parts(page).first()).toContainText("Ferns");
  await page.getByRole("button", { name: "Lock Ferns" }).click();
  await stage(page, "Flats").click();
  await tool(page, "Pour").click();
  await page
    .getByRole("button", { name: /^Radish/ })
    .first()
    .click();
  const leaf = pocketsIn(demoFile("boot")).find(({ seed }) => seed[1] < 150)!;
  await clickPage(page, leaf.seed);
  await expect(page.getByTestId("reason")).toContainText("The part Ferns is locked");
  await page.getByRole("button", { name: "Unlock Ferns" }).click();
  await clickPage(page, leaf.seed);
  await expect.poll(async () => hexOf(await artColour(page, leaf.seed))).toBe("#c23f5a");
  await page.getByRole("button", { name: "Hide Ferns" }).click();
  await expect.poll(async () => (await artColour(page, leaf.seed))[3]).toBe(0);
  await page.getByRole("button", { name: "Show Ferns" }).click();
  await menu(page, "Ferns", "Show alone");
  await expect(stage(page, "Flats")).not.toContainText("63 of 63");
  await menu(page, "Ferns", "Show all parts");
  await expect(stage(page, "Flats")).toContainText("63 of 63");
});

const RABBIT = readFileSync("node_modules/lucide-static/icons/rabbit.svg", "utf8");

test("art from elsewhere: an ear made a part of chosen pockets comes back from SVG in its part", async ({
  page,
}) => {
  test.slow();
  const svg = RABBIT.replace(/width="24"\s+height="24"/, 'width="120mm" height="120mm"').replace(
    'stroke-width="2"',
    'stroke-width="0.8"',
  );
  await openFile(page, "rabbit.svg", svg);
  await deskReady(page);
  await tool(page, "Gather").click();
  await page.keyboard.press("Control+a");
  await expect(said(page)).toContainText("gathered");
  await page.getByRole("button", { name: /^Pour / }).click();
  await page.getByRole("button", { name: "Make a part" }).click();
  await expect(parts(page)).toHaveCount(2);
  const { bytes } = await save(page, "SVG");
  await isKept(page);
  await openFile(page, "again.svg", bytes.toString());
  await page
    .getByRole("dialog", { name: "again.svg" })
    .getByRole("button", { name: "Put it on the desk" })
    .click();
  await deskReady(page);
  await expect(parts(page)).toHaveCount(2);
  await expect(parts(page).first()).toContainText("Part 2");
});

test("lines are copied, cut and pasted within a drawing and into another, with the colours they enclose", async ({
  page,
  context,
}) => {
  test.slow();
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openDemo(page, "Boot with ferns, coloured");
  await makeFerns(page);
  await page.getByRole("button", { name: "Part 2", exact: true }).click();
  await expect(said(page)).toContainText("Part 2");
  await page.keyboard.press("Control+c");
  await expect(said(page)).toContainText("lines copied");
  const flats = stage(page, "Flats");
  await page.keyboard.press("Control+v");
  await expect(page.getByRole("button", { name: "Undo: Paste" })).toBeVisible();
  await expect(said(page)).toContainText("Paste:");
  await page.getByRole("button", { name: "Undo: Paste" }).click();
  await expect(flats).toContainText("63 of 63 pockets");
  await page.getByRole("button", { name: "Part 2", exact: true }).click();
  await page.keyboard.press("Control+x");
  await expect(page.getByRole("button", { name: "Undo: Cut" })).toBeVisible();
  await expect(flats).not.toContainText("63 of 63 pockets");
  await openSection(page, "Snags");
  await expect(page.getByRole("button", { name: "Waiting for a pocket none" })).toBeVisible();
  await openDemo(page, "Boot with ferns");
  await expect(flats).toContainText("0 of");
  await page.locator("#paper").focus();
  await page.keyboard.press("Control+v");
  await expect(page.getByRole("button", { name: "Undo: Paste" })).toBeVisible();
  await expect(flats).not.toContainText("0 of");
});

test("an SVG put in is a part of its own; a spoiled one leaves all as it was", async ({ page }) => {
  await openDemo(page, "Boot with ferns");
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><circle cx="5" cy="5" r="4" fill="none" stroke="#123"/></svg>';
  await page.getByLabel("Put in a file as a part").setInputFiles({
    name: "ring.svg",
    mimeType: "image/svg+xml",
    buffer: Buffer.from(svg),
  });
  await expect(parts(page)).toHaveCount(2);
  await expect(parts(page).first()).toContainText("ring");
  await expect(said(page)).toContainText("Put in ring: 1 line, chosen");
  await page.keyboard.press("Escape");
  await page.getByLabel("Put in a file as a part").setInputFiles({
    name: "spoiled.svg",
    mimeType: "image/svg+xml",
    buffer: Buffer.from("<svg"),
  });
  await expect(page.getByText(/“spoiled.svg” was not put in/).first()).toBeVisible();
  await expect(parts(page)).toHaveCount(2);
});

test("on the snail the shell is a part, and goes down behind the rim of the barrel", async ({ page }) => {
  test.slow();
  await openDemo(page, "Snail on a rain barrel");
  const stave = pocketsIn(demoFile("snail")).find(
    ({ seed: [x, y] }) => Math.abs(x - 478) < 20 && Math.abs(y - 590) < 60,
  )!;
  await colour(page, "Rain barrel");
  await clickPage(page, stave.seed);
  await tool(page, "Gather").click();
  await dragPage(page, [
    [425, 170],
    [530, 160],
    [645, 175],
    [650, 300],
    [600, 372],
    [520, 384],
    [440, 360],
    [420, 260],
    [424, 172],
  ]);
  await expect(said(page)).toContainText("pockets gathered");
  await colour(page, "Radish");
  await page.getByRole("button", { name: "Pour Radish" }).click();
  await page.getByRole("button", { name: "Make a part" }).click();
  await expect(parts(page)).toHaveCount(2);
  await menu(page, "Part 2", "Send back");
  await page.getByRole("button", { name: "Part 2", exact: true }).click();
  const top: Point = [560, 205];
  await expect.poll(async () => (await artColour(page, top))[3]).toBe(255);
  const [barrel, shell] = [hexOf(await artColour(page, stave.seed)), hexOf(await artColour(page, top))];
  expect(barrel).not.toBe(shell);
  await dragPage(page, [
    [628, 273],
    [628, 300],
    [628, 573],
  ]);
  await expect(page.getByRole("button", { name: /^Undo: Move/ })).toBeVisible();
  await expect.poll(async () => (await artColour(page, top))[3]).toBe(0);
  await expect.poll(async () => hexOf(await artColour(page, stave.seed))).toBe(barrel);
});

const colour = (page: Page, name: string) =>
  page
    .getByRole("button", { name: new RegExp(`^${name}`) })
    .first()
    .click();

test("on art from elsewhere an ear goes behind the head, with no line between them", async ({ page }) => {
  test.slow();
  const icon = readFileSync("node_modules/lucide-static/icons/panda.svg", "utf8").replace(/<!--.*?-->/s, "");
  const art = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g transform="scale(41)">${icon}</g></svg>`;
  await openFile(page, "panda.svg", art);
  await deskReady(page);
  await stage(page, "Gaps").click();
  await tool(page, "Bridge").click();
  await dragPage(page, [
    [137, 394],
    [280, 290],
    [424, 173],
  ]);
  await expect(stage(page, "Flats")).toContainText("of 2 pockets");
  await stage(page, "Flats").click();
  await colour(page, "Radish");
  await clickPage(page, EAR);
  await colour(page, "Frond");
  await clickPage(page, HEAD);
  await tool(page, "Gather").click();
  await clickPage(page, EAR);
  await page.getByRole("button", { name: "Make a part" }).click();
  await menu(page, "Part 2", "Send back");
  await page.getByRole("button", { name: "Part 2", exact: true }).click();
  const ear = hexOf(await artColour(page, EAR));
  const head = hexOf(await artColour(page, HEAD));
  expect(new Set([ear, head, "#000000", "#ffffff"]).size).toBe(4);
  await dragPage(page, [
    [78, 260],
    [90, 275],
    [138, 320],
  ]);
  await expect(page.getByRole("button", { name: /^Undo: Move/ })).toBeVisible();
  await page.keyboard.press("Escape");
  // Across the place where the ear meets the head: the one colour, then the other, and no ink.
  for (let k = 0; k <= 6; k++) {
    const shade = hexOf(await artColour(page, [240 + 14 * k, 243 + 14 * k]));
    if (k < 2) expect(shade).toBe(ear);
    else if (k > 4) expect(shade).toBe(head);
    else expect([ear, head]).toContain(shade);
  }
});

/** Within the panda's left ear, and within its head. */
const EAR: Point = [190, 190];
const HEAD: Point = [500, 620];
