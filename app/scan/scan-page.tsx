import { Check } from "lucide-react";
import { Progress } from "radix-ui";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { curveCount } from "#core/geometry/cubic.ts";
import { counted } from "#core/words.ts";
import { addDrawing } from "../keep/shelf.ts";
import { Button } from "../ui/button.tsx";
import { FrondMark } from "../ui/frond-mark.tsx";
import { ScanCanvas } from "./scan-canvas.tsx";
import { createScan, ScanContext, type ScanStore, useScan, useScanStore } from "./scan-store.ts";
import { ScanTray } from "./scan-tray.tsx";

/** Inked paper on its way to becoming lines. */
export function ScanPage({ file }: { file: File | null }) {
  const [scan, setScan] = useState<ScanStore | null>(null);
  useEffect(() => {
    if (!file) return;
    const store = createScan(file);
    setScan(store);
    return () => store.getState().close();
  }, [file]);
  if (!file)
    return (
      <Empty text="No scan is on the glass. Choose a PNG, JPEG or WebP of inked paper in the drawer, or drop one there." />
    );
  if (!scan) return null;
  return (
    <ScanContext value={scan}>
      <ScanLayout />
    </ScanContext>
  );
}

function Empty({ text }: { text: string }) {
  return (
    <main className="grid h-full place-items-center p-8 text-center">
      <div>
        <h1 className="font-display text-2xl">Scan</h1>
        <p className="mt-2 max-w-md text-quiet">{text}</p>
        <Link to="/" className="mt-4 inline-block rounded-md bg-fern px-4 py-2 font-medium text-on-accent">
          Back to the drawer
        </Link>
      </div>
    </main>
  );
}

function ScanLayout() {
  const problem = useScan((s) => s.problem);
  if (problem) return <Empty text={`${problem} Nothing of yours has changed.`} />;
  return (
    <div className="grid h-screen grid-rows-[64px_1fr_auto] overflow-hidden">
      <Header />
      <main data-mat="light" className="relative min-h-0">
        <ScanCanvas />
        <ProgressSign />
      </main>
      <ScanTray />
    </div>
  );
}

function Header() {
  const name = useScan((s) => s.name);
  const traced = useScan((s) => s.traced);
  const reading = useScan((s) => s.progress !== null || s.preview === null);
  const unread = useScan((s) => s.unread);
  const scan = useScanStore();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const use = async () => {
    setBusy(true);
    const { id } = await addDrawing(await scan.getState().drawing());
    await navigate(`/desk/${id}?stage=Lines`);
  };
  return (
    <header className="flex items-center gap-4 border-b border-line bg-raised px-3">
      <Link
        to="/"
        aria-label="Back to the drawer"
        title="Back to the drawer"
        className="flex items-center gap-2 rounded-md p-1 hover:bg-well"
      >
        <FrondMark className="h-8 w-8 text-fern" />
      </Link>
      <h1 className="truncate font-display text-lg">{name}</h1>
      <p role="status" className="flex-1 text-quiet tabular-nums">
        {traced ? figures(traced) : (unread ?? "Reading the ink…")}
      </p>
      <button
        type="button"
        disabled={!traced || reading || busy}
        onClick={use}
        className="flex h-large items-center gap-2 rounded-md bg-fern px-4 font-medium text-on-accent disabled:opacity-60"
      >
        <Check size={17} aria-hidden /> Put it on the desk
      </button>
    </header>
  );
}

function figures({ lines, shapes }: NonNullable<ReturnType<ScanStore["getState"]>["traced"]>): string {
  const chains = [...lines.map(({ points }) => points), ...shapes.flat()];
  const points = chains.reduce((sum, chain) => sum + curveCount(chain), 0);
  const parts = [
    lines.length > 0 ? counted(lines.length, "line") : "",
    shapes.length > 0 ? counted(shapes.length, "ink shape") : "",
  ].filter(Boolean);
  return parts.length > 0 ? `${parts.join(" and ")}, ${points} points` : "No ink was found.";
}

function ProgressSign() {
  const progress = useScan((s) => s.progress);
  const scan = useScanStore();
  if (progress === null) return null;
  const percent = Math.round(progress * 100);
  return (
    <div className="absolute bottom-4 left-1/2 flex w-80 -translate-x-1/2 items-center gap-4 rounded-md border border-line bg-raised px-4 py-2.5 shadow-lg">
      <div className="flex-1">
        <p className="text-xs tabular-nums">Reading the ink, {percent} %</p>
        <Progress.Root
          value={percent}
          aria-label="Reading the ink"
          className="mt-1.5 h-1 overflow-hidden rounded-full bg-line"
        >
          <Progress.Indicator className="h-full bg-fern" style={{ width: `${percent}%` }} />
        </Progress.Root>
      </div>
      <Button onClick={() => scan.getState().stop()}>Stop</Button>
    </div>
  );
}
