/** For tests: PDF as programs draw it that nobody here wrote (poppler, MuPDF; qpdf for its structure), and what to lay beside it. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { decode } from "fast-png";

export interface Picture {
  readonly width: number;
  readonly height: number;
  /** Red, green and blue, on white. */
  readonly pixels: Uint8Array;
}

const READERS = {
  poppler: (pdf: string, out: string, width: number, page: number) => {
    const size = ["-scale-to-x", `${width}`, "-scale-to-y", "-1"];
    execFileSync("pdftoppm", [
      ...size,
      "-f",
      `${page}`,
      "-l",
      `${page}`,
      "-singlefile",
      "-png",
      pdf,
      out.slice(0, -4),
    ]);
  },
  mupdf: (pdf: string, out: string, width: number, page: number) => {
    execFileSync("mutool", ["draw", "-q", "-O", "0", "-w", `${width}`, "-o", out, pdf, `${page}`], {
      stdio: "pipe",
    });
  },
};

export const PDF_READERS = Object.keys(READERS) as (keyof typeof READERS)[];

/** A page of a PDF as a reader draws it. */
export function drawnBy(reader: keyof typeof READERS, pdf: Uint8Array, width: number, page = 1): Picture {
  return withFile(pdf, (file, folder) => {
    const out = join(folder, "page.png");
    READERS[reader](file, out, width, page);
    return rgbOf(readFileSync(out));
  });
}

/** What qpdf finds wrong with a file's structure: nothing where all is well. */
export const problemsOf = (pdf: Uint8Array): string =>
  withFile(pdf, (file) => {
    try {
      execFileSync("qpdf", ["--check", file], { stdio: "pipe" });
      return "";
    } catch (error) {
      return String((error as { stderr?: unknown }).stderr ?? error);
    }
  });

/** The file's objects as text, streams and all. */
export const uncompressed = (pdf: Uint8Array): string =>
  withFile(pdf, (file) =>
    execFileSync("qpdf", ["--qdf", "--object-streams=disable", file, "-"], {
      maxBuffer: 2 ** 28,
    }).toString("latin1"),
  );

function withFile<T>(bytes: Uint8Array, use: (file: string, folder: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), "fern-pdf-"));
  try {
    const file = join(folder, "file.pdf");
    writeFileSync(file, bytes);
    return use(file, folder);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** A PNG on white, grey, coloured or with a palette. */
export function rgbOf(png: Uint8Array): Picture {
  const { width, height, data, channels, palette } = decode(png);
  const pixels = new Uint8Array(3 * width * height);
  const clear = !palette && channels % 2 === 0;
  for (let k = 0; k < width * height; k++) {
    const own = palette ? palette[data[k]] : data.subarray(channels * k, channels * k + channels);
    const alpha = palette ? (own[3] ?? 255) / 255 : clear ? own[channels - 1] / 255 : 1;
    for (let c = 0; c < 3; c++)
      pixels[3 * k + c] = Math.round(own[palette || channels > 2 ? c : 0] * alpha + 255 * (1 - alpha));
  }
  return { width, height, pixels };
}

/** Half as wide and high: programs that pull edges to whole pixels pull them half as far. */
export function halved({ width, height, pixels }: Picture): Picture {
  const [wide, high] = [Math.floor(width / 2), Math.floor(height / 2)];
  const small = new Uint8Array(3 * wide * high);
  for (let y = 0; y < high; y++)
    for (let x = 0; x < wide; x++)
      for (let c = 0; c < 3; c++) {
        const at = 3 * (2 * y * width + 2 * x) + c;
        const sum = pixels[at] + pixels[at + 3] + pixels[at + 3 * width] + pixels[at + 3 * width + 3];
        small[3 * (y * wide + x) + c] = Math.round(sum / 4);
      }
  return { width: wide, height: high, pixels: small };
}

export interface Difference {
  /** Of 255, over all pixels and colours. */
  readonly mean: number;
  /** The share of pixels that differ by more than 24 of 255 from every pixel around their place. */
  readonly apart: number;
}

const FAR = 24;

/** How unlike two pictures of one size are; edges may lie up to a pixel apart. */
export function differenceOf(a: Picture, b: Picture): Difference {
  const { width, height } = a;
  let sum = 0;
  let apart = 0;
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      let nearest = 255;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const away = unlike(a, b, y * width + x, (y + dy) * width + x + dx);
          nearest = Math.min(nearest, away);
          if (dx === 0 && dy === 0) sum += away;
        }
      if (nearest > FAR) apart++;
    }
  return { mean: sum / (width * height), apart: apart / (width * height) };
}

function unlike(a: Picture, b: Picture, at: number, other: number): number {
  let most = 0;
  for (let c = 0; c < 3; c++) most = Math.max(most, Math.abs(a.pixels[3 * at + c] - b.pixels[3 * other + c]));
  return most;
}
