/** Draws the demo drawings: `npm run demo:draw`. */
import { writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { encode } from "fast-png";
import { writeDrawingFile } from "../../core/formats/drawing-file.ts";
import { scanOf } from "../scan/scanner.ts";
import { BOOT_SHADES, drawBoot } from "./boot.ts";
import { colouredDemo } from "./colour.ts";
import type { Hand } from "./hand.ts";
import { drawKettle } from "./kettle.ts";
import { drawLantern } from "./lantern.ts";
import { drawRadishes } from "./radishes.ts";
import { drawSnail } from "./snail.ts";
import { drawSprig } from "./sprig.ts";

const FOLDER = join(dirname(fileURLToPath(import.meta.url)), "..");

const DRAWINGS: readonly [file: string, title: string, draw: () => Hand][] = [["almanac-boot", "Boot with ferns", drawBoot], ["almanac-kettle", "Kettle on the potting bench", drawKettle], ["almanac-lantern", "Lantern in the shed", drawLantern], ["almanac-snail", "Snail on a rain barrel", drawSnail]];

for (const [file, title, draw] of DRAWINGS) {
  const hand = draw();
  writeFileSync(join(FOLDER, `${file}.svg`), hand.svg(title));
  console.log(`${file}.svg: ${hand.strokes.length} strokes`);
}

const boot = drawBoot();
const coloured = colouredDemo(boot.svg("Boot with ferns"), "Boot with ferns, coloured", boot, BOOT_SHADES);
writeFileSync(join(FOLDER, "almanac-boot-coloured.fern"), writeDrawingFile(coloured));

/** The bunch of radishes begins on paper: only its scan is shown. */
const SCAN = { pixels: 1600, seed: 41, grain: 2.5 };
const radishes = drawRadishes().svg("Bunch of radishes");
writeFileSync(join(FOLDER, "scan", "radishes.svg"), radishes);
const { width, height, data } = scanOf(radishes, SCAN).grey;
writeFileSync(join(FOLDER, "almanac-radishes.png"), encode({ width, height, data, channels: 1, depth: 8 }));

writeFileSync(join(FOLDER, "almanac-sprig.fern"), writeDrawingFile(drawSprig()));
