/**
 * A pen that draws: from an event of it to the pixels that show it, as the browser's own trace has it (EventLatency: from the event to
 * the presented frame), on drawings of 100 and 3,000 strokes, beside a page with nothing but a canvas to draw on. Needs a build
 * (`npm run build`) and Chromium.
 */
import type { CDPSession, Page } from "@playwright/test";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { judge } from "./judge.ts";
import { PAGE, spotLike, WIDE_PAGE } from "./line-work.ts";
import { svgOf } from "./svg-of-lines.ts";

const PORT = 4196;
const CASES = [
  { count: 100, side: PAGE, aim: 16 },
  { count: 3000, side: WIDE_PAGE, aim: 25 },
];
const LINES = 6;
const MOVES = 80;
/** Milliseconds between moves, as of a pen at 120 Hz. */
const BETWEEN = 8;

/** The least there can be: a page that marks on a canvas where the pen is. */
const BARE = `<body style="margin:0"><div id="paper" style="position:absolute;inset:0"></div>
<canvas id="over" width="1280" height="800" style="position:absolute;inset:0;pointer-events:none"></canvas>
<script>
  const context = document.getElementById("over").getContext("2d");
  let frame = 0;
  document.getElementById("paper").onpointermove = ({ clientX, clientY }) => {
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      context.clearRect(0, 0, 1280, 800);
      context.fillRect(clientX, clientY, 4, 4);
    });
  };
</script>`;

export const penBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => {
    const bare = await newPage();
    await bare.setContent(BARE);
    const least = quantile(await latenciesIn(bare), 0.5);
    await bare.close();
    for (const { count, side, aim } of CASES) {
      const page = await newPage();
      await openLines(page, url, svgOf(spotLike(count, { side }), side));
      const latencies = await latenciesIn(page);
      console.log(
        `pen, ${count} strokes: ${quantile(latencies, 0.95).toFixed(1)} ms at 95 %, of ${latencies.length} events that a frame showed`,
      );
      judge({
        area: "hand",
        what: `from a pen's event to its pixels, ${count} strokes`,
        measured: quantile(latencies, 0.5),
        unit: "ms",
        aim,
        limit: { what: "a page with a canvas alone", measured: least },
      });
      await page.close();
    }
  });

/** Milliseconds from event to pixels, rising. */
const latenciesIn = async (page: Page): Promise<number[]> =>
  (await traced(page, drawWithPen)).sort((a, b) => a - b);

async function openLines(page: Page, url: string, svg: string): Promise<void> {
  await goTo(page, url);
  // The drawer hears of files once it has looked what it holds.
  await page.waitForTimeout(1000);
  await page
    .locator("input[type=file]")
    .first()
    .setInputFiles({ name: "lines.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) });
  const report = page.getByRole("button", { name: "Put it on the desk" });
  await report.or(page.locator("#paper")).first().waitFor();
  if (await report.isVisible()) await report.click();
  const stages = page.getByRole("navigation", { name: "Stages" });
  await stages.getByText(/of \d+ pockets/).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(6000);
  await stages.getByRole("button", { name: /^Lines/ }).click();
}

/** Wavy lines, as fast as a hand draws. */
async function drawWithPen(page: Page, cdp: CDPSession): Promise<void> {
  const box = (await page.locator("#paper").boundingBox())!;
  const pen = (type: "mousePressed" | "mouseMoved" | "mouseReleased", x: number, y: number) =>
    cdp.send("Input.dispatchMouseEvent", {
      type,
      x,
      y,
      button: "left",
      buttons: type === "mouseReleased" ? 0 : 1,
      force: 0.5,
      pointerType: "pen",
    });
  for (let line = 0; line < LINES; line++) {
    const [x, y] = [box.x + box.width * 0.3, box.y + box.height * (0.2 + 0.1 * line)];
    await pen("mousePressed", x, y);
    for (let k = 1; k <= MOVES; k++) {
      void pen("mouseMoved", x + 4 * k, y + 18 * Math.sin(k / 6));
      await page.waitForTimeout(BETWEEN);
    }
    await pen("mouseReleased", x + 4 * MOVES, y);
    await page.waitForTimeout(300);
  }
}

/** Of sorted values. */
const quantile = (values: readonly number[], share: number): number =>
  values[Math.min(values.length - 1, Math.floor(share * values.length))];

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  /** Microseconds. */
  readonly ts: number;
  readonly pid: number;
  readonly id2?: { readonly local?: string };
  readonly args: { readonly event_latency?: { readonly event_type?: string } };
}

/** Milliseconds from each move of the pen to its pixels. */
async function traced(page: Page, act: (page: Page, cdp: CDPSession) => Promise<void>): Promise<number[]> {
  const cdp = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  cdp.on("Tracing.dataCollected", ({ value }) => events.push(...(value as unknown as TraceEvent[])));
  await cdp.send("Tracing.start", {
    transferMode: "ReportEvents",
    traceConfig: { includedCategories: ["cc", "benchmark", "input"] },
  });
  await act(page, cdp);
  const done = new Promise((resolve) => cdp.once("Tracing.tracingComplete", resolve));
  await cdp.send("Tracing.end");
  await done;
  return latenciesOf(events);
}

/** A stretch of the trace that an event has only if a frame showed it; others went into an event after them. */
const PRESENTED = "PresentationCompositorFrame";

function latenciesOf(events: readonly TraceEvent[]): number[] {
  const begun = new Map<string, number>();
  const presented = new Set<string>();
  const latencies: number[] = [];
  for (const { name, ph, ts, pid, id2, args } of [...events].sort((a, b) => a.ts - b.ts)) {
    const key = `${pid} ${id2?.local}`;
    if (name.endsWith(PRESENTED) && begun.has(key)) presented.add(key);
    if (name !== "EventLatency") continue;
    const type = args.event_latency?.event_type;
    if (ph === "b" && (type === "MOUSE_DRAGGED" || type === "MOUSE_MOVED")) begun.set(key, ts);
    const from = begun.get(key);
    if (ph !== "e" || from === undefined) continue;
    if (presented.has(key)) latencies.push((ts - from) / 1000);
    begun.delete(key);
    presented.delete(key);
  }
  return latencies;
}
