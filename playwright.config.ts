import { defineConfig } from "@playwright/test";
import { slowness } from "./testing/long-runs.ts";

const PORT = 4191;
/** Time limits grow with how slow the machine is just now. */
const slow = slowness();

export default defineConfig({
  testDir: "e2e",
  testMatch: "*.spec.ts",
  fullyParallel: true,
  workers: 2,
  timeout: 60_000 * slow,
  expect: { timeout: 15_000 * slow },
  reporter: "list",
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Requests are looked at as pages make them; e2e/offline.spec.ts lets the service worker in.
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: {
    command: "node build/host/main.js",
    env: { PORT: String(PORT), HOST: "127.0.0.1", NODE_ENV: "production" },
    url: `http://127.0.0.1:${PORT}/`,
    reuseExistingServer: false,
    stdout: "ignore",
  },
});
