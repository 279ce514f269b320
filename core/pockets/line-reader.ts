/** Reads a drawing's lines again and again while it is edited: the map follows where it can, and is built anew where not. */
import type { Drawing } from "../drawing/drawing.ts";
import { changeBetween, editMap } from "./map-edit.ts";
import { buildMap, type PlanarMap } from "./planar-map.ts";
import { type Pocket, PocketReader } from "./pockets.ts";
import { type Gaps, gapsOf, linesOf } from "./reading.ts";
import type { Line } from "./segments.ts";

export class LineReader {
  private lines: readonly Line[] = [];
  private map: PlanarMap | undefined;
  private pockets: PocketReader | undefined;

  /** All pockets, largest first; one that did not change is the same object as before. */
  read(drawing: Drawing): Pocket[] {
    const lines = linesOf(drawing);
    if (!this.follows(lines, drawing.strict)) {
      this.map = buildMap(lines, { strict: drawing.strict });
      this.pockets = new PocketReader(this.map);
    }
    this.lines = lines;
    return this.pockets!.read();
  }

  private follows(lines: readonly Line[], strict: boolean): boolean {
    return this.map?.strict === strict && editMap(this.map, changeBetween(this.lines, lines));
  }

  /** Loose ends and openings of the lines last read, up to a reach in page units. */
  gaps(reach: number): Gaps {
    return gapsOf(this.map!, reach);
  }
}
