#!/usr/bin/env node
/** The command line over core, for batch work and for checks beside other engines. */
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { basename, extname, join } from "node:path";
import { parseArgs } from "node:util";
import { FILE_KINDS, KINDS } from "#core/deliver/kinds.ts";
import { drawingFileText } from "#core/formats/drawing-file.ts";
import { FileProblem } from "#core/formats/file-problem.ts";
import { cameIn } from "#core/formats/import-report.ts";
import { TooFine } from "#core/lines/trace/too-fine.ts";
import { TRACE_SETTINGS } from "#core/lines/trace/trace.ts";
import { READINGS } from "#core/lines/trace/traced-drawing.ts";
import { TooDense } from "#core/pockets/too-dense.ts";
import { counted } from "#core/words.ts";
import { bridgeReport } from "./bridge.ts";
import { buildReport, readLineWork } from "./build.ts";
import { convertReport } from "./convert.ts";
import { dabReport, readDabs } from "./dab.ts";
import { deliver, opened } from "./deliver.ts";
import { openDrawing } from "./open-drawing.ts";
import { pocketsReport } from "./pockets.ts";
import { traceReport } from "./trace.ts";

const USAGE = `Usage:
  fern pockets FILE.fern|FILE.svg [--reach N] [--strict] [--json]
  fern bridge FILE.svg --reach N --out OUT.svg [--strict] [--json]
  fern convert FILE.svg ... --out OUT.svg|FOLDER [--merge DIFFERENCE] [--json]
  fern deliver FILE.fern|FILE.svg --as svg|plain-svg|png|pdf|ora|plates|plates-pdf|fern --out OUT|FOLDER
    [--ppi N] [--colourway NAME] [--part NAME] [--sheets ground,flats,shade,light,ink,gloss] [--dark NAME] [--inks] [--contact] [--json]
  fern dab FILE.fern|FILE.svg --dabs DABS.json --out OUT.svg [--reach N] [--border bare|open] [--json]
  fern trace SCAN.png --mode lines|shapes --out OUT.svg [--threshold 0-255] [--specks PIXELS] [--breaks PIXELS] [--json]
  fern build FILE.json [--repeat N] [--json]`;

const OPTIONS = {
  reach: { type: "string" },
  strict: { type: "boolean" },
  json: { type: "boolean" },
  out: { type: "string" },
  merge: { type: "string" },
  as: { type: "string" },
  ppi: { type: "string" },
  colourway: { type: "string" },
  part: { type: "string" },
  sheets: { type: "string" },
  dark: { type: "string" },
  inks: { type: "boolean" },
  contact: { type: "boolean" },
  mode: { type: "string" },
  threshold: { type: "string" },
  specks: { type: "string" },
  breaks: { type: "string" },
  repeat: { type: "string" },
  dabs: { type: "string" },
  border: { type: "string" },
} as const;

type Values = ReturnType<typeof parseArgs<{ options: typeof OPTIONS }>>["values"];

interface Answer {
  readonly report: object;
  readonly sentence: string;
  /** Whether some of the files could not be read. */
  readonly partly?: boolean;
}

const isOfTheFile = (error: unknown): error is Error =>
  error instanceof FileProblem || error instanceof TooDense || error instanceof TooFine;

const COMMANDS: Record<
  string,
  (file: string, values: Values, more: readonly string[]) => Answer | Promise<Answer>
> = {
  pockets: (file, values) => {
    const report = pocketsReport(read(file), {
      reach: values.reach === undefined ? undefined : numberOf("--reach", values.reach),
      strict: values.strict ?? false,
    });
    return {
      report,
      sentence: [
        counted(report.pockets.length, "pocket"),
        counted(report.looseEnds, "loose end"),
        counted(report.openings.length, "opening"),
      ].join(", "),
    };
  },
  bridge: (file, values) => {
    if (!values.out) throw new Error(USAGE);
    const reach = numberOf("--reach", values.reach);
    const { report, svg } = bridgeReport(read(file), { reach, strict: values.strict ?? false });
    write(values.out, svg);
    return { report, sentence: `${report.bridges.length} bridges, ${report.pockets.length} pockets` };
  },
  convert: (file, values, more) => {
    const { out } = values;
    if (!out) throw new Error(USAGE);
    const merge = values.merge === undefined ? undefined : numberOf("--merge", values.merge);
    const convert = (from: string, to: string) => {
      const { report, svg } = convertReport(read(from), { name: basename(from, extname(from)), merge });
      write(to, svg);
      return report;
    };
    if (more.length === 0) {
      const report = convert(file, out);
      return { report, sentence: cameIn(report) };
    }
    makeFolder(out);
    const reports = [file, ...more].map((from) => {
      try {
        return { file: from, ...convert(from, join(out, basename(from))) };
      } catch (error) {
        if (!isOfTheFile(error)) throw error;
        return { file: from, problem: error.message };
      }
    });
    const problems = reports.flatMap((one) => ("problem" in one ? [`${one.file}: ${one.problem}`] : []));
    const written = `${counted(reports.length - problems.length, "file")} written to ${out}`;
    return { report: reports, sentence: [written, ...problems].join("\n"), partly: problems.length > 0 };
  },
  deliver: async (file, values) => {
    const as = KINDS.find((kind) => FILE_KINDS[kind].command === values.as);
    const { out, colourway } = values;
    if (!as || !out) throw new Error(USAGE);
    const ppi = values.ppi === undefined ? undefined : numberOf("--ppi", values.ppi);
    const { part, dark, inks, contact } = values;
    const sheets = values.sheets?.split(",");
    const request = { as, ppi, part, sheets, dark, inks, contact };
    const made = await deliver(opened(basename(file, extname(file)), read(file), colourway), request);
    const several = as === "plates";
    if (several) makeFolder(out);
    const files = made.map(({ name, bytes }) => {
      const path = several ? join(out, name) : out;
      write(path, bytes);
      return { path, bytes: bytes.length };
    });
    const told = several ? `${files.length} files` : `${out}, ${files[0].bytes} bytes`;
    return { report: { as, files }, sentence: `${told} written` };
  },
  dab: (file, values) => {
    const { dabs, out, border = "bare", reach } = values;
    if (!dabs || !out || (border !== "bare" && border !== "open")) throw new Error(USAGE);
    const spreading = {
      reach: reach === undefined ? Infinity : numberOf("--reach", reach),
      bareBorder: border === "bare",
    };
    const drawing = openDrawing(basename(file, extname(file)), read(file));
    const { report, svg } = dabReport(drawing, readDabs(bytesOf(dabs).toString("utf8")), spreading);
    write(out, svg);
    const found = `${counted(report.pockets, "pocket")} coloured, ${counted(report.bridges, "bridge")}`;
    return { report, sentence: found };
  },
  trace: (file, values) => {
    const mode = READINGS.find((reading) => reading === values.mode);
    if (!values.out || !mode) throw new Error(USAGE);
    const settings = {
      threshold: values.threshold === undefined ? undefined : numberOf("--threshold", values.threshold),
      specks: numberOf("--specks", values.specks, TRACE_SETTINGS.specks),
      breaks: numberOf("--breaks", values.breaks, TRACE_SETTINGS.breaks),
    };
    const name = basename(file, extname(file));
    const { report, svg } = traceReport(bytesOf(file), { name, mode, settings });
    write(values.out, svg);
    const found = mode === "lines" ? `${report.strokes} lines` : `${report.inkShapes} shapes`;
    return { report, sentence: `${found} in ${(report.ms / 1000).toFixed(2)} s` };
  },
  build: (file, values) => {
    const report = buildReport(readLineWork(read(file)), numberOf("--repeat", values.repeat, 5));
    return { report, sentence: `${counted(report.faces, "face")} in ${report.ms.toFixed(1)} ms` };
  },
};

const read = (file: string): string => drawingFileText(new Uint8Array(bytesOf(file)));

function bytesOf(file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    const missing = (error as NodeJS.ErrnoException).code === "ENOENT";
    throw new FileProblem("broken", missing ? `There is no file ${file}.` : `${file} cannot be read.`);
  }
}

function write(path: string, content: string | Uint8Array): void {
  try {
    writeFileSync(path, content);
  } catch (error) {
    throw new FileProblem("broken", `${path} was not written: ${whyNot(error)}.`);
  }
}

function makeFolder(path: string): void {
  try {
    mkdirSync(path, { recursive: true });
  } catch (error) {
    throw new FileProblem("broken", `The folder ${path} was not made: ${whyNot(error)}.`);
  }
}

const WHY: Readonly<Record<string, string>> = {
  ENOENT: "there is no such folder",
  ENOSPC: "the disk is full",
  EACCES: "that is not allowed",
  EROFS: "that place is for reading only",
  EISDIR: "a folder has that name",
  ENOTDIR: "a file lies in the way",
  EEXIST: "a file has that name",
};

const whyNot = (error: unknown): string =>
  WHY[(error as NodeJS.ErrnoException).code ?? ""] ?? "something is in the way";

function numberOf(name: string, text: string | undefined, otherwise?: number): number {
  const value = text === undefined ? otherwise : Number(text);
  if (value === undefined || !(value >= 0) || value === Number.POSITIVE_INFINITY)
    throw new Error(`${name} takes a number, 0 or more`);
  return value;
}

async function main(): Promise<void> {
  const { values, positionals } = parseArgs({ allowPositionals: true, options: OPTIONS });
  const [name, file, ...more] = positionals;
  const command = COMMANDS[name];
  if (!command || !file) throw new Error(USAGE);
  if (more.length > 0 && name !== "convert")
    throw new Error(`fern ${name} takes one file; ${more.join(", ")} would be left out.`);
  const { report, sentence, partly } = await command(file, values, more);
  console.log(values.json ? JSON.stringify(report) : sentence);
  if (partly) process.exitCode = 2;
}

/** Whatever is wrong is told in a sentence, and ends with 2. */
try {
  await main();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 2;
}
