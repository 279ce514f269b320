/** The checksum of PNG chunks and of gzip (ISO 3309). */
const CRC = Uint32Array.from({ length: 256 }, (_, n) => {
  let crc = n;
  for (let k = 0; k < 8; k++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  return crc;
});

export function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (let k = 0; k < bytes.length; k++) crc = CRC[(crc ^ bytes[k]) & 0xff] ^ (crc >>> 8);
  return (crc ^ 0xffffffff) >>> 0;
}
