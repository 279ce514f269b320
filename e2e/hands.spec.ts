/** Hands as they come: gestures given up, two fingers, keys that mean the stage in view, small screens. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import { boundsOf } from "../core/geometry/point.ts";
import {
  artColour,
  clickPage,
  deskReady,
  dragPage,
  hexOf,
  onScreen,
  openDemo,
  openFile,
  openPage,
  paper,
  pocketsIn,
  save,
  stage,
  test,
  tool,
  typeNumber,
} from "./desk.ts";

const ICONS = "node_modules/lucide-static/icons";
/** A published icon on a page of a thousand units. */
const icon = (name: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g transform="scale(41)">${readFileSync(`${ICONS}/${name}.svg`, "utf8").replace(/<!--.*?-->/s, "")}</g></svg>`;
const undo = (page: Page) => page.getByRole("button", { name: /^Undo:|^Nothing to undo/ });

/** A published icon on the desk, with the core's pockets of it. */
async function openIcon(page: Page, name: string) {
  await openFile(page, `${name}.svg`, icon(name));
  await deskReady(page);
  return pocketsIn(icon(name));
}

test.describe("a gesture given up with Escape leaves no step", () => {
  test("pouring, drawing, bending and moving", async ({ page }) => {
    const pockets = await openIcon(page, "house");
    await page.mouse.move(...(await onScreen(page, pockets[0].seed)));
    await page.mouse.down();
    await page.keyboard.press("Escape");
    await page.mouse.up();
    await expect(stage(page, "Flats")).toContainText(`0 of ${pockets.length} pockets`);
    await stage(page, "Lines").click();
    for (const word of ["Draw", "Arrange", "Bend"]) {
      await tool(page, word).click();
      if (word !== "Draw") await page.keyboard.press("]");
      await page.mouse.move(...(await onScreen(page, [123, 410])));
      await page.mouse.down();
      await page.mouse.move(...(await onScreen(page, [246, 574])), { steps: 4 });
      await page.keyboard.press("Escape");
      await page.mouse.up();
      await expect(undo(page)).toHaveAccessibleName("Nothing to undo");
    }
    await expect(page.getByRole("button", { name: "Nothing to redo" })).toBeVisible();
  });
});

test("two fingers move and zoom the paper in every tool and never draw", async ({ page, context }) => {
  await openIcon(page, "apple");
  await stage(page, "Lines").click();
  const cdp = await context.newCDPSession(page);
  const box = (await paper(page).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const touch = (type: "touchStart" | "touchMove" | "touchEnd", points: { x: number; y: number }[]) =>
    cdp.send("Input.dispatchTouchEvent", { type, touchPoints: points.map((at, id) => ({ ...at, id })) });
  const zoom = page.getByRole("button", { name: /^View: / });
  const fitted = (await zoom.textContent())!;
  for (const word of ["Draw", "Tidy", "Trim", "Bend", "Arrange"]) {
    await tool(page, word).click();
    await touch("touchStart", [{ x: x - 40, y }]);
    await touch("touchStart", [
      { x: x - 40, y },
      { x: x + 40, y },
    ]);
    for (let k = 1; k <= 5; k++)
      await touch("touchMove", [
        { x: x - 40 - 8 * k, y: y + 4 * k },
        { x: x + 40 + 8 * k, y: y + 4 * k },
      ]);
    await touch("touchEnd", []);
    await expect(zoom).not.toHaveText(fitted);
    await expect(undo(page)).toHaveAccessibleName("Nothing to undo");
    await page.keyboard.press("0");
    await expect(zoom).toHaveText(fitted);
  }
  // One finger still draws.
  await tool(page, "Draw").click();
  await touch("touchStart", [{ x: x - 60, y }]);
  for (let k = 1; k <= 8; k++) await touch("touchMove", [{ x: x - 60 + 15 * k, y: y + 3 * k }]);
  await touch("touchEnd", []);
  await expect(undo(page)).toHaveAccessibleName("Undo: Draw line");
});

test("a palm beside the pen neither bends its line, nor ends it, nor draws, nor opens the menu", async ({
  page,
  context,
}) => {
  await openIcon(page, "apple");
  await stage(page, "Lines").click();
  await tool(page, "Draw").click();
  const cdp = await context.newCDPSession(page);
  const box = (await paper(page).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const pen = (type: "mousePressed" | "mouseMoved" | "mouseReleased", at: { x: number; y: number }) =>
    cdp.send("Input.dispatchMouseEvent", {
      type,
      ...at,
      button: "left",
      buttons: type === "mouseReleased" ? 0 : 1,
      force: 0.5,
      clickCount: 1,
      pointerType: "pen",
    });
  const touch = (type: "touchStart" | "touchMove" | "touchEnd", touchPoints: { x: number; y: number }[]) =>
    cdp.send("Input.dispatchTouchEvent", { type, touchPoints: touchPoints.map((at, id) => ({ ...at, id })) });
  const before = Object.keys(readSvg((await save(page, "SVG")).bytes.toString()).strokes).length;
  await stage(page, "Lines").click();
  await pen("mousePressed", { x: x - 90, y });
  for (let k = 1; k <= 4; k++) await pen("mouseMoved", { x: x - 90 + 10 * k, y });
  const palm = { x: x + 60, y: y + 120 };
  await touch("touchStart", [palm]);
  await touch("touchMove", [{ ...palm, x: palm.x + 3 }]);
  for (let k = 5; k <= 9; k++) await pen("mouseMoved", { x: x - 90 + 10 * k, y });
  await touch("touchStart", [palm, { x: x - 60, y: y + 140 }]);
  // Both rest for longer than a finger is held to open the menu.
  await page.waitForTimeout(900);
  await touch("touchEnd", []);
  for (let k = 10; k <= 14; k++) await pen("mouseMoved", { x: x - 90 + 10 * k, y });
  await pen("mouseReleased", { x: x + 50, y });
  await expect(undo(page)).toHaveAccessibleName("Undo: Draw line");
  const { strokes } = readSvg((await save(page, "SVG")).bytes.toString());
  expect(Object.keys(strokes).length).toBe(before + 1);
  const { points } = Object.values(strokes).sort((a, b) => b.rank - a.rank)[0];
  const { width, height } = boundsOf([points])!;
  // As long as the pen went, and as straight.
  expect(height).toBeLessThan(0.05 * width);
});

test.describe("keys", () => {
  test("mean the stage in view, and the paper hears them after a button was clicked", async ({ page }) => {
    const pockets = await openIcon(page, "house");
    await paper(page).focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Enter");
    await expect(stage(page, "Flats")).toContainText(`1 of ${pockets.length} pockets`);
    for (const name of ["Gaps", "Light", "Deliver"]) {
      await stage(page, name).click();
      await page.keyboard.press("ArrowRight");
      await page.keyboard.press("Enter");
      await page.keyboard.press("Backspace");
      await expect(stage(page, "Flats")).toContainText(`1 of ${pockets.length} pockets`);
    }
    await stage(page, "Flats").click();
    await expect(paper(page)).toBeFocused();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Backspace");
    await page.keyboard.press("ArrowLeft");
    await page.keyboard.press("Backspace");
    await expect(stage(page, "Flats")).toContainText(`0 of ${pockets.length} pockets`);
    await expect(paper(page)).toHaveAccessibleName(/Flats: Arrows walk the pockets.*In hand: Frond/);
  });

  test("D held with Enter dips; Ctrl A takes all that the tool works on, never the words", async ({
    page,
  }) => {
    const pockets = await openIcon(page, "house");
    await clickPage(page, pockets[0].seed);
    await page.getByRole("button", { name: /^Radish/ }).click();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.down("d");
    await page.keyboard.press("Enter");
    await page.keyboard.up("d");
    await expect(page.getByRole("radiogroup", { name: "Ladder of Frond" })).toBeVisible();
    await page.keyboard.press("Control+a");
    expect(await page.evaluate(() => getSelection()?.toString() ?? "")).toBe("");
    await stage(page, "Lines").click();
    await tool(page, "Arrange").click();
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Backspace");
    await expect(stage(page, "Lines")).toContainText("0 strokes");
  });

  test("reach the paper within two tabs", async ({ page }) => {
    await openIcon(page, "house");
    await page.reload();
    await deskReady(page);
    await page.keyboard.press("Tab");
    if (!(await paper(page).evaluate((el) => el === document.activeElement)))
      await page.keyboard.press("Tab");
    await expect(paper(page)).toBeFocused();
  });
});

test("a leak bridged from its card is poured as asked, in the order that was said", async ({ page }) => {
  await openFile(
    page,
    "open.svg",
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><path d="M200 490V200H800V490M800 510V800H510M490 800H200V530" fill="none" stroke="#000" stroke-width="8"/></svg>',
  );
  await deskReady(page);
  await clickPage(page, [500, 500]);
  const card = page.getByRole("region", { name: "Why colour would run out" });
  await expect(card).toContainText("3 openings, 4.0 mm, 2.0 mm and 2.0 mm wide");
  await card.getByRole("button", { name: "Only the 4.0 mm" }).click();
  await expect(card).toContainText("2 openings, 2.0 mm and 2.0 mm wide");
  await card.getByRole("button", { name: "Bridge all 2 and pour" }).click();
  await expect.poll(async () => hexOf(await artColour(page, [500, 500]))).toBe("#6f9a4a");
  await expect(card).toBeHidden();
});

test("a drag begun on open ground pours what it crosses", async ({ page }) => {
  const pockets = await openIcon(page, "house");
  await dragPage(page, [[10, 10], pockets[0].seed]);
  await expect(stage(page, "Flats")).toContainText(`1 of ${pockets.length} pockets`);
});

test("flat shapes that came in are dipped, poured, chosen and deleted", async ({ page }) => {
  await openFile(
    page,
    "flat.svg",
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><circle cx="300" cy="500" r="200" fill="#c23f5a"/><path d="M600 300h300v400h-300z" fill="none" stroke="#000" stroke-width="10"/></svg>',
  );
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await tool(page, "Dip").click();
  await clickPage(page, [300, 500]);
  await expect(page.getByRole("radiogroup", { name: "Ladder of Mid red" })).toBeVisible();
  await tool(page, "Pour").click();
  await clickPage(page, [750, 500]);
  await expect.poll(async () => hexOf(await artColour(page, [750, 500]))).toBe("#c23f5a");
  await page.getByRole("radio", { name: "Mid red 2 lighter" }).click();
  await clickPage(page, [300, 500]);
  await expect.poll(async () => hexOf(await artColour(page, [300, 500]))).not.toBe("#c23f5a");
  await page.keyboard.press("Backspace");
  await expect.poll(async () => (await artColour(page, [300, 500]))[3]).toBe(0);
  await expect(undo(page)).toHaveAccessibleName("Undo: Remove shape");
});

test("a whole drawing moved takes bridges, colours and shades along", async ({ page }) => {
  const pockets = await openIcon(page, "flower");
  for (const { seed } of pockets) await clickPage(page, seed);
  await stage(page, "Light").click();
  const [x, y] = pockets[0].seed;
  await dragPage(page, [
    [x, y],
    [x + 30, y],
    [x + 30, y + 30],
    [x, y + 30],
  ]);
  await expect(stage(page, "Light")).toContainText("1 shade");
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await page.keyboard.press("Control+a");
  const from = await onScreen(page, [500, 41 * 7.5]);
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(from[0] + 60, from[1] + 25, { steps: 6 });
  await page.mouse.up();
  await stage(page, "Flats").click();
  await expect(stage(page, "Flats")).toContainText(`${pockets.length} of ${pockets.length} pockets`);
  await expect(page.getByRole("button", { name: /^Waiting for a pocket/ })).toContainText("none");
  await expect(page.locator("[data-sheet=shade]")).toContainText("1");
});

test("a name typed is kept when its field closes by Escape; equal names are told", async ({ page }) => {
  await openIcon(page, "house");
  await page.getByRole("button", { name: "Change Dusk" }).click();
  await page.getByRole("textbox", { name: "Name" }).fill("Frond");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Change Frond" })).toHaveCount(2);
  await page.getByRole("button", { name: "Change Frond" }).nth(1).click();
  await expect(page.getByText("Another colour has this name too.")).toBeVisible();
});

test("typed numbers are taken when they are meant, in one step", async ({ page }) => {
  await openIcon(page, "house");
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await page.keyboard.press("Control+a");
  const turn = page.getByLabel("turn");
  await turn.fill("");
  await turn.pressSequentially("45");
  await expect(undo(page)).toHaveAccessibleName("Nothing to undo");
  await turn.press("Escape");
  await expect(turn).toHaveValue("0");
  await turn.pressSequentially("45");
  await turn.press("Enter");
  await expect(undo(page)).toHaveAccessibleName("Undo: Turn");
  await undo(page).click();
  await expect(undo(page)).toHaveAccessibleName("Nothing to undo");
  await stage(page, "Deliver").click();
  await openPage(page);
  const ppi = page.getByLabel("ppi");
  await ppi.fill("");
  await ppi.pressSequentially("72");
  await expect(ppi).toHaveValue("72");
  await ppi.press("Enter");
  await expect(page.getByText(/^283 × 283 pixels/)).toBeVisible();
  await page.getByLabel("Unit").selectOption("in");
  await typeNumber(page.getByLabel("Width"), "8,5");
  await expect(page.getByText(/^612 × 612 pixels/)).toBeVisible();
});

test.describe("small screens", () => {
  for (const [width, height] of [
    [640, 400],
    [320, 256],
  ])
    test(`${width} by ${height}: no button is cut off, all is reached by scrolling`, async ({ page }) => {
      await openDemo(page, "Kettle on the potting bench");
      await page.setViewportSize({ width, height });
      for (const name of ["Lines", "Gaps", "Flats", "Light", "Deliver"]) {
        await stage(page, name).click();
        const words = await page
          .getByRole("radiogroup", { name: `Tools for ${name}` })
          .getByRole("radio")
          .all();
        // Where there is little room only the tool in the hand is there.
        for (const one of words.length > 0 ? words : [undefined]) {
          await one?.click();
          const over = await page.evaluate(() => {
            const wide = document.documentElement.scrollWidth - innerWidth;
            const cut = [...document.querySelectorAll(".desk button, .desk input, .desk select")].filter(
              (el) => {
                const { left, right, width: own } = el.getBoundingClientRect();
                return own > 1 && (left < 0 || right > innerWidth);
              },
            );
            return [
              wide > 0 ? `${wide} px too wide` : "",
              ...cut.map((el) => el.outerHTML.slice(0, 90)),
            ].filter(Boolean);
          });
          expect(over, `${name}, ${(await one?.textContent()) ?? ""}`).toEqual([]);
        }
      }
      const box = (await paper(page).boundingBox())!;
      expect(Math.min(box.width, box.height)).toBeGreaterThan(150);
      await page.getByRole("button", { name: "Lock ink" }).click();
      await expect(page.getByRole("button", { name: "Unlock ink" })).toBeVisible();
    });
});

test("two delivered drawings in one page keep their colours and clips to themselves", async ({
  page,
  context,
}) => {
  const pockets = await openIcon(page, "house");
  await clickPage(page, pockets[0].seed);
  const one = (await save(page, "SVG")).bytes.toString();
  await page.getByRole("button", { name: "Change Frond" }).click();
  await page.getByLabel("Colour as hexadecimal").fill("#112233");
  await page.keyboard.press("Escape");
  const other = (await save(page, "SVG")).bytes.toString();
  const blank = await context.newPage();
  await blank.setContent(`${one}${other}`);
  const fills = await blank.evaluate(() =>
    [...document.querySelectorAll("[data-is=pour]")].map((path) => getComputedStyle(path).fill),
  );
  expect(fills).toEqual(["rgb(111, 154, 74)", "rgb(17, 34, 51)"]);
});

test("the list of steps goes back to any of them by name, and forth again", async ({ page }) => {
  const pockets = await openIcon(page, "house");
  const flats = stage(page, "Flats");
  const pour = (at: number) => clickPage(page, pockets[at].seed);
  const before = await flats.textContent();
  await tool(page, "Pour").click();
  await pour(0);
  await expect(flats).not.toHaveText(before!);
  const one = await flats.textContent();
  await pour(1);
  await expect(flats).not.toHaveText(one!);
  const after = await flats.textContent();
  const steps = page.getByRole("button", { name: "Steps to go back to" });
  await steps.click();
  await expect(page.getByRole("menuitemradio")).toHaveCount(3);
  await page.getByRole("menuitemradio", { name: "As it began" }).click();
  await expect(flats).toHaveText(before!);
  await steps.click();
  await page.getByRole("menuitemradio").first().click();
  await expect(flats).toHaveText(after!);
});
