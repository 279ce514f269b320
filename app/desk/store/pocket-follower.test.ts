/** A pocket worker that throws: begun anew, asked again, and told where it throws again. */
import { afterEach, describe, expect, it, vi } from "vitest";
import { removeLines } from "#core/drawing/line-edits.ts";
import { importSvg } from "#core/formats/import-drawing.ts";
import { edited } from "../../../testing/drawings.ts";
import type { Client } from "../../work/clients.ts";
import type { PocketReading, PocketWork } from "../../work/pocket-work.ts";
import { Restarting } from "../../work/restarting.ts";
import { PocketFollower } from "./pocket-follower.ts";
import { svg } from "./testing.ts";

const { drawing } = importSvg("Two", svg('<path d="M10 10H50V90H10Z"/><path d="M60 10H90V90H60Z"/>'));
const [first] = Object.keys(drawing.strokes);
const fewer = edited(drawing, removeLines([first]));

const READING = { keys: [], took: 0 } as unknown as PocketReading;

/** Each worker answers as `plan` says, by the number of the question. */
function followerOf(plan: readonly ("answer" | "throw")[], ahead?: Promise<PocketReading>) {
  let asked = 0;
  let started = 0;
  const told: string[] = [];
  const asks = (word: string) => async () => {
    told.push(`${word} ${started}`);
    if (plan[asked++] === "throw") throw new Error("engine");
    return READING;
  };
  const lines = new Restarting<PocketWork>(() => {
    started++;
    const work = { open: asks("open"), follow: asks("follow"), gaps: asks("gaps") };
    return { work, stop: () => {} } as unknown as Client<PocketWork>;
  });
  const heard = { onPockets: vi.fn(), onGaps: vi.fn(), onFailure: vi.fn() };
  const follower = new PocketFollower(lines, drawing, heard, ahead);
  return { follower, heard, told };
}

const rest = () => vi.advanceTimersByTimeAsync(1000);

afterEach(() => vi.useRealTimers());

describe("a pocket worker that throws", () => {
  it("is begun anew with the whole drawing, and asked again", async () => {
    vi.useFakeTimers();
    const { follower, heard, told } = followerOf(["answer", "answer", "throw"]);
    await rest();
    follower.follow(fewer);
    await rest();
    expect(told).toEqual(["open 1", "gaps 1", "follow 1", "open 2", "gaps 2"]);
    expect(heard.onPockets).toHaveBeenLastCalledWith(expect.anything(), true);
    expect(heard.onFailure).not.toHaveBeenCalled();
  });

  it("is told once it throws at the same lines again, and tried with the next ones", async () => {
    vi.useFakeTimers();
    const { follower, heard, told } = followerOf(["throw", "throw"]);
    await rest();
    expect(heard.onFailure).toHaveBeenCalledTimes(1);
    expect(told).toEqual(["open 1", "open 2"]);
    follower.follow(fewer);
    await rest();
    expect(told.slice(2)).toEqual(["open 3", "gaps 3"]);
    expect(heard.onGaps).toHaveBeenCalledTimes(1);
  });

  it("is asked again for openings once", async () => {
    vi.useFakeTimers();
    const { heard, told } = followerOf(["answer", "throw", "answer", "throw"]);
    await rest();
    expect(told).toEqual(["open 1", "gaps 1", "open 2", "gaps 2"]);
    expect(heard.onFailure).toHaveBeenCalledTimes(1);
  });
});

describe("pockets looked for ahead", () => {
  it("are taken as they are, and what was changed before they came is told after them", async () => {
    vi.useFakeTimers();
    const { follower, heard, told } = followerOf(["answer"], Promise.resolve(READING));
    follower.follow(fewer);
    await rest();
    expect(told).toEqual(["follow 1", "gaps 1"]);
    expect(heard.onPockets.mock.calls.map(([, upToDate]) => upToDate)).toEqual([false, true]);
  });

  it("are looked for anew where that failed", async () => {
    vi.useFakeTimers();
    const failed = Promise.reject(new Error("engine"));
    failed.catch(() => {});
    const { told } = followerOf(["answer"], failed);
    await rest();
    expect(told).toEqual(["open 2", "gaps 2"]);
  });
});
