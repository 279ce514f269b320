/** What the browser that this program started keeps in memory. */
import { execSync } from "node:child_process";

/** Bytes that it keeps for itself, all its processes together. */
export const memoryOfChromium = (): number => memoryOf(() => true);

/** Bytes of the processes that pages, their workers and their canvases are in. */
export const memoryOfPages = (): number => memoryOf((command) => command.includes("--type=renderer"));

function memoryOf(counts: (command: string) => boolean): number {
  const rows = execSync("ps -eo pid,ppid,rss,args", { encoding: "utf8", maxBuffer: 2 ** 24 })
    .trim()
    .split("\n")
    .slice(1)
    .map((row) => row.trim().split(/\s+/));
  const own = new Set([String(process.pid)]);
  let found = 0;
  for (let grew = true; grew; ) {
    grew = false;
    for (const [pid, parent, rss, ...args] of rows) {
      if (!own.has(parent) || own.has(pid)) continue;
      own.add(pid);
      grew = true;
      const command = args.join(" ");
      if (command.includes("chrom") && counts(command)) found += 1024 * Number(rss);
    }
  }
  return found;
}
