/** The drawing file (.fern): the Drawing's facts as JSON, checked field by field when it comes back. */
import { strFromU8 } from "fflate";
import type { Drawing } from "../drawing/drawing.ts";
import { FIELD_NAMES } from "../drawing/fields.ts";
import { withMissingColours } from "../drawing/missing-colours.ts";
import { withMissingParts } from "../drawing/parts.ts";
import { fromRecord, type RecordForm, toRecord } from "../drawing/record-form.ts";
import { upgradedRecord, VERSION } from "../drawing/upgrade.ts";
import { isDash, isInkWidth, isNearPage } from "./bounds.ts";
import { checked, recordOf } from "./drawing-records.ts";
import { FileProblem } from "./file-problem.ts";
import { gunzipped, gzipped, isGzip } from "./gzip.ts";

const FORMAT = "fern-pocket-drawing";

const DrawingRecord = recordOf(FIELD_NAMES);

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
  } catch {
    throw new FileProblem(
      "broken",
      "This drawing file was damaged on its way: its checksum does not match. Take another copy of it.",
    );
  }
}

/** Throws a FileProblem when the text is not a whole drawing file. */
export function readDrawingFile(text: string): Drawing {
  const { format, version, ...rest } = parse(text);
  const record = format === FORMAT ? upgradedRecord(rest, Number(version)) : undefined;
  if (!record)
    throw new FileProblem(
      "not-ours",
      format === FORMAT
        ? `This drawing file is of version ${version}; this Fern Pocket reads versions up to ${VERSION}.`
        : "This is not a Fern Pocket drawing file.",
    );
  const result = checked(DrawingRecord, record);
  if ("wrong" in result) throw unexpected(result.wrong);
  const drawing = fromRecord(result.value) as Drawing;
  const beyond = beyondPage(drawing);
  if (beyond.length > 0) throw unexpected(beyond);
  return withMissingParts(withMissingColours(drawing));
}

const unexpected = (parts: readonly string[]): FileProblem =>
  new FileProblem(
    "not-ours",
    `This drawing file cannot be read; these parts of it are not as expected: ${parts.join(", ")}.`,
  );

const endsMeet = (points: readonly number[]): boolean =>
  points[0] === points[points.length - 2] && points[1] === points[points.length - 1];

/** The parts of a drawing that lie so far from its page, or are so thin or wide, that nothing can be made of them. */
function beyondPage({ page, strokes, inkShapes, bridges, flatShapes, shades, creases }: Drawing): string[] {
  const { box } = page;
  const near = (points: readonly number[]) => isNearPage(points, box);
  const every = <T>(table: Readonly<Record<string, T>>, sound: (item: T) => boolean) =>
    Object.values(table).every(sound);
  const sound = {
    strokes: every(
      strokes,
      ({ points, closed, width, dash }) =>
        near(points) &&
        isInkWidth(width, box) &&
        (!dash || isDash(dash, box)) &&
        (!closed || endsMeet(points)),
    ),
    inkShapes: every(inkShapes, ({ outline }) => outline.every(near)),
    bridges: every(bridges, ({ points }) => near(points)),
    flatShapes: every(flatShapes, ({ outline }) => outline.every(near)),
    creases: every(creases, ({ points }) => near(points)),
    shades: every(shades, ({ outline, anchor }) => outline.every(near) && near(anchor.seed)),
  };
  return Object.entries(sound).flatMap(([part, fine]) => (fine ? [] : [part]));
}

function parse(text: string): RecordForm {
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === "object" && value !== null && !Array.isArray(value)) return value as RecordForm;
  } catch {
    // told below
  }
  throw new FileProblem("not-ours", "This is not a Fern Pocket drawing file.");
}
