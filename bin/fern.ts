#!/usr/bin/env node
/** The command line over core, for batch work and for checks beside other engines. */
import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { pocketsReport } from "./pockets.ts";

const USAGE = "Usage: fern pockets FILE.svg [--reach N] [--strict] --json";

function main(): void {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { reach: { type: "string" }, strict: { type: "boolean" }, json: { type: "boolean" } },
  });
  const [command, file] = positionals;
  if (command !== "pockets" || !file) throw new Error(USAGE);
  const reach = values.reach === undefined ? 0 : Number(values.reach);
  if (!(reach >= 0)) throw new Error("--reach takes a width in page units, 0 or more");
  const report = pocketsReport(readFileSync(file, "utf8"), { reach, strict: values.strict ?? false });
  if (values.json) console.log(JSON.stringify(report));
  else
    console.log(
      `${report.pockets.length} pockets, ${report.looseEnds} loose ends, ${report.openings.length} openings`,
    );
}

try {
  main();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
}
