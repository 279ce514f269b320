/** Benchmarks, each a ratio within one run: `npm run bench [-- NAME ...]`. */
import { dabsBench } from "./dabs.ts";
import { dayBench } from "./day.ts";
import { editsBench } from "./edits.ts";
import { enginesBench } from "./engines.ts";
import { floodBench } from "./flood.ts";
import { foreignFlatsBench } from "./foreign-flats.ts";
import { gapsBench } from "./gaps.ts";
import { growthBench } from "./growth.ts";
import { killsBench } from "./kills.ts";
import { lanternBench } from "./lantern.ts";
import { largeBench } from "./large.ts";
import { lightBench } from "./light.ts";
import { mainThreadBench } from "./main-thread.ts";
import { openingBench } from "./opening.ts";
import { penBench } from "./pen.ts";
import { pngBench } from "./png.ts";
import { rendersBench } from "./renders.ts";
import { sceneBench } from "./scene.ts";
import { startBench } from "./start.ts";
import { storageBench } from "./storage.ts";
import { traceBench } from "./trace.ts";

const BENCHES: Record<string, () => void | Promise<void>> = {
  lantern: lanternBench,
  gaps: gapsBench,
  dabs: dabsBench,
  engines: enginesBench,
  growth: growthBench,
  flood: floodBench,
  edits: editsBench,
  trace: traceBench,
  light: lightBench,
  opening: openingBench,
  start: startBench,
  pen: penBench,
  png: pngBench,
  scene: sceneBench,
  "main-thread": mainThreadBench,
  renders: rendersBench,
  large: largeBench,
  storage: storageBench,
  "foreign-flats": foreignFlatsBench,
};

/** Take a quarter of an hour each, so they run only when asked for. */
const LONG: typeof BENCHES = { kills: killsBench, day: dayBench };

const chosen = process.argv.slice(2);
for (const [name, bench] of Object.entries({ ...BENCHES, ...LONG }))
  if (chosen.includes(name) || (chosen.length === 0 && !(name in LONG))) await bench();
