/** Inked paper: brought in, laid straight, read, and put on the desk. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { encode } from "fast-png";
import { readSvg } from "../core/formats/svg-read.ts";
import { slowness } from "../testing/long-runs.ts";
import { deskReady, isAccessible, openDrawer, openFile, save, stage, test, typeNumber } from "./desk.ts";

const figures = (page: Page) => page.getByRole("status").filter({ hasText: /points|No ink/ });
/** Reading a whole scan; longer where the machine is slow. */
const LONG = { timeout: 40_000 * slowness() };

async function openScan(page: Page): Promise<void> {
  await openDrawer(page);
  await page.getByRole("button", { name: "Open a copy of Bunch of radishes", exact: true }).click();
  await page.waitForURL(/\/scan/);
  await expect(figures(page)).toContainText(/\d+ lines, \d+ points/, LONG);
}

test("reads the demo scan as lines or shapes, also by region, and puts it on the desk", async ({ page }) => {
  test.slow();
  await openScan(page);
  await isAccessible(page);
  await page.getByRole("radio", { name: "Ink shapes" }).click();
  await expect(figures(page)).toContainText(/^\d+ ink shapes, \d+ points/, LONG);
  await page.getByRole("radio", { name: "Centre lines" }).click();
  await expect(figures(page)).toContainText(/^\d+ lines, \d+ points/, LONG);
  await page.getByRole("radio", { name: /^Drag around what is to be read as/ }).click();
  const box = (await page.getByRole("application", { name: "The scan" }).boundingBox())!;
  const scale = (box.height - 56) / 1600;
  const at = (x: number, y: number): [number, number] => [
    box.x + box.width / 2 + (x - 800) * scale,
    box.y + box.height / 2 + (y - 800) * scale,
  ];
  await page.mouse.move(...at(440, 1290));
  await page.mouse.down();
  await page.mouse.move(...at(720, 1480), { steps: 6 });
  await page.mouse.up();
  await expect(figures(page)).toContainText(/^\d+ lines and 3 ink shapes/, LONG);
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect(stage(page, "Lines")).toContainText(/\d+ lines/);
  await expect(stage(page, "Flats")).toContainText(/0 of 3\d pockets/);
});

test("a higher threshold takes more for ink; specks and breaks are set by size; work can be stopped", async ({
  page,
}) => {
  test.slow();
  await openScan(page);
  await typeNumber(page.getByLabel("Specks up to"), "0");
  await expect(page.getByRole("button", { name: "Stop" })).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Stopped" })).toBeVisible();
  await typeNumber(page.getByLabel("Specks up to"), "1");
  await expect(figures(page)).toContainText(/\d+ lines/, LONG);
  const many = Number(/(\d+) lines/.exec((await figures(page).textContent())!)![1]);
  expect(many).toBeGreaterThan(76);
  await page.getByRole("slider", { name: "Ink is darker than" }).focus();
  await page.keyboard.press("Home");
  await expect(figures(page)).toContainText("No ink was found", LONG);
  await page.getByRole("button", { name: "As found" }).click();
  await expect(figures(page)).toContainText(/\d+ lines/, LONG);
  await page.getByRole("button", { name: "Turn a quarter" }).click();
  await page.getByRole("radio", { name: "Crop by a drag" }).click();
  const box = (await page.getByRole("application", { name: "The scan" }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2 - 100, box.y + 200);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 100, box.y + 400, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole("button", { name: "Whole paper" })).toBeVisible();
  // A region by keys alone.
  await page.getByRole("radio", { name: /^Drag around what is to be read as/ }).click();
  await page.getByRole("application", { name: "The scan" }).focus();
  for (const key of ["Enter", "ArrowLeft", "Shift+ArrowRight", "Enter"]) await page.keyboard.press(key);
  await expect(page.getByText("1 region as shapes")).toBeVisible();
  await expect(figures(page)).toContainText(/\d+ lines?/, LONG);
});

test("takes a chosen, dropped or pasted picture, and says what it cannot read", async ({ page }) => {
  const png = readFileSync("demo/almanac-radishes.png").toString("base64");
  await openDrawer(page);
  await page
    .getByLabel("Choose a scan")
    .setInputFiles({ name: "bad.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(page.getByText("This picture cannot be read")).toBeVisible();
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await expect(page.getByText("Nothing here yet")).toBeVisible();
  for (const kind of ["paste", "drop"]) {
    await openDrawer(page);
    await page.evaluate(
      ([data, how]) => {
        const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
        const transfer = new DataTransfer();
        transfer.items.add(new File([bytes], "paper.png", { type: "image/png" }));
        if (how === "paste") window.dispatchEvent(new ClipboardEvent("paste", { clipboardData: transfer }));
        else
          document
            .querySelector("main")!
            .dispatchEvent(new DragEvent("drop", { dataTransfer: transfer, bubbles: true }));
      },
      [png, kind] as const,
    );
    await page.waitForURL(/\/scan/);
    await expect(page.getByRole("heading", { name: "paper" })).toBeVisible();
  }
});

test("a picture that is all grain is not read, and says what would leave fewer lines", async ({ page }) => {
  const side = 2400;
  const data = Uint8Array.from({ length: side * side }, (_, i) =>
    (((i % side) >> 2) + (Math.floor(i / side) >> 2)) % 2 ? 255 : 0,
  );
  const buffer = Buffer.from(encode({ width: side, height: side, data, channels: 1 }));
  await openDrawer(page);
  await page.getByLabel("Choose a scan").setInputFiles({ name: "grain.png", mimeType: "image/png", buffer });
  await expect(page.getByText(/^There are more than 150,000 lines in this picture/)).toBeVisible(LONG);
  await expect(page.getByRole("button", { name: "Put it on the desk" })).toBeDisabled();
});

/** EXIF's note that a picture is to be turned a quarter to the right, as a JPEG segment (EXIF 2.32, 4.6.4). */
const QUARTER_TURN = Buffer.from(
  "ffe1002245786966000049492a0008000000010012010300010000000600000000000000",
  "hex",
);

test("lays a picture as its file says, JPEG or WebP", async ({ page }) => {
  await openDrawer(page);
  const picture = async (type: string) => {
    const base64 = await page.evaluate(async (wanted) => {
      const canvas = new OffscreenCanvas(400, 200);
      const context = canvas.getContext("2d")!;
      context.fillStyle = "#f4f2ee";
      context.fillRect(0, 0, 400, 200);
      context.lineWidth = 8;
      context.strokeRect(40, 40, 120, 90);
      const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: wanted })).arrayBuffer());
      return btoa(String.fromCharCode(...bytes));
    }, type);
    return Buffer.from(base64, "base64");
  };
  const jpeg = await picture("image/jpeg");
  const turned = Buffer.concat([jpeg.subarray(0, 2), QUARTER_TURN, jpeg.subarray(2)]);
  for (const [name, buffer, size] of [
    ["turned.jpg", turned, [200, 400]],
    ["flat.webp", await picture("image/webp"), [400, 200]],
  ] as const) {
    await openDrawer(page);
    await page.getByLabel("Choose a scan").setInputFiles({ name, mimeType: "image/jpeg", buffer });
    await expect(figures(page)).toContainText(/^1 line, \d+ points/, LONG);
    await page.getByRole("button", { name: "Put it on the desk" }).click();
    await deskReady(page);
    await expect(stage(page, "Flats")).toContainText("0 of 1 pockets");
    const { bytes } = await save(page, "SVG");
    const { box } = readSvg(bytes.toString()).page;
    expect([box.width, box.height]).toEqual(size);
  }
});

test("an import says what came in and what did not, and merges near-same colours on the way", async ({
  page,
}) => {
  const shades = ["#6f9a4a", "#70994b", "#c23f5a", "#efe3c8"];
  const body = shades
    .map((fill, i) => `<circle cx="${20 + i * 20}" cy="50" r="8" fill="${fill}" stroke="#000"/>`)
    .join("");
  await openFile(
    page,
    "beds.svg",
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}<text>Bed 4</text></svg>`,
  );
  const report = page.getByRole("dialog", { name: "beds.svg" });
  await expect(report).toContainText("4 strokes and 4 poured pockets came in.");
  await expect(report).toContainText("1 piece of text");
  await expect(report).toContainText("(Bed 4)");
  await expect(report).toContainText("4 of 5");
  await report.getByRole("slider").focus();
  await page.keyboard.press("Home");
  await expect(report).toContainText("5 of 5");
  await isAccessible(page);
  await report.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect(stage(page, "Flats")).toContainText("4 of 4 pockets");
  await expect(page.getByRole("region", { name: "Tin" }).getByRole("listitem")).toHaveCount(5);
});

test("a file of ten megabytes shows how far it is read, and can be stopped", async ({ page }) => {
  const leaf = `<path d="M0 0${"c1.25 2.5 3.75 5 6.25 7.5".repeat(40)}" stroke="#000" fill="none"/>`;
  const big = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000">${leaf.repeat(Math.ceil(10e6 / leaf.length))}</svg>`;
  await openFile(page, "big.svg", big);
  await expect(page.getByText(/Reading big.svg, \d+ %/)).toBeVisible(LONG);
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByText(/Reading big.svg/)).toHaveCount(0);
  await expect(page).toHaveURL(/\/$/);
  await expect(page.getByText("Nothing here yet")).toBeVisible();
});
