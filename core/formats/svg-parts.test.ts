import { describe, expect, it } from "vitest";
import { flatten } from "../geometry/cubic.ts";
import { mapped, mappedPoint, meanScale } from "../geometry/matrix.ts";
import { ringArea } from "../geometry/polygon.ts";
import { ellipse, rectangle } from "../lines/figures.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { commonOutline } from "../pockets/region-meet.ts";
import { importSvg } from "./import-drawing.ts";
import { flattened, pocketsFilledBy } from "./poured-pockets.ts";
import { readSvg } from "./svg-read.ts";
import { StyleSheet } from "./svg-style.ts";
import { treeOf } from "./svg-tree.ts";
import { lengthOf, matrixOf, urlOf, viewBoxMatrix, viewBoxOf } from "./svg-units.ts";

const svg = (body: string, attributes = 'viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${body}</svg>`;

describe("lengths and view boxes", () => {
  it("know every unit, and percentages of a whole", () => {
    expect([
      lengthOf("1in"),
      lengthOf("72pt"),
      lengthOf("6pc"),
      lengthOf("2.54cm"),
      lengthOf("25.4mm"),
      lengthOf("1e2"),
    ]).toEqual([96, 96, 96, 96, 96, 100]);
    expect([lengthOf("50%", 30), lengthOf("50%"), lengthOf("auto"), lengthOf(undefined)]).toEqual([
      15,
      undefined,
      undefined,
      undefined,
    ]);
    expect(viewBoxOf("0, 0 10,20")).toEqual({ x: 0, y: 0, width: 10, height: 20 });
    expect([viewBoxOf("0 0 0 5"), viewBoxOf("a b c d"), viewBoxOf("1 2 3")]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });

  it("fit a view box as its aspect asks", () => {
    const view = { x: 10, y: 10, width: 20, height: 10 };
    const corners = (aspect?: string) => [
      mappedPoint([10, 10], viewBoxMatrix(view, 40, 40, aspect)),
      mappedPoint([30, 20], viewBoxMatrix(view, 40, 40, aspect)),
    ];
    expect(corners()).toEqual([
      [0, 10],
      [40, 30],
    ]);
    expect(corners("xMinYMin meet")).toEqual([
      [0, 0],
      [40, 20],
    ]);
    expect(corners("none")).toEqual([
      [0, 0],
      [40, 40],
    ]);
    expect(corners("xMidYMax slice")).toEqual([
      [-20, 0],
      [60, 40],
    ]);
  });

  it("read transform lists, those of CSS too", () => {
    expect(mappedPoint([1, 0], matrixOf("translate(10 5) scale(2)"))).toEqual([12, 5]);
    const [x, y] = mappedPoint([1, 0], matrixOf("rotate(90deg) translateX(3px)"));
    expect([Math.round(x * 1e9) / 1e9, y]).toEqual([0, 4]);
    expect(meanScale(matrixOf("scale(2 8)"))).toBeCloseTo(4);
    expect(mappedPoint([1, 1], matrixOf("scaleX(3) translate3d(1px,2px,9px)"))).toEqual([6, 3]);
    for (const senseless of ["nonsense(", "translate(9 9) rotate(3£)", "scale(0x11)", "translate(1\ufeff)"])
      expect(matrixOf(senseless), senseless).toEqual([1, 0, 0, 1, 0, 0]);
    expect(urlOf("url( '#a-b' ) red")).toBe("a-b");
  });
});

describe("the cascade", () => {
  const styleOf = (css: string, element: string) => {
    const tree = treeOf(svg(`<style>${css}</style><g class="outer" color="teal">${element}</g>`));
    const sheet = new StyleSheet(tree);
    const outer = tree.root.children[1];
    return sheet.styleOf(outer.children[0], sheet.styleOf(outer, sheet.styleOf(tree.root, {})));
  };

  it("weighs attributes, rules by specificity and order, inline styles and importance", () => {
    const path = '<path id="p" class="a b" stroke="white" style="stroke-width:3"/>';
    expect(styleOf("", path).stroke).toBe("white");
    expect(styleOf(".a{stroke:red}path{stroke:blue}", path).stroke).toBe("red");
    expect(styleOf(".a{stroke:red}.b{stroke:blue}", path).stroke).toBe("blue");
    expect(styleOf("#p{stroke:red}.a.b{stroke:blue}", path).stroke).toBe("red");
    expect(styleOf("#p{stroke-width:9}", path)["stroke-width"]).toBe("3");
    expect(styleOf("path{stroke-width:9!important}", path)["stroke-width"]).toBe("9");
    expect(styleOf(".outer > path:first-child, .none{stroke:lime}", path).stroke).toBe("lime");
  });

  it("hands down what is inherited and nothing else, and follows custom properties", () => {
    expect(styleOf(".outer{stroke:red;opacity:.5}", "<path/>")).toMatchObject({
      stroke: "red",
      color: "teal",
    });
    expect(styleOf(".outer{stroke:red;opacity:.5}", "<path/>")).not.toHaveProperty("opacity");
    expect(
      styleOf(".outer{--pen:navy}path{stroke:var(--pen);fill:var(--none, gold)}", "<path/>"),
    ).toMatchObject({ stroke: "navy", fill: "gold" });
    expect(styleOf(".outer{stroke:red}", '<path stroke="inherit"/>').stroke).toBe("red");
    expect(styleOf("path{--a:9deg;transform:rotate(var(--a))}", "<path/>").transform).toBe("rotate(9deg)");
  });

  it("heeds conditions that hold on a screen, and survives rules that make no sense", () => {
    expect(styleOf("@media print{path{stroke:red}}@media screen{path{fill:blue}}", "<path/>")).toMatchObject({
      fill: "blue",
    });
    expect(styleOf("@media print{path{stroke:red}}", "<path/>")).not.toHaveProperty("stroke");
    expect(styleOf("path{stroke:}}} :::{fill:red} path{fill:lime}", "<path/>").fill).toBe("lime");
    expect(styleOf("path:focus-visible,path:rot{fill:red}path{fill:lime}", "<path/>").fill).toBe("lime");
  });
});

describe("values that make no sense", () => {
  const paintsOf = (body: string) => {
    const { flats, strokes, asides } = readSvg(svg(body));
    return [flats.map(({ value }) => value), strokes.map(({ width }) => width), [...asides.keys()]];
  };

  it("count as not written: the rule before, the element around or the start holds", () => {
    const square = 'd="M0 0h9v9h-9z"';
    expect(paintsOf(`<g fill="#ff8800"><path fill="#1a0.e" ${square}/></g>`)[0]).toEqual(["#ff8800"]);
    expect(paintsOf(`<path fill="#ff8800" style="fill:bogus" ${square}/>`)[0]).toEqual(["#ff8800"]);
    expect(paintsOf(`<g fill="#ff8800"><path fill="hsl(2u00 60% 40%)" ${square}/></g>`)[0]).toEqual([
      "#ff8800",
    ]);
    expect(paintsOf(`<path fill="#ff8800 icc-color(press,1,0)" ${square}/>`)[0]).toEqual(["#ff8800"]);
    const line = '<path fill="none" stroke="#000" stroke-width="-3" d="M0 0h9"/>';
    expect(paintsOf(`<g stroke-width="5">${line}</g>`)[1]).toEqual([5]);
  });

  it("in a path end it, and that is told; lengths beyond all bounds are told too", () => {
    const path = (d: string) => paintsOf(`<path fill="none" stroke="#000" stroke-width="2" d="${d}"/>`);
    expect(path("M0 0h9v9")).toEqual([[], [2], []]);
    for (const broken of ["M0 0h9v-.", "M0 0h9l1e999 9", "M0 0h9 9x9"])
      expect(path(broken), broken).toEqual([[], [2], ["broken-off"]]);
    const wide = '<rect stroke="#000" fill="none" width="1e21" height="9"/><path d="M0 0h9" stroke="#000"/>';
    expect(paintsOf(wide)).toEqual([[], [1], ["beyond"]]);
  });
});

describe("what the painter's order hides", () => {
  it("cuts lines beneath later fills, not those along a fill's own edge", () => {
    const { strokes, cut } = readSvg(
      svg(
        '<path id="under" d="M0 50H100" stroke="#000"/><rect x="30" y="20" width="40" height="60" fill="#fff" stroke="#000"/>',
      ),
    );
    expect(cut).toBe(1);
    const under = strokes.filter(({ name }) => name === "under");
    expect(under.map(({ points }) => [points[0], points[points.length - 2]].map(Math.round))).toEqual([
      [0, 30],
      [70, 100],
    ]);
    expect(strokes).toHaveLength(3);
  });

  it("shows all lines beneath fills one can see through", () => {
    expect(
      readSvg(
        svg(
          '<path d="M0 50H100" stroke="#000"/><rect width="90" height="90" fill="#fff" fill-opacity=".5"/>',
        ),
      ).cut,
    ).toBe(0);
  });

  it("cuts at clip paths, and leaves alone what lies within them", () => {
    const clip = '<clipPath id="c"><rect x="20" y="20" width="60" height="60"/></clipPath>';
    const { strokes } = readSvg(
      svg(`${clip}<g clip-path="url(#c)" stroke="#000"><path d="M0 50H100"/><path d="M30 30H70"/></g>`),
    );
    expect(strokes.map(({ points }) => [points[0], points[points.length - 2]].map(Math.round))).toEqual([
      [20, 80],
      [30, 70],
    ]);
  });

  it("leaves what two regions have in common, its curves unbroken", () => {
    const outline = commonOutline(
      { outline: [ellipse([50, 50], 30, 30)], evenOdd: false },
      { outline: [rectangle([50, 0], [100, 100])], evenOdd: false },
    );
    expect(outline).toHaveLength(1);
    expect(Math.abs(ringArea(flatten(outline[0], 0.01)))).toBeCloseTo((Math.PI * 900) / 2, -1);
    expect(outline[0].length).toBeLessThan(40);
    expect(
      commonOutline(
        { outline: [ellipse([0, 0], 5, 5)], evenOdd: false },
        { outline: [ellipse([50, 50], 5, 5)], evenOdd: false },
      ),
    ).toEqual([]);
  });
});

describe("fills and pockets", () => {
  const grid = importSvg(
    "",
    svg(
      '<g fill="none" stroke="#000"><path d="M10 10H90V90H10Z"/><path d="M50 10V90"/><path d="M10 50H90"/></g>',
    ),
  ).drawing;
  const pockets = new LineReader().read(grid);
  const fill = (outline: number[]) => flattened({ outline: [outline], evenOdd: false })!;
  const filled = (outline: number[], later: number[][] = []) =>
    pocketsFilledBy(fill(outline), later.map(fill), pockets, grid.strokes).length;

  it("coincide in one pocket or several, drawn a little short or over", () => {
    expect(filled(rectangle([10, 10], [50, 50]))).toBe(1);
    expect(filled(rectangle([9.8, 10.2], [50.3, 49.8]))).toBe(1);
    expect(filled(rectangle([10, 10], [90, 50]))).toBe(2);
    expect(filled(rectangle([10, 10], [90, 90]))).toBe(4);
  });

  it("do not where the fill is another shape", () => {
    expect(filled(rectangle([10, 10], [70, 50]))).toBe(0);
    expect(filled(ellipse([30, 30], 15, 15))).toBe(0);
    expect(filled(rectangle([10, 10], [50, 40]))).toBe(0);
  });

  it("coincide in what shows beneath later fills", () => {
    expect(filled(rectangle([10, 10], [90, 50]), [rectangle([50, 10], [90, 50])])).toBe(1);
    expect(filled(rectangle([10, 10], [50, 50]), [rectangle([0, 0], [100, 100])])).toBe(0);
  });

  it("map back what matrices did", () => {
    expect(mapped([1, 2, 3, 4], [1, 0, 0, 1, 10, 20])).toEqual([11, 22, 13, 24]);
  });
});
