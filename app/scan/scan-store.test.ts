import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

/** A worker that answers when it is told to. */
interface StandIn {
  readonly calls: {
    readonly name: string;
    readonly args: readonly unknown[];
    readonly answer: (value: unknown) => void;
  }[];
  stopped: boolean;
}

const workers: StandIn[] = [];

vi.mock("comlink", () => ({ proxy: <T>(value: T): T => value }));
vi.mock("../work/clients.ts", () => ({
  traceClient: () => {
    const worker: StandIn = { calls: [], stopped: false };
    workers.push(worker);
    const ask =
      (name: string) =>
      (...args: unknown[]) =>
        new Promise((answer) => worker.calls.push({ name, args, answer }));
    return {
      work: { load: ask("load"), lay: ask("lay"), read: ask("read"), drawing: ask("drawing") },
      stop: () => {
        worker.stopped = true;
      },
    };
  },
}));

const { createScan } = await import("./scan-store.ts");

const REST = 250;
const file = new File(["x"], "paper.bunch.png", { type: "image/png" });
const preview = { grey: { width: 100, height: 80 }, scale: 4 };
const traced = (lines: number) => ({ lines: new Array(lines).fill({}), shapes: [] });

const read = (lines: number) => ({ ok: true, traced: traced(lines) });

const calls = (name: string, worker = workers.at(-1)!) => worker.calls.filter((call) => call.name === name);

async function answer(name: string, value: unknown, worker = workers.at(-1)!): Promise<void> {
  calls(name, worker).at(-1)!.answer(value);
  await vi.advanceTimersByTimeAsync(0);
}

/** A scan that has been loaded, laid and read once. */
async function readScan() {
  const scan = createScan(file);
  await answer("load", { ok: true, width: 400, height: 320 });
  await answer("lay", preview);
  await vi.advanceTimersByTimeAsync(REST);
  await answer("read", read(3));
  return scan;
}

beforeEach(() => {
  workers.length = 0;
  vi.useFakeTimers();
});

afterEach(() => {
  vi.useRealTimers();
});

describe("a scan on its page", () => {
  it("is loaded, laid and read, in that order", async () => {
    const scan = createScan(file);
    expect(scan.getState()).toMatchObject({ name: "paper.bunch", size: null, reading: "lines" });
    await answer("load", { ok: true, width: 400, height: 320 });
    expect(scan.getState().size).toEqual({ width: 400, height: 320 });
    await answer("lay", preview);
    expect(scan.getState().preview).toEqual(preview);
    expect(calls("read")).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(REST);
    expect(scan.getState().progress).toBe(0);
    await answer("read", read(3));
    expect(scan.getState().traced!.lines).toHaveLength(3);
    expect(scan.getState().progress).toBeNull();
  });

  it("waits for the pixels when settings change before they are loaded", async () => {
    const scan = createScan(file);
    scan.getState().adjust({ reading: "shapes" });
    await vi.advanceTimersByTimeAsync(2 * REST);
    expect(calls("read")).toHaveLength(0);
    await answer("load", { ok: true, width: 400, height: 320 });
    await answer("lay", preview);
    await vi.advanceTimersByTimeAsync(REST);
    expect(calls("read").at(-1)!.args[0]).toMatchObject({ reading: "shapes" });
  });

  it("says why a picture cannot be read, and asks nothing more", async () => {
    const scan = createScan(file);
    await answer("load", { ok: false, message: "This picture is too large." });
    expect(scan.getState().problem).toBe("This picture is too large.");
    expect(workers[0].calls).toHaveLength(1);
  });

  it("says why the ink is not read, and reads on once a setting changes", async () => {
    const scan = await readScan();
    scan.getState().adjust({ settings: { specks: 0, breaks: 4 } });
    await vi.advanceTimersByTimeAsync(REST);
    await answer("read", { ok: false, message: "There are too many lines." });
    expect(scan.getState()).toMatchObject({
      traced: null,
      progress: null,
      unread: "There are too many lines.",
    });
    scan.getState().adjust({ settings: { specks: 24, breaks: 4 } });
    await vi.advanceTimersByTimeAsync(REST);
    expect(scan.getState().unread).toBeNull();
    await answer("read", read(2));
    expect(scan.getState().traced!.lines).toHaveLength(2);
  });

  it("shows how far the reading is, and no share that comes after the answer", async () => {
    const scan = await readScan();
    scan.getState().adjust({ reading: "shapes" });
    await vi.advanceTimersByTimeAsync(REST);
    const onProgress = calls("read").at(-1)!.args[2] as (share: number) => void;
    onProgress(0.4);
    expect(scan.getState().progress).toBe(0.4);
    await answer("read", read(1));
    onProgress(0.9);
    expect(scan.getState().progress).toBeNull();
  });

  it("reads once the hand rests, however often it changes its mind", async () => {
    const scan = await readScan();
    const { settings, adjust } = scan.getState();
    for (const specks of [10, 20, 30]) {
      adjust({ settings: { ...settings, specks } });
      await vi.advanceTimersByTimeAsync(REST / 2);
    }
    await vi.advanceTimersByTimeAsync(REST);
    expect(calls("read")).toHaveLength(2);
    expect(calls("read")[1].args[0]).toMatchObject({ settings: { specks: 30 } });
  });

  it("finds the ink again only where its settings changed", async () => {
    const scan = await readScan();
    scan.getState().adjust({ reading: "shapes" });
    await vi.advanceTimersByTimeAsync(REST);
    expect(calls("read").at(-1)!.args[1]).toBe(false);
    scan.getState().adjust({ settings: { ...scan.getState().settings, breaks: 9 } });
    await vi.advanceTimersByTimeAsync(REST);
    expect(calls("read").at(-1)!.args[1]).toBe(true);
  });

  it("drops the answer to what is no longer asked", async () => {
    const scan = await readScan();
    scan.getState().adjust({ reading: "shapes" });
    await vi.advanceTimersByTimeAsync(REST);
    scan.getState().adjust({ reading: "lines" });
    await vi.advanceTimersByTimeAsync(REST);
    const [, shapes, lines] = calls("read");
    lines.answer(read(7));
    shapes.answer(read(1));
    await vi.advanceTimersByTimeAsync(0);
    expect(scan.getState().traced!.lines).toHaveLength(7);
  });

  it("keeps regions where they are on the paper when it is cropped, as far as they are left", async () => {
    const scan = await readScan();
    const region = (x: number, y: number, width: number, height: number) =>
      ({ box: { x, y, width, height }, reading: "shapes" }) as const;
    scan.getState().adjust({ regions: [region(5, 20, 20, 20), region(0, 0, 8, 8)] });
    scan.getState().lay({ crop: { x: 10, y: 10, width: 200, height: 25 } });
    expect(scan.getState().regions).toEqual([region(0, 10, 15, 15)]);
    scan.getState().lay({ crop: null });
    expect(scan.getState().regions).toEqual([region(10, 20, 15, 15)]);
  });

  it("is laid anew when turned, straightened or cropped; regions of before are gone", async () => {
    const scan = await readScan();
    scan
      .getState()
      .adjust({ regions: [{ box: { x: 0, y: 0, width: 9, height: 9 }, reading: "shapes" }] as never });
    const crop = { x: 10, y: 10, width: 200, height: 100 };
    scan.getState().lay({ turns: 1, straighten: 90, crop });
    expect(scan.getState().regions).toEqual([]);
    await vi.advanceTimersByTimeAsync(REST);
    expect(calls("lay").at(-1)!.args[0]).toEqual({ turns: 1, angle: Math.PI / 2, crop });
    await answer("lay", { ...preview, scale: 2 });
    expect(scan.getState().size).toEqual({ width: 200, height: 160 });
    expect(scan.getState().traced).toBeNull();
    await vi.advanceTimersByTimeAsync(REST);
    await answer("read", read(2));
    expect(scan.getState().traced!.lines).toHaveLength(2);
  });

  it("stops: the worker goes, another has the paper before it is asked for more", async () => {
    const scan = await readScan();
    scan.getState().adjust({ reading: "shapes" });
    await vi.advanceTimersByTimeAsync(REST);
    const [old] = workers;
    scan.getState().stop();
    expect(old.stopped).toBe(true);
    expect(scan.getState()).toMatchObject({ progress: null, traced: null });
    await answer("read", read(5), old);
    expect(scan.getState().traced).toBeNull();
    expect(workers).toHaveLength(2);
    await answer("load", { ok: true, width: 400, height: 320 });
    await answer("lay", preview);
    scan.getState().adjust({ reading: "lines" });
    await vi.advanceTimersByTimeAsync(REST);
    await answer("read", read(4));
    expect(scan.getState().traced!.lines).toHaveLength(4);
  });

  it("asks nothing of a new worker before it has the paper", async () => {
    const scan = await readScan();
    scan.getState().stop();
    scan.getState().adjust({ reading: "shapes" });
    await vi.advanceTimersByTimeAsync(2 * REST);
    expect(calls("read")).toHaveLength(0);
    await answer("load", { ok: true, width: 400, height: 320 });
    await answer("lay", preview);
    expect(calls("read")).toHaveLength(1);
  });

  it("asks for the drawing by its name and size in print, and leaves nothing running when closed", async () => {
    const scan = await readScan();
    scan.getState().set({ name: "Radishes", ppi: 600 });
    const drawing = scan.getState().drawing();
    await answer("drawing", "the drawing");
    expect(await drawing).toBe("the drawing");
    expect(calls("drawing")[0].args).toEqual(["Radishes", 600]);
    scan.getState().adjust({ reading: "shapes" });
    scan.getState().close();
    await vi.advanceTimersByTimeAsync(REST);
    expect(workers[0].stopped).toBe(true);
    expect(calls("read")).toHaveLength(1);
  });
});
