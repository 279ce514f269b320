/** Draws the demo drawings: `npm run demo:draw`. */
import { writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { drawBoot } from "./boot.ts";
import type { Hand } from "./hand.ts";

const FOLDER = join(dirname(fileURLToPath(import.meta.url)), "..");

const DRAWINGS: readonly [file: string, title: string, draw: () => Hand][] = [["almanac-boot", "Boot with ferns", drawBoot]];

for (const [file, title, draw] of DRAWINGS) {
  const hand = draw();
  writeFileSync(join(FOLDER, `${file}.svg`), hand.svg(title));
  console.log(`${file}.svg: ${hand.strokes.length} strokes`);
}
