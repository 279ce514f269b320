/** All colourways side by side on one page, each with its name beneath it. */
import { type Drawing, type Page, ranked } from "../drawing/drawing.ts";
import { type Matrix, mapped } from "../geometry/matrix.ts";
import type { Box } from "../geometry/point.ts";
import { rectangle } from "../lines/figures.ts";
import { type Chosen, chosenScene } from "../scene/chosen-scene.ts";
import type { Item, RegionArea, ScenePart } from "../scene/items.ts";
import type { Tone } from "../scene/palette.ts";
import { placedParts } from "../scene/placed-items.ts";
import { type Derived, type Scene, sceneOf, usedTones } from "../scene/scene.ts";
import type { Lettering } from "./lettering.ts";

/** All colourways of a drawing, each as large as on its page, and the page they make together. */
export function contactOf(
  drawing: Drawing,
  derived: Derived,
  chosen: Chosen,
  lettering: Lettering,
): { readonly scene: Scene; readonly page: Page } {
  const shown = ranked(drawing.colourways).map(({ id, name }) => ({
    name,
    scene: chosenScene(sceneOf({ ...drawing, shown: id }, derived), chosen),
  }));
  const scene = contactSheet(drawing.name, shown, lettering);
  const { bleed: _, ...page } = drawing.page;
  const width = (page.width * scene.box.width) / page.box.width;
  return { scene, page: { ...page, box: scene.box, width } };
}

interface Shown {
  readonly name: string;
  readonly scene: Scene;
}

const INK: Tone = { value: "#3a3632", variable: "caption" };
const PAPER: Tone = { value: "#ffffff", variable: "sheet" };
/** Shares of a picture's width: between pictures, below each for its name, and how high letters are. */
const GAP = 0.08;
const CAPTION = 0.14;
const LETTERS = 0.075;

/** Pictures of one size, in as many columns as make the sheet nearest to a square. */
function contactSheet(title: string, shown: readonly Shown[], lettering: Lettering): Scene {
  const { width, height } = shown[0].scene.box;
  const [gap, caption] = [GAP * width, CAPTION * width];
  const columns = columnsFor(shown.length, width + gap, height + caption + gap);
  const rows = Math.ceil(shown.length / columns);
  const box: Box = {
    x: 0,
    y: 0,
    width: columns * (width + gap) + gap,
    height: rows * (height + caption + gap) + gap,
  };
  const parts = shown.flatMap(({ name, scene }, k) => {
    const x = gap + (k % columns) * (width + gap);
    const y = gap + Math.floor(k / columns) * (height + caption + gap);
    const place: Matrix = [1, 0, 0, 1, x - scene.box.x, y - scene.box.y];
    return [
      ...placedParts(scene, place, `_${k + 1}`),
      captionPart(name, k, [x + width / 2, y + height + caption * 0.7], width, lettering),
    ];
  });
  const all = [sheetPart(box), ...parts];
  return { title, box, parts: all, tones: usedTones(all), ways: [] };
}

function columnsFor(count: number, wide: number, high: number): number {
  let best = 1;
  const ratio = (columns: number) =>
    Math.abs(Math.log((columns * wide) / (Math.ceil(count / columns) * high)));
  for (let columns = 2; columns <= count; columns++) if (ratio(columns) < ratio(best)) best = columns;
  return best;
}

const plain = (id: string, chains: RegionArea["chains"], tone: Tone): Item => ({
  id,
  says: { is: "over" },
  area: { kind: "region", chains, evenOdd: false },
  paint: { kind: "tone", tone },
  effects: {},
});

const sheetPart = ({ x, y, width, height }: Box): ScenePart => ({
  id: "sheet",
  name: "Sheet",
  hides: [],
  sheets: [
    {
      name: "ground",
      opacity: 1,
      items: [plain("sheet", [rectangle([x, y], [x + width, y + height])], PAPER)],
    },
  ],
});

/** Words as wide as the picture at most, around the middle. */
function captionPart(
  name: string,
  k: number,
  [x, y]: readonly [number, number],
  widest: number,
  lettering: Lettering,
): ScenePart {
  const { chains, width } = lettering.words(name);
  const size = Math.min(LETTERS * widest, width > 0 ? widest / width : LETTERS * widest);
  const place: Matrix = [size, 0, 0, size, x - (size * width) / 2, y];
  const letters = plain(
    `caption-${k + 1}`,
    chains.map((chain) => mapped(chain, place)),
    INK,
  );
  return { id: `caption-${k + 1}`, name, hides: [], sheets: [{ name: "ink", opacity: 1, items: [letters] }] };
}
