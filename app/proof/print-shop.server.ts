/**
 * The print shop stand-in's counter: one proof is drawn at a time, in a process of its own that is ended when it takes
 * too long or too much memory; a few may wait.
 */
import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { resolve } from "node:path";
import { buffer, text } from "node:stream/consumers";

/** Why there is no proof, as a sentence, with the HTTP status that fits. */
export class NoProof extends Error {
  constructor(
    readonly status: number,
    sentence: string,
  ) {
    super(sentence);
    this.name = "NoProof";
  }
}

const DRAWER = resolve("build/host/draw-proof.js");
const LONGEST_MS = 20_000;
const MOST_BYTES = 1.5 * 2 ** 30;
const LOOK_EVERY_MS = 100;
const MOST_WAITING = 4;
const REFUSED = 3;

let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** PNG bytes of an SVG drawn so many pixels wide. Throws a NoProof. */
export async function drawProof(svg: Uint8Array, width: number, signal: AbortSignal): Promise<Uint8Array> {
  if (waiting >= MOST_WAITING)
    throw new NoProof(503, "The print shop stand-in is busy. Try again in a moment.");
  waiting++;
  const turn = last.then(() => drawn(svg, width, signal));
  last = turn.catch(() => {});
  try {
    return await turn;
  } finally {
    waiting--;
  }
}

async function drawn(svg: Uint8Array, width: number, signal: AbortSignal): Promise<Uint8Array> {
  if (signal.aborted) throw new NoProof(499, "The proof was not waited for.");
  const child = spawn(process.execPath, ["--max-old-space-size=1024", DRAWER, String(width)], {
    cwd: tmpdir(),
  });
  let ended = "";
  const end = (sentence: string) => {
    ended ||= sentence;
    child.kill("SIGKILL");
  };
  const onAbort = () => end("The proof was not waited for.");
  signal.addEventListener("abort", onAbort);
  const tooLong = setTimeout(() => end("The proof took longer than 20 seconds and was stopped."), LONGEST_MS);
  const look = setInterval(() => {
    if (memoryOf(child.pid) > MOST_BYTES) end("The proof took more memory than there is and was stopped.");
  }, LOOK_EVERY_MS);
  // A child that ends early leaves its input unread.
  child.stdin.on("error", () => {});
  child.stdin.end(svg);
  try {
    const exit = new Promise<number | null>((done, fail) => {
      child.on("close", done);
      child.on("error", fail);
    });
    const [code, picture, problem] = await Promise.all([exit, buffer(child.stdout), text(child.stderr)]);
    if (code === 0) return picture;
    if (code === REFUSED) throw new NoProof(422, problem);
    throw new NoProof(422, ended || "The print shop stand-in broke off over this SVG.");
  } finally {
    clearTimeout(tooLong);
    clearInterval(look);
    signal.removeEventListener("abort", onAbort);
  }
}

/** Bytes of memory a process holds; 0 where the system does not say. */
function memoryOf(pid: number | undefined): number {
  try {
    const kilobytes = /^VmRSS:\s*(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, "utf8"));
    return Number(kilobytes?.[1] ?? 0) * 1024;
  } catch {
    return 0;
  }
}
