import { FileImage, FileJson, PenTool, Printer } from "lucide-react";
import { type ReactNode, useState } from "react";
import { pixelsOf, ranked, UNITS } from "#core/drawing/drawing.ts";
import { changePage, setUnit } from "#core/drawing/page-edits.ts";
import { PAGE_SIDE } from "#core/formats/bounds.ts";
import { downloadFile } from "../../ui/download.ts";
import { useNotice } from "../../ui/notices.tsx";
import { NumberField } from "../../ui/number-field.tsx";
import {
  type Delivered,
  drawingFile,
  everyPng,
  fileName,
  pngFile,
  proof,
  svgFile,
} from "../deliver/deliver-files.ts";
import { ProofDialog } from "../deliver/proof-dialog.tsx";
import type { DeskStore } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** Page size, and the files to take home. */
export function DeliverPanel() {
  const desk = useDeskStore();
  const tell = useNotice();
  const [shownProof, setShownProof] = useState<Blob | null>(null);
  const [proving, setProving] = useState(false);
  const [way, setWay] = useState(SEEN);
  const one = way === SEEN || way === EVERY ? undefined : way;
  const prove = async () => {
    setProving(true);
    try {
      setShownProof(await proof(desk));
    } catch (error) {
      tell(`There is no proof. ${(error as Error).message} Your drawing is unchanged.`, { tone: "warn" });
    } finally {
      setProving(false);
    }
  };
  return (
    <>
      <div className="grid shrink-0 gap-1">
        <PageFields />
        <WayField way={way} onWay={setWay} />
      </div>
      <div className="flex items-center gap-2">
        <SaveButton
          word="SVG"
          icon={<PenTool size={16} aria-hidden />}
          make={async (of) => [{ blob: await svgFile(of, one) }]}
          ending="svg"
        />
        <SaveButton
          word="PNG"
          icon={<FileImage size={16} aria-hidden />}
          make={async (of, onProgress) => {
            if (way === EVERY) return everyPng(of, onProgress);
            const blob = await pngFile(of, one, onProgress);
            return blob ? [{ blob }] : [];
          }}
          ending="png"
          onStop={() => desk.getState().pictures.stop()}
        />
        <SaveButton
          word="Drawing file"
          icon={<FileJson size={16} aria-hidden />}
          make={async (of) => [{ blob: await drawingFile(of) }]}
          ending="fern"
        />
        <button
          type="button"
          disabled={proving}
          onClick={prove}
          className="flex h-9 items-center gap-2 rounded-md border border-edge px-3 hover:bg-well disabled:opacity-70"
        >
          <Printer size={16} aria-hidden /> {proving ? "Proving…" : "Proof"}
        </button>
      </div>
      <ProofDialog picture={shownProof} onClose={() => setShownProof(null)} />
    </>
  );
}

const SEEN = "";
const EVERY = "*";

/** Which colourway pictures are made in, where there are several. */
function WayField({ way, onWay }: { way: string; onWay: (way: string) => void }) {
  const ways = ranked(useDesk((s) => s.drawing.colourways));
  if (ways.length < 2) return null;
  return (
    <select
      aria-label="Colourway to deliver"
      value={way}
      onChange={({ target }) => onWay(target.value)}
      className="h-7 w-44 rounded-md border border-edge bg-white px-2 text-xs"
    >
      <option value={SEEN}>as it is seen</option>
      {ways.map(({ id, name }) => (
        <option key={id} value={id}>
          in {name}
        </option>
      ))}
      <option value={EVERY}>in each colourway</option>
    </select>
  );
}

interface SaveProps {
  readonly word: string;
  readonly icon: ReactNode;
  /** What is saved: nothing where it was stopped. */
  readonly make: (desk: DeskStore, onProgress: (share: number) => void) => Promise<readonly Delivered[]>;
  readonly ending: string;
  /** For what takes long. */
  readonly onStop?: () => void;
}

function SaveButton({ word, icon, make, ending, onStop }: SaveProps) {
  const desk = useDeskStore();
  const tell = useNotice();
  const [share, setShare] = useState<number | null>(null);
  const save = async () => {
    setShare(0);
    try {
      const names: string[] = [];
      for (const { blob, way } of await make(desk, setShare)) {
        names.push(fileName(desk, ending, way));
        downloadFile(blob, names[names.length - 1]);
      }
      if (names.length > 0)
        desk.getState().set({
          lastExport: `${word === "Drawing file" ? "file" : word} saved`,
          said: `Saved ${names.join(", ")}`,
        });
      else tell(`The ${word} was stopped. Your drawing is unchanged.`);
    } catch (error) {
      tell(
        `The ${word} was not saved. ${error instanceof Error ? error.message : ""} Your drawing is unchanged.`,
        { tone: "warn" },
      );
    } finally {
      setShare(null);
    }
  };
  const busy = share !== null;
  const percent = Math.round(100 * (share ?? 0));
  return (
    <>
      <button
        type="button"
        disabled={busy}
        onClick={save}
        className="flex h-9 items-center gap-2 rounded-md bg-fern px-3 font-medium whitespace-nowrap text-white tabular-nums hover:brightness-95 disabled:opacity-70"
      >
        {icon} {!busy ? `Save ${word}` : onStop && percent > 0 ? `${percent} %` : "Making it…"}
      </button>
      {busy && onStop ? (
        <button
          type="button"
          onClick={onStop}
          className="h-9 rounded-md border border-edge px-3 hover:bg-well"
        >
          Stop
        </button>
      ) : null}
    </>
  );
}

const FIELD = "h-8 rounded-md border border-edge bg-white px-2 tabular-nums";

function PageFields() {
  const page = useDesk((s) => s.drawing.page);
  const { edit } = useDeskStore().getState();
  const { width, height } = pixelsOf(page, page.ppi);
  return (
    <fieldset className="flex items-center gap-2">
      <legend className="sr-only">Page</legend>
      <NumberField
        label="Width"
        value={page.width}
        min={0.1}
        max={PAGE_SIDE.most}
        step={page.unit === "in" ? 0.1 : 1}
        digits={3}
        className="w-18"
        onChange={(width) => edit(changePage({ width }))}
      />
      <select
        aria-label="Unit"
        value={page.unit}
        onChange={(event) => {
          const unit = event.target.value as (typeof UNITS)[number];
          if (unit === page.unit) return;
          const factor = unit === "in" ? 1 / 25.4 : 25.4;
          edit(changePage({ unit, width: Math.round(page.width * factor * 1000) / 1000 }));
        }}
        className={FIELD}
      >
        {UNITS.map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </select>
      <NumberField
        label="ppi"
        value={page.ppi}
        min={1}
        max={2400}
        digits={0}
        className="w-18"
        onChange={(ppi) => edit(changePage({ ppi }))}
      />
      <p className="shrink-0 text-xs leading-tight whitespace-nowrap text-quiet tabular-nums">
        {width} × {height} pixels,
        <br />
        clear ground
      </p>
    </fieldset>
  );
}
