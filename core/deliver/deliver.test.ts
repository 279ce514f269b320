/** Layered pictures and plates, read back by programs nobody here wrote, and put together again. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { decode } from "fast-png";
import { unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { studio } from "../../bin/studio.ts";
import { ALL } from "../../testing/every-item.ts";
import {
  differenceOf,
  drawnBy,
  type Picture,
  problemsOf,
  rgbOf,
  uncompressed,
} from "../../testing/pdf-readers.ts";
import { sceneIn } from "../../testing/scene-in.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { derive, type Scene, sceneOf } from "../scene/scene.ts";
import { type FileRequest, filesOf } from "./files.ts";
import { flatScene, inksOf } from "./plates.ts";
import { type GoOn, joined, Stopped } from "./studio.ts";

const BOOT = sceneIn("demo/almanac-boot-coloured.fern");
const SNAIL = sceneIn("demo/almanac-snail-coloured.fern");
const BED = sceneIn("core/formats/saved/bed-8.fern");
const on: GoOn = async () => true;
const request = (as: FileRequest["as"], more: Partial<FileRequest> = {}): FileRequest => ({
  as,
  name: "spot",
  ppi: 100,
  widthInches: 4,
  ...more,
});
const make = async (scene: Scene, as: FileRequest["as"], more: Partial<FileRequest> = {}) =>
  (await filesOf(scene, request(as, more), studio, on)).map(({ name, parts }) => ({
    name,
    bytes: joined(parts),
  }));

/** A layered picture put together by a program that has only the specification, on white; and what it says of the groups. */
function laidTogether(ora: Uint8Array): { readonly picture: Picture; readonly told: string } {
  const folder = mkdtempSync(join(tmpdir(), "fern-ora-"));
  const [file, out] = [join(folder, "spot.ora"), join(folder, "laid.png")];
  try {
    writeFileSync(file, ora);
    const told = execFileSync("/usr/bin/python3", ["core/deliver/lay-layers.py", file, out]).toString();
    return { picture: rgbOf(readFileSync(out)), told };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe("a layered picture", () => {
  it.each([
    ["the lit boot", BOOT],
    ["the lit snail", SNAIL],
    ["a bit of everything", BED],
    ["every blend mode", ALL],
  ])("is the same picture when its layers are laid on one another: %s", async (_, scene) => {
    const [{ name, bytes }] = await make(scene, "layers");
    expect(name).toBe("spot.ora");
    const { picture, told } = laidTogether(bytes);
    expect(told.split(",").length).toBeGreaterThan(2);
    const files = unzipSync(bytes);
    const { mean, apart } = differenceOf(picture, rgbOf(files["mergedimage.png"]));
    expect(mean).toBeLessThan(0.5);
    expect(apart).toBe(0);
    const thumbnail = decode(files["Thumbnails/thumbnail.png"]);
    expect(Math.max(thumbnail.width, thumbnail.height)).toBe(256);
    expect((await make(scene, "layers"))[0].bytes).toEqual(bytes);
  });

  it("names its layers by sheet and its groups by part", async () => {
    const [{ bytes }] = await make(SNAIL, "layers");
    expect(laidTogether(bytes).told).toMatch(/^stack \S.* .*Ink,.*Flats/);
  });

  it("is stopped between bands", async () => {
    let asked = 0;
    const stop: GoOn = async () => ++asked < 3;
    await expect(filesOf(BOOT, request("layers"), studio, stop)).rejects.toThrow(Stopped);
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

  it("leave out what lies deeper beneath a darker ink than the overlap", async () => {
    // A dark square in the middle of a light one: 4 inches are 100 units and 400 pixels, and the margin is 40 pixels.
    const { drawing } = importSvg(
      "Stack",
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><rect x="10" y="10" width="80" height="80" fill="#f0d080"/><rect x="30" y="30" width="40" height="40" fill="#203040"/></svg>',
    );
    const [light] = await make(sceneOf(drawing, derive(drawing, [])), "plates", { overlap: 2 });
    const { data, width } = decode(light.bytes);
    const inkAt = (x: number, y: number) => 255 - data[(40 + 4 * y) * width + 40 + 4 * x];
    expect([inkAt(20, 50), inkAt(31, 50), inkAt(50, 69), inkAt(5, 50)]).toEqual([255, 255, 255, 0]);
    expect([inkAt(33, 50), inkAt(50, 50), inkAt(50, 67)]).toEqual([0, 0, 0]);
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
