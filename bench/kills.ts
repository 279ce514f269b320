/**
 * Kept means kept: while lines are drawn, colours poured, pockets shaded and steps undone the renderer is crashed or the whole
 * browser killed, and what comes back is compared with what the interface had last called kept. Needs a build and Chromium.
 */
import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { type Browser, chromium, type Page } from "@playwright/test";
import { randomFrom } from "../testing/random.ts";
import { goTo } from "./go-to.ts";

const PORT = 4194;
const KILLS = Number(process.env.KILLS ?? 200);
/** Kills after which a fresh drawing is taken: the old one has few bare pockets left. */
const FRESH_AFTER = 10;
const LONGEST_MS = 1500;
/** Between two steps the hand rests up to so long: so that now and then all is kept before the next. */
const REST_MS = 150;

export async function killsBench(): Promise<void> {
  const server = spawn("node", ["build/host/main.js"], {
    env: { ...process.env, PORT: String(PORT), NODE_ENV: "production" },
    stdio: "ignore",
  });
  const profile = mkdtempSync(join(tmpdir(), "fern-kills-"));
  const first = Number(process.env.SEED ?? Date.now() % 2 ** 30);
  let lost = 0;
  let steps = 0;
  let url = "";
  let own = await Chromium.start(profile);
  console.log(`kills: seeds ${first} to ${first + KILLS - 1}`);
  try {
    for (let kill = 0; kill < KILLS; kill++) {
      const random = randomFrom(first + kill);
      const page = await own.page();
      if (kill % FRESH_AFTER === 0) url = await freshDrawing(page);
      else await reach(page, url);
      const seen = await workUntilKilled(page, random, kill % 2 === 0 ? own : undefined);
      if (kill % 2 === 0) own = await Chromium.start(profile);
      const again = await own.page();
      await reach(again, url);
      const found = await again.evaluate(lookOf);
      await again.close();
      steps += seen.looks.length;
      if (!isAtLeastKept(found, seen)) {
        lost++;
        console.log(`  seed ${first + kill}: kept ${seen.looks[seen.kept]}, came back ${found}`);
      }
      if ((kill + 1) % 25 === 0) console.log(`  ${kill + 1} kills so far, ${lost} lost something`);
    }
  } finally {
    own.end();
    server.kill();
  }
  console.log(
    `  ${KILLS} kills, half of them of the whole browser, ${steps} steps before them: ${lost} lost something called kept`,
  );
  if (lost > 0) process.exitCode = 1;
}

/** How the desk looked one after another, and the last of these that it called kept. */
interface Seen {
  readonly looks: string[];
  kept: number;
}

/** What came back is what was kept last, or something later; nothing older. */
function isAtLeastKept(found: string, { looks, kept }: Seen): boolean {
  return looks.indexOf(found, kept) >= 0 || !looks.slice(0, kept).includes(found);
}

/**
 * How many steps are done, the last of them, and the figures that follow from the drawing at once; pockets and openings are read a
 * moment later, and would make one drawing look like two. Runs in the page.
 */
function lookOf(): string {
  const undo = document.querySelector('button[aria-label^="Undo: "], button[aria-label="Nothing to undo"]');
  const done = document.querySelector("[data-done]")?.getAttribute("data-done");
  const figures = [...document.querySelectorAll("nav li button")].filter((one) =>
    /Lines|Light/.test(one.textContent!),
  );
  const words = figures.map((one) => one.textContent);
  return [`${done} steps`, ...words, undo?.getAttribute("aria-label")].join("; ");
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
  await page.getByRole("button", { name: "Open a copy of Lantern in the shed", exact: true }).click();
  await page.waitForURL(/desk/, { timeout: 180_000 });
  await reach(page, page.url());
  return page.url();
}

/** Draws, pours, shades and undoes as fast as hands go, until the renderer or its browser is gone. */
async function workUntilKilled(
  page: Page,
  random: () => number,
  browser: Chromium | undefined,
): Promise<Seen> {
  const seen: Seen = { looks: [await page.evaluate(lookOf)], kept: 0 };
  for (const [stage, tool] of [
    ["Lines", "Draw"],
    ["Light", "Lamp"],
    ["Flats", "Pour"],
  ]) {
    await page.getByRole("navigation", { name: "Stages" }).getByRole("button", { name: stage }).click();
    await page.getByRole("radio", { name: tool, exact: true }).click();
  }
  await page.exposeFunction("sayLook", (look: string, kept: boolean) => {
    if (seen.looks[seen.looks.length - 1] !== look) seen.looks.push(look);
    if (kept) seen.kept = seen.looks.length - 1;
  });
  await page.evaluate(`(() => {
    const lookOf = ${lookOf.toString()};
    const sign = document.querySelector("[data-keeping]");
    const say = () => window.sayLook(lookOf(), sign.getAttribute("data-keeping") === "kept");
    new MutationObserver(say).observe(document.querySelector("header"), { subtree: true, childList: true, characterData: true, attributes: true });
    document.getElementById("paper").focus();
  })()`);
  const cdp = await page.context().newCDPSession(page);
  let over = false;
  const working = (async () => {
    while (!over) {
      await doSomething(page, random);
      await pause(random() * REST_MS);
    }
  })().catch(() => {});
  await pause(200 + random() * LONGEST_MS);
  if (browser) browser.end();
  else await Promise.race([cdp.send("Page.crash").catch(() => {}), pause(300)]);
  over = true;
  await Promise.race([working, pause(500)]);
  if (!browser) await Promise.race([page.close().catch(() => {}), pause(300)]);
  return seen;
}

async function doSomething(page: Page, random: () => number): Promise<void> {
  const what = random();
  if (what < 0.15) await page.keyboard.press("Control+z");
  else if (what < 0.3) {
    await page.keyboard.press("1");
    const box = (await page.locator("#paper").boundingBox())!;
    const place = () => [box.x + box.width * (0.35 + 0.3 * random()), box.y + box.height * random()] as const;
    await page.mouse.move(...place());
    await page.mouse.down();
    await page.mouse.move(...place(), { steps: 4 });
    await page.mouse.up();
  } else {
    await page.keyboard.press(what < 0.5 ? "4" : "3");
    await page.keyboard.press(what < 0.5 ? "ArrowRight" : "n");
    await page.keyboard.press("Enter");
  }
}
