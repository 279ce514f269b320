import { Dialog } from "radix-ui";
import { useState } from "react";
import { MERGE_WITHIN } from "#core/colour/merge.ts";
import { cameIn, type ReportLine } from "#core/formats/import-report.ts";
import { counted, plural } from "#core/words.ts";
import { Button } from "../ui/button.tsx";
import { Toggle } from "../ui/toggle.tsx";
import type { Tidying } from "../work/reading.worker.ts";
import { MergePreview } from "./merge-preview.tsx";
import type { OpenFile } from "./use-open-file.ts";

/** What came in and what did not, and how many colours to keep, before the drawing goes on the desk. */
export function ImportDialog({ waiting, accept, stop }: Pick<OpenFile, "waiting" | "accept" | "stop">) {
  if (!waiting) return null;
  return <Report key={waiting.name} waiting={waiting} accept={accept} stop={stop} />;
}

type Props = { readonly waiting: NonNullable<OpenFile["waiting"]> } & Pick<OpenFile, "accept" | "stop">;

function Report({ waiting, accept, stop }: Props) {
  const { report } = waiting;
  const [within, setWithin] = useState(MERGE_WITHIN);
  const [tidy, setTidy] = useState(false);
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
            {waiting.colours.length > 1 && (
              <MergePreview colours={waiting.colours} within={within} onWithin={setWithin} />
            )}
            {waiting.tidying && <TidyOffer tidying={waiting.tidying} checked={tidy} onChange={setTidy} />}
          </div>
          <div className="flex justify-end gap-2 border-t border-line p-4">
            <button type="button" onClick={stop} className="h-large rounded-md px-3 hover:bg-well">
              Leave it
            </button>
            <Button
              main
              size="large"
              disabled={busy}
              onClick={() => {
                setBusy(true);
                void accept({ mergeWithin: within, tidy });
              }}
            >
              Put it on the desk
            </Button>
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

interface TidyOfferProps {
  readonly tidying: Tidying;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

function TidyOffer({ tidying: { shapes, united, specks, joined }, checked, onChange }: TidyOfferProps) {
  const told = [
    `${shapes} shapes become ${shapes - united - specks}: those of one colour that touch are one.`,
    ...(specks > 0
      ? [`${specks} too small or thin to see ${plural(specks, "goes", "go")} to what is around.`]
      : []),
    ...(joined > 0
      ? [
          `${counted(joined, "shape has its edges", "shapes have their edges")} brought to those that they nearly meet.`,
        ]
      : []),
  ];
  return (
    <section className="mt-4 pb-3">
      <h3 className="font-display text-base">Shapes</h3>
      <div className="mt-2">
        <Toggle label="Tidy them" checked={checked} onChange={onChange} />
      </div>
      <p className="mt-1 text-quiet">{told.join(" ")}</p>
    </section>
  );
}
