/**
 * The layered picture: OpenRaster, by its published specification (openraster.org, baseline 0.0.6). A layer a sheet within a
 * group a part; where items blend with what lies below them, those that do so alike have a layer of their own.
 */
import { strToU8, Zip, ZipPassThrough } from "fflate";
import type { Blend } from "../drawing/drawing.ts";
import { type Box, boxesApart, type Size } from "../geometry/point.ts";
import { around, boxOfItem } from "../scene/item-box.ts";
import type { Item, ScenePart, SceneSheet } from "../scene/items.ts";
import type { Scene } from "../scene/scene.ts";
import { type PictureRequest, pictureOf } from "./picture.ts";
import { type GoOn, joined, type Studio, within } from "./studio.ts";

const THUMBNAIL = 256;

/** The specification's names of blend modes are those of SVG. */
const OPERATORS: Readonly<Record<Blend, string>> = {
  normal: "svg:src-over",
  multiply: "svg:multiply",
  screen: "svg:screen",
  overlay: "svg:overlay",
  darken: "svg:darken",
  lighten: "svg:lighten",
  "soft-light": "svg:soft-light",
  "hard-light": "svg:hard-light",
  "color-dodge": "svg:color-dodge",
  "color-burn": "svg:color-burn",
};

interface Layer {
  readonly name: string;
  readonly blend: Blend;
  readonly opacity: number;
  /** What is painted on it, on a page of its own. */
  readonly scene: Scene;
  /** Of its upper left pixel. */
  readonly x: number;
  readonly y: number;
  readonly size: Size;
}

interface Group {
  readonly name: string;
  /** From the bottom up. */
  readonly layers: readonly Layer[];
}

/** The file in pieces. Throws Stopped where it was stopped. */
export async function layeredPicture(
  scene: Scene,
  request: PictureRequest,
  studio: Studio,
  goOn: GoOn,
): Promise<Uint8Array[]> {
  const groups = groupsOf(scene, request.size);
  const layers = groups.flatMap((group) => group.layers);
  const parts: Uint8Array[] = [];
  const zip = new Zip((error, data) => {
    if (error) throw error;
    parts.push(data);
  });
  const add = (name: string, bytes: readonly Uint8Array[]) => {
    const file = new ZipPassThrough(name);
    // The same picture gives the same file.
    file.mtime = "1980-01-01T00:00:00";
    zip.add(file);
    file.push(joined(bytes), true);
  };
  add("mimetype", [strToU8("image/openraster")]);
  add("stack.xml", [strToU8(stackOf(groups, request))]);
  const total = layers.length + 2;
  for (const [k, layer] of layers.entries())
    add(
      fileOf(k),
      await pictureOf(
        layer.scene,
        { ...request, size: layer.size },
        studio,
        within(goOn, k / total, (k + 1) / total),
      ),
    );
  const rest = within(goOn, layers.length / total, 1);
  add("mergedimage.png", await pictureOf(scene, request, studio, rest));
  add(
    "Thumbnails/thumbnail.png",
    await pictureOf(scene, { ...request, size: small(request.size) }, studio, rest),
  );
  zip.end();
  return parts;
}

const fileOf = (k: number): string => `data/layer-${k + 1}.png`;

function small({ width, height }: Size): Size {
  const scale = Math.min(1, THUMBNAIL / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

/** The first in a stack is the uppermost. */
function stackOf(groups: readonly Group[], { size, ppi }: PictureRequest): string {
  let next = 0;
  const numbered = groups.map(({ name, layers }) => ({
    name,
    layers: layers.map((layer) => ({ ...layer, src: fileOf(next++) })),
  }));
  const layerText = ({ name, x, y, opacity, blend, src }: (typeof numbered)[number]["layers"][number]) =>
    `<layer name="${escaped(name)}" x="${x}" y="${y}" opacity="${opacity}" visibility="visible" composite-op="${OPERATORS[blend]}" src="${src}"/>`;
  // A group that is not isolated lets its layers blend with what lies below it.
  const stacks = numbered.map(
    ({ name, layers }) =>
      `<stack name="${escaped(name)}" isolation="auto">\n${[...layers].reverse().map(layerText).join("\n")}\n</stack>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>
<image version="0.0.6" w="${size.width}" h="${size.height}" xres="${Math.round(ppi)}" yres="${Math.round(ppi)}">
<stack>
${stacks.reverse().join("\n")}
</stack>
</image>
`;
}

const escaped = (words: string): string =>
  words.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** What parts in front hide is left out of the layers behind them. */
function groupsOf(scene: Scene, size: Size): Group[] {
  const seen = scene.parts.filter(({ hidden }) => !hidden);
  return seen.map((part, index) => ({
    name: part.name,
    layers: part.sheets
      .filter(({ hidden }) => !hidden)
      .flatMap((sheet) => layersOf(sheet, part, seen.slice(index + 1), scene, size)),
  }));
}

function layersOf(
  sheet: SceneSheet,
  part: ScenePart,
  before: readonly ScenePart[],
  scene: Scene,
  size: Size,
): Layer[] {
  const runs = runsOf(sheet.items.filter(({ hidden }) => !hidden));
  const faint = !sheet.blends;
  return runs.flatMap(({ blend, items }): Layer[] => {
    const place = placeOf(items, scene.box, size);
    if (!place) return [];
    const share = faint ? 1 : sheet.opacity;
    const plain = items.map((item) => unblended(item, share));
    const own: SceneSheet = { name: sheet.name, opacity: 1, items: plain };
    const hiding = before.map(({ id, name, hides }): ScenePart => ({ id, name, hides, sheets: [] }));
    const name = blend === "normal" ? sheet.name : `${sheet.name}, ${blend}`;
    return [
      {
        name: `${name.charAt(0).toUpperCase()}${name.slice(1)}`,
        blend,
        opacity: faint ? sheet.opacity : 1,
        scene: { ...scene, box: place.box, parts: [{ ...part, hides: [], sheets: [own] }, ...hiding] },
        x: place.x,
        y: place.y,
        size: place.size,
      },
    ];
  });
}

/** Where something on a sheet blends, its items are faint themselves, as every painter has it. */
function unblended(item: Item, share: number): Item {
  const { blend, opacity = 1, ...effects } = item.effects;
  if (!blend && share === 1) return item;
  const seen = opacity * share;
  return { ...item, effects: seen < 1 ? { ...effects, opacity: seen } : effects };
}

interface Run {
  readonly blend: Blend;
  readonly items: Item[];
}

/** Items one after another that blend alike: those that blend with what is below must not lie over one another. */
function runsOf(items: readonly Item[]): Run[] {
  const runs: Run[] = [];
  for (const item of items) {
    const { blend = "normal" } = item.effects;
    const last = runs[runs.length - 1];
    const own = boxOfItem(item);
    const meets = ({ items: others }: Run): boolean =>
      others.some((other) => {
        const box = boxOfItem(other);
        return own !== undefined && box !== undefined && !boxesApart(own, box);
      });
    if (last?.blend === blend && (blend === "normal" || !meets(last))) last.items.push(item);
    else runs.push({ blend, items: [item] });
  }
  return runs;
}

/** The whole pixels that items lie on, and the box they are in page units; none for what lies off the page. */
function placeOf(
  items: readonly Item[],
  page: Box,
  { width, height }: Size,
): { readonly x: number; readonly y: number; readonly size: Size; readonly box: Box } | undefined {
  const drawn = items.reduce<Box | undefined>((box, item) => around(box, boxOfItem(item)), undefined);
  if (!drawn) return undefined;
  // Pixels are square, and the page is as wide as its picture.
  const pixel = page.width / width;
  const left = Math.max(0, Math.floor((drawn.x - page.x) / pixel));
  const top = Math.max(0, Math.floor((drawn.y - page.y) / pixel));
  const right = Math.min(width, Math.ceil((drawn.x + drawn.width - page.x) / pixel));
  const low = Math.min(height, Math.ceil((drawn.y + drawn.height - page.y) / pixel));
  if (right <= left || low <= top) return undefined;
  const size = { width: right - left, height: low - top };
  const box = {
    x: page.x + left * pixel,
    y: page.y + top * pixel,
    width: size.width * pixel,
    height: size.height * pixel,
  };
  return { x: left, y: top, size, box };
}
