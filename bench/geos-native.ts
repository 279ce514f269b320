/** GEOS as compiled for this machine, where Python has the package shapely (PYTHON names the program, else python3). */
import { spawn } from "node:child_process";
import { once } from "node:events";
import { createInterface } from "node:readline";
import type { Polyline } from "./line-work.ts";

export interface NativeGeos {
  /** Milliseconds of one round over the strokes, and how many faces there are. */
  readonly time: (strokes: readonly Polyline[]) => Promise<readonly [ms: number, faces: number]>;
  readonly end: () => void;
}

export async function nativeGeos(): Promise<NativeGeos | undefined> {
  const child = spawn(process.env.PYTHON ?? "python3", ["bench/geos-native.py"], {
    stdio: ["pipe", "pipe", "ignore"],
  });
  const answers = createInterface({ input: child.stdout });
  const ready = await Promise.race([
    once(answers, "line").then(() => true),
    once(child, "error").then(() => false),
    once(child, "exit").then(() => false),
  ]);
  if (!ready) return undefined;
  let last: readonly Polyline[] | undefined;
  return {
    time: async (strokes) => {
      const answer = once(answers, "line");
      child.stdin.write(`${strokes === last ? "" : JSON.stringify(strokes)}\n`);
      last = strokes;
      const [line] = await answer;
      return JSON.parse(line);
    },
    end: () => child.stdin.end(),
  };
}
