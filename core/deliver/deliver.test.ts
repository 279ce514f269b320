/** Layered pictures and plates, read back by programs nobody here wrote, and put together again. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { decode } from "fast-png";
import { strFromU8, unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { studio } from "../../bin/studio.ts";
import { readDrawingFile } from "../formats/drawing-file.ts";
import {
  differenceOf,
  drawnBy,
  type Picture,
  problemsOf,
  rgbOf,
  uncompressed,
} from "../formats/pdf/readers.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive, type Scene, sceneOf } from "../scene/scene.ts";
import { type FileWish, filesOf } from "./files.ts";
import { flatScene, inksOf } from "./plates.ts";
import { type GoOn, joined, Stopped } from "./studio.ts";

function sceneIn(file: string): Scene {
  const drawing = readDrawingFile(readFileSync(file, "utf8"));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return sceneOf(drawing, derive(drawing, pockets));
}

const BOOT = sceneIn("demo/almanac-boot-coloured.fern");
const SNAIL = sceneIn("demo/almanac-snail-coloured.fern");
const BED = sceneIn("core/formats/saved/bed-8.fern");
const on: GoOn = async () => true;
const wish = (as: FileWish["as"], more: Partial<FileWish> = {}): FileWish => ({
  as,
  name: "spot",
  ppi: 100,
  widthInches: 4,
  ...more,
});
const make = async (scene: Scene, as: FileWish["as"], more: Partial<FileWish> = {}) =>
  (await filesOf(scene, wish(as, more), studio, on)).map(({ name, parts }) => ({
    name,
    bytes: joined(parts),
  }));

/** The modes in which colours are mixed, after the W3C's Compositing and Blending, channel by channel from 0 to 1. */
const MIXED: Readonly<Record<string, (back: number, own: number) => number>> = {
  "svg:src-over": (_, own) => own,
  "svg:multiply": (back, own) => back * own,
  "svg:screen": (back, own) => back + own - back * own,
  "svg:overlay": (back, own) => (back <= 0.5 ? 2 * back * own : 1 - 2 * (1 - back) * (1 - own)),
  "svg:darken": Math.min,
  "svg:lighten": Math.max,
  "svg:soft-light": (back, own) => {
    if (own <= 0.5) return back - (1 - 2 * own) * back * (1 - back);
    const d = back <= 0.25 ? ((16 * back - 12) * back + 4) * back : Math.sqrt(back);
    return back + (2 * own - 1) * (d - back);
  },
};

interface Raster {
  readonly width: number;
  readonly height: number;
  readonly data: Float64Array;
}

/** Straight RGBA from 0 to 1, whatever the PNG's kind. */
function rasterOf(png: Uint8Array): Raster {
  const { width, height, data, channels, palette } = decode(png);
  const out = new Float64Array(4 * width * height);
  for (let k = 0; k < width * height; k++)
    for (let c = 0; c < 4; c++) {
      const colour = palette?.[data[k]];
      const value = colour
        ? (colour[c] ?? 255)
        : channels === 4
          ? data[4 * k + c]
          : c < 3
            ? data[channels * k + c]
            : 255;
      out[4 * k + c] = value / 255;
    }
  return { width, height, data: out };
}

/** One layer onto what is there. */
function laid(onto: Raster, layer: Raster, x: number, y: number, opacity: number, operator: string): void {
  const mix = MIXED[operator];
  if (!mix) throw new Error(`no reader here knows ${operator}`);
  for (let r = 0; r < layer.height; r++)
    for (let c = 0; c < layer.width; c++) {
      const to = 4 * ((r + y) * onto.width + c + x);
      const from = 4 * (r * layer.width + c);
      const [a, b] = [layer.data[from + 3] * opacity, onto.data[to + 3]];
      const alpha = a + b - a * b;
      for (let k = 0; k < 3; k++) {
        const [own, back] = [layer.data[from + k], onto.data[to + k]];
        const colour = (1 - b) * own + b * mix(back, own);
        onto.data[to + k] = alpha > 0 ? (a * colour + (1 - a) * b * back) / alpha : 0;
      }
      onto.data[to + 3] = alpha;
    }
}

const onWhite = ({ width, height, data }: Raster): Picture => ({
  width,
  height,
  pixels: Uint8Array.from({ length: 3 * width * height }, (_, k) => {
    const at = 4 * Math.floor(k / 3);
    return Math.round(255 * (data[at + (k % 3)] * data[at + 3] + 1 - data[at + 3]));
  }),
});

describe("a layered picture", () => {
  it.each([
    ["the lit boot", BOOT],
    ["the lit snail", SNAIL],
    ["a bit of everything", BED],
  ])("is the same picture when its layers are laid on one another: %s", async (_, scene) => {
    const [{ name, bytes }] = await make(scene, "layers");
    expect(name).toBe("spot.ora");
    const files = unzipSync(bytes);
    const xml = strFromU8(files["stack.xml"]);
    const [, width, height] = /<image version="0.0.6" w="(\d+)" h="(\d+)"/.exec(xml)!.map(Number);
    const whole: Raster = { width, height, data: new Float64Array(4 * width * height) };
    const layers = [
      ...xml.matchAll(
        /<layer name="([^"]*)" x="(\d+)" y="(\d+)" opacity="([^"]+)" [^>]*composite-op="([^"]+)" src="([^"]+)"/g,
      ),
    ];
    expect(layers.length).toBeGreaterThan(2);
    for (const [, , x, y, opacity, operator, src] of layers.reverse())
      laid(whole, rasterOf(files[src]), Number(x), Number(y), Number(opacity), operator);
    const merged = onWhite(rasterOf(files["mergedimage.png"]));
    const { mean, apart } = differenceOf(onWhite(whole), merged);
    expect(mean).toBeLessThan(0.5);
    expect(apart).toBe(0);
    const thumbnail = decode(files["Thumbnails/thumbnail.png"]);
    expect(Math.max(thumbnail.width, thumbnail.height)).toBe(256);
    expect((await make(scene, "layers"))[0].bytes).toEqual(bytes);
  });

  it("names its layers by sheet and its groups by part, and begins with its type, as other zip readers see it", async () => {
    const [{ bytes }] = await make(SNAIL, "layers");
    const folder = mkdtempSync(join(tmpdir(), "fern-ora-"));
    writeFileSync(join(folder, "snail.ora"), bytes);
    const script = `
import sys, zipfile, xml.etree.ElementTree as tree
z = zipfile.ZipFile(sys.argv[1])
assert z.testzip() is None
first = z.infolist()[0]
assert first.filename == "mimetype" and first.compress_type == zipfile.ZIP_STORED, first
assert z.read("mimetype") == b"image/openraster"
root = tree.fromstring(z.read("stack.xml"))
for group in root.find("stack"):
    print(group.tag, group.get("name"), ",".join(layer.get("name") for layer in group))
for layer in root.iter("layer"):
    assert z.read(layer.get("src"))[:4] == b"\\x89PNG"
`;
    const told = execFileSync("python3", ["-c", script, join(folder, "snail.ora")]).toString();
    rmSync(folder, { recursive: true });
    expect(told).toMatch(/^stack \S.* .*Ink,.*Flats/);
  });

  it("is stopped between bands", async () => {
    let asked = 0;
    const stop: GoOn = async () => ++asked < 3;
    await expect(filesOf(BOOT, wish("layers"), studio, stop)).rejects.toThrow(Stopped);
  });
});

const rgb = (value: string): number[] => [1, 3, 5].map((at) => Number.parseInt(value.slice(at, at + 2), 16));

/** Paper printed with one plate after the other. */
function printed(plates: readonly { readonly grey: Uint8Array; readonly value: string }[]): Uint8Array {
  const pixels = new Uint8Array(3 * plates[0].grey.length).fill(255);
  for (const { grey, value } of plates) {
    const colour = rgb(value);
    for (let k = 0; k < grey.length; k++)
      for (let c = 0; c < 3; c++)
        pixels[3 * k + c] = Math.round((pixels[3 * k + c] * grey[k] + colour[c] * (255 - grey[k])) / 255);
  }
  return pixels;
}

function cropped({ width, pixels }: Picture, x: number, y: number, wide: number, high: number): Picture {
  const out = new Uint8Array(3 * wide * high);
  for (let r = 0; r < high; r++)
    out.set(pixels.subarray(3 * ((r + y) * width + x), 3 * ((r + y) * width + x + wide)), 3 * r * wide);
  return { width: wide, height: high, pixels: out };
}

describe("plates", () => {
  it.each([
    ["the boot", BOOT],
    ["the snail", SNAIL],
  ])("print the flat picture when they are laid on one another: %s", async (_, scene) => {
    const inks = inksOf(flatScene(scene));
    const plates = await make(scene, "plates");
    expect(plates.map(({ name }) => name)).toEqual(
      inks.map(({ variable }, k) => `spot-plate-${k + 1}-${variable}.png`),
    );
    const read = plates.map(({ bytes }) => decode(bytes));
    expect(read.every(({ channels, depth }) => channels === 1 && depth === 8)).toBe(true);
    const { width, height } = read[0];
    const pixels = printed(read.map(({ data }, k) => ({ grey: data as Uint8Array, value: inks[k].value })));
    const whole: Picture = { width, height, pixels };
    const [flat] = await make(flatScene(scene), "png");
    const picture = rgbOf(flat.bytes);
    const page = cropped(whole, 40, 40, picture.width, picture.height);
    const { mean, apart } = differenceOf(page, picture);
    expect(mean).toBeLessThan(0.6);
    expect(apart).toBeLessThan(0.001);
    // Marks stand on every plate in the same place.
    for (const { data } of read) expect(data[20 * width + Math.floor(width / 2)]).toBeLessThan(96);
  });

  it("run on under darker ones where they meet, by the overlap", async () => {
    const inkOf = async (overlap: number) => {
      const [first] = await make(BOOT, "plates", { overlap });
      return (decode(first.bytes).data as Uint8Array).reduce((sum, grey) => sum + 255 - grey, 0);
    };
    expect(await inkOf(0.4)).toBeGreaterThan((await inkOf(0.001)) * 1.01);
  });

  it("are pages of a PDF that other programs draw alike", async () => {
    const [{ name, bytes }] = await make(BOOT, "plates-pdf");
    expect([name, problemsOf(bytes)]).toEqual(["spot-plates.pdf", ""]);
    const plates = await make(BOOT, "plates");
    const text = uncompressed(bytes);
    expect(text.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(plates.length);
    expect(text).toContain("/DeviceGray");
    const own = rgbOf(plates[0].bytes);
    for (const reader of ["poppler", "mupdf"] as const)
      expect(differenceOf(drawnBy(reader, bytes, own.width), own).mean, reader).toBeLessThan(1);
  });
});
