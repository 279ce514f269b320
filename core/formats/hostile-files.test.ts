/** Files that ask for too much: read in parts, or refused, soon. What is spoiled otherwise is tried in fuzz.test.ts. */
import { describe, expect, it } from "vitest";
import { FileProblem } from "./file-problem.ts";
import { importSvg } from "./import-drawing.ts";

/** Of a processor, so that a busy machine does not count. */
const TOO_LONG_SECONDS = 20;

describe("hostile files", () => {
  it("that ask for too much are read in parts or refused, soon", async () => {
    const wrap = (body: string, box = "0 0 1000 1000") =>
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${body}</svg>`;
    const rows = (n: number, one: (i: number) => string) =>
      Array.from({ length: n }, (_, i) => one(i)).join("");
    const hex = (i: number) => `#${((i * 2654435761) % 0xffffff).toString(16).padStart(6, "0").slice(0, 6)}`;
    const uses = rows(9, (i) => `<g id="u${i + 1}">${`<use href="#u${i}" x="1"/>`.repeat(9)}</g>`);
    const stress: Record<string, string> = {
      colours: wrap(
        rows(
          20_000,
          (i) =>
            `<rect x="${(i % 200) * 5}" y="${Math.floor(i / 200) * 10}" width="4" height="8" fill="${hex(i)}"/>`,
        ),
      ),
      uses: wrap(`<path id="u0" d="M0 0h1v1z" stroke="#000"/>${uses}`),
      segments: wrap(
        `<path fill="none" stroke="#000" d="M0 0${rows(400_000, (i) => `L${i % 997} ${(i * 31) % 991}`)}"/>`,
      ),
      clips: wrap(
        `<clipPath id="c"><path d="M0 0${rows(400, (i) => `L${i % 997} ${(i * 31) % 991}`)}Z"/></clipPath>${rows(5000, (i) => `<g clip-path="url(#c)"><path stroke="#000" d="M0 ${i % 1000}H1000"/></g>`)}`,
      ),
      "flats over pockets": wrap(
        rows(
          3000,
          (i) =>
            `<path fill="${hex(i % 9)}" stroke="#000" stroke-width=".3" d="M${(i % 60) * 16} ${Math.floor(i / 60) * 16}h14v14h-14z"/>`,
        ),
      ),
    };
    for (const [called, text] of Object.entries(stress)) {
      const begun = process.cpuUsage();
      try {
        importSvg(called, text);
      } catch (error) {
        expect(error, called).toBeInstanceOf(FileProblem);
      }
      // The aim is 2 s, what hung took minutes.
      expect(process.cpuUsage(begun).user / 1e6, called).toBeLessThan(TOO_LONG_SECONDS);
    }
  });
});
