/**
 * Kept means kept: while colours are poured without a pause the renderer is crashed or the whole browser killed, and
 * what comes back is compared with what the interface had last called kept. Needs a build and Chromium.
 */
import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { type Browser, chromium, type Page } from "@playwright/test";
import { goTo } from "./go-to.ts";

const PORT = 4194;
const KILLS = Number(process.env.KILLS ?? 200);
/** Kills after which a fresh drawing is taken: the old one has few bare pockets left. */
const FRESH_AFTER = 10;
const LONGEST_MS = 1500;
/** Between two pours the hand rests up to so long: so that now and then all is kept before the next. */
const REST_MS = 150;

export async function killsBench(): Promise<void> {
  const server = spawn("node", ["build/host/main.js"], {
    env: { ...process.env, PORT: String(PORT), NODE_ENV: "production" },
    stdio: "ignore",
  });
  const profile = mkdtempSync(join(tmpdir(), "fern-kills-"));
  let lost = 0;
  let written = 0;
  let url = "";
  let own = await Chromium.start(profile);
  try {
    for (let kill = 0; kill < KILLS; kill++) {
      const page = await own.page();
      if (kill % FRESH_AFTER === 0) url = await freshDrawing(page);
      else await reach(page, url);
      const kept = await pourUntilKilled(page, kill % 2 === 0 ? own : undefined);
      if (kill % 2 === 0) own = await Chromium.start(profile);
      const again = await own.page();
      await reach(again, url);
      const found = await colouredIn(again);
      await again.close();
      written += kept.count;
      if (found < kept.count) {
        lost++;
        console.log(`  kill ${kill}: ${kept.count} kept, ${found} came back`);
      }
      if ((kill + 1) % 25 === 0) console.log(`  ${kill + 1} kills so far, ${lost} lost something`);
    }
  } finally {
    own.end();
    server.kill();
  }
  console.log(`  ${KILLS} kills, half of them of the whole browser: ${lost} lost something called kept`);
  console.log(`  ${written} colours were called kept before the kills, in all`);
}

class Chromium {
  private constructor(
    private readonly child: ChildProcess,
    private readonly browser: Browser,
  ) {}

  static async start(profile: string): Promise<Chromium> {
    const flags = ["--headless=new", "--no-sandbox", "--disable-gpu", "--no-first-run"];
    const more = [
      "--disable-background-networking",
      "--remote-debugging-port=0",
      `--user-data-dir=${profile}`,
    ];
    const child = spawn(process.env.CHROMIUM ?? "/usr/bin/chromium", [...flags, ...more], {
      stdio: ["ignore", "ignore", "pipe"],
      detached: true,
    });
    const address = await new Promise<string>((resolve) => {
      let said = "";
      child.stderr!.on("data", (chunk) => {
        said += chunk;
        const found = /ws:\/\/\S+/.exec(said);
        if (found) resolve(found[0]);
      });
    });
    const started = await chromium.connectOverCDP(address, { timeout: 8000 }).catch(() => undefined);
    if (started) return new Chromium(child, started);
    // A browser that was killed now and then does not come up at once.
    process.kill(-child.pid!, "SIGKILL");
    await pause(500);
    return Chromium.start(profile);
  }

  page = (): Promise<Page> => this.browser.contexts()[0].newPage();

  /** All its processes at once, as a power cut would. */
  end(): void {
    try {
      process.kill(-this.child.pid!, "SIGKILL");
    } catch {
      // It is gone already.
    }
  }
}

async function reach(page: Page, url: string): Promise<void> {
  await goTo(page, url);
  await page.waitForFunction(() =>
    /\d+ of \d+ pockets/.test(document.querySelector("nav")?.textContent ?? ""),
  );
}

async function freshDrawing(page: Page): Promise<string> {
  await goTo(page, `http://127.0.0.1:${PORT}/`);
  await page.waitForTimeout(800);
  await page.getByRole("button", { name: "Open a copy of Lantern in the shed" }).click();
  await page.waitForURL(/desk/);
  await reach(page, page.url());
  return page.url();
}

const colouredIn = (page: Page): Promise<number> =>
  page.evaluate(() => Number(/(\d+) of \d+ pockets/.exec(document.querySelector("nav")!.textContent!)![1]));

/** Pours bare pockets one after another, as fast as keys go, until the renderer or its browser is gone. */
async function pourUntilKilled(
  page: Page,
  browser: Chromium | undefined,
): Promise<{ readonly count: number }> {
  const kept = { count: await colouredIn(page) };
  await page.exposeFunction("sayKept", (count: number) => {
    kept.count = Math.max(kept.count, count);
  });
  await page.evaluate(() => {
    const sign = document.querySelector("[data-keeping]")!;
    const count = () => Number(/(\d+) of \d+ pockets/.exec(document.querySelector("nav")!.textContent!)![1]);
    new MutationObserver(() => {
      if (sign.getAttribute("data-keeping") === "kept")
        (window as unknown as { sayKept: (count: number) => void }).sayKept(count());
    }).observe(sign, { attributes: true });
    document.getElementById("paper")!.focus();
  });
  const cdp = await page.context().newCDPSession(page);
  let over = false;
  const pouring = (async () => {
    while (!over) {
      await page.keyboard.press("n");
      await page.keyboard.press("Enter");
      await pause(Math.random() * REST_MS);
    }
  })().catch(() => {});
  await pause(Math.random() * LONGEST_MS);
  if (browser) browser.end();
  else await Promise.race([cdp.send("Page.crash").catch(() => {}), pause(300)]);
  over = true;
  await Promise.race([pouring, pause(500)]);
  if (!browser) await Promise.race([page.close().catch(() => {}), pause(300)]);
  return kept;
}
