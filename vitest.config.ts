import { defineConfig } from "vitest/config";
import { decorators } from "./vite.shared.ts";

export default defineConfig({
  oxc: decorators,
  test: {
    include: ["core/**/*.test.ts", "app/**/*.test.ts", "bin/**/*.test.ts", "demo/**/*.test.ts"],
    setupFiles: ["./vitest.setup.ts"],
    testTimeout: 60_000,
  },
});
