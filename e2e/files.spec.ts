import { expect, type Page } from "@playwright/test";
import { decode } from "fast-png";
import { deskReady, openDemo, openFile, save, stage, test } from "./desk.ts";

const svg = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}</svg>`;
const LINE = '<path stroke="#000" fill="none" d="M10 10H90V90H10Z"/>';

test.describe("bad input", () => {
  const refused: [name: string, text: string, says: RegExp][] = [
    ["notes.svg", "just some words", /not an SVG/],
    ["broken.svg", "<svg><g></svg>", /XML is broken/],
    ["empty.svg", "", /empty/],
    ["page.svg", "<html><body/></html>", /not an SVG/],
    ["huge.svg", `<svg>${" ".repeat(49 * 1024 * 1024)}</svg>`, /49 MB/],
    ["picture.svg", "\u0089PNG\r\n\u001a\n\u0000\u0000", /looks like a picture/],
    ["old.fern", '{"format":"something"}', /drawing file/],
  ];
  for (const [name, text, says] of refused) {
    test(`${name} is refused with a clear message`, async ({ page }) => {
      await openFile(page, name, text);
      const notice = page.getByText(`“${name}” was not opened.`).first();
      await expect(notice).toContainText(says);
      await expect(notice).toContainText("Your drawings are as they were");
      await expect(page).toHaveURL(/\/$/);
    });
  }

  test("scripts are not run and outside files not fetched", async ({ page }) => {
    await openFile(
      page,
      "tricky.svg",
      svg(`<script>document.title="run"</script><image href="http://nowhere.invalid/x.png"/>${LINE}`),
    );
    await deskReady(page);
    await expect(page.getByText("1 script found and not run", { exact: false }).first()).toBeVisible();
    expect(await page.title()).not.toBe("run");
    await expect(stage(page, "Lines")).toContainText("1 strokes");
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
    JSON.parse(bytes.toString()).sheets.find((sheet: { name: string }) => sheet.name === "flats").visible,
  ).toBe(false);
});

test("a browser that keeps nothing still colours and saves", async ({ page }) => {
  await page.addInitScript(() => {
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
async function rendered(
  page: Page,
  text: string,
  size: number,
  ground: string | null,
): Promise<{ data: number[]; width: number }> {
  const blank = await page.context().newPage();
  const data = await blank.evaluate(
    async ([source, pixels, back]) => {
      const image = new Image();
      image.src = `data:image/svg+xml;base64,${btoa(unescape(encodeURIComponent(source)))}`;
      await image.decode();
      const canvas = new OffscreenCanvas(pixels, pixels);
      const context = canvas.getContext("2d")!;
      if (back) {
        context.fillStyle = back;
        context.fillRect(0, 0, pixels, pixels);
      }
      context.drawImage(image, 0, 0, pixels, pixels);
      return [...context.getImageData(0, 0, pixels, pixels).data];
    },
    [text, size, ground] as const,
  );
  await blank.close();
  return { data, width: size };
}

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
  await page.getByLabel("ppi").fill("203");
  const picture = decode((await save(page, "PNG")).bytes);
  const text = (await save(page, "SVG")).bytes.toString();
  const fromSvg = await rendered(page, text, picture.width, null);
  expect(difference(picture.data, fromSvg.data)).toBeLessThan(TOLERANCE);

  const art = await page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer="art"]')!;
    const size = Math.min(canvas.width, canvas.height) - 56;
    const left = Math.round((canvas.width - size) / 2);
    const top = Math.round((canvas.height - size) / 2);
    return { size, data: [...canvas.getContext("2d")!.getImageData(left, top, size, size).data] };
  });
  const small = await rendered(page, text, art.size, null);
  expect(difference(art.data, small.data)).toBeLessThan(TOLERANCE * 2);

  const proof = await page.request.post("/proof", { data: { svg: text, width: picture.width } });
  expect(proof.headers()["content-type"]).toBe("image/png");
  expect(difference(decode(await proof.body()).data, fromSvg.data)).toBeLessThan(TOLERANCE);
  expect((await page.request.post("/proof", { data: { svg: 5, width: -1 } })).status()).toBe(400);
});

test("no background shows through inside the drawing, at four times its size", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  const text = (await save(page, "SVG")).bytes.toString();
  const size = 4000;
  const [magenta, green] = await Promise.all([
    rendered(page, text, size, "#ff00ff"),
    rendered(page, text, size, "#00ff00"),
  ]);
  const open = openGround(magenta.data, size);
  let tinted = 0;
  for (let p = 0; p < size * size; p++) {
    if (open[p]) continue;
    const seen = [0, 1, 2].some((k) => Math.abs(magenta.data[p * 4 + k] - green.data[p * 4 + k]) > 3);
    if (seen) tinted++;
  }
  expect(tinted).toBe(0);
});

/** Marks the ground around the drawing: what can be reached from the picture's rim, with the soft edge of the ink. */
function openGround(data: ArrayLike<number>, size: number): Uint8Array {
  const open = new Uint8Array(size * size);
  const isGround = (p: number) => data[p * 4] > 250 && data[p * 4 + 1] < 5 && data[p * 4 + 2] > 250;
  const queue = [0];
  open[0] = 1;
  for (let p = queue.pop(); p !== undefined; p = queue.pop()) {
    const x = p % size;
    for (const next of [x > 0 ? p - 1 : -1, x < size - 1 ? p + 1 : -1, p - size, p + size]) {
      if (next < 0 || next >= open.length || open[next] || !isGround(next)) continue;
      open[next] = 1;
      queue.push(next);
    }
  }
  return softened(softened(open, size), size);
}

function softened(mask: Uint8Array, size: number): Uint8Array {
  const wider = mask.slice();
  for (let p = size; p < mask.length - size; p++) {
    if (mask[p])
      wider[p - 1] =
        wider[p + 1] =
        wider[p - size] =
        wider[p + size] =
        wider[p - size - 1] =
        wider[p - size + 1] =
        wider[p + size - 1] =
        wider[p + size + 1] =
          1;
  }
  return wider;
}
