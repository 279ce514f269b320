/** Text packed as gzip (RFC 1952), whose own checksum and length say whether it came back whole. */
import { gunzipSync, gzipSync, strFromU8, strToU8 } from "fflate";
import { crc32 } from "./crc32.ts";

const MAGIC = [0x1f, 0x8b];

export const isGzip = (bytes: Uint8Array): boolean => bytes[0] === MAGIC[0] && bytes[1] === MAGIC[1];

/** The same text gives the same bytes. */
export const gzipped = (text: string): Uint8Array => gzipSync(strToU8(text), { mtime: 0 });

/** Throws an Error for what is no gzip or did not come back whole. */
export function gunzipped(bytes: Uint8Array): string {
  const out = gunzipSync(bytes);
  const tail = new DataView(bytes.buffer, bytes.byteOffset + bytes.length - 8, 8);
  if (tail.getUint32(0, true) !== crc32(out) || tail.getUint32(4, true) !== out.length)
    throw new Error("the checksum does not match");
  return strFromU8(out);
}
