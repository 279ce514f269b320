/** With the server gone: everything opens and works after the first load; a newer build is offered, never forced. */
import { type ChildProcess, spawn } from "node:child_process";
import { appendFileSync, cpSync, mkdtempSync, rmSync, symlinkSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { type BrowserContext, expect, type Page, test } from "@playwright/test";
import { decode } from "fast-png";
import { DEMOS } from "../app/drawer/demo.ts";
import { deskReady, isKept, save, stage } from "./desk.ts";

// One server, one after another.
test.describe.configure({ mode: "serial" });

const PORT = 4197;
const HOME = `http://127.0.0.1:${PORT}`;

let server: ChildProcess | undefined;

/** The built application from a folder, up once it answers. */
async function serve(folder: string): Promise<void> {
  server = spawn("node", ["build/host/main.js"], {
    cwd: folder,
    env: { ...process.env, PORT: String(PORT), NODE_ENV: "production" },
    stdio: "ignore",
  });
  await expect
    .poll(() =>
      fetch(HOME).then(
        ({ ok }) => ok,
        () => false,
      ),
    )
    .toBe(true);
}

async function stopServing(): Promise<void> {
  const gone = new Promise((done) => server?.once("exit", done));
  server?.kill("SIGKILL");
  await gone;
}

test.afterEach(async () => {
  if (server?.exitCode === null && server.signalCode === null) await stopServing();
});

/** A first visit, until all is kept for later. */
async function visited(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.goto(HOME);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  return page;
}

const openDemo = async (page: Page, title: string) => {
  await page.getByRole("button", { name: `Open a copy of ${title}`, exact: true }).click();
  await deskReady(page);
};

test("after the first load all of it works with the server gone", async ({ browser }) => {
  test.slow();
  await serve(process.cwd());
  const context = await browser.newContext({ serviceWorkers: "allow" });
  const page = await visited(context);
  await stopServing();
  // The drawer, its pictures and its demo drawings.
  await page.goto(HOME);
  await expect(page.getByRole("button", { name: /^Open a copy of / })).toHaveCount(DEMOS.length);
  const pictures = page.locator("img");
  await expect
    .poll(() => pictures.evaluateAll((all) => all.every((one) => (one as HTMLImageElement).naturalWidth > 0)))
    .toBe(true);
  expect(await page.evaluate(() => document.fonts.check('16px "Fraunces Variable"'))).toBe(true);
  await openDemo(page, "Kettle on the potting bench, coloured");
  await page.getByRole("button", { name: "Hide shade" }).click();
  await isKept(page);
  expect(decode((await save(page, "PNG")).bytes).width).toBe(1181);
  expect((await save(page, "PDF")).bytes.subarray(0, 5).toString()).toBe("%PDF-");
  // A drawing is opened by its address, and comes back as it was.
  await page.reload();
  await expect(page.getByRole("button", { name: /^Undo: / })).toBeVisible();
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Sign", exact: true }).click();
  await page.getByLabel("Name to sign with").fill("Moss");
  await expect(page.getByRole("img", { name: "The signature" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Proof" }).click();
  await expect(page.getByText(/a proof needs the server\. Files do not/).first()).toBeVisible();
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await expect(page.getByRole("link", { name: /^Open Kettle/ })).toBeVisible();
  await openDemo(page, "Boot with ferns");
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await page.getByRole("button", { name: "Open a copy of Bunch of radishes", exact: true }).click();
  await expect(page).toHaveURL(/scan/);
  await expect(page.getByRole("button", { name: /desk/i }).first()).toBeVisible();
  await page.goto(`${HOME}/help/dab`);
  const figure = page.locator("article img");
  await expect.poll(() => figure.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(100);
  await context.close();
});

test("can be installed", async ({ browser }) => {
  await serve(process.cwd());
  const context = await browser.newContext({ serviceWorkers: "allow" });
  const page = await visited(context);
  const manifest = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel="manifest"]')!;
    return (await fetch(link.href)).json();
  });
  expect(manifest).toMatchObject({ name: "Fern Pocket", display: "standalone", start_url: "/" });
  for (const { src, sizes } of manifest.icons.slice(1)) {
    const icon = decode(new Uint8Array(await (await fetch(HOME + src)).arrayBuffer()));
    expect(`${icon.width}x${icon.height}`).toBe(sizes);
  }
  await context.close();
});

test("a newer build is offered and taken when the person wants it", async ({ browser }) => {
  test.slow();
  await serve(process.cwd());
  const context = await browser.newContext({ serviceWorkers: "allow" });
  const page = await visited(context);
  await openDemo(page, "Boot with ferns");
  await page.getByRole("button", { name: "Hide flats" }).click();
  await isKept(page);
  await stopServing();
  const newer = mkdtempSync(join(tmpdir(), "fern-newer-"));
  cpSync("build", join(newer, "build"), { recursive: true });
  for (const name of ["node_modules", "demo", "package.json"]) symlinkSync(resolve(name), join(newer, name));
  appendFileSync(join(newer, "build/client/service-worker.js"), "\n// newer\n");
  rmSync(join(newer, "build/client/service-worker.js.gz"));
  await serve(newer);
  await page.reload();
  await expect(page.getByText("A newer Fern Pocket is here.").first()).toBeVisible({ timeout: 20_000 });
  const moment = await page.evaluate(() => performance.timeOrigin);
  // The work goes on with the page that is there.
  await page.getByRole("button", { name: "Show flats" }).click();
  await isKept(page);
  expect(await page.evaluate(() => performance.timeOrigin)).toBe(moment);
  await page.getByRole("button", { name: "Take it now" }).click();
  await expect.poll(() => page.evaluate(() => performance.timeOrigin).catch(() => moment)).not.toBe(moment);
  await expect(page.getByRole("button", { name: /^Undo: / })).toBeVisible();
  await context.close();
});
