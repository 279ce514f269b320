import { gunzipSync, gzipSync } from "node:zlib";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { smallDrawing } from "../../testing/drawings.ts";
import { drawingFileText, packedDrawingFile, readDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { FileProblem } from "./file-problem.ts";
import { gunzipped, gzipped, isGzip } from "./gzip.ts";

describe("text packed as gzip", () => {
  it("is read by another program, and what another program packs is read", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) => {
        expect(gunzipSync(gzipped(text)).toString("utf8")).toBe(Buffer.from(text, "utf8").toString("utf8"));
        expect(gunzipped(new Uint8Array(gzipSync(text)))).toBe(Buffer.from(text, "utf8").toString("utf8"));
      }),
    );
  });

  it("tells that it did not come back whole, whatever byte was spoiled", () => {
    const drawing = smallDrawing();
    const packed = packedDrawingFile(drawing);
    expect(isGzip(packed)).toBe(true);
    expect(readDrawingFile(drawingFileText(packed))).toEqual(drawing);
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: packed.length - 1 }),
        fc.integer({ min: 1, max: 255 }),
        (at, by) => {
          const spoiled = Uint8Array.from(packed);
          spoiled[at] ^= by;
          expect(() => drawingFileText(spoiled)).toThrow(FileProblem);
        },
      ),
    );
    expect(() => drawingFileText(packed.subarray(0, packed.length >> 1))).toThrow("checksum");
  });

  it("is a drawing file that was never packed too", () => {
    const drawing = smallDrawing();
    const text = writeDrawingFile(drawing);
    expect(drawingFileText(Buffer.from(text))).toBe(text);
    expect(packedDrawingFile(drawing).length).toBeLessThan(text.length / 2);
  });
});
