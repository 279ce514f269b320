/** Where marks lie and how they are stroked, as found through groups, uses, viewports and transforms. */
import { describe, expect, it } from "vitest";
import type { Stroke } from "../drawing/drawing.ts";
import { curveCount, pointAt } from "../geometry/cubic.ts";
import { boundsOf } from "../geometry/point.ts";
import type { FileProblem } from "./file-problem.ts";
import { readSvg } from "./svg-read.ts";
import { originOf } from "./svg-units.ts";

const read = (body: string, attributes = 'viewBox="0 0 100 100"') =>
  readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}><g fill="none" stroke="#000">${body}</g></svg>`,
  );

const strokesOf = (body: string, attributes?: string): readonly Stroke[] => read(body, attributes).strokes;

/** Both ends of a stroke, rounded. */
const endsOf = ({ points }: Stroke): number[] =>
  [...pointAt(points, 0), ...pointAt(points, curveCount(points))].map((n) => Math.round(n * 1000) / 1000 + 0);

/** Nothing but a file without lines is refused this way. */
const hasNoLines = (body: string): boolean => {
  try {
    read(body);
    return false;
  } catch (error) {
    return (error as FileProblem).kind === "no-lines";
  }
};

const LINE = '<path d="M0 0H10"/>';

describe("what is used again", () => {
  it("lies where its use says, with what it inherits there", () => {
    const [first, second] = strokesOf(
      `<defs><path id="p" d="M0 0H10"/></defs><use href="#p" x="5" y="6"/><g stroke-width="4" transform="scale(2)"><use href="#p" y="1"/></g>`,
    );
    expect(endsOf(first)).toEqual([5, 6, 15, 6]);
    expect(endsOf(second)).toEqual([0, 2, 20, 2]);
    expect([first.width, second.width]).toEqual([1, 8]);
  });

  it("fits a symbol's own view box into the use's size", () => {
    const [line] = strokesOf(
      '<symbol id="s" viewBox="0 0 10 10"><path d="M0 5H10"/></symbol><use href="#s" x="20" y="20" width="40" height="20"/>',
    );
    // Twenty wide in the middle of forty.
    expect(endsOf(line)).toEqual([30, 30, 50, 30]);
    expect(line.width).toBeCloseTo(2, 9);
  });

  it("is not painted where it is only defined, and is nothing where it is missing", () => {
    expect(hasNoLines(`<defs>${LINE}</defs><symbol>${LINE}</symbol><use href="#nowhere"/>`)).toBe(true);
  });
});

describe("viewports", () => {
  it("cut off what lies outside an inner one", () => {
    const [line] = strokesOf('<svg x="10" y="10" width="20" height="20"><path d="M-50 5H50"/></svg>');
    const box = boundsOf([line.points])!;
    expect(box.x).toBeCloseTo(10, 6);
    expect(box.x + box.width).toBeCloseTo(30, 6);
  });

  it("take percentages of the nearest one", () => {
    const [line] = strokesOf('<svg width="50" height="20"><line x1="0" y1="50%" x2="100%" y2="50%"/></svg>');
    expect(endsOf(line)).toEqual([0, 10, 50, 10]);
  });
});

describe("transforms", () => {
  it("turn about the origin they name: lengths, shares or sides of the viewport", () => {
    for (const origin of ["50px 50px", "50% 50%", "center", "50 center"]) {
      const [line] = strokesOf(
        `<path style="transform:rotate(0.25turn);transform-origin:${origin}" d="M50 40V20"/>`,
      );
      expect(endsOf(line)).toEqual([60, 50, 80, 50]);
    }
    const [line] = strokesOf('<path transform="scale(2)" transform-origin="right bottom" d="M90 100H100"/>');
    expect(endsOf(line)).toEqual([80, 100, 100, 100]);
  });

  it("know every unit of angle", () => {
    for (const angle of ["90deg", "100grad", "0.25turn", `${Math.PI / 2}rad`]) {
      const [line] = strokesOf(`<path style="transform:rotate(${angle})" d="M0 0H10"/>`);
      expect(endsOf(line)).toEqual([0, 0, 0, 10]);
    }
    // CSS asks for one, the attribute does not.
    const [turned, straight] = ['transform="rotate(90)"', 'style="transform:rotate(90)"'].map(
      (written) => strokesOf(`<path ${written} d="M0 0H10"/>`)[0],
    );
    expect([endsOf(turned), endsOf(straight)]).toEqual([
      [0, 0, 0, 10],
      [0, 0, 10, 0],
    ]);
  });

  it("name an origin across before one down, whichever comes first", () => {
    const size = { width: 200, height: 100 };
    expect(originOf("top right", size)).toEqual([200, 0]);
    expect(originOf("right top", size)).toEqual([200, 0]);
    expect(originOf("bottom", size)).toEqual([100, 100]);
    expect(originOf("left", size)).toEqual([0, 50]);
    expect(originOf("10px 20%", size)).toEqual([10, 20]);
    expect(originOf(undefined, size)).toEqual([0, 0]);
  });
});

describe("a switch", () => {
  it("paints the first of its children that asks for nothing we lack", () => {
    const lines = strokesOf(
      `<switch><g requiredExtensions="http://example.org/own">${LINE}${LINE}</g><g systemLanguage="de">${LINE}${LINE}${LINE}</g><g systemLanguage="fr, en-GB"><path d="M0 9H10"/></g>${LINE}</switch>`,
    );
    expect(lines.map(endsOf)).toEqual([[0, 9, 10, 9]]);
    expect(hasNoLines(`<switch><g systemLanguage="de">${LINE}</g></switch>`)).toBe(true);
  });
});

describe("pens", () => {
  it("grow with their transform, or not where they do not scale", () => {
    const [grown] = strokesOf('<path transform="scale(3)" stroke-width="2" d="M0 0H10"/>');
    expect(grown.width).toBeCloseTo(6, 9);
    const [fixed] = strokesOf(
      '<path transform="scale(3)" vector-effect="non-scaling-stroke" stroke-width="2" d="M0 0H10"/>',
      'viewBox="0 0 100 100" width="200" height="200"',
    );
    // Two pixels of a file shown two pixels to a unit.
    expect(fixed.width).toBeCloseTo(1, 9);
  });

  it("squeezed by their transform are as wide as their shadow across the line", () => {
    const [across, down] = strokesOf(
      '<g transform="scale(1 4)" stroke-width="2"><path d="M0 5H10"/><path d="M5 0V10"/></g>',
    );
    expect(across.width).toBeCloseTo(8, 6);
    expect(down.width).toBeCloseTo(2, 6);
    const [ring] = strokesOf('<circle transform="scale(1 4)" stroke-width="2" r="10" cx="20" cy="12"/>');
    expect(ring.width).toBeCloseTo(8, 1);
    const shares = ring.profile!.filter((_, i) => i % 2 === 1);
    expect(Math.min(...shares)).toBeCloseTo(0.25, 1);
  });

  it("keep caps, joins and dashes, the round ones unsaid", () => {
    const [plain, round, dashed] = strokesOf(
      `${LINE}<path stroke-linecap="round" stroke-linejoin="round" d="M0 0H10"/><path transform="scale(2)" stroke-dasharray="3, 1" stroke-dashoffset="2" stroke-linejoin="bevel" d="M0 0H10"/>`,
    );
    expect(plain).toMatchObject({ cap: "butt", join: "miter" });
    expect(round).not.toHaveProperty("cap");
    expect(round).not.toHaveProperty("join");
    expect(dashed).toMatchObject({ dash: [6, 2], dashOffset: 4, join: "bevel" });
  });

  it("take no dashes that make no sense", () => {
    for (const dash of ["0 0", "-1 2", "x", "none", ""])
      expect(strokesOf(`<path stroke-dasharray="${dash}" d="M0 0H10"/>`)[0]).not.toHaveProperty("dash");
  });

  it("that show nothing leave no line", () => {
    for (const pen of [
      'stroke-width="0"',
      'stroke="none"',
      'stroke-opacity="0"',
      'display="none"',
      'visibility="hidden"',
    ])
      expect(hasNoLines(`<path ${pen} d="M0 0H10"/>`)).toBe(true);
  });
});

describe("files from elsewhere", () => {
  it("may name their namespaces by entities, by a prefix, or not at all", () => {
    const line = 'fill="none" stroke="#000" d="M0 0H10"';
    for (const text of [
      `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY ns_svg "http://www.w3.org/2000/svg">]><svg xmlns="&ns_svg;" viewBox="0 0 9 9"><path ${line}/></svg>`,
      `<s:svg xmlns:s="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><s:path ${line}/></s:svg>`,
      `<svg viewBox="0 0 9 9"><path ${line}/></svg>`,
      `\uFEFF<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><g other:label="x"><path ${line}/></g></svg>`,
    ])
      expect(readSvg(text).strokes).toHaveLength(1);
  });

  it("have a page around what is drawn where they tell no size", () => {
    const { page } = readSvg(
      '<svg xmlns="http://www.w3.org/2000/svg"><path fill="none" stroke="#000" d="M10 10L50 50"/></svg>',
    );
    expect(page.box.x).toBeLessThan(10);
    expect(page.box.x + page.box.width).toBeGreaterThan(50);
  });
});

describe("what browsers know", () => {
  it("clips by what a clip path uses, where that lies", () => {
    const [line] = strokesOf(
      `<defs><rect id="r" width="20" height="20"/><clipPath id="c"><use href="#r" x="40" y="40"/></clipPath></defs>
       <path clip-path="url(#c)" d="M0 50H100"/>`,
    );
    expect(endsOf(line)).toEqual([40, 50, 60, 50]);
  });

  it("takes lengths of the font's size from the font", () => {
    const [one, two, three] = strokesOf(
      `<g font-size="10"><path stroke-width=".5em" d="M0 0H9"/><g font-size="2em"><path stroke-width=".1em" d="M0 5H9"/></g></g>
       <g font-size="4" stroke-width="1em"><path font-size="40" d="M0 9H9"/></g>`,
    );
    expect([one.width, two.width, three.width]).toEqual([5, 2, 4]);
  });

  it("heeds what a file asks not to be there", () => {
    const [line] = strokesOf(
      `<style>path{stroke-width:2} @supports not (fill:red){path{stroke-width:9}} @supports (fill:red){path{stroke-width:3}}</style>${LINE}`,
    );
    expect(line.width).toBe(3);
  });

  it("tells of lines that were painted beneath their own fills", () => {
    const { asides } = read(`<path fill="#fa0" paint-order="stroke" stroke-width="6" d="M9 9h20v20h-20z"/>`);
    expect(asides.get("paint-order")).toHaveLength(1);
  });

  it("cuts no letter in two", () => {
    const name = `${"a".repeat(199)}\u{1F331}`;
    expect(strokesOf(`<path data-name="${name}" d="M0 0H10"/>`)[0].name).toBe("a".repeat(199));
  });

  it("takes a path for closed that returns to its start but for rounding, before and after it was written", () => {
    const [kayak] = strokesOf(
      `<path d="M6.414 6.414a2 2 0 0 0 0 -2.828l-1.414 -1.414l-2.828 2.828l1.414 1.414a2 2 0 0 0 2.828 0" />`,
      'viewBox="0 0 24 24"',
    );
    expect([kayak.closed, ...kayak.points.slice(0, 2)]).toEqual([true, ...kayak.points.slice(-2)]);
    expect(strokesOf('<path d="M0 0L9 0 9 9 1e-4 0"/>')[0].closed).toBe(false);
  });
});
