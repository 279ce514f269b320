#!/usr/bin/env node
/** The command line over core, for batch work and for checks beside other engines. */
import "reflect-metadata";
import { readFileSync, writeFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { bridgeReport } from "./bridge.ts";
import { buildReport, readLineWork } from "./build.ts";
import { pocketsReport } from "./pockets.ts";

const USAGE = `Usage:
  fern pockets FILE.svg [--reach N] [--strict] [--json]
  fern bridge FILE.svg --reach N --out OUT.svg [--strict] [--json]
  fern build FILE.json [--repeat N] [--json]`;

const OPTIONS = {
  reach: { type: "string" },
  strict: { type: "boolean" },
  json: { type: "boolean" },
  out: { type: "string" },
  repeat: { type: "string" },
} as const;

type Values = ReturnType<typeof parseArgs<{ options: typeof OPTIONS }>>["values"];

interface Answer {
  readonly report: object;
  readonly sentence: string;
}

const COMMANDS: Record<string, (file: string, values: Values) => Answer> = {
  pockets: (file, values) => {
    const report = pocketsReport(read(file), {
      reach: numberOf("--reach", values.reach, 0),
      strict: values.strict ?? false,
    });
    return {
      report,
      sentence: `${report.pockets.length} pockets, ${report.looseEnds} loose ends, ${report.openings.length} openings`,
    };
  },
  bridge: (file, values) => {
    if (!values.out) throw new Error(USAGE);
    const reach = numberOf("--reach", values.reach);
    const { report, svg } = bridgeReport(read(file), { reach, strict: values.strict ?? false });
    writeFileSync(values.out, svg);
    return { report, sentence: `${report.bridges.length} bridges, ${report.pockets.length} pockets` };
  },
  build: (file, values) => {
    const report = buildReport(readLineWork(read(file)), numberOf("--repeat", values.repeat, 5));
    return { report, sentence: `${report.faces} faces in ${report.ms.toFixed(1)} ms` };
  },
};

const read = (file: string): string => readFileSync(file, "utf8");

function numberOf(name: string, text: string | undefined, otherwise?: number): number {
  const value = text === undefined ? otherwise : Number(text);
  if (value === undefined || !(value >= 0)) throw new Error(`${name} takes a number, 0 or more`);
  return value;
}

function main(): void {
  const { values, positionals } = parseArgs({ allowPositionals: true, options: OPTIONS });
  const [name, file] = positionals;
  const command = COMMANDS[name];
  if (!command || !file) throw new Error(USAGE);
  const { report, sentence } = command(file, values);
  console.log(values.json ? JSON.stringify(report) : sentence);
}

try {
  main();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
}
