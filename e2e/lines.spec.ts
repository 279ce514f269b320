/** The Lines stage: drawing, tidying, trimming, bending and arranging with real pointer events and by keys. */
import { expect, type Page } from "@playwright/test";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { between, curveCount, pointAt } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { linesOf } from "../core/pockets/reading.ts";
import { tailsOf } from "../core/pockets/tails.ts";
import {
  artColour,
  demoFile,
  deskReady,
  dragPage,
  hexOf,
  isAccessible,
  onScreen,
  openDemo,
  openDrawer,
  openFile,
  pocketsIn,
  said,
  save,
  stage,
  test,
  tool,
  typeNumber,
} from "./desk.ts";

async function blankPage(page: Page): Promise<void> {
  await openDrawer(page);
  await page.getByRole("button", { name: "Blank page" }).click();
  await page.getByLabel("Name").fill("Seed packet");
  await page.getByRole("button", { name: "Begin drawing" }).click();
  await page.waitForURL(/\/desk\//);
  await expect(stage(page, "Lines")).toContainText("0 strokes");
}

const arc = (from: number, to: number, radius: number, [cx, cy]: Point = [500, 500]): Point[] =>
  Array.from({ length: 25 }, (_, i) => {
    const a = from + ((to - from) * i) / 24;
    return [cx + radius * Math.cos(a), cy + radius * Math.sin(a)];
  });

const TWO_BOXES = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#000" stroke-width="6">
<path id="top" d="M200 300H800"/><path id="bottom" d="M200 700H800"/><path id="left" d="M200 300V700"/><path id="right" d="M800 300V700"/><path id="post" d="M500 250V760"/></g></svg>`;

async function openBoxes(page: Page): Promise<void> {
  await openFile(page, "boxes.svg", TWO_BOXES);
  await deskReady(page);
  await expect(stage(page, "Flats")).toContainText("0 of 2 pockets");
  await stage(page, "Lines").click();
}

/** How many of some places on the screen neither of the two canvases has marked that show a line being drawn. */
function unmarked(places: readonly (readonly [number, number])[]): number {
  const canvases = [
    ...document.querySelectorAll<HTMLCanvasElement>("[data-layer=overlay], [data-layer='wet end']"),
  ];
  const marks = ([x, y]: readonly [number, number]) =>
    canvases.some((canvas) => {
      const box = canvas.getBoundingClientRect();
      const [px, py] = [x - box.left - 1, y - box.top - 1].map((n) => Math.round(n * devicePixelRatio));
      return canvas
        .getContext("2d")!
        .getImageData(px, py, 3, 3)
        .data.some((value) => value > 0);
    });
  return places.filter((place) => !marks(place)).length;
}

test.describe("drawing", () => {
  test("begins on a blank page of a printed size; a line that ends near its start closes and makes a pocket", async ({
    page,
  }) => {
    await openDrawer(page);
    await page.getByRole("button", { name: "Blank page" }).click();
    await page.getByLabel("Unit").selectOption("in");
    await page.getByLabel("Width").fill("4");
    await page.getByLabel("Height").fill("3");
    await page.getByLabel("Height").press("Tab");
    await expect(page.getByText("1200 × 900 pixels")).toBeVisible();
    await page.getByRole("button", { name: "Cancel" }).click();
    await blankPage(page);
    await dragPage(page, arc(0, 2 * Math.PI - 0.02, 200));
    await expect(stage(page, "Lines")).toContainText("1 stroke");
    await expect(stage(page, "Flats")).toContainText("0 of 1 pockets");
    await stage(page, "Flats").click();
    await page.mouse.click(...(await onScreen(page, [500, 500])));
    await expect.poll(async () => hexOf(await artColour(page, [500, 500]))).toBe("#6f9a4a");
  });

  test("keeps a pen's pressure as the line's profile, and joins a line it comes near", async ({ page }) => {
    await blankPage(page);
    await dragPage(page, [
      [200, 200],
      [800, 200],
    ]);
    const cdp = await page.context().newCDPSession(page);
    const pen = async (type: string, at: Point, force: number) => {
      const [x, y] = await onScreen(page, at);
      await cdp.send("Input.dispatchMouseEvent", {
        type: type as "mouseMoved",
        x,
        y,
        button: "left",
        buttons: 1,
        clickCount: 1,
        pointerType: "pen",
        force,
      });
    };
    await pen("mousePressed", [500, 700], 0.2);
    for (let i = 1; i <= 20; i++) await pen("mouseMoved", [500, 700 - i * 24.7], 0.2 + 0.04 * i);
    await pen("mouseReleased", [500, 206], 1);
    await expect(stage(page, "Lines")).toContainText("2 strokes");
    const { bytes } = await save(page, "SVG");
    const svg = bytes.toString();
    const { strokes } = readSvg(svg);
    const pressed = strokes.find(({ profile }) => profile)!;
    expect(pressed.profile![1]).toBeLessThan(0.4);
    const end = pointAt(pressed.points, curveCount(pressed.points));
    const base = strokes.find(({ profile }) => !profile)!;
    expect(Math.abs(end[1] - pointAt(base.points, 0.5)[1])).toBeLessThan(1);
  });

  test("shows the line under the hand without a break, however far it goes", async ({ page }) => {
    await blankPage(page);
    const way = Array.from({ length: 120 }, (_, k): Point => [60 + 7 * k, 500 + 200 * Math.sin(k / 9)]);
    await page.mouse.move(...(await onScreen(page, way[0])));
    await page.mouse.down();
    for (const at of way.slice(1)) await page.mouse.move(...(await onScreen(page, at)));
    await expect(page.locator("[data-layer='wet end']")).toBeVisible();
    // A steadied line ends a little behind the hand.
    const places = await Promise.all(way.slice(0, -5).map((at) => onScreen(page, at)));
    await expect.poll(() => page.evaluate(unmarked, places)).toBe(0);
    await page.mouse.up();
    await expect(page.locator("[data-layer='wet end']")).toBeHidden();
    await expect(stage(page, "Lines")).toContainText("1 stroke");
  });

  test("goes from point to point, draws ovals and boxes", async ({ page }) => {
    await blankPage(page);
    await page.getByRole("radio", { name: "From point to point" }).click();
    for (const at of [
      [200, 200],
      [400, 200],
      [300, 400],
      [200, 200],
    ] as Point[])
      await page.mouse.click(...(await onScreen(page, at)));
    await expect(stage(page, "Flats")).toContainText("of 1 pockets");
    for (const at of [
      [600, 200],
      [800, 300],
    ] as Point[])
      await page.mouse.click(...(await onScreen(page, at)));
    await page.keyboard.press("Enter");
    await page.mouse.dblclick(...(await onScreen(page, [700, 400])));
    await expect(stage(page, "Lines")).toContainText("2 strokes");
    await page.getByRole("radio", { name: "Oval" }).click();
    await dragPage(page, [
      [200, 600],
      [400, 800],
    ]);
    await page.getByRole("radio", { name: "Box" }).click();
    await dragPage(page, [
      [600, 600],
      [800, 800],
    ]);
    await expect(stage(page, "Flats")).toContainText("of 3 pockets");
    await page.keyboard.press("Control+z");
    await expect(page.getByRole("button", { name: "Redo: Draw box" })).toBeVisible();
  });

  test("is done by keys alone: pegs are driven where the arrows lead", async ({ page }) => {
    await blankPage(page);
    await page.getByRole("radio", { name: "From point to point" }).click();
    await page.locator("#paper").focus();
    for (const keys of [["ArrowUp"], ["ArrowRight"], ["ArrowDown"]]) {
      for (let i = 0; i < 6; i++) await page.keyboard.press(`Shift+${keys[0]}`);
      await page.keyboard.press("Enter");
    }
    await page.keyboard.press("Shift+Enter");
    await expect(stage(page, "Lines")).toContainText("1 stroke");
    await expect(stage(page, "Flats")).toContainText("of 1 pockets");
  });

  test("uses a nib of one's own, and strokes follow when it is changed", async ({ page }) => {
    await blankPage(page);
    await page.getByRole("button", { name: /^Nib:/ }).click();
    await page.getByRole("button", { name: "A nib of your own" }).click();
    await page.getByRole("slider", { name: "Width at 0 % of the stroke" }).focus();
    for (let i = 0; i < 8; i++) await page.keyboard.press("ArrowUp");
    await typeNumber(page.getByLabel("Strands"), "2");
    await page.getByLabel("Name of the nib").fill("Twin");
    await page.getByRole("button", { name: "Back to the nibs" }).click();
    await page.keyboard.press("Escape");
    await dragPage(page, [
      [200, 500],
      [800, 500],
    ]);
    const before = (await save(page, "SVG")).bytes.toString();
    expect(before).toMatch(/data-nib=/);
    await stage(page, "Lines").click();
    await page.getByRole("button", { name: "Nib: Twin" }).click();
    await page.getByRole("button", { name: "Change Twin" }).click();
    // Hovering waits until the panel stands still.
    const point = page.getByRole("slider", { name: "Width at 0 %" });
    await point.hover();
    const pad = (await point.locator("..").boundingBox())!;
    await page.mouse.move(pad.x + 4, pad.y + pad.height / 2 - 6);
    await page.mouse.down();
    await page.mouse.move(pad.x + pad.width - 4, pad.y + pad.height / 2 - 30, { steps: 12 });
    await page.mouse.up();
    await page.keyboard.press("Escape");
    const after = (await save(page, "SVG")).bytes.toString();
    const outlineIn = (svg: string) => / d="([^"]+)"/.exec(svg.slice(svg.indexOf("data-nib")))![1];
    expect(outlineIn(after)).not.toBe(outlineIn(before));
  });
});

test("tidying shows its figures first, keeps pinned corners, and can be undone", async ({ page }) => {
  await openDemo(page, "Boot with ferns");
  await stage(page, "Lines").click();
  await tool(page, "Tidy").click();
  const figures = page.getByTestId("tidy-figures");
  await expect(figures).toContainText(/\d+ points, then \d+; at most/);
  const read = async () => ((await figures.textContent())!.match(/[\d.]+/g) ?? []).map(Number);
  const [before, after] = await read();
  expect(after).toBeLessThan(before);
  await typeNumber(page.getByLabel("Tolerance"), "0.5");
  await expect.poll(async () => (await read())[1]).toBeLessThan(after);
  expect((await read())[2]).toBeLessThanOrEqual(0.5);
  await page.getByRole("button", { name: "Tidy all lines" }).click();
  await expect(page.getByRole("button", { name: /^Undo: Tidy \d+ lines/ })).toBeVisible();
  await expect.poll(async () => (await read())[0]).toBeLessThan(before);
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await read())[0]).toBe(before);
  // One line alone, with a point pinned.
  const { strokes } = readSvg(demoFile("boot"));
  const wavy = strokes.find(({ points }) => curveCount(points) > 5)!;
  await page.mouse.click(...(await onScreen(page, pointAt(wavy.points, 2.4))));
  await expect(page.getByRole("button", { name: "Tidy this line" })).toBeVisible();
  await page.mouse.click(...(await onScreen(page, pointAt(wavy.points, 2))));
  await expect(said(page)).toContainText("Corner pinned");
  await expect(page.getByRole("button", { name: "Tidy this line" })).toBeEnabled();
  await page.locator("#paper").focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Undo: Tidy line" })).toBeVisible();
});

test("trims a tail with a click, many with a drag, and all short ones at once; no pocket is lost", async ({
  page,
}) => {
  await openDemo(page, "Snail on a rain barrel");
  const { page: sheet, strokes, inkShapes } = readSvg(demoFile("snail"));
  const tails = tailsOf(buildMap(linesOf(newDrawing("", sheet, strokes, inkShapes))));
  const middle = (k: number): Point => {
    const { line, start, u } = tails[k];
    const { points } = strokes.find(({ id }) => id === line)!;
    const chain = start ? between(points, 0, u) : between(points, u, curveCount(points));
    return pointAt(chain, curveCount(chain) * 0.6);
  };
  const pockets = `of ${pocketsIn(demoFile("snail")).length} pockets`;
  await expect(stage(page, "Flats")).toContainText(pockets);
  await stage(page, "Lines").click();
  await tool(page, "Trim").click();
  const all = page.getByText(/loose tails? in all/);
  await expect(all).toContainText(`${tails.length} loose tails`);
  await page.mouse.click(...(await onScreen(page, middle(tails.length - 1))));
  await expect(page.getByRole("button", { name: "Undo: Trim tail" })).toBeVisible();
  await expect(all).toContainText(`${tails.length - 1} loose tails`);
  await dragPage(page, [middle(tails.length - 2), middle(tails.length - 3)]);
  await expect(page.getByRole("button", { name: /^Undo: Trim/ })).toBeVisible();
  await typeNumber(page.getByLabel("Tails shorter than"), "30");
  const button = page.getByRole("button", { name: /^Trim \d+ tails?$/ });
  // What ran on past a tail that is gone is a tail itself then.
  await expect(async () => {
    if (await button.isEnabled()) await button.click();
    await expect(all).toContainText("0 loose tails", { timeout: 1000 });
  }).toPass();
  await expect(stage(page, "Flats")).toContainText(pockets);
});

test("bending keeps colours, and what meets the line follows", async ({ page }) => {
  await openBoxes(page);
  await stage(page, "Flats").click();
  await page.mouse.click(...(await onScreen(page, [350, 500])));
  await expect.poll(async () => hexOf(await artColour(page, [350, 500]))).toBe("#6f9a4a");
  await stage(page, "Lines").click();
  await tool(page, "Bend").click();
  await page.mouse.click(...(await onScreen(page, [650, 300])));
  await page.mouse.click(...(await onScreen(page, [200, 300])));
  await dragPage(page, [
    [200, 300],
    [200, 200],
  ]);
  await expect(page.getByRole("button", { name: "Undo: Bend line" })).toBeVisible();
  // The left line's end has followed: the box is still closed, and coloured up to where it goes now.
  await expect(stage(page, "Flats")).toContainText("1 of 2 pockets");
  await expect.poll(async () => hexOf(await artColour(page, [230, 245]))).toBe("#6f9a4a");
  await page.mouse.dblclick(...(await onScreen(page, [650, 284])));
  await expect(page.getByRole("button", { name: "Undo: Add point" })).toBeVisible();
  await page.locator("#paper").focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Undo: Make/ })).toBeVisible();
  await page.keyboard.press("Backspace");
  await expect(page.getByRole("button", { name: "Undo: Remove point" })).toBeVisible();
  await page.keyboard.press("}");
  await expect(said(page)).toContainText(/Point \d of 2/);
});

test("arranges lines: gathers, moves, scales, turns, mirrors, copies, orders, colours", async ({ page }) => {
  await openBoxes(page);
  await tool(page, "Arrange").click();
  await dragPage(page, [
    [150, 240],
    [850, 240],
    [850, 780],
    [150, 780],
    [150, 260],
  ]);
  await expect(page.getByLabel("w", { exact: true })).toHaveValue("60");
  await typeNumber(page.getByLabel("w", { exact: true }), "30");
  await expect(page.getByLabel("h", { exact: true })).toHaveValue("25.5");
  await typeNumber(page.getByLabel("x", { exact: true }), "5");
  await expect.poll(async () => (await artColour(page, [200, 250 + 25]))[3]).toBeGreaterThan(100);
  await page.getByRole("button", { name: "Duplicate mirrored" }).click();
  await expect(stage(page, "Lines")).toContainText("10 strokes");
  await expect(stage(page, "Flats")).toContainText("of 4 pockets");
  await page.getByRole("button", { name: "Mirror top to bottom" }).click();
  await expect(stage(page, "Flats")).toContainText("of 4 pockets");
  await page.getByRole("button", { name: /^Radish/ }).click();
  await page.getByRole("button", { name: "Line colour" }).click();
  await page.getByRole("menuitem", { name: "These lines in Radish" }).click();
  await page.keyboard.press("Escape");
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString().match(/stroke="#c23f5a"/g)).toHaveLength(5);
  await stage(page, "Lines").click();
  await page.getByRole("button", { name: "Line colour" }).click();
  await page.getByRole("menuitem", { name: /^All lines in Radish/ }).click();
  expect((await save(page, "SVG")).bytes.toString().match(/stroke="#c23f5a"/g)).toHaveLength(10);
  await stage(page, "Lines").click();
  await page.getByRole("button", { name: "Choose" }).click();
  await page.getByRole("menuitem", { name: "All lines", exact: true }).click();
  await page.locator("#paper").focus();
  await page.keyboard.press("Shift+ArrowDown");
  await expect(page.getByRole("button", { name: /Undo: Move \d+ lines/ })).toBeVisible();
  await page.keyboard.press("Delete");
  await expect(stage(page, "Lines")).toContainText("0 strokes");
  await page.keyboard.press("Control+z");
  await expect(stage(page, "Lines")).toContainText("10 strokes");
});

test("every line tool is accessible, and lines are chosen by key", async ({ page }) => {
  await openBoxes(page);
  for (const name of ["Draw", "Tidy", "Trim", "Bend", "Arrange"]) {
    await tool(page, name).click();
    await page.keyboard.press("]");
    await isAccessible(page, "[aria-label=Tray]");
  }
  await expect(said(page)).toContainText("Line 5 of 5, post, 0.60 mm wide");
});
