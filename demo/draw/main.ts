/** Draws the demo drawings: `npm run demo:draw`. */
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { encode } from "fast-png";
import { DEMOS, pictureFile } from "../../app/drawer/demo.ts";
import type { Drawing } from "../../core/drawing/drawing.ts";
import { writeDrawingFile } from "../../core/formats/drawing-file.ts";
import { scanOf } from "../scan/scanner.ts";
import { drawBoot } from "./boot.ts";
import { colouredDemo, type Finish } from "./colour.ts";
import { BOOT_FINISH, KETTLE_FINISH, LANTERN_FINISH, SNAIL_FINISH } from "./finish.ts";
import type { Hand } from "./hand.ts";
import { drawKettle } from "./kettle.ts";
import { drawLantern } from "./lantern.ts";
import { partedColours } from "./part-colours.ts";
import { pictureOf } from "./picture.ts";
import { drawPumpkins } from "./pumpkins.ts";
import { drawRadishes } from "./radishes.ts";
import { drawSeedling } from "./seedling.ts";
import { drawSnail } from "./snail.ts";
import { creasedCabbage } from "./spots/cabbage.ts";
import { colouredPumpkins } from "./spots/pumpkins.ts";
import { hatchedRadishes } from "./spots/radishes.ts";
import { flatShed } from "./spots/shed.ts";
import { drawSprig } from "./sprig.ts";

const FOLDER = join(dirname(fileURLToPath(import.meta.url)), "..");

const DRAWINGS: readonly [file: string, title: string, draw: () => Hand][] = [
  ["almanac-boot", "Boot with ferns", drawBoot],
  ["almanac-kettle", "Kettle on the potting bench", drawKettle],
  ["almanac-lantern", "Lantern in the shed", drawLantern],
  ["almanac-snail", "Snail on a rain barrel", drawSnail],
  ["almanac-pumpkins", "Pumpkins by the path", drawPumpkins],
  ["almanac-seedling", "Seedling in a pot", drawSeedling],
];

for (const [file, title, draw] of DRAWINGS) {
  const hand = draw();
  writeFileSync(join(FOLDER, `${file}.svg`), hand.svg(title));
  console.log(`${file}.svg: ${hand.strokes.length} strokes`);
}

const COLOURED: readonly [file: string, title: string, draw: () => Hand, finish: Finish][] = [
  ["almanac-boot", "Boot with ferns", drawBoot, BOOT_FINISH],
  ["almanac-kettle", "Kettle on the potting bench", drawKettle, KETTLE_FINISH],
  ["almanac-lantern", "Lantern in the shed", drawLantern, LANTERN_FINISH],
  ["almanac-snail", "Snail on a rain barrel", drawSnail, SNAIL_FINISH],
];

for (const [file, title, draw, finish] of COLOURED) {
  const hand = draw();
  const drawing = colouredDemo(hand.svg(title), `${title}, coloured`, hand, finish);
  writeFileSync(join(FOLDER, `${file}-coloured.fern`), writeDrawingFile(partedColours(drawing)));
}

const SPOTS: readonly [file: string, draw: () => Drawing][] = [
  ["almanac-pumpkins-coloured", colouredPumpkins],
  ["almanac-radishes-hatched", hatchedRadishes],
  ["almanac-cabbage", creasedCabbage],
  ["almanac-shed", flatShed],
];

for (const [file, draw] of SPOTS) writeFileSync(join(FOLDER, `${file}.fern`), writeDrawingFile(partedColours(draw())));

/** The bunch of radishes begins on paper: only its scan is shown. */
const SCAN = { pixels: 1600, seed: 41, grain: 2.5 };
const radishes = drawRadishes().svg("Bunch of radishes");
writeFileSync(join(FOLDER, "scan", "radishes.svg"), radishes);
const { width, height, data } = scanOf(radishes, SCAN).grey;
writeFileSync(join(FOLDER, "almanac-radishes.png"), encode({ width, height, data, channels: 1, depth: 8 }));

writeFileSync(join(FOLDER, "almanac-sprig.fern"), writeDrawingFile(drawSprig()));

for (const { file } of DEMOS) {
  const path = join(FOLDER, pictureFile(file));
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, await pictureOf(file, readFileSync(join(FOLDER, file))));
}
