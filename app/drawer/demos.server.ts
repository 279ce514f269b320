/** The shipped demo drawings, read from disk by the server. */
import { readFile } from "node:fs/promises";
import { extname, join } from "node:path";
import { DEMOS, pictureFile } from "./demo.ts";

const FOLDER = join(process.cwd(), "demo");

export const isDemo = (file: string): boolean => DEMOS.some((demo) => demo.file === file);

export const readDemo = (file: string): Promise<Buffer> => readFile(join(FOLDER, file));

const TYPES: Readonly<Record<string, string>> = {
  ".svg": "image/svg+xml",
  ".png": "image/png",
  ".fern": "application/json",
};

export const typeOf = (file: string): string => TYPES[extname(file)];

/** What it looks like, small, as PNG. */
export const readPicture = (file: string): Promise<Buffer> => readFile(join(FOLDER, pictureFile(file)));
