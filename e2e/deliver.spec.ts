/** Files to take home: made by a newcomer on the lit boot and on art from elsewhere, opened by programs nobody here wrote. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page } from "@playwright/test";
import { decode } from "fast-png";
import { strFromU8, unzipSync } from "fflate";
import { DEMOS } from "../app/drawer/demo.ts";
import { deliver, opened } from "../bin/deliver.ts";
import { FILE_KINDS, type FileKind, KINDS } from "../core/deliver/kinds.ts";
import { drawingFileText, readDrawingFile } from "../core/formats/drawing-file.ts";
import { SOAK } from "../testing/long-runs.ts";
import { differenceOf, drawnBy, halved, type Picture, problemsOf, rgbOf } from "../testing/pdf-readers.ts";
import {
  artColour,
  beforeLoads,
  downloaded,
  hexOf,
  isAccessible,
  isKept,
  openDemo,
  openPage,
  save,
  stage,
  test,
  tool,
  typeNumber,
  undo,
} from "./desk.ts";
import { colourAt, GARDEN_PAGE, GARDEN_POCKETS, openGarden } from "./garden.ts";
import { home, openHome, saved, tick } from "./take-home.ts";

test("a newcomer takes the lit boot home as all there is, and every reader shows the same picture", async ({
  page,
}) => {
  test.slow();
  await openDemo(page, "Boot with ferns, coloured");
  await openHome(page);
  await isAccessible(page, "[role=dialog]");
  await home(page).getByLabel("Pixels per inch").fill("350");
  await home(page).getByLabel("Pixels per inch").press("Enter");
  for (const kind of ["PDF", "Layered picture", "Plates, PNG", "Plates, PDF", "Plain SVG", "Drawing file"])
    await tick(page, kind).check();
  const { name, bytes } = await saved(page);
  expect(name).toBe("Boot-with-ferns-coloured.zip");
  const files = unzipSync(bytes);
  const file = (ending: string) => files[Object.keys(files).find((one) => one.endsWith(ending))!];
  const png = decode(file("coloured.png"));
  expect([png.width, png.resolution?.x]).toEqual([Math.round((100 / 25.4) * 350), Math.round(350 / 0.0254)]);
  const whole = halved(rgbOf(file("coloured.png")));
  const like = (other: Picture, mean: number, what: string) => {
    const { mean: found, apart } = differenceOf(other, whole);
    expect(found, what).toBeLessThan(mean);
    expect(apart, what).toBeLessThan(0.003);
  };
  const pdf = file("coloured.pdf");
  expect(problemsOf(pdf)).toBe("");
  for (const reader of ["poppler", "mupdf"] as const)
    like(halved(drawnBy(reader, pdf, png.width)), 1, `PDF by ${reader}`);
  const layers = unzipSync(file(".ora"));
  expect(strFromU8(layers.mimetype)).toBe("image/openraster");
  like(halved(rgbOf(layers["mergedimage.png"])), 0.01, "merged picture");
  for (const svg of [file("coloured.svg"), file("plain.svg")])
    like(halved(await drawnByBrowser(page, strFromU8(svg), png.width)), 1, "SVG by the browser");
  expect(problemsOf(file("plates.pdf"))).toBe("");
  expect(Object.keys(files).filter((one) => /-plate-\d+-/.test(one)).length).toBeGreaterThan(8);
});

/** An SVG as a picture of the page draws it. */
async function drawnByBrowser(page: Page, svg: string, width: number): Promise<Picture> {
  const base64 = await page.evaluate(
    async ([text, wide]) => {
      const image = new Image();
      image.src = URL.createObjectURL(new Blob([text], { type: "image/svg+xml" }));
      await image.decode();
      const canvas = new OffscreenCanvas(wide, Math.round((wide * image.height) / image.width));
      canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
      const bytes = new Uint8Array(await (await canvas.convertToBlob()).arrayBuffer());
      return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(""));
    },
    [svg, width] as const,
  );
  return rgbOf(Buffer.from(base64, "base64"));
}

test("parts of it: ink alone, a colourway each, all on one sheet with their names", async ({ page }) => {
  test.slow();
  await openDemo(page, "Kettle on the potting bench, coloured");
  await openHome(page);
  await home(page).getByLabel("Sheets").selectOption("ink only");
  await tick(page, "PNG").uncheck();
  const ink = strFromU8((await saved(page)).bytes);
  expect(ink).toMatch(/<g id="ink"/);
  expect(ink).not.toMatch(/<g id="(flats|shade)"/);
  const taken = home(page).getByRole("region", { name: "Taken home so far" });
  await expect(taken.getByText("SVG: ink only")).toBeVisible();
  const again = await downloaded(page, () => taken.getByRole("button", { name: /^Make again/ }).click());
  expect(strFromU8(again.bytes)).toBe(ink);
  await expect(taken.getByRole("listitem")).toHaveCount(2);
  await home(page).getByLabel("Sheets").selectOption("all sheets");
  await home(page)
    .getByLabel("Colourway", { exact: true })
    .selectOption("all on one sheet, with their names");
  await expect(tick(page, "Plates, PNG")).toBeDisabled();
  const sheet = await saved(page);
  expect(sheet.name).toBe("Kettle-on-the-potting-bench-coloured-contact-sheet.svg");
  const folder = mkdtempSync(join(tmpdir(), "fern-sheet-"));
  writeFileSync(join(folder, "sheet.svg"), sheet.bytes);
  expect(sheet.bytes.toString()).not.toContain("<text");
  expect(sheet.bytes.toString().match(/data-name="Evening|evening/gi)!.length).toBeGreaterThan(0);
  await tick(page, "PNG").check();
  await tick(page, "PDF").check();
  const sheets = unzipSync((await saved(page)).bytes);
  const named = (ending: string) => sheets[Object.keys(sheets).find((one) => one.endsWith(ending))!];
  expect(problemsOf(named("sheet.pdf"))).toBe("");
  const whole = rgbOf(named("sheet.png"));
  for (const reader of ["poppler", "mupdf"] as const) {
    const { mean, apart } = differenceOf(drawnBy(reader, named("sheet.pdf"), whole.width), whole);
    expect([mean < 1.5, apart < 0.003], reader).toEqual([true, true]);
  }
  await tick(page, "PDF").uncheck();
  await tick(page, "PNG").uncheck();
  await home(page).getByLabel("Colourway", { exact: true }).selectOption("each by itself");
  await tick(page, "PNG").check();
  await tick(page, "SVG").uncheck();
  const each = unzipSync((await saved(page)).bytes);
  expect(Object.keys(each)).toContain("Kettle-on-the-potting-bench-coloured-Evening.png");
  await page.keyboard.press("Escape");
});

test("an SVG shows another colourway on dark pages, unless its page says which", async ({
  page,
  browser,
}) => {
  await openDemo(page, "Kettle on the potting bench, coloured");
  await openHome(page);
  await home(page).getByLabel("On dark pages an SVG shows").selectOption("Evening");
  await tick(page, "PNG").uncheck();
  const svg = strFromU8((await saved(page)).bytes);
  const shown = async (colorScheme: "light" | "dark", way?: string) => {
    const context = await browser.newContext({ colorScheme });
    const other = await context.newPage();
    await other.setContent(svg);
    const colour = await other.evaluate((name) => {
      const root = document.querySelector("svg")!;
      if (name) root.setAttribute("data-colourway", name);
      return getComputedStyle(root).getPropertyValue("--enamel").trim();
    }, way);
    await context.close();
    return colour;
  };
  const [light, dark] = [await shown("light"), await shown("dark")];
  expect(dark).not.toBe(light);
  expect(await shown("light", "evening")).toBe(dark);
  // The one it was saved in is there for whoever asks for it.
  expect(await shown("dark", "first-colours")).toBe(light);
});

test("the page is resized with the drawing kept, fitted to it, and bleeds; the ground goes along", async ({
  page,
}) => {
  test.slow();
  await openGarden(page, GARDEN_POCKETS.slice(0, 2));
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Ground", exact: true }).click();
  await page.getByRole("button", { name: "Cover the page in Frond" }).click();
  await expect(undo(page, "Lay ground")).toBeVisible();
  const corner = [GARDEN_PAGE.x + 1, GARDEN_PAGE.y + 1] as const;
  await expect.poll(() => colourAt(page, corner)).toBe("#6f9a4a");
  await page.keyboard.press("Escape");
  await openPage(page);
  await isAccessible(page);
  await typeNumber(page.getByLabel("Bleed"), "3");
  await expect(undo(page, "Change bleed")).toBeVisible();
  await tool(page, "Drawing stays as large").click();
  await typeNumber(page.getByLabel("Height"), "80");
  await expect(undo(page, "Change page size")).toBeVisible();
  await expect(page.getByText("120 × 80 mm").first()).toBeVisible();
  await page.keyboard.press("Escape");
  const pdf = (await save(page, "PDF")).bytes;
  expect(problemsOf(pdf)).toBe("");
  const points = (mm: number) => (mm / 25.4) * 72;
  const told = execFileSync("pdfinfo", ["-box", "-"], { input: pdf }).toString();
  const box = (name: string) => new RegExp(`${name}: +(.*)`).exec(told)![1].trim().split(/ +/).map(Number);
  expect(box("MediaBox")[2]).toBeCloseTo(points(126), 1);
  expect(box("TrimBox").map((n) => n.toFixed(1))).toEqual(
    [points(3), points(3), points(123), points(83)].map((n) => n.toFixed(1)),
  );
  // The ground bleeds to the very edge.
  const drawn = drawnBy("poppler", pdf, 400);
  expect([...drawn.pixels.subarray(0, 3)]).toEqual([0x6f, 0x9a, 0x4a]);
  await openPage(page);
  await page.getByRole("button", { name: "Fit page to drawing" }).click();
  await expect(undo(page, "Fit page to drawing")).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Ground", exact: true }).click();
  await page.getByRole("button", { name: "Clear the ground" }).click();
  await expect(page.getByRole("button", { name: "Ground", exact: true })).toContainText("Clear ground");
});

test("a rim of paper lies around the spot, as wide as asked for", async ({ page }) => {
  await openGarden(page, GARDEN_POCKETS.slice(0, 1));
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Ground", exact: true }).click();
  await page.getByRole("switch", { name: "A rim of paper around the spot" }).click();
  await page.getByRole("slider", { name: "Width of the rim" }).press("End");
  await expect(undo(page, "Lay rim of paper")).toBeVisible();
  const middle = [GARDEN_PAGE.x + GARDEN_PAGE.width / 2, GARDEN_PAGE.y + GARDEN_PAGE.height / 2] as const;
  const beside = [GARDEN_POCKETS[0].box.x - 2, GARDEN_POCKETS[0].seed[1]] as const;
  expect(hexOf(await artColour(page, middle, GARDEN_PAGE))).toBe("#000000");
  await expect.poll(() => colourAt(page, beside)).not.toBe("#000000");
  await page.getByRole("button", { name: "The rim in Frond" }).click();
  await expect.poll(() => colourAt(page, beside)).toBe("#6f9a4a");
  await isAccessible(page);
});

test("a signature is lettered or drawn, laid above the ink, and here again for the next drawing", async ({
  page,
}) => {
  test.slow();
  await openGarden(page, GARDEN_POCKETS.slice(0, 1));
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Sign", exact: true }).click();
  const dialog = page.getByRole("dialog", { name: "Sign" });
  await dialog.getByLabel("Name to sign with").fill("M. Moss 木");
  await expect(dialog.getByText(/These letters have no 木/)).toBeVisible();
  await isAccessible(page, "[role=dialog]");
  await dialog.getByRole("button", { name: "Sign in Frond" }).click();
  await expect(undo(page, "Sign")).toBeVisible();
  await expect(page.getByRole("button", { name: "Save PDF" })).toBeVisible();
  await expect(page.getByText("Signed, in the lower right corner.").first()).toBeVisible();
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/<g id="gloss">\s*<path class="f-frond"[^>]*data-name="Signature"/);
  await page.getByRole("button", { name: "Sign", exact: true }).click();
  await expect(dialog.getByLabel("Name to sign with")).toHaveValue("M. Moss 木");
  await tool(page, "Drawn").click();
  const pad = (await dialog.getByRole("img", { name: "Pad to draw the signature on" }).boundingBox())!;
  await page.mouse.move(pad.x + 40, pad.y + 70);
  await page.mouse.down();
  for (let k = 1; k < 12; k++)
    await page.mouse.move(pad.x + 40 + 25 * k, pad.y + 70 + 30 * Math.sin(k), { steps: 3 });
  await page.mouse.up();
  await dialog.getByRole("button", { name: "Sign in Frond" }).click();
  await expect(undo(page, "Sign")).toBeVisible();
  await isKept(page);
  await openDemo(page, "Sprig drawn with nibs");
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Sign", exact: true }).click();
  await expect(tool(page, "Drawn")).toBeChecked();
  await expect(dialog.getByRole("button", { name: "Last stroke away" })).toBeEnabled();
});

test("a picture goes to the clipboard, as PNG or as the text of its SVG", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openGarden(page, GARDEN_POCKETS.slice(0, 1));
  await openHome(page);
  await home(page).getByRole("button", { name: "Copy SVG" }).click();
  await expect(page.getByText("The SVG is on the clipboard.").first()).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^<svg /);
  await home(page).getByRole("button", { name: "Copy PNG" }).click();
  await expect(page.getByText("The PNG is on the clipboard.").first()).toBeVisible();
  const size = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    const bitmap = await createImageBitmap(await item.getType("image/png"));
    return bitmap.width;
  });
  expect(size).toBe(Math.round((120 / 25.4) * 300));
});

const BYTES: readonly FileKind[] = ["svg", "plain-svg", "pdf"];
const SMALL_PPI = 60;
/** Of 255: two renderers smooth edges each in their way, and so small a picture is full of them. */
const EDGES = 3;

/** Shade and gradients, patterns and bands, flat shapes without ink: the others have no other kinds of items, and are for the long run. */
const TRIED = ["almanac-boot-coloured.fern", "almanac-kettle-coloured.fern", "almanac-shed.fern"];

const isTried = (file: string): boolean => (SOAK ? !file.endsWith(".png") : TRIED.includes(file));

for (const { title, file } of DEMOS.filter((demo) => isTried(demo.file)))
  test(`every kind of file of ${title} is the command line's too`, async ({ page }) => {
    test.slow();
    await openDemo(page, title);
    await openHome(page);
    await home(page).getByLabel("Pixels per inch").fill(`${SMALL_PPI}`);
    await home(page).getByLabel("Pixels per inch").press("Enter");
    for (const kind of KINDS) await tick(page, FILE_KINDS[kind].word).check();
    const files = unzipSync((await saved(page)).bytes);
    const drawing = opened(title, drawingFileText(readFileSync(`demo/${file}`)));
    for (const as of KINDS) {
      const { ending, variant = "" } = FILE_KINDS[as];
      const own = Object.keys(files).filter(
        (name) => name.endsWith(`${variant}${ending}`) && name.includes("-plate-") === (as === "plates"),
      );
      const other = await deliver(drawing, { as, ppi: SMALL_PPI });
      const mine = (variant ? own : own.filter((name) => !/-(plain|plates)\.\w+$/.test(name))).sort();
      expect(mine.length, as).toBe(other.length);
      mine.forEach((name, k) => {
        const [a, b] = [files[name], other.sort((p, q) => (p.name < q.name ? -1 : 1))[k].bytes];
        if (BYTES.includes(as)) expect(Buffer.from(a).equals(b), `${as} of ${title}`).toBe(true);
        else if (as === "fern")
          expect(readDrawingFile(drawingFileText(a))).toEqual(readDrawingFile(drawingFileText(b)));
        else if (ending === ".png") expect(differenceOf(rgbOf(a), rgbOf(b)).mean, name).toBeLessThan(EDGES);
        else if (as === "layers") {
          const [merged, painted] = [a, b].map((bytes) => rgbOf(unzipSync(bytes)["mergedimage.png"]));
          expect(differenceOf(merged, painted).mean, name).toBeLessThan(EDGES);
        } else expect([a, b].map((bytes) => problemsOf(bytes))).toEqual(["", ""]);
      });
    }
  });

test("several files go straight into a folder, where the browser has it", async ({ page }) => {
  // The browser's own private folder in place of one that a person chooses.
  await beforeLoads(page, () => {
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
  });
  await openGarden(page, GARDEN_POCKETS.slice(0, 1));
  await openHome(page);
  const taken = home(page).getByRole("region", { name: "Taken home so far" }).getByRole("listitem");
  for (const count of [1, 2]) {
    await home(page).getByRole("button", { name: "Into a folder" }).click();
    await expect(taken).toHaveCount(count);
  }
  const names = await page.evaluate(async () => {
    const found: string[] = [];
    const folder = await navigator.storage.getDirectory();
    for await (const name of (folder as unknown as { keys(): AsyncIterable<string> }).keys())
      found.push(name);
    return found.sort();
  });
  expect(names).toEqual(["garden-2.png", "garden-2.svg", "garden.png", "garden.svg"]);
});
