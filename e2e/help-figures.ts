/** Draws the figures of Help from the real desk: `npm run help:draw`. Each shows up to three moments side by side. */
import { writeFileSync } from "node:fs";
import type { Locator, Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  AROUND_FERNS,
  clickPage,
  dragPage,
  fromMenu,
  onScreen,
  openDemo,
  openDrawer,
  openMore,
  openSection,
  paper,
  pick,
  stage,
  test,
  tool,
} from "./desk.ts";

const SEEDLING = "Seedling in a pot";
const BOOT = "Boot with ferns, coloured";
const RIM: Point = [480, 588];
const BODY: Point = [480, 740];
const LEFT: Point = [350, 200];
const RIGHT: Point = [640, 190];
const LABEL: Point = [652, 465];

/** Pixels of a figure. */
const WIDTH = 760;
const GAP = 8;
const SETTLED_MS = 700;

interface Clip {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

async function shot(page: Page, clip: Clip): Promise<string> {
  await page.waitForTimeout(SETTLED_MS);
  return (await page.screenshot({ clip })).toString("base64");
}

/** The whole sheet of paper, or a box of it in page units. */
async function onPaper(
  page: Page,
  [left, top, right, bottom]: readonly number[] = [0, 0, 1000, 1000],
): Promise<Clip> {
  const [x, y] = await onScreen(page, [left, top]);
  const [endX, endY] = await onScreen(page, [right, bottom]);
  return { x, y, width: endX - x, height: endY - y };
}

async function around(...all: Locator[]): Promise<Clip> {
  const boxes = await Promise.all(all.map((one) => one.boundingBox()));
  const found = boxes.filter((box) => box !== null);
  const x = Math.min(...found.map((box) => box.x));
  const y = Math.min(...found.map((box) => box.y));
  const right = Math.max(...found.map((box) => box.x + box.width));
  const bottom = Math.max(...found.map((box) => box.y + box.height));
  return { x, y, width: right - x, height: bottom - y };
}

/** Lays moments side by side, each as high as the others, and writes them as one small picture. */
async function figure(page: Page, name: string, shots: readonly string[]): Promise<void> {
  const bytes = await page.evaluate(
    async ([pngs, width, gap]) => {
      const pictures = await Promise.all(
        pngs.map(async (png) => {
          const data = Uint8Array.from(atob(png), (c) => c.charCodeAt(0));
          return createImageBitmap(new Blob([data], { type: "image/png" }));
        }),
      );
      const shares = pictures.reduce((sum, picture) => sum + picture.width / picture.height, 0);
      const room = width - gap * (pictures.length - 1);
      const tallest = Math.max(...pictures.map((picture) => picture.height));
      const height = Math.round(Math.min(room / shares, tallest * 1.5, 470));
      const wide = Math.round(shares * height + gap * (pictures.length - 1));
      const canvas = new OffscreenCanvas(wide, height);
      const context = canvas.getContext("2d")!;
      context.imageSmoothingQuality = "high";
      context.fillStyle = "#fff";
      context.fillRect(0, 0, wide, height);
      let x = 0;
      for (const picture of pictures) {
        const own = (picture.width / picture.height) * height;
        context.drawImage(picture, x, 0, own, height);
        x += own + gap;
      }
      const blob = await canvas.convertToBlob({ type: "image/webp", quality: 0.86 });
      return [...new Uint8Array(await blob.arrayBuffer())];
    },
    [shots, WIDTH, GAP] as const,
  );
  writeFileSync(`app/help/figures/${name}.webp`, Buffer.from(bytes));
}

const colour = (page: Page, name: string) =>
  page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: new RegExp(`^${name}`) })
    .click();

async function take(page: Page, stageName: string, toolName: string): Promise<void> {
  await stage(page, stageName).click();
  await tool(page, toolName).click();
}

const settle = (page: Page) => page.waitForTimeout(SETTLED_MS);

/** The seedling with all its pockets closed and poured. */
async function pouredSeedling(page: Page): Promise<void> {
  await openDemo(page, SEEDLING);
  await stage(page, "Gaps").click();
  await page.getByRole("button", { name: /^Bridge all/ }).click();
  await take(page, "Flats", "Pour");
  const pours: readonly [string, readonly Point[]][] = [
    ["Terracotta", [RIM, BODY]],
    ["Frond", [LEFT, RIGHT, [412, 461], [554, 443], [484, 420]]],
    ["Seed paper", [LABEL]],
    [
      "Potting soil",
      [
        [390, 545],
        [540, 545],
      ],
    ],
  ];
  for (const [name, places] of pours) {
    await colour(page, name);
    for (const at of places) await clickPage(page, at);
  }
  await closeOver(page);
}

/** The foot of the paper lies bare. */
async function closeOver(page: Page): Promise<void> {
  const more = page.getByRole("button", { name: "More", exact: true, expanded: true });
  if (await more.isVisible()) await more.click();
  await page.mouse.move(640, 20);
  await settle(page);
}

async function moment(page: Page, box?: number[]): Promise<string> {
  await closeOver(page);
  return shot(page, await onPaper(page, box));
}

const WHOLE = [80, 80, 920, 920];

/** A loop around a place, as a hand draws it. */
const round = ([x, y]: Point, rx: number, ry: number): Point[] =>
  Array.from({ length: 25 }, (_, i): Point => {
    const turn = (i * Math.PI) / 12;
    return [x + rx * Math.cos(turn) * (1 + 0.05 * Math.sin(3 * turn)), y + ry * Math.sin(turn)];
  });

/** One by one: what a figure's page is about, done on the desk. */
const FIGURES: Readonly<Record<string, (page: Page) => Promise<readonly string[]>>> = {
  first: async (page) => {
    await openDemo(page, SEEDLING);
    const lines = await moment(page, WHOLE);
    await pouredSeedling(page);
    const flats = await moment(page, WHOLE);
    await take(page, "Light", "Lamp");
    await openMore(page);
    await page.getByRole("button", { name: "Shade all" }).click();
    return [lines, flats, await momentOn(page, "Deliver", WHOLE)];
  },
  desk: async (page) => {
    await openDemo(page, BOOT);
    await closeOver(page);
    return [await shot(page, { x: 0, y: 0, width: 1280, height: 800 })];
  },
  pockets: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Flats", "Pour");
    const before = await moment(page, [260, 300, 760, 900]);
    for (const [name, at] of [
      ["Marigold", RIM],
      ["Morning sky", LABEL],
      ["Radish", [412, 461]],
      ["Enamel", [554, 443]],
      ["Potting soil", [390, 545]],
    ] as const) {
      await colour(page, name);
      await clickPage(page, at);
    }
    return [before, await moment(page, [260, 300, 760, 900])];
  },
  bring: async (page) => {
    await openDrawer(page);
    await settle(page);
    return [await shot(page, { x: 40, y: 10, width: 1200, height: 640 })];
  },
  scan: async (page) => {
    await openDrawer(page);
    await page.getByRole("button", { name: "Open a copy of Bunch of radishes", exact: true }).click();
    await page.waitForURL(/scan/);
    await page.waitForTimeout(6000);
    return [await shot(page, { x: 0, y: 0, width: 1280, height: 800 })];
  },
  draw: async (page) => {
    await openDemo(page, "Sprig drawn with nibs");
    return [await momentOn(page, "Deliver", [250, 120, 850, 620])];
  },
  bend: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Lines", "Bend");
    const edge: Point = [338, 163];
    await clickPage(page, edge);
    const before = await moment(page, [180, 60, 560, 440]);
    await dragPage(page, [edge, [326, 96]]);
    return [before, await moment(page, [180, 60, 560, 440])];
  },
  tidy: async (page) => {
    await openDemo(page, "Snail on a rain barrel");
    await take(page, "Lines", "Trim");
    return [await moment(page, [180, 330, 640, 640])];
  },
  arrange: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Lines", "Arrange");
    await clickPage(page, [374, 256]);
    return [await moment(page, WHOLE)];
  },
  parts: async (page) => {
    await openDemo(page, "Boot with ferns");
    await take(page, "Flats", "Gather");
    await tool(page, "Loop")
      .click({ timeout: 1000 })
      .catch(() => {});
    await dragPage(page, AROUND_FERNS);
    const gathered = await moment(page);
    await openMore(page);
    await page.getByRole("button", { name: "Make a part" }).click();
    await openSection(page, "Parts");
    await closeOver(page);
    return [gathered, await moment(page)];
  },
  leak: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Gaps", "Explain");
    await clickPage(page, BODY);
    return [await moment(page, [250, 470, 950, 920])];
  },
  bridge: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Gaps", "Bridge");
    const before = await moment(page, [480, 690, 720, 910]);
    await dragPage(page, [
      [595, 806],
      [586, 842],
    ]);
    await clickPage(page, [150, 120]);
    return [before, await moment(page, [480, 690, 720, 910])];
  },
  pour: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Flats", "Pour");
    await colour(page, "Terracotta");
    const before = await moment(page, [250, 480, 760, 900]);
    await clickPage(page, RIM);
    return [before, await moment(page, [250, 480, 760, 900])];
  },
  dab: async (page) => {
    await openDemo(page, SEEDLING);
    await take(page, "Flats", "Dab");
    const before = await moment(page, [180, 90, 820, 480]);
    await dragPage(page, [
      [330, 220],
      [370, 200],
    ]);
    await dragPage(page, [
      [620, 220],
      [660, 180],
    ]);
    await settle(page);
    return [before, await moment(page, [180, 90, 820, 480])];
  },
  gather: async (page) => {
    await openDemo(page, "Boot with ferns");
    await take(page, "Flats", "Gather");
    await dragPage(page, AROUND_FERNS);
    return [await moment(page)];
  },
  shapes: async (page) => {
    await pouredSeedling(page);
    await take(page, "Flats", "Colour");
    await colour(page, "Morning sky");
    await openMore(page);
    await pick(page, "Sheet", "on ground").catch(() => {});
    await closeOver(page);
    await dragPage(page, round([510, 440], 340, 320));
    return [await momentOn(page, "Deliver", WHOLE)];
  },
  pattern: async (page) => {
    await pouredSeedling(page);
    await take(page, "Flats", "Pattern");
    await colour(page, "Seed paper");
    await clickPage(page, BODY);
    return [await momentOn(page, "Deliver", [250, 480, 760, 900])];
  },
  snags: async (page) => {
    await pouredSeedling(page);
    await take(page, "Flats", "Empty");
    await clickPage(page, [554, 443]);
    await closeOver(page);
    await openSection(page, "Snags");
    return [
      await moment(page, WHOLE),
      await shot(page, await around(page.getByRole("region", { name: "Snags", exact: true }))),
    ];
  },
  tin: async (page) => {
    await openDemo(page, BOOT);
    await colour(page, "Rain barrel");
    await closeOver(page);
    return [await shot(page, { x: 0, y: 55, width: 620, height: 470 })];
  },
  ladder: async (page) => {
    await pouredSeedling(page);
    await colour(page, "Terracotta");
    await page.getByRole("radio", { name: "Terracotta 1 darker" }).click();
    await take(page, "Flats", "Pour");
    await clickPage(page, RIM);
    await closeOver(page);
    const tin = page.getByRole("radiogroup", { name: "Ladder of Terracotta" });
    return [await shot(page, await around(tin)), await moment(page, [250, 480, 760, 900])];
  },
  "change-colour": async (page) => {
    await pouredSeedling(page);
    const before = await moment(page, WHOLE);
    await page.getByRole("button", { name: "Change Terracotta" }).click();
    await page.getByLabel("Colour as hexadecimal").fill("#4f7f96");
    await page.keyboard.press("Enter");
    await settle(page);
    const editor = await shot(page, await around(page.getByRole("dialog").last()));
    await page.keyboard.press("Escape");
    return [before, editor, await momentOn(page, "Deliver", WHOLE)];
  },
  colourways: async (page) => {
    await openDemo(page, "Snail on a rain barrel, coloured");
    await closeOver(page);
    const one = await moment(page);
    await page.keyboard.press("c");
    return [one, await moment(page)];
  },
  ink: async (page) => {
    await pouredSeedling(page);
    await take(page, "Lines", "Arrange");
    await paper(page).focus();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "Line colour" }).click();
    await page.getByRole("menuitem", { name: "These lines take the darker colour beside them" }).click();
    return [await momentOn(page, "Deliver", WHOLE)];
  },
  judge: async (page) => {
    await openDemo(page, BOOT);
    await stage(page, "Flats").click();
    await openSection(page, "Judge");
    const plain = await moment(page);
    await page.getByRole("combobox", { name: "How the picture is looked at" }).click();
    await page.getByRole("option").nth(1).click();
    return [plain, await moment(page)];
  },
  shade: async (page) => {
    await pouredSeedling(page);
    await take(page, "Light", "Shade");
    await dragPage(page, [
      [570, 720],
      [584, 600],
      [690, 580],
      [660, 880],
      [440, 890],
      [530, 830],
      [566, 730],
    ]);
    return [await momentOn(page, "Deliver", [250, 480, 760, 900])];
  },
  crease: async (page) => {
    await pouredSeedling(page);
    await take(page, "Light", "Crease");
    await dragPage(page, [
      [212, 168],
      [300, 205],
      [380, 265],
      [470, 326],
    ]);
    await dragPage(page, [
      [770, 150],
      [680, 200],
      [590, 262],
      [500, 326],
    ]);
    return [await momentOn(page, "Deliver", [180, 90, 820, 480])];
  },
  lamp: async (page) => {
    await pouredSeedling(page);
    await take(page, "Light", "Lamp");
    await clickPage(page, BODY);
    await clickPage(page, RIM);
    const left = await moment(page);
    const peg = await onScreen(page, [180, 100]);
    await page.mouse.move(...peg);
    await page.mouse.down();
    await page.mouse.move(...(await onScreen(page, [840, 120])), { steps: 12 });
    await page.mouse.up();
    return [left, await moment(page)];
  },
  rims: async (page) => {
    await pouredSeedling(page);
    await take(page, "Light", "Lamp");
    await tool(page, "Rim").click();
    for (const at of [LEFT, RIGHT, BODY, RIM]) await clickPage(page, at);
    return [await momentOn(page, "Deliver", WHOLE)];
  },
  gradient: async (page) => {
    await pouredSeedling(page);
    await take(page, "Light", "Gradient");
    await dragPage(page, [
      [480, 640],
      [480, 850],
    ]);
    return [await moment(page, [250, 480, 760, 900])];
  },
  carry: async (page) => {
    await pouredSeedling(page);
    await take(page, "Light", "Lamp");
    await clickPage(page, LEFT);
    const before = await moment(page, [180, 90, 820, 480]);
    await take(page, "Light", "Carry");
    await clickPage(page, LEFT);
    await clickPage(page, RIGHT);
    return [before, await momentOn(page, "Deliver", [180, 90, 820, 480])];
  },
  kinds: async (page) => {
    await openDemo(page, BOOT);
    await page.keyboard.press("Control+k");
    await page.keyboard.type("before and after");
    await settle(page);
    await page.keyboard.press("Enter");
    await page.waitForTimeout(2000);
    return [await shot(page, await around(page.getByRole("dialog")))];
  },
  files: async (page) => {
    await openDemo(page, BOOT);
    await stage(page, "Deliver").click();
    await openMore(page);
    await page.getByRole("button", { name: "More files" }).click();
    await settle(page);
    return [await shot(page, await around(page.getByRole("dialog")))];
  },
  page: async (page) => {
    await openDemo(page, BOOT);
    await stage(page, "Deliver").click();
    await page.getByRole("button", { name: "Page", exact: true }).click();
    await settle(page);
    return [await shot(page, { x: 180, y: 60, width: 900, height: 740 })];
  },
  print: async (page) => {
    await openDemo(page, BOOT);
    await stage(page, "Deliver").click();
    await openSection(page, "Print size");
    await closeOver(page);
    return [
      await moment(page),
      await shot(page, await around(page.getByRole("region", { name: "Print size", exact: true }))),
    ];
  },
  keep: async (page) => {
    await openDemo(page, BOOT);
    await page.waitForTimeout(1500);
    await page.getByRole("link", { name: "Back to the drawer" }).click();
    await settle(page);
    return [await shot(page, { x: 40, y: 100, width: 1000, height: 460 })];
  },
  versions: async (page) => {
    await openDemo(page, BOOT);
    await fromMenu(page, "Versions");
    await page.getByLabel("Name of the version").fill("With light");
    await page.keyboard.press("Enter");
    await settle(page);
    return [await shot(page, await around(page.getByRole("dialog")))];
  },
  look: async (page) => {
    await openDemo(page, BOOT);
    await closeOver(page);
    await paper(page).focus();
    await page.keyboard.press("Shift+>");
    await settle(page);
    return [await shot(page, { x: 180, y: 56, width: 900, height: 684 })];
  },
  find: async (page) => {
    await openDemo(page, BOOT);
    await page.keyboard.press("Control+k");
    await page.keyboard.type("shadow");
    await settle(page);
    return [await shot(page, await around(page.getByRole("dialog")))];
  },
  keys: async (page) => {
    await openDemo(page, BOOT);
    await fromMenu(page, "Keys");
    await settle(page);
    return [await shot(page, await around(page.getByRole("dialog")))];
  },
  pen: async (page) => {
    await openDemo(page, BOOT);
    await fromMenu(page, "Settings");
    await settle(page);
    return [await shot(page, await around(page.getByRole("dialog")))];
  },
};

/** As it is delivered, without marks of the stage. */
async function momentOn(page: Page, name: string, box?: number[]): Promise<string> {
  await stage(page, name).click();
  return moment(page, box);
}

for (const [name, shots] of Object.entries(FIGURES))
  test(name, async ({ page }) => {
    const taken = await shots(page);
    await figure(page, name, taken);
  });
