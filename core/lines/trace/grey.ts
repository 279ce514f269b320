/** Grey pictures: one byte a pixel, row by row, 0 black to 255 white. Pixel centres lie at whole numbers plus a half. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** How a scan was laid on the glass: turned and cropped by eye. */
export interface Placing {
  /** Quarter turns clockwise. */
  readonly turns: 0 | 1 | 2 | 3;
  /** Further turn clockwise in radians, to straighten it. */
  readonly angle: number;
  /** What is kept, in pixels of the turned picture; all of it when left out. */
  readonly crop?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** Luma of RGBA pixels (ITU-R BT.709) on white paper. */
export function greyOf(rgba: Uint8ClampedArray | Uint8Array, width: number, height: number): Grey {
  const data = new Uint8Array(width * height);
  for (let i = 0, k = 0; i < data.length; i++, k += 4) {
    const luma = 0.2126 * rgba[k] + 0.7152 * rgba[k + 1] + 0.0722 * rgba[k + 2];
    const alpha = rgba[k + 3] / 255;
    data[i] = luma * alpha + 255 * (1 - alpha) + 0.5;
  }
  return { width, height, data };
}

/** The picture turned, straightened about its middle and cropped; what comes in from outside is white. */
export function placed(grey: Grey, { turns, angle, crop }: Placing): Grey {
  const upright = quarterTurned(grey, turns);
  const { width, height } = upright;
  const kept = crop ?? { x: 0, y: 0, width, height };
  if (angle === 0 && !crop) return upright;
  const data = new Uint8Array(kept.width * kept.height);
  const [cos, sin] = [Math.cos(-angle), Math.sin(-angle)];
  const [cx, cy] = [width / 2, height / 2];
  for (let y = 0, i = 0; y < kept.height; y++) {
    const dy = y + kept.y + 0.5 - cy;
    for (let x = 0; x < kept.width; x++, i++) {
      const dx = x + kept.x + 0.5 - cx;
      data[i] = sampled(upright, cx + cos * dx - sin * dy, cy + sin * dx + cos * dy) + 0.5;
    }
  }
  return { width: kept.width, height: kept.height, data };
}

function quarterTurned(grey: Grey, turns: Placing["turns"]): Grey {
  if (turns === 0) return grey;
  const { width, height, data } = grey;
  const out = new Uint8Array(data.length);
  const [w, h] = turns === 2 ? [width, height] : [height, width];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const tx = turns === 1 ? height - 1 - y : turns === 2 ? width - 1 - x : y;
      const ty = turns === 1 ? x : turns === 2 ? height - 1 - y : width - 1 - x;
      out[ty * w + tx] = data[i];
    }
  return { width: w, height: h, data: out };
}

/** Level at a place, straight between pixel centres; white outside. */
export function sampled({ width, height, data }: Grey, x: number, y: number): number {
  const px = x - 0.5;
  const py = y - 0.5;
  const left = Math.floor(px);
  const top = Math.floor(py);
  const tx = px - left;
  const ty = py - top;
  if (left >= 0 && top >= 0 && left + 1 < width && top + 1 < height) {
    const i = top * width + left;
    const upper = data[i] + (data[i + 1] - data[i]) * tx;
    const lower = data[i + width] + (data[i + width + 1] - data[i + width]) * tx;
    return upper + (lower - upper) * ty;
  }
  const at = (ax: number, ay: number) =>
    ax < 0 || ay < 0 || ax >= width || ay >= height ? 255 : data[ay * width + ax];
  const upper = at(left, top) + (at(left + 1, top) - at(left, top)) * tx;
  const lower = at(left, top + 1) + (at(left + 1, top + 1) - at(left, top + 1)) * tx;
  return upper + (lower - upper) * ty;
}
