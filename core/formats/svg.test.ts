import { describe, expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import { pour } from "../drawing/edits.ts";
import { applyEdit, beginHistory } from "../drawing/history.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { addShape } from "../drawing/shape-edits.ts";
import { ellipse } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { pocketsOf } from "../pockets/pockets.ts";
import { linesOf } from "../pockets/reading.ts";
import { derive, sceneOf } from "../scene/scene.ts";
import { checkSize, FileProblem } from "./file-problem.ts";
import { importSvg } from "./import-drawing.ts";
import { readSvg } from "./svg-read.ts";
import { writeSvg } from "./svg-write.ts";

const svg = (body: string, attributes = 'viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${body}</svg>`;
const problemOf = (text: string): FileProblem => {
  try {
    readSvg(text);
  } catch (error) {
    if (error instanceof FileProblem) return error;
    throw error;
  }
  throw new Error("was read");
};

describe("reading SVG", () => {
  it("reads every path command and basic shape as cubics", () => {
    const { strokes } = readSvg(
      svg(`<g stroke="#000" fill="none"><path d="M1 1h8v8H1zm20 0q5 5 10 0t10 0M50 50c1 2 3 4 5 5s5 5 9 0a5 5 0 0 1 10 0"/>
        <line x1="1" y1="90" x2="9" y2="95"/><polyline points="1,2 3,4 5 6"/><polygon points="10,60 20,60 15,70"/>
        <circle cx="80" cy="80" r="5"/><ellipse cx="60" cy="80" rx="5" ry="3"/><rect x="30" y="70" width="10" height="6" rx="2"/></g>`),
    );
    expect(strokes).toHaveLength(9);
    expect(strokes.filter(({ closed }) => closed)).toHaveLength(5);
    for (const { points, width } of strokes) {
      expect(points.length % 6).toBe(2);
      expect(width).toBe(1);
    }
  });

  it("follows nested transforms, with the width of the line", () => {
    const { strokes } = readSvg(
      svg(
        '<g transform="translate(10 0)"><path transform="scale(2)" stroke="red" stroke-width="3" d="M1 1L2 1"/></g>',
      ),
    );
    expect(strokes[0].points.slice(0, 2)).toEqual([12, 2]);
    expect(strokes[0].width).toBeCloseTo(6);
  });

  it("reads widths from inline styles and leaves hidden lines out", () => {
    const { strokes } = readSvg(
      svg(
        '<path style="stroke:#123;stroke-width:2.5px" d="M0 0L9 9"/><g display="none"><path stroke="#000" d="M0 0L9 9"/></g>',
      ),
    );
    expect(strokes.map(({ width }) => width)).toEqual([2.5]);
  });

  it("keeps a printed size given in physical units", () => {
    const { page } = readSvg(
      svg('<path stroke="#000" d="M0 0L9 9"/>', 'viewBox="0 0 200 100" width="4in" height="2in"'),
    );
    expect(page).toMatchObject({ unit: "in", width: 4 });
  });

  it("tells what it left aside, runs nothing and follows nothing", () => {
    const { strokes, asides, flats } = readSvg(
      svg(
        '<script>alert(1)</script><image href="http://nowhere.invalid/a.png"/><text>hi</text><path fill="#f80" d="M0 0h5v5z"/><path stroke="#000" fill="none" onclick="x()" d="M0 0L9 9"/>',
      ),
    );
    expect(strokes).toHaveLength(1);
    expect(flats.map(({ value }) => value)).toEqual(["#ff8800"]);
    expect(Object.fromEntries(asides)).toEqual({
      script: ["script", "path"],
      outside: ["http://nowhere.invalid/a.png"],
      image: ["a.png"],
      text: ["hi"],
    });
  });

  it("refuses what it cannot read, saying why", () => {
    expect(problemOf("  ").kind).toBe("empty");
    expect(problemOf("<svg><g></svg>").kind).toBe("broken");
    expect(problemOf("<html></html>").kind).toBe("not-svg");
    expect(problemOf(svg("<text>words</text>")).message).toContain("text only");
    expect(problemOf("<svg>&undeclared;</svg>").kind).toBe("broken");
    expect(() => checkSize(50 * 1024 * 1024)).toThrow("50 MB");
    expect(() => checkSize(0)).toThrow("empty");
  });

  it("takes dark filled shapes for ink, with their fill rule, closing what is open", () => {
    const { strokes, inkShapes } = readSvg(
      svg(
        '<g fill="#221b18"><path fill-rule="evenodd" d="M0 0h9v9zM2 2h3v3h-3z"/><path fill="white" d="M0 0h1v1z"/></g><circle r="3" stroke="#000"/>',
      ),
    );
    expect(inkShapes.map(({ outline, evenOdd }) => [outline.length, evenOdd])).toEqual([
      [2, true],
      [1, false],
    ]);
    for (const { outline } of inkShapes)
      for (const chain of outline) expect(chain.slice(0, 2)).toEqual(chain.slice(-2));
    expect(strokes).toHaveLength(1);
  });

  it("survives paths that make no sense", () => {
    const { strokes } = readSvg(
      svg(
        '<path stroke="#000" d="M0 0L"/><path stroke="#000" d="M1e999 0L5 5"/><path stroke="#000" d="M0 0L9 9"/>',
      ),
    );
    for (const { points } of strokes) expect(points.every(Number.isFinite)).toBe(true);
    expect(strokes.length).toBeGreaterThan(0);
  });
});

describe("writing SVG", () => {
  const source = svg(
    '<g stroke="#000" fill="none" stroke-width="2"><rect x="10" y="10" width="40" height="40"/><path id="cut" d="M30 10C35 20 25 40 30 50"/></g>',
  );
  const drawing = (() => {
    const { page, strokes } = readSvg(source);
    const bare = newDrawing("Test & <try>", page, strokes);
    const [pocket] = pocketsOf(buildMap(linesOf(bare)));
    return applyEdit(
      beginHistory(bare),
      pour([{ anchor: anchorOf(pocket) }], { colour: "frond", step: -1 }, ["p1"]),
    )!.history.drawing;
  })();
  const text = writeSvg(sceneOf(drawing, derive(drawing, pocketsOf(buildMap(linesOf(drawing))))), {
    drawing,
  });

  it("names sheets, keeps ink as strokes and colours as custom properties", () => {
    expect(text).toMatch(/<g id="flats">/);
    expect(text).toMatch(/<g id="ink"[^>]*stroke-linecap="round"/);
    expect(text).toMatch(/--frond-down-1:#[0-9a-f]{6}/);
    expect(text).toContain("<title>Test &amp; &lt;try&gt;</title>");
    expect(text).toContain('data-name="cut"');
    expect(text).toContain(`width="${drawing.page.width}mm"`);
  });

  it("comes back as the same lines", () => {
    const again = readSvg(text);
    const lines = Object.values(drawing.strokes);
    expect(again.strokes).toHaveLength(lines.length);
    again.strokes.forEach(({ points, width, closed }, i) => {
      expect(width).toBeCloseTo(lines[i].width, 5);
      expect(closed).toBe(lines[i].closed);
      points.forEach((n, k) => {
        expect(n).toBeCloseTo(lines[i].points[k], 4);
      });
    });
  });
});

it("gives what is soft beside the page no filter, which other renderers break on, and keeps that it is soft", () => {
  const shape = {
    id: "s",
    outline: [ellipse([300, 50], 20, 20)],
    evenOdd: false,
    paint: { colour: "frond", step: 0 },
    opacity: 1,
    soft: 3,
  };
  const drawing = edited(smallDrawing(), addShape(shape));
  const text = writeSvg(sceneOf(drawing, derive(drawing, [])), { drawing });
  expect(text).not.toContain("<filter");
  expect(text).toContain('data-soft="3"');
  expect(Object.values(importSvg("", text).drawing.flatShapes)).toMatchObject([{ soft: 3 }]);
  const near = edited(smallDrawing(), addShape({ ...shape, outline: [ellipse([105, 50], 20, 20)] }));
  expect(writeSvg(sceneOf(near, derive(near, [])), { drawing: near })).toContain("<filter");
});
