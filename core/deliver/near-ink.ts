/**
 * Which pixels lie within a distance of inked ones: the distance along each row first, then the nearest of the rows around
 * (Saito and Toriwaki, "New algorithms for Euclidean distance transformation", 1994), looked for no farther than the distance.
 */

/** Rows of ink, a byte a pixel, 0 for none. */
export interface InkRows {
  readonly ink: Uint8Array;
  readonly width: number;
}

/** For each pixel of `rows` 255 within `distance` pixels of an inked one, there or in the rows before and after, else 0. */
export function nearInk(
  { ink, width }: InkRows,
  before: Uint8Array | undefined,
  after: Uint8Array | undefined,
  distance: number,
): Uint8Array {
  const around = Math.ceil(distance);
  const rows = ink.length / width;
  const above = tail(before, around * width);
  const below = (after ?? NONE).subarray(0, around * width);
  const along = [above, ink, below].map((part) => alongRows(part, width, distance));
  const distances = new Float64Array(above.length + ink.length + below.length);
  along.reduce((at, part) => {
    distances.set(part, at);
    return at + part.length;
  }, 0);
  const first = above.length / width;
  const last = distances.length / width - 1;
  const found = new Uint8Array(ink.length);
  for (let r = 0; r < rows; r++)
    for (let row = Math.max(0, first + r - around); row <= Math.min(last, first + r + around); row++) {
      const most = distance ** 2 - (row - first - r) ** 2;
      for (let x = 0; x < width; x++) if (distances[row * width + x] ** 2 <= most) found[r * width + x] = 255;
    }
  return found;
}

const NONE = new Uint8Array(0);

const tail = (rows: Uint8Array = NONE, length: number): Uint8Array =>
  rows.subarray(Math.max(0, rows.length - length));

/** How far each pixel is from the nearest inked one of its row; Infinity where that is beyond the distance. */
function alongRows(ink: Uint8Array, width: number, distance: number): Float64Array {
  const distances = new Float64Array(ink.length).fill(Infinity);
  for (let start = 0; start < ink.length; start += width) {
    let since = Infinity;
    for (let x = 0; x < width; x++) {
      since = ink[start + x] ? 0 : since + 1;
      if (since <= distance) distances[start + x] = since;
    }
    since = Infinity;
    for (let x = width - 1; x >= 0; x--) {
      since = ink[start + x] ? 0 : since + 1;
      if (since < distances[start + x] && since <= distance) distances[start + x] = since;
    }
  }
  return distances;
}
