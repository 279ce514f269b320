/** Sorting many numbers by keys without comparing them. */

const DIGIT = 16;
const VALUES = 2 ** DIGIT;

/**
 * The places of keys that are 0 or more, those of the largest first and of equal ones in their order: a radix sort over the bits of
 * doubles, which rise as such numbers do (Knuth, vol. 3, 5.2.5).
 */
export function largestFirst(keys: Float64Array): Int32Array {
  const words = new Uint16Array(keys.buffer, keys.byteOffset, keys.length * 4);
  let order = new Int32Array(keys.length);
  for (let k = 0; k < order.length; k++) order[k] = k;
  let sorted = new Int32Array(keys.length);
  for (let word = 0; word < 4; word++) {
    const start = new Int32Array(VALUES + 1);
    for (let k = 0; k < keys.length; k++) start[VALUES - words[4 * k + word]]++;
    for (let value = 1; value <= VALUES; value++) start[value] += start[value - 1];
    for (let k = keys.length - 1; k >= 0; k--)
      sorted[--start[VALUES - words[4 * order[k] + word]]] = order[k];
    [order, sorted] = [sorted, order];
  }
  return order;
}
