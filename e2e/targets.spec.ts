/** What a hand presses, in every window the desk is used in: large enough, far enough apart, with no word cut, and the paper above all. */
import { type Browser, expect, type Page } from "@playwright/test";
import { openDemo, openMore, paper, stage, test } from "./desk.ts";

const WINDOWS = [
  [1280, 800],
  [1180, 820],
  [820, 1180],
  [1024, 768],
  [768, 1024],
  [390, 844],
] as const;
const STAGES = ["Lines", "Gaps", "Flats", "Light", "Deliver"];

const POINTERS = [
  { pointer: "fingers", side: 44, apart: 8 },
  { pointer: "a mouse", side: 24, apart: 0 },
];

for (const { pointer, side, apart } of POINTERS)
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
    for (const [width, height] of WINDOWS) {
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

/** What is too small, too near, cut, wrapped or beyond the window, in words. */
const faultsOf = (page: Page, side: number, apart: number): Promise<string[]> =>
  page.evaluate(
    ([least, between]) => {
      const named = (el: Element) =>
        `${el.getAttribute("aria-label") ?? el.textContent?.trim().slice(0, 30) ?? ""} <${el.tagName.toLowerCase()}>`;
      const TARGETS =
        "button, a[href], input, select, textarea, [role=slider], [role=switch], [role=radio], [role=menuitem]";
      /** A hidden input is pressed by its label. */
      const pressed = (el: Element) =>
        el instanceof HTMLInputElement && ["file", "checkbox"].includes(el.type)
          ? (el.closest("label") ?? el)
          : el;
      const isReached = (el: Element) => {
        const { x, y, width, height } = el.getBoundingClientRect();
        const corners = [
          [x + 2, y + 2],
          [x + width - 2, y + height - 2],
          [x + width / 2, y + height / 2],
        ];
        return corners.every(([cx, cy]) => {
          const top = document.elementFromPoint(cx, cy);
          return top !== null && (el.contains(top) || top.contains(el));
        });
      };
      const targets = [...new Set([...document.querySelectorAll(TARGETS)].map(pressed))].filter(
        (el) =>
          el.getClientRects().length > 0 && getComputedStyle(el).visibility === "visible" && isReached(el),
      );
      const faults: string[] = [];
      const boxes = targets.map((el) => el.getBoundingClientRect());
      for (const [i, { width, height }] of boxes.entries())
        if (width < least - 0.5 || height < least - 0.5)
          faults.push(`${named(targets[i])} is ${width.toFixed(1)} x ${height.toFixed(1)}`);
      for (const [i, one] of boxes.entries())
        for (let k = i + 1; k < boxes.length; k++) {
          const other = boxes[k];
          if (targets[i].contains(targets[k]) || targets[k].contains(targets[i])) continue;
          const dx = Math.max(one.left, other.left) - Math.min(one.right, other.right);
          const dy = Math.max(one.top, other.top) - Math.min(one.bottom, other.bottom);
          if (Math.max(dx, dy) < between - 0.5)
            faults.push(
              `${named(targets[i])} and ${named(targets[k])} are ${Math.max(dx, dy).toFixed(1)} apart`,
            );
        }
      for (const el of document.querySelectorAll(".desk-tray *, #more-settings *")) {
        if (el.closest(".sr-only") || el instanceof SVGElement) continue;
        if (
          el.scrollWidth > el.clientWidth + 1 &&
          getComputedStyle(el).overflowX !== "visible" &&
          el.clientWidth > 0
        )
          faults.push(`${named(el)} is cut`);
        const isWord = ["BUTTON", "LABEL", "SPAN"].includes(el.tagName) && el.children.length === 0;
        const range = document.createRange();
        range.selectNodeContents(el);
        if (isWord && new Set([...range.getClientRects()].map(({ top }) => Math.round(top))).size > 1)
          faults.push(`${named(el)} wraps`);
      }
      const { scrollWidth, scrollHeight } = document.documentElement;
      if (scrollWidth > innerWidth || scrollHeight > innerHeight)
        faults.push(`the page is ${scrollWidth} x ${scrollHeight}`);
      return faults;
    },
    [side, apart],
  );
