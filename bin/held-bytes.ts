import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";

/** Bytes of live typed arrays after the garbage is collected. */
export function heldBytes(): number {
  setFlagsFromString("--expose-gc");
  const collect = runInNewContext("gc") as () => void;
  // What one collection frees is swept beside it, and is gone for certain at the next.
  collect();
  collect();
  return process.memoryUsage().arrayBuffers;
}
