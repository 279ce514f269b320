import { Dialog, Slider } from "radix-ui";
import { useState } from "react";
import { mergedColours } from "#core/colour/merge.ts";
import { MERGE_WITHIN } from "#core/formats/import-drawing.ts";
import { cameIn, type ReportLine } from "#core/formats/import-report.ts";
import type { OpenFile } from "./use-open-file.ts";

const MOST_DIFFERENCE = 20;

/** What came in and what did not, and how many colours to keep, before the drawing goes on the desk. */
export function ImportDialog({ waiting, accept, stop }: Pick<OpenFile, "waiting" | "accept" | "stop">) {
  if (!waiting) return null;
  return <Report key={waiting.name} waiting={waiting} accept={accept} stop={stop} />;
}

type Props = { readonly waiting: NonNullable<OpenFile["waiting"]> } & Pick<OpenFile, "accept" | "stop">;

function Report({ waiting, accept, stop }: Props) {
  const { report } = waiting;
  const [within, setWithin] = useState(MERGE_WITHIN);
  const [busy, setBusy] = useState(false);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && stop()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 flex max-h-[88vh] w-[34rem] -translate-x-1/2 -translate-y-1/2 flex-col rounded-md border border-line bg-raised shadow-xl">
          <div className="min-h-0 flex-1 overflow-y-auto p-6 pb-2">
            <Dialog.Title className="truncate font-display text-xl">{waiting.name}</Dialog.Title>
            <Dialog.Description className="mt-1">{cameIn(report)}</Dialog.Description>
            <Lines title="Not brought in" lines={report.leftAside} />
            <Lines title="Came in a little different" lines={report.changed} />
            {waiting.colours.length > 1 && <Colours waiting={waiting} within={within} onWithin={setWithin} />}
          </div>
          <div className="flex justify-end gap-2 border-t border-line p-4">
            <button type="button" onClick={stop} className="h-9 rounded-md px-3 hover:bg-well">
              Leave it
            </button>
            <button
              type="button"
              disabled={busy}
              onClick={() => {
                setBusy(true);
                void accept(within);
              }}
              className="h-9 rounded-md bg-fern px-4 font-medium text-white disabled:opacity-70"
            >
              Put it on the desk
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly ReportLine[] }) {
  if (lines.length === 0) return null;
  return (
    <section className="mt-4">
      <h3 className="font-display text-base">{title}</h3>
      <ul className="mt-1 list-disc pl-5">
        {lines.map(({ kind, sentence, names }) => (
          <li key={kind} className="mt-0.5">
            {sentence}
            {names.length > 0 && <span className="text-quiet"> ({names.join(", ")})</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Colours({
  waiting: { colours },
  within,
  onWithin,
}: {
  waiting: Props["waiting"];
  within: number;
  onWithin: (within: number) => void;
}) {
  const { kept } = mergedColours(colours, within);
  return (
    <section className="mt-4 pb-3">
      <h3 className="font-display text-base">Colours</h3>
      <div className="mt-2 flex items-center gap-4">
        <span className="whitespace-nowrap">Near-same become one</span>
        <Slider.Root
          min={0}
          max={MOST_DIFFERENCE}
          step={0.5}
          value={[within]}
          onValueChange={([value]) => onWithin(value)}
          className="relative flex h-5 flex-1 touch-none items-center select-none"
        >
          <Slider.Track className="relative h-1 grow rounded-full bg-line">
            <Slider.Range className="absolute h-full rounded-full bg-edge" />
          </Slider.Track>
          <Slider.Thumb
            aria-label="How alike colours must be to become one"
            className="block h-3.5 w-3.5 rounded-full border border-edge bg-white shadow-sm"
          />
        </Slider.Root>
        <output className="w-24 text-right tabular-nums">
          {kept.length} of {colours.length}
        </output>
      </div>
      <ul className="mt-3 flex flex-wrap gap-1.5" aria-label="Colours that will be in the tin">
        {kept.slice(0, 60).map(({ value, uses }) => (
          <li
            key={value}
            title={`${value}, ${uses} ${uses === 1 ? "use" : "uses"}`}
            className="h-7 w-7 rounded-full border border-edge"
            style={{ backgroundColor: value }}
          />
        ))}
      </ul>
    </section>
  );
}
