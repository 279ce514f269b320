/** What a hand presses, in every window the desk is used in: large enough, far enough apart, with no word cut, and the paper above all. */
import { type Browser, expect, type Page } from "@playwright/test";
import { SOAK } from "../testing/long-runs.ts";
import { find, fromMenu, isAccessible, onScreen, openDemo, openMore, paper, stage, test } from "./desk.ts";
import { faultsOf } from "./faults-of.ts";
import { openHome } from "./take-home.ts";

type Size = readonly [width: number, height: number];
const WINDOWS: readonly Size[] = [
  [1280, 800],
  [1180, 820],
  [820, 1180],
  [1024, 768],
  [768, 1024],
  [390, 844],
];
const STAGES = ["Lines", "Gaps", "Flats", "Light", "Deliver"];

interface Pointer {
  readonly pointer: string;
  readonly side: number;
  readonly apart: number;
  /** Those of `npm test`: the narrower of two that are laid out alike. */
  readonly windows: readonly Size[];
}

const [DESK, TABLET, , NARROW, UPRIGHT, PHONE] = WINDOWS;
const POINTERS: readonly Pointer[] = [
  { pointer: "fingers", side: 44, apart: 8, windows: [TABLET, NARROW, UPRIGHT, PHONE] },
  { pointer: "a mouse", side: 24, apart: 0, windows: [DESK, UPRIGHT, PHONE] },
];

for (const { pointer, side, apart, windows } of POINTERS)
  test(`with ${pointer} every target is ${side} px and ${apart} px from the next, and nothing is cut`, async ({
    browser,
    baseURL,
  }) => {
    test.slow();
    const page = await pageFor(browser, baseURL!, pointer === "fingers");
    await openDemo(page, "Boot with ferns, coloured");
    /** Each with the place where it was seen first. */
    const found = new Map<string, string>();
    const look = async (where: string) => {
      for (const fault of await faultsOf(page, side, apart)) if (!found.has(fault)) found.set(fault, where);
    };
    for (const [width, height] of SOAK ? WINDOWS : windows) {
      await page.setViewportSize({ width, height });
      const box = (await paper(page).boundingBox())!;
      expect(
        (box.width * box.height) / (width * height),
        `paper at ${width} x ${height}`,
      ).toBeGreaterThanOrEqual(0.6);
      for (const name of STAGES) {
        await stage(page, name).click();
        for (const word of await toolsOf(page)) {
          if (word) await takeTool(page, word);
          await openMore(page);
          await look(`${width} x ${height}, ${name}, ${word}`);
        }
      }
      await withPanels(page, async (panel) => {
        for (const name of STAGES) {
          await stage(page, name).click();
          const where = `${width} x ${height}, ${name}, ${panel}`;
          if (panel === "Tin") await look(where);
          else await withSections(page, () => look(where));
        }
      });
    }
    await page.context().close();
    expect([...found]).toEqual([]);
  });

/** Entries of the desk's menu that open a window. */
const OPENED = ["Help", "Settings", "Keys", "Versions"];
/** Windows that Find opens. */
const FOUND = ["Colours from a picture", "Colourways side by side", "Before and after the light"];

test("windows and menus have targets for fingers, and are accessible in the dark", async ({
  browser,
  baseURL,
}) => {
  test.slow();
  const page = await pageFor(browser, baseURL!, true);
  await page.setViewportSize({ width: 1180, height: 820 });
  await openDemo(page, "Boot with ferns, coloured");
  await find(page, "dark frame");
  await page.keyboard.press("Enter");
  await expect(page.locator("html")).toHaveAttribute("data-frame", "dark");
  const found = new Map<string, string>();
  const look = async (where: string, selector: string) => {
    await page.locator(selector).first().waitFor();
    for (const fault of await faultsOf(page, 44, 8)) if (!found.has(fault)) found.set(fault, where);
    await isAccessible(page, selector);
    await page.keyboard.press("Escape");
    await page.locator(selector).first().waitFor({ state: "hidden" });
  };
  for (const entry of OPENED) {
    await fromMenu(page, entry);
    await look(entry, "[role=dialog]");
  }
  for (const words of FOUND) {
    await find(page, words);
    await page.keyboard.press("Enter");
    await look(words, "[role=dialog]");
  }
  await openHome(page);
  await look("files to take home", "[role=dialog]");
  for (const words of ["shade", "no such thing"]) {
    await find(page, words);
    await look(`Find, ${words}`, "[role=dialog]");
  }
  await page.getByRole("button", { name: "Desk menu" }).click();
  await look("the desk's menu", "[role=menu]");
  for (const name of STAGES.slice(0, 4)) {
    await stage(page, name).click();
    await page.mouse.click(...(await onScreen(page, BOOT_SIDE)), { button: "right" });
    const menu = page.getByRole("menu");
    if (await menu.isVisible()) await look(`the paper's menu, ${name}`, "[role=menu]");
  }
  await page.context().close();
  expect([...found]).toEqual([]);
});

/** Within the boot, on a line of which many menus speak. */
const BOOT_SIDE: [number, number] = [560, 660];

async function pageFor(browser: Browser, baseURL: string, touch: boolean): Promise<Page> {
  const context = await browser.newContext({
    baseURL,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: "block",
    hasTouch: touch,
    isMobile: touch,
  });
  const page = await context.newPage();
  page.setDefaultTimeout(5000);
  return page;
}

/** By their words; one without a word where they open from the one in the hand. */
async function toolsOf(page: Page): Promise<string[]> {
  const words = await page
    .getByRole("radiogroup", { name: /^Tools for / })
    .getByRole("radio")
    .allTextContents();
  if (words.length > 0) return words;
  await page.getByRole("button", { name: /^Tool: / }).click();
  const items = await page.getByRole("menuitemradio").allTextContents();
  await page.keyboard.press("Escape");
  return items.map((word) => word.trim());
}

async function takeTool(page: Page, word: string): Promise<void> {
  const inRow = page.getByRole("radio", { name: word, exact: true });
  if (await inRow.isVisible()) return inRow.click();
  await page.getByRole("button", { name: /^Tool: / }).click();
  await page.getByRole("menuitemradio", { name: word, exact: true }).click();
}

/** Each section of the press in turn, the others as they fit. */
async function withSections(page: Page, act: () => Promise<void>): Promise<void> {
  const press = page.getByRole("complementary", { name: "Press and snags" });
  for (const heading of await press.getByRole("heading", { level: 2 }).getByRole("button").all()) {
    if ((await heading.getAttribute("aria-expanded")) === "false") await heading.click();
    await act();
  }
}

/** Does something with each panel that has to be called. */
async function withPanels(page: Page, act: (panel: string) => Promise<void>): Promise<void> {
  for (const panel of ["Tin", "Press"]) {
    const handle = page.getByRole("button", { name: `${panel} panel` });
    const stands = (await handle.getAttribute("aria-expanded")) === "true";
    if (!stands) await handle.click();
    await act(panel);
    if (!stands) await handle.click();
  }
}
