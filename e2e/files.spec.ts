import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { expect, type Page } from "@playwright/test";
import { decode } from "fast-png";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { boundsOf } from "../core/geometry/point.ts";
import { crossingsAt } from "../core/geometry/polygon.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";
import {
  beforeLoads,
  deskReady,
  openDemo,
  openDrawer,
  openFile,
  openPage,
  save,
  stage,
  test,
  typeNumber,
} from "./desk.ts";

const svg = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}</svg>`;
const LINE = '<path stroke="#000" fill="none" d="M10 10H90V90H10Z"/>';

test.describe("bad input", () => {
  const isRefused = async (page: Page, name: string, says: RegExp) => {
    const notice = page.getByText(`“${name}” was not opened.`).first();
    await expect(notice).toContainText(says);
    await expect(notice).toContainText("Your drawings are as they were");
    await expect(page).toHaveURL(/\/$/);
  };
  const refused: [name: string, text: string, says: RegExp][] = [
    ["notes.svg", "just some words", /not an SVG/],
    ["broken.svg", "<svg><g></svg>", /XML is broken/],
    ["empty.svg", "", /empty/],
    ["page.svg", "<html><body/></html>", /not an SVG/],
    ["picture.svg", "\u0089PNG\r\n\u001a\n\u0000\u0000", /looks like a picture/],
    ["old.fern", '{"format":"something"}', /drawing file/],
  ];
  for (const [name, text, says] of refused) {
    test(`${name} is refused with a clear message`, async ({ page }) => {
      await openFile(page, name, text);
      await isRefused(page, name, says);
    });
  }

  test("huge.svg is refused with a clear message", async ({ page }) => {
    // From disk: through the test's own wire it would take half a minute.
    const file = join(mkdtempSync(join(tmpdir(), "fern-huge-")), "huge.svg");
    writeFileSync(file, `<svg>${" ".repeat(49 * 1024 * 1024)}</svg>`);
    await openDrawer(page);
    await page.getByLabel("Choose an SVG").setInputFiles(file);
    await isRefused(page, "huge.svg", /49 MB/);
    rmSync(file);
  });

  test("scripts are not run and outside files not fetched", async ({ page }) => {
    await openFile(
      page,
      "tricky.svg",
      svg(`<script>document.title="run"</script><image href="http://nowhere.invalid/x.png"/>${LINE}`),
    );
    const report = page.getByRole("dialog", { name: "tricky.svg" });
    await expect(report).toContainText("1 script, found and not run");
    await report.getByRole("button", { name: "Put it on the desk" }).click();
    await deskReady(page);
    expect(await page.title()).not.toBe("run");
    await expect(stage(page, "Lines")).toContainText("1 stroke");
  });
});

test("storage that is full is told, and the drawing can still be saved as a file", async ({ page }) => {
  await openDemo(page, "Boot with ferns");
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
  });
  await page.getByRole("button", { name: "Hide flats" }).click();
  await expect(page.getByRole("alert")).toContainText("storage is full");
  const { bytes } = await save(page, "Drawing file");
  expect(
    JSON.parse(gunzipSync(bytes).toString()).sheets.find((sheet: { name: string }) => sheet.name === "flats")
      .visible,
  ).toBe(false);
});

test("a browser that keeps nothing still colours and saves", async ({ page }) => {
  await beforeLoads(page, () => {
    IDBFactory.prototype.open = () => {
      throw new DOMException("denied", "SecurityError");
    };
  });
  await page.goto("/");
  await expect(page.getByRole("alert")).toContainText("not letting Fern Pocket keep drawings");
  await page.getByRole("button", { name: "Open a copy of Boot with ferns", exact: true }).click();
  await deskReady(page);
  await page.getByRole("button", { name: "Hide flats" }).click();
  await expect(page.getByRole("alert")).toContainText("keeps no drawings");
  expect((await save(page, "Drawing file")).bytes.length).toBeGreaterThan(1000);
});

/** An SVG as Chromium draws it at a number of pixels across, on a ground or on nothing. */
async function rendered(page: Page, text: string, size: number, ground: string | null) {
  const blank = await page.context().newPage();
  const png = await blank.evaluate(
    async ([source, pixels, back]) => {
      const image = new Image();
      image.src = `data:image/svg+xml,${encodeURIComponent(source)}`;
      await image.decode();
      const canvas = document.createElement("canvas");
      canvas.width = canvas.height = pixels;
      const context = canvas.getContext("2d")!;
      if (back) {
        context.fillStyle = back;
        context.fillRect(0, 0, pixels, pixels);
      }
      context.drawImage(image, 0, 0, pixels, pixels);
      return canvas.toDataURL("image/png");
    },
    [text, size, ground] as const,
  );
  await blank.close();
  return pictureOf(png);
}

/** The pixels of a PNG's data address. */
const pictureOf = (address: string) => decode(Buffer.from(address.slice(address.indexOf(",") + 1), "base64"));

/** Share of pixels where any channel differs by more than 48 of 255; edges fall a fraction of a pixel apart. */
function difference(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let off = 0;
  for (let i = 0; i < a.length; i += 4) {
    const over = (data: ArrayLike<number>, k: number) =>
      data[i + k] * (data[i + 3] / 255) + 255 - data[i + 3];
    if ([0, 1, 2].some((k) => Math.abs(over(a, k) - over(b, k)) > 48)) off++;
  }
  return (off * 4) / a.length;
}

/** At most one pixel in two hundred may differ by more than an edge's worth. */
const TOLERANCE = 0.005;

test("canvas, exported SVG, PNG and the print shop stand-in show the same picture", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  await stage(page, "Deliver").click();
  await openPage(page);
  await typeNumber(page.getByLabel("ppi"), "203");
  const picture = decode((await save(page, "PNG")).bytes);
  const text = (await save(page, "SVG")).bytes.toString();
  const fromSvg = await rendered(page, text, picture.width, null);
  expect(difference(picture.data, fromSvg.data)).toBeLessThan(TOLERANCE);

  const art = pictureOf(
    await page.evaluate(() => {
      const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer="art"]')!;
      const size = Math.min(canvas.width, canvas.height) - 56;
      const part = document.createElement("canvas");
      part.width = part.height = size;
      part.getContext("2d")!.drawImage(canvas, (size - canvas.width) / 2, (size - canvas.height) / 2);
      return part.toDataURL("image/png");
    }),
  );
  const small = await rendered(page, text, art.width, null);
  expect(difference(art.data, small.data)).toBeLessThan(TOLERANCE * 2);

  const proof = await page.request.post(`/proof?width=${picture.width}`, { data: text });
  expect(proof.headers()["content-type"]).toBe("image/png");
  expect(difference(decode(await proof.body()).data, fromSvg.data)).toBeLessThan(TOLERANCE);
  expect((await page.request.post("/proof?width=-1", { data: text })).status()).toBe(400);
});

test("no background shows through inside the drawing, at four times its size", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  const text = (await save(page, "SVG")).bytes.toString();
  const size = 4000;
  const [magenta, green] = [
    await rendered(page, text, size, "#ff00ff"),
    await rendered(page, text, size, "#00ff00"),
  ];
  const drawing = await readDrawingFile(readFileSync("demo/almanac-boot-coloured.fern", "utf8"));
  const pockets = pocketsOf(buildMap(linesOf(drawing)));
  const inside = insideOf(pockets, size, 4);
  let tinted = 0;
  let clear = 0;
  for (let p = 0; p < size * size; p++) {
    const shows = [0, 1, 2].some((k) => Math.abs(magenta.data[p * 4 + k] - green.data[p * 4 + k]) > 2);
    if (!shows) continue;
    clear++;
    if (inside[p]) tinted++;
  }
  expect(clear).toBeGreaterThan(size * size * 0.3);
  expect(tinted).toBe(0);
});

/** Pixels that lie in the pockets together with all eight around them: the outer edge of a bridge is soft by nature. */
function insideOf(pockets: readonly Pocket[], size: number, scale: number): Uint8Array {
  const mask = new Uint8Array(size * size);
  for (const { rings } of pockets) {
    const { y, height } = boundsOf([rings[0]])!;
    for (let row = Math.floor(y * scale); row <= (y + height) * scale; row++) {
      const xs = crossingsAt(rings, (row + 0.5) / scale);
      for (let k = 0; k + 1 < xs.length; k += 2) {
        mask.fill(
          1,
          row * size + Math.ceil(xs[k] * scale - 0.5),
          row * size + Math.ceil(xs[k + 1] * scale - 0.5),
        );
      }
    }
  }
  const around = [-size - 1, -size, -size + 1, -1, 1, size - 1, size, size + 1];
  return mask.map((on, p) => (on && around.every((step) => mask[p + step]) ? 1 : 0));
}

test("a large picture tells how far it is and is stopped; one too wide is refused in plain words", async ({
  page,
}) => {
  await openDemo(page, "Boot with ferns, coloured");
  await stage(page, "Deliver").click();
  await openPage(page);
  await typeNumber(page.getByLabel("ppi"), "2400");
  await typeNumber(page.getByLabel("Width"), "300");
  await page.getByRole("button", { name: "Save PNG" }).click();
  await expect(page.getByRole("button", { name: /^[1-9]\d* %$/ })).toBeVisible();
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(page.getByText("The PNG was stopped. Your drawing is unchanged.").first()).toBeVisible();
  await openPage(page);
  await typeNumber(page.getByLabel("Width"), "400");
  await page.getByRole("button", { name: "Save PNG" }).click();
  await expect(page.getByText(/37795 pixels wide; browsers paint up to 32767/).first()).toBeVisible();
});
