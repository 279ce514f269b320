/** What puts all at hand: Find, keys of one's own, steps between panels, the turned paper, pen and fingers, the frame. */
import { type CDPSession, expect } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import {
  artColour,
  deskReady,
  downloaded,
  find,
  fromMenu,
  hexOf,
  isAccessible,
  onScreen,
  openDemo,
  paper,
  save,
  stage,
  test,
  tool,
  undo,
} from "./desk.ts";

const BOOT = "Boot with ferns";

test("Find goes to tools, settings and sections, does what keys do, and takes up colours", async ({
  page,
}) => {
  await openDemo(page, BOOT);
  await page.getByRole("button", { name: /^Find anything/ }).click();
  await isAccessible(page, "[role=dialog]");
  await page.getByRole("combobox", { name: "Find anything" }).fill("eyedropper");
  await page.keyboard.press("Enter");
  await expect(tool(page, "Dip")).toBeChecked();
  await find(page, "stabiliser");
  await page.keyboard.press("Enter");
  await expect(stage(page, "Lines")).toHaveAttribute("aria-current", "step");
  await expect(page.getByRole("slider", { name: "Steadying" })).toBeFocused();
  await find(page, "radish");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("radiogroup", { name: "Ladder of Radish" })).toBeVisible();
  await find(page, "value contrast");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("combobox", { name: "How the picture is looked at" })).toBeVisible();
  await find(page, "next colour");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("radiogroup", { name: "Ladder of Marigold" })).toBeVisible();
  await find(page, "zzz");
  await expect(page.getByText("Nothing is called so.")).toBeVisible();
});

test("keys are changed on their sheet; what clashes is told; they are kept, saved as a file and taken back", async ({
  page,
}) => {
  await openDemo(page, BOOT);
  await page.keyboard.press("?");
  const sheet = page.getByRole("dialog", { name: "Keys" });
  await isAccessible(page, "[role=dialog]");
  await sheet.getByRole("button", { name: "Check ground: G" }).click();
  await page.keyboard.press("n");
  await expect(sheet.getByText("also: next snag of this stage")).toBeVisible();
  await sheet.getByRole("button", { name: "Check ground: N" }).click();
  await page.keyboard.press("x");
  const file = await downloaded(page, () =>
    sheet.getByRole("button", { name: "Save keys as a file" }).click(),
  );
  await sheet.getByRole("button", { name: "All as usual" }).click();
  await expect(sheet.getByRole("button", { name: "Check ground: G" })).toBeVisible();
  await sheet
    .getByLabel("Take keys from a file")
    .setInputFiles({ name: file.name, mimeType: "application/json", buffer: file.bytes });
  await expect(sheet.getByRole("button", { name: "Check ground: X" })).toBeVisible();
  await page.reload();
  await deskReady(page);
  const ground = page.getByRole("switch", { name: "Check ground" });
  await paper(page).focus();
  await page.keyboard.press("g");
  await expect(ground).not.toBeChecked();
  await page.keyboard.press("x");
  await expect(ground).toBeChecked();
});

test("F6 steps from paper to rail, tin, press and tray: making a part is within ten presses", async ({
  page,
}) => {
  await openDemo(page, BOOT);
  await tool(page, "Gather").click();
  await paper(page).focus();
  await page.keyboard.press("Shift+F6");
  const part = page.getByRole("button", { name: "Make a part" });
  const isThere = () => part.evaluate((el) => el === document.activeElement);
  // It waits for something gathered, and takes no focus until then.
  await paper(page).focus();
  await page.keyboard.press("Control+a");
  await expect(part).toBeEnabled();
  let presses = 1;
  await page.keyboard.press("Shift+F6");
  for (; presses < 10 && !(await isThere()); presses++) await page.keyboard.press("Tab");
  expect(await isThere()).toBe(true);
  await paper(page).focus();
  const seen: (string | null)[] = [];
  for (let k = 0; k < 5; k++) {
    await page.keyboard.press("F6");
    seen.push(
      await page.evaluate(
        () =>
          document.activeElement
            ?.closest(".desk-rail, .desk-tin, .desk-press, .desk-tray, #more-settings")
            ?.className.match(/desk-\w+/)?.[0] ?? "more",
      ),
    );
  }
  expect(seen).toEqual(["desk-rail", "desk-tin", "desk-press", "desk-tray", "more"]);
});

/** The middle of what is drawn in the boot's own colours. */
const BOOT_SIDE = [560, 660] as const;

test("the paper turns by keys and figure; tools work on it as it lies, and it is set straight", async ({
  page,
}) => {
  await openDemo(page, "Boot with ferns, coloured");
  const before = hexOf(await artColour(page, BOOT_SIDE));
  const middle = await onScreen(page, [500, 500]);
  const [x, y] = await onScreen(page, BOOT_SIDE);
  for (let k = 0; k < 6; k++) await page.keyboard.press(">");
  await page.getByRole("button", { name: /^View: / }).click();
  await expect(page.getByRole("spinbutton", { name: /^Turn/ })).toHaveValue("90");
  await page.keyboard.press("Escape");
  // A quarter turn to the right takes what was right of the middle below it.
  const turned = [middle[0] - (y - middle[1]), middle[1] + (x - middle[0])] as const;
  await tool(page, "Dip").click();
  await page.mouse.click(...turned);
  await expect(page.getByRole("radiogroup", { name: "Ladder of Rain barrel" })).toBeVisible();
  await page.locator("#paper").focus();
  await page.keyboard.press("/");
  await expect.poll(async () => hexOf(await artColour(page, BOOT_SIDE))).toBe(before);
});

test.describe("pen and fingers", () => {
  const touch = (
    cdp: CDPSession,
    type: "touchStart" | "touchMove" | "touchEnd",
    points: { x: number; y: number }[],
  ) => cdp.send("Input.dispatchTouchEvent", { type, touchPoints: points.map((at, id) => ({ ...at, id })) });
  const pen = (
    cdp: CDPSession,
    type: "mousePressed" | "mouseMoved" | "mouseReleased",
    at: { x: number; y: number },
    more: { force?: number; button?: "left" | "right"; buttons?: number } = {},
  ) =>
    cdp.send("Input.dispatchMouseEvent", {
      type,
      ...at,
      button: more.button ?? "left",
      buttons: type === "mouseReleased" ? 0 : (more.buttons ?? 1),
      force: more.force ?? 0.5,
      clickCount: 1,
      pointerType: "pen",
    });

  test("two fingers turn the paper, and tapping twice with both sets it straight", async ({
    page,
    context,
  }) => {
    await openDemo(page, BOOT);
    const cdp = await context.newCDPSession(page);
    const [x, y] = await onScreen(page, [500, 500]);
    const at = (angle: number) => [
      { x: x - 80 * Math.cos(angle), y: y - 80 * Math.sin(angle) },
      { x: x + 80 * Math.cos(angle), y: y + 80 * Math.sin(angle) },
    ];
    await touch(cdp, "touchStart", [at(0)[0]]);
    await touch(cdp, "touchStart", at(0));
    for (let k = 1; k <= 10; k++) await touch(cdp, "touchMove", at(k * 0.06));
    await touch(cdp, "touchEnd", []);
    const turn = async () => {
      await page.getByRole("button", { name: /^View: / }).click();
      const value = await page.getByRole("spinbutton", { name: /^Turn/ }).inputValue();
      await page.keyboard.press("Escape");
      return value;
    };
    await expect.poll(turn).toMatch(/^(2[3-9]|3\d)$/);
    // On a busy machine two taps may come too far apart to be one gesture: they are tapped again.
    await expect(async () => {
      for (let k = 0; k < 2; k++) {
        await touch(cdp, "touchStart", at(0));
        await touch(cdp, "touchEnd", []);
      }
      expect(await turn()).toBe("0");
    }).toPass();
    await expect(page.getByRole("button", { name: "Nothing to undo" })).toBeVisible();
  });

  test("pressure goes through a curve of one's own, and a finger beside the pen moves the paper and never draws", async ({
    page,
    context,
  }) => {
    await openDemo(page, BOOT);
    await fromMenu(page, "Settings");
    await isAccessible(page, "[role=dialog]");
    await page.getByRole("slider", { name: "Lightly" }).press("End");
    await page.keyboard.press("Escape");
    await stage(page, "Lines").click();
    const cdp = await context.newCDPSession(page);
    const from = await onScreen(page, [100, 880]);
    const at = (k: number) => ({ x: from[0] + 8 * k, y: from[1] });
    await pen(cdp, "mousePressed", at(0), { force: 0.1 });
    for (let k = 1; k <= 30; k++) await pen(cdp, "mouseMoved", at(k), { force: 0.1 + k / 50 });
    await pen(cdp, "mouseReleased", at(30));
    await expect(undo(page, "Draw line")).toBeVisible();
    // All strengths are the full one now: the line has one width, whatever the pressure was.
    const { strokes } = readSvg((await save(page, "SVG")).bytes.toString());
    const [drawn] = Object.values(strokes).sort((a, b) => b.rank - a.rank);
    expect(new Set(drawn.profile ?? [1]).size).toBe(1);
    await stage(page, "Lines").click();
    const isBare = async () => (await artColour(page, [290, 880]))[3] === 0;
    await expect.poll(isBare).toBe(false);
    // Just after the pen has left, a touch may be a palm: then it does nothing.
    await expect(async () => {
      await touch(cdp, "touchStart", [{ x: from[0], y: from[1] - 200 }]);
      for (let k = 1; k <= 6; k++) await touch(cdp, "touchMove", [{ x: from[0], y: from[1] - 200 - 10 * k }]);
      await touch(cdp, "touchEnd", []);
      expect(await isBare()).toBe(true);
    }).toPass();
    await expect(undo(page, "Draw line")).toBeVisible();
  });

  test("Shift, Alt and Dip are held on the screen by the other hand", async ({ page }) => {
    await openDemo(page, "Boot with ferns, coloured");
    await fromMenu(page, "Settings");
    await page.getByRole("radio", { name: "Always" }).click();
    await page.keyboard.press("Escape");
    const dip = page.getByRole("group", { name: "Keys to hold" }).getByRole("button", { name: "Dip" });
    await dip.focus();
    await page.keyboard.press("Enter");
    await expect(dip).toHaveAttribute("aria-pressed", "true");
    await page.mouse.click(...(await onScreen(page, BOOT_SIDE)));
    await expect(page.getByRole("radiogroup", { name: "Ladder of Rain barrel" })).toBeVisible();
  });
});

test("the frame is dark by choice, keeps its contrast, and is mirrored for the left hand", async ({
  page,
}) => {
  await openDemo(page, BOOT);
  await find(page, "dark frame");
  await page.keyboard.press("Enter");
  await expect(page.locator("html")).toHaveAttribute("data-frame", "dark");
  for (const name of ["Lines", "Gaps", "Flats", "Light", "Deliver"]) {
    await stage(page, name).click();
    await isAccessible(page);
  }
  await find(page, "left hand");
  await page.keyboard.press("Enter");
  const tin = (await page.getByRole("region", { name: "Tin", exact: true }).boundingBox())!;
  expect(tin.x).toBeGreaterThan(900);
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-frame", "dark");
});
