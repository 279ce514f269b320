/** The drawing file (.fern): the Drawing's facts as JSON, checked field by field when it comes back. */
import { strFromU8 } from "fflate";
import type { Drawing } from "../drawing/drawing.ts";
import { type RecordForm, toRecord } from "../drawing/record-form.ts";
import { type Repairs, salvagedDrawing, salvagedRecord } from "../drawing/salvage.ts";
import { upgradedRecord, VERSION } from "../drawing/upgrade.ts";
import { FileProblem } from "./file-problem.ts";
import { gunzipped, gzipped, isGzip, TooLong } from "./gzip.ts";

const FORMAT = "fern-pocket-drawing";

export function writeDrawingFile(drawing: Drawing): string {
  return `${JSON.stringify({ format: FORMAT, version: VERSION, ...toRecord(drawing) })}\n`;
}

/** The same, packed: a part of the size, and its checksum tells whether it came back whole. */
export const packedDrawingFile = (drawing: Drawing): Uint8Array => gzipped(writeDrawingFile(drawing));

/** The text of a drawing file, packed or not. Throws a FileProblem for one that was damaged on the way. */
export function drawingFileText(bytes: Uint8Array): string {
  if (!isGzip(bytes)) return strFromU8(bytes);
  try {
    return gunzipped(bytes);
  } catch (error) {
    if (error instanceof TooLong)
      throw new FileProblem("too-large", "This file comes to more than 256 MB once it is unpacked.");
    throw new FileProblem(
      "broken",
      "This drawing file was damaged on its way: its checksum does not match. Take another copy of it.",
    );
  }
}

/** A drawing from a file, and what had to be done so that it could be read. */
export interface OpenedFile extends Repairs {
  readonly drawing: Drawing;
}

/**
 * Reads a drawing file. Values out of bounds are brought to them, and what cannot be understood is left out. Throws a FileProblem
 * where the text is no drawing file, or one without a page.
 */
export function openDrawingFile(text: string): OpenedFile {
  const { format, version, ...rest } = parse(text);
  const before = format === FORMAT ? upgradedRecord(rest, Number(version)) : undefined;
  if (!before)
    throw new FileProblem(
      "not-ours",
      format === FORMAT
        ? `This drawing file is of version ${version}; this Fern Pocket reads versions up to ${VERSION}.`
        : "This is not a Fern Pocket drawing file.",
    );
  const { record, brought, lost } = salvagedRecord(before);
  if (before.page === undefined || lost.some(({ way }) => way.startsWith("page")))
    throw new FileProblem(
      "not-ours",
      "This drawing file cannot be read: it has no page, or one too large, too small or too long and narrow.",
    );
  return { drawing: salvagedDrawing(record), brought, lost };
}

export const readDrawingFile = (text: string): Drawing => openDrawingFile(text).drawing;

function parse(text: string): RecordForm {
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === "object" && value !== null && !Array.isArray(value)) return value as RecordForm;
  } catch {
    // told below
  }
  throw new FileProblem("not-ours", "This is not a Fern Pocket drawing file.");
}
