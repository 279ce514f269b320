import { setTimeout as pause } from "node:timers/promises";
import type { Page } from "@playwright/test";

/** Opens an address; a server that has just been started may not answer at once. */
export async function goTo(page: Page, url: string): Promise<void> {
  for (let attempt = 0; ; attempt++) {
    try {
      await page.goto(url);
      return;
    } catch (error) {
      if (attempt === 40) throw error;
      await pause(250);
    }
  }
}
