/** Benchmarks, each a ratio within one run: `npm run bench`. */
import { lanternBench } from "./lantern.ts";
import { mainThreadBench } from "./main-thread.ts";

lanternBench();
await mainThreadBench();
