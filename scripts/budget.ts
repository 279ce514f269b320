/**
 * What is fetched before the drawer can be used, and what more before the desk can be, in packed kilobytes of scripts and styles;
 * fails where it is more than it may be. Needs a build.
 */
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";

const CLIENT = "build/client";
const MOST_KB = { drawer: 250, desk: 600 };

interface Module {
  readonly module: string;
  readonly imports?: readonly string[];
  readonly css?: readonly string[];
  readonly clientActionModule?: string;
  readonly clientLoaderModule?: string;
  readonly hydrateFallbackModule?: string;
}

interface Manifest {
  readonly entry: Module;
  readonly routes: Readonly<Record<string, Module>>;
}

function builtManifest(): Manifest {
  const name = readdirSync(`${CLIENT}/assets`).find((file) => /^manifest-.*\.js$/.test(file));
  if (!name) throw new Error("There is no build: npm run build makes one.");
  const text = readFileSync(`${CLIENT}/assets/${name}`, "utf8");
  return JSON.parse(text.slice(text.indexOf("{"), text.lastIndexOf("}") + 1));
}

const filesOf = (one: Module): string[] =>
  [
    one.module,
    ...(one.imports ?? []),
    ...(one.css ?? []),
    one.clientActionModule,
    one.clientLoaderModule,
    one.hydrateFallbackModule,
  ].filter((file) => file !== undefined);

function packedSize(file: string): number {
  const path = `${CLIENT}${file}`;
  return statSync(existsSync(`${path}.gz`) ? `${path}.gz` : path).size;
}

const { entry, routes } = builtManifest();
const drawer = new Set([entry, routes.root, routes["routes/drawer"]].flatMap(filesOf));
const desk = new Set(filesOf(routes["routes/desk"]).filter((file) => !drawer.has(file)));
let isOver = false;
for (const [what, files] of Object.entries({ drawer, desk })) {
  const kilobytes = [...files].reduce((sum, file) => sum + packedSize(file), 0) / 1000;
  const most = MOST_KB[what as keyof typeof MOST_KB];
  console.log(`${what}: ${kilobytes.toFixed(0)} kB packed, at most ${most}`);
  isOver ||= kilobytes > most;
}
process.exitCode = isOver ? 1 : 0;
