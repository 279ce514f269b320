/** How much ground shows where colour and ink should cover it, for tests. */

/** Of 255: less than is seen, and what the thinnest ink of a scan leaves where four colours meet in one pixel. */
export const LEAST = 6;

/** Pixels of the mask of what has to be covered for each of the picture's, both ways; `mostShown` has it too. */
export const MASK = 2;

/**
 * The most, of 255, that the ground shows through in pixels well within what must be covered. Takes the picture
 * over two grounds and the mask, each four bytes a pixel. It stands on its own, so that a page can run it too.
 */
export function mostShown(
  one: ArrayLike<number>,
  other: ArrayLike<number>,
  mask: ArrayLike<number>,
  width: number,
): number {
  const scale = 2;
  const within = 3;
  const wide = scale * width;
  const high = mask.length / 4 / wide;
  const isWithin = (p: number): boolean => {
    const left = scale * (p % width) - within;
    const top = scale * Math.floor(p / width) - within;
    const size = scale + 2 * within;
    if (left < 0 || top < 0 || left + size > wide || top + size > high) return false;
    for (let y = top; y < top + size; y++)
      for (let x = left; x < left + size; x++) if (mask[4 * (y * wide + x) + 3] < 255) return false;
    return true;
  };
  let most = 0;
  for (let k = 0; k < one.length; k += 4) {
    const shows = Math.max(
      Math.abs(one[k] - other[k]),
      Math.abs(one[k + 1] - other[k + 1]),
      Math.abs(one[k + 2] - other[k + 2]),
    );
    if (shows > most && isWithin(k / 4)) most = shows;
  }
  return most;
}
