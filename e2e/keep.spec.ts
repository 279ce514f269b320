/** Kept means kept: two tabs, no storage, no server, leaving with something unkept. */
import { gunzipSync } from "node:zlib";
import { type BrowserContext, expect, type Page, test as plain } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  beforeLoads,
  clickPage,
  demoFile,
  deskReady,
  isAccessible,
  isKept,
  openDemo,
  pocketsIn,
  save,
  stage,
  test,
} from "./desk.ts";

const KETTLE = "Kettle on the potting bench";
const kettle = pocketsIn(demoFile("kettle"));
const poured = (page: Page, count: number) =>
  expect(stage(page, "Flats")).toContainText(`${count} of ${kettle.length} pockets`);
const pour = (page: Page, index: number) => clickPage(page, kettle[index].seed as Point);

/** The same drawing in another tab. */
async function sameIn(context: BrowserContext, page: Page): Promise<Page> {
  const second = await context.newPage();
  await second.goto(page.url());
  await deskReady(second);
  return second;
}

/** As a browser in which nothing can be kept. */
const withoutStorage = (page: Page) =>
  beforeLoads(page, () => Object.defineProperty(window, "indexedDB", { value: undefined }));

test("a second tab is told, both follow one another, and what is done in both at once is all kept", async ({
  page,
  context,
}) => {
  await openDemo(page, KETTLE);
  await pour(page, 0);
  await isKept(page);
  const second = await sameIn(context, page);
  await expect(second.getByText(/open in another tab too/).first()).toBeVisible();
  await poured(second, 1);
  await pour(page, 1);
  await poured(second, 2);
  await pour(second, 2);
  await poured(page, 3);
  await Promise.all([pour(page, 3), pour(second, 4)]);
  await poured(page, 5);
  await poured(second, 5);
  await second.getByRole("button", { name: "Undo: Pour pocket" }).click();
  await poured(second, 4);
  await poured(page, 4);
  await page.close();
  await isKept(second);
  await second.reload();
  await poured(second, 4);
});

test("the drawer shows a drawing as it was left, in a small picture", async ({ page }) => {
  await openDemo(page, KETTLE);
  await pour(page, 0);
  await poured(page, 1);
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  const picture = page.getByRole("link", { name: `Open ${KETTLE}` }).locator("img");
  await expect(picture).toHaveAttribute("src", /^data:image\/png/);
  // Its page is a thousand units a side.
  const places = [kettle[1], kettle[0]].map(({ seed }) => seed.map((n) => n / 1000));
  const seen = () =>
    picture.evaluate(async (img: HTMLImageElement, at) => {
      await img.decode();
      const { naturalWidth: width, naturalHeight: height } = img;
      const context = new OffscreenCanvas(width, height).getContext("2d")!;
      context.drawImage(img, 0, 0);
      const alphaAt = ([x, y]: number[]) => context.getImageData(x * width, y * height, 1, 1).data[3];
      return { alphas: at.map(alphaAt), longest: Math.max(width, height) };
    }, places);
  await expect.poll(seen).toEqual({ alphas: [0, 255], longest: 512 });
});

test("where nothing can be kept it is said before the first edit, and kept for the visit", async ({
  page,
}) => {
  await withoutStorage(page);
  await openDemo(page, KETTLE);
  await expect(page.getByRole("alert")).toContainText("This browser keeps no drawings");
  await pour(page, 0);
  await pour(page, 1);
  await poured(page, 2);
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await page
    .getByRole("link", { name: `Open ${KETTLE}` })
    .first()
    .click();
  await poured(page, 2);
  await page.getByRole("button", { name: "Undo: Pour pocket" }).click();
  await poured(page, 1);
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await page.getByRole("button", { name: `Delete ${KETTLE}` }).click();
  await page.getByRole("button", { name: "Put it back" }).click();
  await page
    .getByRole("link", { name: `Open ${KETTLE}` })
    .first()
    .click();
  await poured(page, 1);
});

/** As where the disk is full, until `roomAgain` is called in the page. */
const fillUp = (page: Page) =>
  page.evaluate(() => {
    const { put, add } = IDBObjectStore.prototype;
    const full = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
    Object.assign(IDBObjectStore.prototype, { put: full, add: full });
    Object.assign(window, { roomAgain: () => void Object.assign(IDBObjectStore.prototype, { put, add }) });
  });

test("leaving with something unkept warns", async ({ page }) => {
  await openDemo(page, KETTLE);
  await pour(page, 0);
  await isKept(page);
  expect(await asksOnClosing(page)).toBe(false);
  await fillUp(page);
  await pour(page, 1);
  await expect(page.getByRole("alert")).toContainText("storage is full");
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  const warning = page.getByRole("alertdialog", { name: "Leave what is not kept?" });
  await warning.getByRole("button", { name: "Stay" }).click();
  await expect(page).toHaveURL(/desk/);
  expect(await asksOnClosing(page)).toBe(true);
});

test("storage that fills up is said in time; once it is full nothing is lost, and all is kept as soon as there is room", async ({
  page,
}) => {
  test.slow();
  await openDemo(page, KETTLE);
  await pour(page, 0);
  await isKept(page);
  // What Chromium tells of its room is no longer what there is.
  await beforeLoads(page, () => {
    navigator.storage.estimate = async () => ({ usage: 90, quota: 100 });
  });
  await page.reload();
  await expect(page.getByText(/^The browser’s storage is nearly full/)).toBeVisible();
  await isAccessible(page);
  await fillUp(page);
  await pour(page, 1);
  await expect(page.getByRole("alert")).toContainText("storage is full");
  await pour(page, 2);
  await poured(page, 3);
  await page.evaluate("roomAgain()");
  await pour(page, 3);
  await isKept(page);
  await page.reload();
  await poured(page, 4);
});

/** Whether closing the page would make the browser ask. */
const asksOnClosing = (page: Page): Promise<boolean> =>
  page.evaluate(() => !window.dispatchEvent(new Event("beforeunload", { cancelable: true })));

test("saving needs no server: everything the desk can do is loaded with it, and the drawer asks nothing of it", async ({
  page,
  context,
}) => {
  await openDemo(page, KETTLE);
  await pour(page, 0);
  await page.waitForLoadState("networkidle");
  await context.setOffline(true);
  // Pictures of the demo drawings and the page's icon are the drawer's only requests.
  await page.route("**/*", (route) =>
    /\.svg$|\?picture$/.test(route.request().url())
      ? route.fulfill({ path: "public/fern.svg" })
      : route.abort(),
  );
  await pour(page, 1);
  expect((await save(page, "SVG")).bytes.toString()).toContain('data-is="pour"');
  expect((await save(page, "PNG")).bytes.subarray(1, 4).toString()).toBe("PNG");
  expect(gunzipSync((await save(page, "Drawing file")).bytes).toString()).toContain("fern-pocket-drawing");
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await page.getByRole("button", { name: `Duplicate ${KETTLE}` }).click();
  await expect(page.getByRole("heading", { name: `${KETTLE} copy` })).toBeVisible();
});

// The browser itself logs the failed answer as an error.
plain("a proof that fails is told, and what became of the drawing", async ({ page }) => {
  await openDemo(page, KETTLE);
  await stage(page, "Deliver").click();
  await page.route(/\/proof\?/, (route) =>
    route.fulfill({ status: 503, body: "The print shop stand-in is busy." }),
  );
  await page.getByRole("button", { name: "Proof" }).click();
  await expect(page.getByText(/There is no proof\. The print shop stand-in is busy\./).first()).toBeVisible();
});
