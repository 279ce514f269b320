/** What the browser that this program started keeps in memory of its own: the files of its program, which all processes share, are not counted. */
import { execSync } from "node:child_process";
import { readFileSync } from "node:fs";

/** Bytes of all its processes together. */
export const memoryOfChromium = (): number => processes().reduce((sum, { bytes }) => sum + bytes, 0);

/** Bytes of the process of the only page that is open, with its workers and canvases: the others of its kind are small. */
export const memoryOfPage = (): number =>
  Math.max(
    ...processes().flatMap(({ command, bytes }) => (command.includes("--type=renderer") ? bytes : [])),
  );

interface Process {
  readonly command: string;
  readonly bytes: number;
}

function processes(): Process[] {
  const rows = execSync("ps -eo pid,ppid,args", { encoding: "utf8", maxBuffer: 2 ** 24 })
    .trim()
    .split("\n")
    .slice(1)
    .map((row) => row.trim().split(/\s+/));
  const own = new Set([String(process.pid)]);
  const found: Process[] = [];
  for (let grew = true; grew; ) {
    grew = false;
    for (const [pid, parent, ...args] of rows) {
      if (!own.has(parent) || own.has(pid)) continue;
      own.add(pid);
      grew = true;
      const command = args.join(" ");
      if (command.includes("chrom")) found.push({ command, bytes: ownMemory(pid) });
    }
  }
  return found;
}

/** Bytes of a process that no file stands behind; none where it has ended meanwhile. */
function ownMemory(pid: string): number {
  try {
    const status = readFileSync(`/proc/${pid}/status`, "utf8");
    const kilobytes = [...status.matchAll(/^(?:RssAnon|RssShmem|VmSwap):\s+(\d+) kB$/gm)];
    return kilobytes.reduce((sum, [, count]) => sum + 1024 * Number(count), 0);
  } catch {
    return 0;
  }
}
