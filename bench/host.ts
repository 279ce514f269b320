/** The built application on a port of its own and pages to look at it, for as long as something is measured. */
import { spawn } from "node:child_process";
import { chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "./chromium.ts";

export async function withHost(
  port: number,
  measure: (newPage: () => Promise<Page>, url: string) => Promise<void>,
): Promise<void> {
  const server = spawn("node", ["build/host/main.js"], {
    env: { ...process.env, PORT: String(port), HOST: "127.0.0.1", NODE_ENV: "production" },
    stdio: "ignore",
  });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const viewport = { width: 1280, height: 800 };
    await measure(() => browser.newPage({ viewport }), `http://127.0.0.1:${port}/`);
  } finally {
    await browser.close();
    server.kill();
  }
}
