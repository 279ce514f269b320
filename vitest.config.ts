import { defineConfig } from "vitest/config";
import { slowness } from "./testing/long-runs.ts";

const setUp = { setupFiles: ["./vitest.setup.ts"], testTimeout: 120_000 * slowness() };
const KEEP = ["app/keep/**/*.test.ts"];

export default defineConfig({
  test: {
    // All processors: vitest would leave one for itself.
    maxWorkers: "100%",
    projects: [
      {
        // What the files of one worker share is read once; none of them leaves anything behind.
        test: {
          ...setUp,
          name: "shared",
          isolate: false,
          include: ["core/**/*.test.ts", "app/**/*.test.ts", "bin/**/*.test.ts", "demo/**/*.test.ts"],
          exclude: KEEP,
        },
      },
      // Storage is one for all that a worker runs: each of these has its own.
      { test: { ...setUp, name: "storage", include: KEEP } },
    ],
  },
});
