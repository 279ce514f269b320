/** The guided spot, done from an empty drawer by mouse, by pen with a palm on the glass, and by keys alone. */
import { type BrowserContext, expect, type Page } from "@playwright/test";
import { downloaded, isAccessible, openDrawer, said, stage, test } from "./desk.ts";

const strip = (page: Page) => page.getByRole("region", { name: "Show me" });
const ring = (page: Page) => page.getByTestId("show-me-ring");
const pointedOut = (page: Page) => page.locator("[data-pointed-out]");

/** Ways of doing what is pointed out. */
interface Device {
  /** Presses a place of the window. */
  readonly press: (at: { x: number; y: number }) => Promise<unknown>;
}

/** What is pointed out just now, as a word that changes with it. */
async function pointing(page: Page): Promise<string> {
  const [where] = await page.locator("[data-testid=show-me-ring], [data-pointed-out]").evaluateAll((all) =>
    all.map((el) => {
      const { x, y } = el.getBoundingClientRect();
      return `${x} ${y} ${el.getAttribute("aria-label")}`;
    }),
  );
  return `${await strip(page).textContent()} ${where}`;
}

/** The middle of what is pointed out. */
async function pointedAt(page: Page): Promise<{ x: number; y: number }> {
  const target = (await ring(page).count()) > 0 ? ring(page) : pointedOut(page).first();
  const { x, y, width, height } = (await target.boundingBox())!;
  return { x: x + width / 2, y: y + height / 2 };
}

const isDue = (page: Page, word: string) => expect(strip(page)).toContainText(word);

/** Does what is pointed out until another step is due. */
async function follow(page: Page, next: string, act: () => Promise<unknown>): Promise<void> {
  for (let presses = 0; presses < 8; presses++) {
    await expect(ring(page).or(pointedOut(page)).first()).toBeVisible();
    const before = await pointing(page);
    await act();
    await expect.poll(() => pointing(page)).not.toBe(before);
    if ((await strip(page).textContent())?.includes(next)) return;
  }
  throw new Error(`“${next}” was not reached`);
}

/** All eight steps, with whatever presses what is pointed out. */
async function wholeSpot(page: Page, act: () => Promise<unknown>, colour: () => Promise<unknown>) {
  await isDue(page, "1 of 8");
  await follow(page, "2 of 8", act);
  await finish(page, act, colour);
}

/** From the gap on. */
async function finish(page: Page, act: () => Promise<unknown>, colour: () => Promise<unknown>) {
  for (const next of ["4 of 8", "5 of 8", "6 of 8", "7 of 8"]) await follow(page, next, act);
  await act();
  await colour();
  await isDue(page, "8 of 8");
  await act();
  await expect(page.getByRole("button", { name: "Save PNG" })).toHaveAttribute("data-pointed-out");
  const { name, bytes } = await downloaded(page, act);
  expect(name).toMatch(/\.png$/);
  expect(bytes.subarray(1, 4).toString()).toBe("PNG");
  await isDue(page, "A whole spot");
}

async function begin(page: Page): Promise<void> {
  await openDrawer(page);
  await page.getByRole("button", { name: "Show me" }).click();
  await page.waitForURL(/\/desk\//);
  await expect(stage(page, "Flats")).toContainText("pockets");
}

const byPointer =
  (page: Page, { press }: Device) =>
  async () =>
    press(await pointedAt(page));

/** In the colour editor, which is open. */
async function typeColour(page: Page): Promise<void> {
  await page.getByLabel("Colour as hexadecimal").fill("#7a6a9a");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
}

test("by mouse; left on the way and taken up again", async ({ page }) => {
  await begin(page);
  const act = byPointer(page, { press: ({ x, y }) => page.mouse.click(x, y) });
  await follow(page, "2 of 8", act);
  await isAccessible(page);
  await strip(page).getByRole("button", { name: "Leave Show me" }).click();
  await expect(strip(page)).toBeHidden();
  await page.reload();
  await page.getByRole("button", { name: "Desk menu" }).click();
  await page.getByRole("menuitem", { name: "Show me" }).click();
  await isDue(page, "2 of 8");
  // Done another way: all openings are bridged on Gaps.
  await stage(page, "Gaps").click();
  await page.getByRole("button", { name: "More", exact: true }).click();
  await page.getByRole("button", { name: /^Bridge all/ }).click();
  await isDue(page, "3 of 8");
  await stage(page, "Flats").click();
  await page.getByRole("radio", { name: "Pour" }).click();
  await finish(page, act, () => typeColour(page));
});

test("by pen, with the palm on the glass", async ({ page, context }) => {
  await begin(page);
  await wholeSpot(page, byPointer(page, await penOn(page, context)), () => typeColour(page));
});

async function penOn(page: Page, context: BrowserContext): Promise<Device> {
  const cdp = await context.newCDPSession(page);
  const pen = (type: "mouseMoved" | "mousePressed" | "mouseReleased", at: { x: number; y: number }) =>
    cdp.send("Input.dispatchMouseEvent", {
      type,
      ...at,
      button: type === "mouseMoved" ? "none" : "left",
      buttons: type === "mousePressed" ? 1 : 0,
      force: type === "mousePressed" ? 0.6 : 0,
      clickCount: 1,
      pointerType: "pen",
    });
  const palm = (type: "touchStart" | "touchEnd", points: { x: number; y: number }[]) =>
    cdp.send("Input.dispatchTouchEvent", { type, touchPoints: points });
  return {
    press: async (at) => {
      await pen("mouseMoved", at);
      await pen("mousePressed", at);
      await palm("touchStart", [{ x: at.x + 60, y: at.y + 70 }]);
      await pen("mouseReleased", at);
      await palm("touchEnd", []);
    },
  };
}

test("by keys alone", async ({ page }) => {
  await openDrawer(page);
  const showMe = page.getByRole("button", { name: "Show me" });
  for (let tabs = 0; tabs < 12 && !(await showMe.evaluate((el) => el === document.activeElement)); tabs++)
    await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/desk\//);
  await expect(stage(page, "Flats")).toContainText("pockets");
  await wholeSpot(
    page,
    async () => {
      await toStrip(page);
      await page.keyboard.press("Enter");
      const presses = /^Pointer/.test((await said(page).textContent())!) ? 2 : 1;
      for (let k = 0; k < presses; k++) await page.keyboard.press("Enter");
    },
    async () => {
      const field = page.getByLabel("Colour as hexadecimal");
      for (let tabs = 0; tabs < 20 && !(await field.evaluate((el) => el === document.activeElement)); tabs++)
        await page.keyboard.press("Tab");
      await page.keyboard.press("Control+A");
      await page.keyboard.type("#7a6a9a");
      await page.keyboard.press("Enter");
      await page.keyboard.press("Escape");
    },
  );
});

/** Steps to the strip, whose first button goes to what is pointed out. */
async function toStrip(page: Page): Promise<void> {
  const there = strip(page).getByRole("button", { name: "Take me there" });
  for (let steps = 0; steps < 9; steps++) {
    await page.keyboard.press("F6");
    if (await there.evaluate((el) => el === document.activeElement)) return;
  }
  throw new Error("The strip was not reached");
}
