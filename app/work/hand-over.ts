/** Large values between threads: packed, and their memory handed over rather than copied. */
import * as Comlink from "comlink";
import { memoryOfPacked, type Packed, pack } from "#core/drawing/packed.ts";

/** As an argument or an answer of a worker; the other side unpacks it. */
export function handOver<T>(value: T): Packed<T> {
  const packed = pack(value);
  return Comlink.transfer(packed, memoryOfPacked(packed));
}
