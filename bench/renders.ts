/**
 * What React renders while the pointer moves over the lantern's pockets, by the panel it is in: counted through the hook
 * that React reports its commits to for profilers. Beside it, as a check that the count counts, what one pour renders.
 * Needs a build (`npm run build`) and Chromium.
 */
import type { Page } from "@playwright/test";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { lanternSeeds } from "./seeds-on-screen.ts";

const PORT = 4195;

interface Counted {
  rendered: Record<string, number>;
}

export const rendersBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => measure(await newPage(), url));

async function measure(page: Page, url: string): Promise<void> {
  await page.addInitScript(countRenders);
  await goTo(page, url);
  await page.getByRole("button", { name: "Open a copy of Lantern in the shed", exact: true }).click();
  await page.waitForURL(/desk/);
  await page.waitForTimeout(4000);
  const places = await lanternSeeds(page);
  const during = async (what: string, act: () => Promise<void>) => {
    await page.evaluate(() => ((window as unknown as Counted).rendered = {}));
    await act();
    await page.waitForTimeout(500);
    const rendered = await page.evaluate(() => (window as unknown as Counted).rendered);
    const told = Object.entries(rendered).map(([panel, count]) => `${panel} ${count}`);
    console.log(`  components rendered, ${what}: ${told.join(", ") || "none"}`);
  };
  await page.mouse.move(...places[0]);
  await during("pointer moved over 100 pockets", async () => {
    for (const place of places.slice(1, 101)) await page.mouse.move(...place, { steps: 2 });
  });
  await during("one pour", () => page.mouse.click(...places[5]));
}

/** Stands where React looks for its developer tools; of each commit notes which components were rendered. Runs in the page. */
function countRenders(): void {
  interface Fiber {
    readonly tag: number;
    readonly flags: number;
    readonly alternate: Fiber | null;
    readonly child: Fiber | null;
    readonly sibling: Fiber | null;
    readonly return: Fiber | null;
    readonly stateNode: unknown;
  }
  const [PERFORMED_WORK, FUNCTION, HOST] = [1, 0, 5];
  const counted: Counted = { rendered: {} };
  const panelOf = (fiber: Fiber): string => {
    let at: Fiber | null = fiber;
    while (at && at.tag !== HOST) at = at.return;
    const panel = (at?.stateNode as Element | undefined)?.closest("[aria-label], [aria-labelledby], main");
    return panel?.getAttribute("aria-label") ?? panel?.getAttribute("aria-labelledby") ?? "desk";
  };
  const walk = (fiber: Fiber | null) => {
    for (let at = fiber; at; at = at.sibling) {
      const before = at.alternate;
      if (at.tag === FUNCTION && at.flags & PERFORMED_WORK && before) {
        const panel = panelOf(at);
        const { rendered } = window as unknown as Counted;
        rendered[panel] = (rendered[panel] ?? 0) + 1;
      }
      if (before && before.child !== at.child) walk(at.child);
    }
  };
  Object.assign(window, counted, {
    __REACT_DEVTOOLS_GLOBAL_HOOK__: {
      supportsFiber: true,
      renderers: new Map(),
      inject: () => 1,
      checkDCE: () => {},
      onCommitFiberRoot: (_: number, { current }: { current: Fiber }) => walk(current),
      onCommitFiberUnmount: () => {},
      onPostCommitFiberRoot: () => {},
    },
  });
}
