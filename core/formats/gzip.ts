/** Text packed as gzip (RFC 1952), whose own checksum and length say whether it came back whole. */
import { Gunzip, gzipSync, strFromU8, strToU8 } from "fflate";
import { crc32 } from "./crc32.ts";

const MAGIC = [0x1f, 0x8b];

export const isGzip = (bytes: Uint8Array): boolean => bytes[0] === MAGIC[0] && bytes[1] === MAGIC[1];

/** The same text gives the same bytes. */
export const gzipped = (text: string): Uint8Array => gzipSync(strToU8(text), { mtime: 0 });

/** The size of a gzip file that holds nothing: its header and trailer. */
const SHORTEST = 20;
/** Bytes of text that anything packed may come to. */
const LONGEST_TEXT = 2 ** 28;

export class TooLong extends Error {}

/** Throws an Error for what is no gzip or did not come back whole, TooLong for what would come to too much. */
export function gunzipped(bytes: Uint8Array): string {
  if (bytes.length < SHORTEST) throw new Error("it breaks off");
  const pieces: Uint8Array[] = [];
  let length = 0;
  const stream = new Gunzip((piece) => {
    pieces.push(piece);
    length += piece.length;
    if (length > LONGEST_TEXT) throw new TooLong();
  });
  // Piece by piece: what its tail says of its length may be wrong.
  for (let from = 0; from < bytes.length; from += STRIDE)
    stream.push(bytes.subarray(from, from + STRIDE), from + STRIDE >= bytes.length);
  const out = joined(pieces, length);
  const tail = new DataView(bytes.buffer, bytes.byteOffset + bytes.length - 8, 8);
  if (tail.getUint32(0, true) !== crc32(out) || tail.getUint32(4, true) !== out.length)
    throw new Error("the checksum does not match");
  return strFromU8(out);
}

const STRIDE = 2 ** 16;

function joined(pieces: readonly Uint8Array[], length: number): Uint8Array {
  const whole = new Uint8Array(length);
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
