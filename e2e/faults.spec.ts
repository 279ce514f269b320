/** What goes wrong inside is no loss to the person. */
import { expect } from "@playwright/test";
import { deskReady, onScreen, openFile, stage, test, tool } from "./desk.ts";

const BOXES = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#000" stroke-width="10"><path d="M100 100H400V900H100Z"/><path d="M600 100H900V900H600Z"/></g></svg>`;
/** The worker's clock breaks when pockets are read for the second time. */
const BROKEN = `let reads = 0; const now = performance.now.bind(performance); performance.now = () => { if (++reads === 3) throw new Error("broken"); return now(); };`;

test("an engine that throws is begun anew, and pockets go on following the lines", async ({ page }) => {
  let started = 0;
  await page.route(/pockets\.worker.*\.js$/, async (route) => {
    started++;
    const response = await route.fetch();
    await route.fulfill({ response, body: BROKEN + (await response.text()) });
  });
  await openFile(page, "boxes.svg", BOXES);
  await deskReady(page);
  await expect(stage(page, "Flats")).toContainText("of 2 pockets");
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await page.mouse.click(...(await onScreen(page, [100, 500])));
  await page.keyboard.press("Delete");
  await expect(stage(page, "Flats")).toContainText("of 1 pocket");
  expect(started).toBe(2);
});
