import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { edited } from "../../testing/drawings.ts";
import { HARD_CASES } from "../../testing/hard-svgs.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { addBridges, changeSheet, declineOpenings, pour, setReach } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../drawing/history.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { derive, sceneOf } from "../scene/scene.ts";
import { FileProblem } from "./file-problem.ts";
import { coloursIn } from "./foreign-drawing.ts";
import { importedDrawing, importSvg, understood } from "./import-drawing.ts";
import { cameIn } from "./import-report.ts";
import { readSvg } from "./svg-read.ts";
import { deliveredSvg, writeSvg } from "./svg-write.ts";

const svg = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}</svg>`;

const pocketsIn = (drawing: Drawing) => new LineReader().read(drawing).filter(({ hidden }) => !hidden);
const delivered = (drawing: Drawing) => deliveredSvg(drawing, derive(drawing, pocketsIn(drawing)));

describe("art from elsewhere", () => {
  it("pours fills that coincide with pockets, in parts beneath one another too, and keeps the rest as shapes", () => {
    const { drawing, report } = importSvg("flats", HARD_CASES["flats over lines"]);
    const values = Object.values(drawing.pours).map(({ paint }) => drawing.tin[paint!.colour].value);
    expect(values.sort()).toEqual(["#6f9a4a", "#6f9a4a", "#e0b050", "#e0b050"]);
    expect(report).toMatchObject({ pours: 4, flatShapes: 1, strokes: 5 });
    expect(cameIn(report)).toBe("5 strokes, 4 poured pockets and 1 flat shape came in.");
    expect(report.changed.map(({ kind }) => kind)).toEqual(["cut"]);
  });

  it("makes the most used line colour the ink, and gives others their own", () => {
    const { drawing } = importSvg(
      "lines",
      svg(
        '<g fill="none" stroke="#123"><path d="M0 0L9 9"/><path d="M0 5L9 9"/><path stroke="#a04" d="M5 0L9 9"/></g>',
      ),
    );
    expect(drawing.tin[drawing.ink.colour].value).toBe("#112233");
    expect(
      Object.values(drawing.strokes).map(({ paint }) => paint && drawing.tin[paint.colour].value),
    ).toEqual([undefined, undefined, "#aa0044"]);
  });

  it("merges near-same colours within the difference asked for", () => {
    const shades = ["#6f9a4a", "#6f9a4b", "#70994a", "#c23f5a"];
    const reading = readSvg(svg(shades.map((c, i) => `<path fill="${c}" d="M${i * 9} 0h5v5z"/>`).join("")));
    expect(coloursIn(reading)).toHaveLength(4);
    const merged = (within: number) => importedDrawing("", reading, within).report;
    expect(merged(0)).toMatchObject({ colours: 4, coloursFound: 4 });
    expect(merged(2)).toMatchObject({ colours: 2, coloursFound: 4 });
    expect(merged(100)).toMatchObject({ colours: 1 });
  });

  it("keeps names and groups", () => {
    const { drawing } = importSvg(
      "named",
      svg(
        '<g id="Boot"><g data-name="Laces"><path id="lace 1" fill="none" stroke="#000" d="M0 0L9 9"/></g></g>',
      ),
    );
    expect(Object.values(drawing.strokes)[0]).toMatchObject({ name: "lace 1", groups: ["Boot", "Laces"] });
    expect(delivered(drawing)).toMatch(
      /<g data-name="Boot">\s*<g data-name="Laces">\s*<path[^>]* data-name="lace 1"/,
    );
  });

  it("finds specks among the flat shapes", () => {
    const { report } = importSvg(
      "",
      svg('<path fill="#f80" d="M0 0h50v50z"/><path fill="#f80" d="M60 60h.1v.1z"/>'),
    );
    expect(report.changed).toMatchObject([{ kind: "speck", count: 1 }]);
  });

  it("names what it left aside, and takes a gradient's middle", () => {
    const { report, drawing } = importSvg(
      "",
      svg(
        '<linearGradient id="g"><stop stop-color="#000"/><stop offset="1" stop-color="#fff"/></linearGradient><path id="sky" fill="url(#g)" d="M0 0h9v9z"/><text>October <tspan>sheet</tspan></text><image id="photo" href="data:image/png;base64,AAAA"/>',
      ),
    );
    expect(report.leftAside.map(({ names }) => names)).toEqual([["October sheet"], ["photo"]]);
    expect(report.changed).toMatchObject([{ kind: "gradient", names: ["sky"] }]);
    expect(coloursIn(readSvg(HARD_CASES["colours and currentColor"]))).toHaveLength(5);
    expect(Object.values(drawing.flatShapes)).toHaveLength(1);
  });

  it("keeps groups of others that are called like a sheet of ours", () => {
    const text =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><g id="art"><g id="ink"><path stroke="#000" d="M1 1L5 5"/></g></g></svg>';
    expect(Object.values(importSvg("a", text).drawing.strokes)[0].groups).toEqual(["art", "ink"]);
  });

  it("tells of what lies outside the page and of dashes that a squeeze makes even", () => {
    const text = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><g fill="none" stroke="#000"><path d="M10 10L90 90"/><path d="M300 10L390 90"/>
      <path transform="scale(1 3)" stroke-dasharray="4 2" d="M10 5L90 5"/></g></svg>`;
    const sentences = importSvg("a", text).report.changed.map(({ sentence }) => sentence);
    expect(sentences).toEqual([
      "1 dashed line squeezed in one direction: its dashes are even now.",
      "1 line or shape lies outside the page: there, but in no picture of it.",
    ]);
  });

  it("does not explode: entities stay text, symbols inside one another end, deep groups are refused", () => {
    const bomb = Array.from(
      { length: 40 },
      (_, i) => `<g id="u${i + 1}"><use href="#u${i}"/><use href="#u${i}"/></g>`,
    );
    const { strokes } = readSvg(
      svg(
        `<defs><path id="u0" fill="none" stroke="#000" d="M0 0L9 9"/><g id="a"><use href="#a"/></g>${bomb.slice(0, 8).join("")}</defs><use href="#u8"/><use href="#a"/>`,
      ),
    );
    expect(strokes).toHaveLength(256);
    expect(() =>
      readSvg(
        `<!DOCTYPE svg [<!ENTITY a "&b;&b;"><!ENTITY b "&a;">]>${svg('<path id="&a;" stroke="#000" d="M0 0L9 9"/>')}`,
      ),
    ).not.toThrow();
    expect(() => readSvg(svg("<g>".repeat(600) + "</g>".repeat(600)))).toThrow(FileProblem);
  });

  it("hears progress up to the end", () => {
    const heard: number[] = [];
    understood(HARD_CASES["every path command"], (share) => heard.push(share));
    expect(heard.at(-1)).toBe(1);
    expect([...heard].sort((a, b) => a - b)).toEqual(heard);
  });
});

describe("our own SVG", () => {
  const full = (() => {
    const { drawing: bare } = importSvg("Boot", readFileSync("demo/almanac-boot.svg", "utf8"));
    const [first, second] = Object.values(bare.strokes);
    let drawing: Drawing = {
      ...bare,
      strokes: {
        ...bare.strokes,
        [first.id]: { ...first, nib: "taper-at-both", groups: ["Boot", "Sole"] },
        [second.id]: { ...second, profile: [0, 1, 1, 0.3], paint: { colour: "radish", step: -1 } },
      },
      flatShapes: {
        f: {
          id: "f",
          rank: 1e6,
          outline: [[0, 0, 9, 0, 20, 0, 30, 9, 30, 9, 12, 30, 0, 0]],
          evenOdd: true,
          paint: { colour: "dusk", step: 2 },
          opacity: 0.5,
          name: "cloud & rain",
        },
      },
    };
    const apply = (edit: Edit) => {
      drawing = applyEdit(beginHistory(drawing), edit)!.history.drawing;
    };
    const [p, q, r] = pocketsIn(drawing);
    apply(addBridges([{ id: "b", points: [100, 100, 110, 100, 120, 100, 130, 110] }]));
    apply(setReach(3));
    apply(declineOpenings([{ id: "d", at: [4, 5] }]));
    apply(pour([{ anchor: anchorOf(p) }, { anchor: anchorOf(q) }], { colour: "frond", step: 0 }, ["a", "b"]));
    apply(pour([{ anchor: anchorOf(r) }], { colour: "radish", step: 3 }, ["c"]));
    apply(changeSheet("flats", { opacity: 0.9, locked: true }));
    apply(
      addShade({
        id: "s",
        outline: [[1, 1, 2, 20, 30, 30, 1, 1]],
        kind: "drawn",
        evenOdd: false,
        anchor: anchorOf(p),
        paint: { colour: "dusk", step: 0 },
        blend: "multiply",
        opacity: 0.5,
      }),
    );
    return drawing;
  })();

  it("comes back without loss: what comes back is delivered as the very same file", () => {
    const text = delivered(full);
    const { drawing: again } = importSvg("Boot", text);
    expect(delivered(again)).toBe(text);
    for (const part of [
      "page",
      "tin",
      "nibs",
      "bridges",
      "reach",
      "declined",
      "sheets",
      "ink",
      "strict",
    ] as const)
      expect(again[part]).toEqual(full[part]);
    const counts = (d: Drawing) =>
      [d.strokes, d.inkShapes, d.flatShapes, d.shades].map((t) => Object.keys(t).length);
    expect(counts(again)).toEqual(counts(full));
  });

  it("keeps what lies on hidden sheets, unseen", () => {
    const hidden = {
      ...full,
      sheets: {
        ...full.sheets,
        flats: { ...full.sheets.flats, visible: false },
        ink: { ...full.sheets.ink, visible: false },
      },
    };
    const text = delivered(hidden);
    expect(text).toMatch(/<g id="flats"[^>]* display="none"/);
    const { drawing: again } = importSvg("Boot", text);
    expect(delivered(again)).toBe(text);
    const shown = importSvg("Boot", delivered(full)).drawing;
    expect(Object.keys(again.pours)).toEqual(Object.keys(shown.pours));
    expect(Object.keys(again.strokes)).toHaveLength(Object.keys(full.strokes).length);
    // The picture alone has them nowhere.
    expect(writeSvg(sceneOf(hidden, derive(hidden, pocketsIn(hidden))))).not.toContain('id="flats"');
  });

  it("keeps what lies on sheets as faint as can be", () => {
    const faint = ["flats", "shade", "ink"].reduce(
      (now, name) => edited(now, changeSheet(name as "flats", { opacity: 0 })),
      full,
    );
    const [drawing, plain] = [faint, full].map((one) => importSvg("Boot", delivered(one)).drawing);
    for (const table of ["strokes", "pours", "shades", "flatShapes"] as const)
      expect(Object.keys(drawing[table]), table).toEqual(Object.keys(plain[table]));
  });

  it("is read as any other when what it says of itself has been spoilt", () => {
    const text = delivered(full).replace(/&quot;version&quot;:\d/, "&quot;version&quot;:&quot;x&quot;");
    const { drawing } = importSvg("Boot", text);
    expect(Object.keys(drawing.strokes).length).toBeGreaterThan(50);
    expect(drawing.bridges).toEqual({});
  });

  it("says nothing of itself where only the picture is asked for", () => {
    const bare = newDrawing("", full.page, Object.values(full.strokes));
    expect(writeSvg(sceneOf(bare, derive(bare, [])))).not.toContain("<metadata");
  });
});
