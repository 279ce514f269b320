import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  worker: { format: "es" },
  build: { sourcemap: false, assetsInlineLimit: 0 },
  optimizeDeps: {
    entries: ["app/**/*.tsx", "app/**/*.worker.ts"],
    exclude: ["@resvg/resvg-js"],
  },
});
