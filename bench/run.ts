/** Benchmarks, each a ratio within one run: `npm run bench [-- NAME ...]`. */
import { enginesBench } from "./engines.ts";
import { gapsBench } from "./gaps.ts";
import { lanternBench } from "./lantern.ts";
import { mainThreadBench } from "./main-thread.ts";
import { traceBench } from "./trace.ts";

const BENCHES: Record<string, () => void | Promise<void>> = {
  lantern: lanternBench,
  gaps: gapsBench,
  engines: enginesBench,
  trace: traceBench,
  "main-thread": mainThreadBench,
};

const chosen = process.argv.slice(2);
for (const [name, bench] of Object.entries(BENCHES))
  if (chosen.length === 0 || chosen.includes(name)) await bench();
