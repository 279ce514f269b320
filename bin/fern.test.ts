import { execFile, execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { promisify } from "node:util";
import { gzipSync } from "node:zlib";
import { decode, encode } from "fast-png";
import { unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { crossingStrokes } from "../bench/line-work.ts";
import { SOAK } from "../testing/long-runs.ts";
import { problemsOf } from "../testing/pdf-readers.ts";
import { readDabs } from "./dab.ts";

const execute = promisify(execFile);
const folder = mkdtempSync(join(tmpdir(), "fern-"));
const file = join(folder, "square.svg");
writeFileSync(
  file,
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" fill="none" stroke="#000" stroke-width="2"><path d="M10 10H90V90H10V15"/><circle cx="50" cy="50" r="10"/></svg>',
);
const FERN = ["scripts/compiled.sh", "bin/fern.ts"];
const fern = (...args: string[]) =>
  JSON.parse(execFileSync("bash", [...FERN, ...args], { encoding: "utf8" }));
const run = (...args: string[]) => spawnSync("bash", [...FERN, ...args], { encoding: "utf8" });

describe("fern pockets", () => {
  it("prints pockets, loose ends and openings as JSON", () => {
    const report = fern("pockets", file, "--json");
    expect(report.viewBox).toEqual([0, 0, 100, 100]);
    expect(report.strokes).toBe(2);
    expect(report.pockets).toHaveLength(1);
    expect(report.looseEnds).toBe(2);
    expect(report.openings[0].width).toBeCloseTo(5, 3);
    expect(report.openings[0].at[1]).toBeCloseTo(12.5, 3);
  });

  it("closes openings within reach, holes taken off, largest first", () => {
    const { pockets } = fern("pockets", file, "--reach", "6", "--json");
    expect(pockets).toHaveLength(2);
    expect(pockets[0].area).toBeCloseTo(6400 - Math.PI * 100, 0);
    expect(pockets[1].area).toBeCloseTo(Math.PI * 100, 0);
  });

  it("bridges what is within reach and writes the drawing", () => {
    const out = join(folder, "bridged.svg");
    const report = fern("bridge", file, "--reach", "6", "--out", out, "--json");
    expect(report.bridges).toHaveLength(1);
    expect(report.bridges[0].width).toBeCloseTo(5, 3);
    expect(report.pockets).toHaveLength(2);
    expect(readFileSync(out, "utf8")).toContain("<svg");
  });

  it("colours from dabs, and says what each claimed", () => {
    const [dabs, out] = [join(folder, "dabs.json"), join(folder, "dabbed.svg")];
    const given = [
      {
        colour: "#3a7d44",
        width: 2,
        points: [
          [30, 30],
          [34, 32],
        ],
      },
      { colour: null, width: 2, points: [[50, 50]], firm: true },
    ];
    writeFileSync(dabs, JSON.stringify(given));
    const report = fern("dab", file, "--dabs", dabs, "--out", out, "--json");
    expect(report).toMatchObject({ pockets: 1, bridges: 1 });
    expect(report.dabs[0].area).toBeCloseTo(6400 - Math.PI * 100, -1);
    expect(report.dabs[0].bridges).toEqual([{ width: expect.closeTo(5, 3) }]);
    expect(report.dabs[1]).toEqual({ colour: null, area: 0, pockets: 0, bridges: [] });
    expect(fern("pockets", out, "--json").pockets).toHaveLength(2);
    expect(fern("dab", file, "--dabs", dabs, "--out", out, "--reach", "4", "--json").pockets).toBe(0);
    // With nothing that holds it off it runs out through the gap, up to the page's edge.
    const open = fern("dab", file, "--dabs", dabs, "--out", out, "--border", "open", "--json");
    expect(open.dabs[0].area).toBeCloseTo(10_000 - Math.PI * 100, -1);
    expect(open.bridges).toBe(4);
    for (const [wrong, sentence] of [
      ["no", "no JSON"],
      ["{}", "no list"],
      [JSON.stringify([{ ...given[0], colour: "green" }]), "Dab 1 makes no sense: colour"],
    ])
      expect(() => readDabs(wrong)).toThrow(sentence);
    writeFileSync(dabs, JSON.stringify([given[0], { ...given[1], points: [["a", 1]] }]));
    const { status, stderr } = run("dab", file, "--dabs", dabs, "--out", out);
    expect([status, stderr]).toEqual([2, expect.stringContaining("Dab 2 makes no sense: points")]);
  });

  it("times the build of polylines and says what it held", () => {
    const lines = join(folder, "lines.json");
    const strokes = crossingStrokes(300).map((points) => ({ points }));
    writeFileSync(lines, JSON.stringify({ viewBox: [0, 0, 2000, 2000], strokes }));
    const report = fern("build", lines, "--repeat", "3", "--json");
    expect(report).toMatchObject({ faces: 1490, segments: 7200, crossings: 1784 });
    expect(report.ms).toBeGreaterThan(0);
    expect(report.peakBytes / report.segments).toBeGreaterThan(40);
    expect(report.peakBytes / report.segments).toBeLessThan(300);
    writeFileSync(lines, JSON.stringify({ viewBox: [0, 0, 10, 10], strokes: [{ points: [[1, "x"]] }] }));
    const { status, stderr } = run("build", lines);
    expect(status).not.toBe(0);
    expect(stderr).toContain("strokes");
  });

  it("says what is wrong and fails", () => {
    const { status, stderr } = run("pockets", file, "--reach", "wide");
    expect(status).not.toBe(0);
    expect(stderr).toContain("--reach");
  });
});

describe("broken files", () => {
  const png = encode({
    width: 40,
    height: 40,
    channels: 1,
    depth: 8,
    data: Uint8Array.from({ length: 1600 }, (_, i) => (i % 40 === 20 ? 0 : 255)),
  });
  const out = join(folder, "never.svg");
  const seed = Date.now() % 100_000;
  const damaged = Array.from({ length: SOAK ? 24 : 6 }, (_, i) => {
    const bytes = png.slice();
    for (let k = 0; k <= i % 3; k++)
      bytes[(seed * 7 + i * 31 + k * 13) % bytes.length] ^= 1 << ((seed + i) % 8);
    return i % 5 === 0 ? bytes.slice(0, (bytes.length * (i + 1)) / 25) : bytes;
  });

  it(`are told in sentences of ours, with exit code 2 (seed ${seed})`, () => {
    fern("pockets", file, "--json");
    damaged.forEach((bytes, i) => {
      const scan = join(folder, `damaged-${i}.png`);
      writeFileSync(scan, bytes);
      const { status, stderr } = run("trace", scan, "--mode", "lines", "--out", out);
      expect([0, 2], `${scan}: ${stderr}`).toContain(status);
      if (status === 2) expect(stderr).toMatch(/^The scan (cannot be read|has more)/);
    });
    for (const args of [
      ["pockets", join(folder, "nothing.svg")],
      ["pockets", join(folder, "damaged-0.png")],
    ])
      expect(run(...args).status).toBe(2);
  });

  it("two runs at once never meet half a program", async () => {
    rmSync("node_modules/.fern/fern.mjs", { force: true });
    const runs = await Promise.all(
      Array.from({ length: 4 }, () => execute("bash", [...FERN, "pockets", file, "--json"])),
    );
    for (const { stdout } of runs) expect(JSON.parse(stdout).strokes).toBe(2);
  });
});

describe("bad calls and files", () => {
  it.each<[string, readonly string[], RegExp]>([
    ["a file cut to eighteen bytes", ["pockets", "cut.fern"], /damaged on its way/],
    ["sixty megabytes of blanks", ["pockets", "blank.fern"], /empty/],
    [
      "pixels without end",
      ["deliver", "square.svg", "--as", "png", "--ppi", "1e9", "--out", "x.png"],
      /120 million/,
    ],
    ["a folder that is not there", ["convert", "square.svg", "--out", "nowhere/x.svg"], /no such folder/],
    ["a second file", ["pockets", "square.svg", "other.svg"], /takes one file/],
    [
      "a part that is none",
      ["deliver", "square.svg", "--as", "svg", "--part", "Roof", "--out", "x.svg"],
      /no part Roof/,
    ],
    [
      "a sheet that is none",
      ["deliver", "square.svg", "--as", "svg", "--sheets", "roof", "--out", "x.svg"],
      /no sheet roof/,
    ],
    ["a picture that is no PNG", ["trace", "square.svg", "--mode", "lines", "--out", "x.svg"], /not a PNG/],
  ])("%s: ends with 2 and a sentence", (_, args, sentence) => {
    const gzip = [0x1f, 0x8b, 8, 0, 0, 0, 0, 0, 0, 3, ...Array(8).fill(255)];
    writeFileSync(join(folder, "cut.fern"), Uint8Array.from(gzip));
    writeFileSync(join(folder, "blank.fern"), gzipSync(Buffer.alloc(6e7, " ")));
    const placed = args.map((arg) => (/\.(fern|svg|png)$/.test(arg) ? join(folder, arg) : arg));
    const { status, stderr } = run(...placed);
    expect([status, stderr.split("\n").length]).toEqual([2, 2]);
    expect(stderr).toMatch(sentence);
  });
});

describe("a drawing of ours", () => {
  it("has the pockets that the desk has, parts and bridges and all", () => {
    const { pockets } = fern("pockets", "demo/almanac-kettle-coloured.fern", "--json");
    const out = join(folder, "kettle-again.svg");
    fern("deliver", "demo/almanac-kettle-coloured.fern", "--as", "svg", "--out", out, "--json");
    expect(fern("pockets", out, "--json").pockets.length).toBe(pockets.length);
  });
});

describe("a contact sheet", () => {
  it("has every colourway with its name", () => {
    const out = join(folder, "ways.svg");
    fern("deliver", "demo/almanac-snail-coloured.fern", "--as", "svg", "--contact", "--out", out, "--json");
    const sheet = readFileSync(out, "utf8");
    const names = [...sheet.matchAll(/data-part="caption-\d" data-name="([^"]*)"/g)].map(([, name]) => name);
    expect(names).toEqual(["First colours", "After the rain"]);
    // As the drawing is, twice and no more.
    expect(sheet.match(/data-name="Drawing"/g)).toHaveLength(2);
  });
});

describe("fern convert", () => {
  it("writes what Deliver would, and says what came in as JSON", () => {
    const out = join(folder, "converted.svg");
    const report = fern("convert", file, "--out", out, "--json");
    expect(report).toMatchObject({ strokes: 2, inkShapes: 0, colours: 1, leftAside: [], changed: [] });
    const svg = readFileSync(out, "utf8");
    expect(svg).toContain('<metadata id="fern-pocket">');
    expect(fern("convert", out, "--out", join(folder, "again.svg"), "--json").strokes).toBe(2);
    expect(readFileSync(join(folder, "again.svg"), "utf8")).toBe(svg);
  });

  it("converts several files into a folder", () => {
    const other = join(folder, "other.svg");
    writeFileSync(
      other,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><text>x</text><path fill="#f80" d="M0 0h5v5z"/></svg>',
    );
    const reports = fern("convert", file, other, "--out", join(folder, "many"), "--json");
    expect(
      reports.map(({ strokes, flatShapes }: { strokes: number; flatShapes: number }) => [
        strokes,
        flatShapes,
      ]),
    ).toEqual([
      [2, 0],
      [0, 1],
    ]);
    expect(reports[1].leftAside[0].names).toEqual(["x"]);
    expect(readFileSync(join(folder, "many", "other.svg"), "utf8")).toContain("#ff8800");
  });
});

describe("fern convert, where one of several cannot be read", () => {
  it("writes the others, says what is wrong with it, and ends with 2", async () => {
    const broken = join(folder, "broken.svg");
    writeFileSync(broken, "<svg><g></svg>");
    const out = join(folder, "most");
    const ended = await execute("bash", [...FERN, "convert", broken, file, "--out", out]).catch(
      (error) => error,
    );
    expect([ended.code, readdirSync(out)]).toEqual([2, [basename(file)]]);
    expect(ended.stdout).toMatch(/^1 files? written to .*\n.*broken\.svg: The file's XML is broken/);
  });
});

describe("fern trace", () => {
  const scan = join(folder, "scan.png");
  const size = 120;
  const data = new Uint8Array(size * size).fill(230);
  for (let y = 56; y < 64; y++) for (let x = 20; x < 100; x++) data[y * size + x] = 40;
  writeFileSync(scan, encode({ width: size, height: size, data, channels: 1, depth: 8 }));

  it("reads a scan as lines or shapes in its own pixels", () => {
    const out = join(folder, "traced.svg");
    const lines = fern("trace", scan, "--mode", "lines", "--out", out, "--json");
    expect(lines).toMatchObject({ width: size, height: size, strokes: 1, inkShapes: 0 });
    expect(readFileSync(out, "utf8")).toContain('viewBox="0 0 120 120"');
    const shapes = fern("trace", scan, "--mode", "shapes", "--out", out, "--json");
    expect(shapes).toMatchObject({ strokes: 0, inkShapes: 1 });
    expect(fern("trace", scan, "--mode", "lines", "--threshold", "20", "--out", out, "--json").strokes).toBe(
      0,
    );
  });
});

describe("a scan of few bits a pixel", () => {
  it.each(["ring-1bit", "ring-4bit"])("is read as one of eight: %s", (name) => {
    const linesIn = (scan: string) =>
      fern(
        "trace",
        `bin/fixtures/${scan}.png`,
        "--mode",
        "lines",
        "--out",
        join(folder, "ring.svg"),
        "--json",
      );
    const [few, eight] = [linesIn(name), linesIn("ring-8")];
    expect([few.strokes, few.width, few.height]).toEqual([eight.strokes, eight.width, eight.height]);
  });
});

describe("fern deliver", () => {
  const demo = "demo/almanac-kettle-coloured.fern";

  it("writes the SVG that the desk writes, in the colourway that is asked for", () => {
    const out = join(folder, "kettle.svg");
    expect(fern("deliver", demo, "--as", "svg", "--colourway", "Evening", "--out", out, "--json").as).toBe(
      "svg",
    );
    const text = readFileSync(out, "utf8");
    expect(text).toMatch(/<svg [^>]*data-colourway="evening"/);
    expect(text).toContain('data-is="pour"');
    const wrong = run("deliver", demo, "--as", "svg", "--colourway", "Noon", "--out", out);
    expect([wrong.status, wrong.stderr]).toEqual([
      2,
      expect.stringContaining("There is no colourway Noon; there are"),
    ]);
  });

  it("paints a PNG with its pixels per inch, straight alpha and title", () => {
    const out = join(folder, "kettle.png");
    fern("deliver", demo, "--as", "png", "--ppi", "72", "--out", out, "--json");
    const picture = decode(readFileSync(out), { checkCrc: true });
    expect([picture.width, picture.height]).toEqual([283, 283]);
    expect(picture.resolution?.x).toBe(Math.round(72 / 0.0254));
    expect([...picture.data.slice(0, 4)]).toEqual([0, 0, 0, 0]);
    expect(readFileSync(out).toString("utf8")).toContain(
      "Title\0\0\0\0\0Kettle on the potting bench, coloured",
    );
  });

  it("writes PDF, a layered picture and plates that other programs read", () => {
    const pdf = join(folder, "kettle.pdf");
    fern("deliver", demo, "--as", "pdf", "--out", pdf, "--json");
    expect(problemsOf(readFileSync(pdf))).toBe("");
    const ora = join(folder, "kettle.ora");
    fern("deliver", demo, "--as", "ora", "--ppi", "72", "--out", ora, "--json");
    expect(Object.keys(unzipSync(readFileSync(ora)))).toContain("mergedimage.png");
    const plates = join(folder, "plates");
    const { files } = fern("deliver", demo, "--as", "plates", "--ppi", "40", "--out", plates, "--json");
    expect(files.length).toBeGreaterThan(5);
    for (const { path } of files) expect(decode(readFileSync(path)).channels).toBe(1);
  });
});
