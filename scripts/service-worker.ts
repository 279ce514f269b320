/** Builds the service worker: bundled by esbuild, with the list of all files and pages of this build by workbox. */
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { build } from "esbuild";
import { injectManifest } from "workbox-build";
import { DEMOS, pictureFile } from "../app/drawer/demo.ts";

const CLIENT = "build/client";
const BUNDLED = "build/service-worker.js";

/** What pages and demo drawings are made of: another build, other pages. */
function buildId(): string {
  const hash = createHash("sha256");
  for (const name of readdirSync(join(CLIENT, "assets")).sort()) hash.update(name);
  hash.update(readFileSync("build/server/index.js"));
  for (const { file } of DEMOS) hash.update(readFileSync(join("demo", file)));
  for (const { file } of DEMOS) hash.update(readFileSync(join("demo", pictureFile(file))));
  return hash.digest("hex").slice(0, 16);
}

const revision = buildId();
const pages = ["/", "/scan", "/desk/any", "/help/any"];
const demos = DEMOS.flatMap(({ file }) => [`/demo/${file}`, `/demo/${file}?picture`]);

await build({
  entryPoints: ["app/offline/service-worker.ts"],
  bundle: true,
  minify: true,
  format: "iife",
  define: { "process.env.NODE_ENV": '"production"' },
  outfile: BUNDLED,
  logLevel: "error",
});
const { warnings } = await injectManifest({
  swSrc: BUNDLED,
  swDest: join(CLIENT, "service-worker.js"),
  globDirectory: CLIENT,
  globPatterns: ["**/*.{js,css,woff,woff2,svg,png,webp,webmanifest}"],
  globIgnores: ["service-worker.js"],
  dontCacheBustURLsMatching: /^assets\//,
  maximumFileSizeToCacheInBytes: 8 * 2 ** 20,
  additionalManifestEntries: [...pages, ...demos].map((url) => ({ url, revision })),
});
if (warnings.length > 0) throw new Error(warnings.join("\n"));
