import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { crossingStrokes } from "../bench/line-work.ts";

const folder = mkdtempSync(join(tmpdir(), "fern-"));
const file = join(folder, "square.svg");
writeFileSync(
  file,
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" fill="none" stroke="#000" stroke-width="2"><path d="M10 10H90V90H10V15"/><circle cx="50" cy="50" r="10"/></svg>',
);
const fern = (...args: string[]) =>
  JSON.parse(execFileSync("npm", ["run", "-s", "fern", "--", ...args], { encoding: "utf8" }));

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
    const { status, stderr } = spawnSync("npm", ["run", "-s", "fern", "--", "build", lines], {
      encoding: "utf8",
    });
    expect(status).not.toBe(0);
    expect(stderr).toContain("strokes");
  });

  it("says what is wrong and fails", () => {
    const { status, stderr } = spawnSync(
      "npm",
      ["run", "-s", "fern", "--", "pockets", file, "--reach", "wide"],
      { encoding: "utf8" },
    );
    expect(status).not.toBe(0);
    expect(stderr).toContain("--reach");
  });
});
