import { defineConfig } from "vitest/config";
import { slowness } from "./core/testing.ts";
import { decorators } from "./vite.shared.ts";

export default defineConfig({
  oxc: decorators,
  test: {
    include: ["core/**/*.test.ts", "app/**/*.test.ts", "bin/**/*.test.ts", "demo/**/*.test.ts"],
    setupFiles: ["./vitest.setup.ts"],
    // What the files of one worker share is read once; none of them leaves anything behind.
    isolate: false,
    testTimeout: 120_000 * slowness(),
  },
});
