/**
 * Writes the pixels per inch into a PNG as its pHYs chunk (PNG specification, 11.3.4.3), right after the header.
 * No kept library writes this chunk without decoding the whole picture.
 */
const METRES_PER_INCH = 0.0254;
const HEADER_END = 33;

export function withPpi(png: Uint8Array, ppi: number): Uint8Array<ArrayBuffer> {
  const chunk = new Uint8Array(21);
  const view = new DataView(chunk.buffer);
  const perMetre = Math.round(ppi / METRES_PER_INCH);
  view.setUint32(0, 9);
  chunk.set([0x70, 0x48, 0x59, 0x73], 4);
  view.setUint32(8, perMetre);
  view.setUint32(12, perMetre);
  chunk[16] = 1;
  view.setUint32(17, crc32(chunk.subarray(4, 17)));
  const out = new Uint8Array(png.length + chunk.length);
  out.set(png.subarray(0, HEADER_END));
  out.set(chunk, HEADER_END);
  out.set(png.subarray(HEADER_END), HEADER_END + chunk.length);
  return out;
}

/** CRC-32 as PNG uses it, bit by bit: a chunk this short needs no table. */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let k = 0; k < 8; k++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return (crc ^ 0xffffffff) >>> 0;
}
