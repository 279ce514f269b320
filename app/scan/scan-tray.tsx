import { Crop, Hand, RotateCw, SquareDashed, X } from "lucide-react";
import { counted } from "#core/words.ts";
import { Button } from "../ui/button.tsx";
import { Choice } from "../ui/choice.tsx";
import { IconButton } from "../ui/icon-button.tsx";
import { NumberField } from "../ui/number-field.tsx";
import { Range } from "../ui/range.tsx";
import { Toggle } from "../ui/toggle.tsx";
import { useScan, useScanStore } from "./scan-store.ts";

/** How the paper lies, what counts as ink, and how the ink is read. */
export function ScanTray() {
  return (
    <section
      aria-label="Tray"
      className="flex flex-wrap items-start gap-x-7 gap-y-2 border-t border-line bg-raised px-4 py-2.5"
    >
      <PaperSettings />
      <InkSettings />
      <ReadingSettings />
      <ViewSettings />
    </section>
  );
}

const LEGEND = "mb-1.5 font-display text-sm";
/** The tools for the paper; a piece of it can be read in the way the rest is not. */
const toolsFor = (reading: "lines" | "shapes") =>
  [
    { value: "look", word: "Look", icon: <Hand size={15} aria-hidden /> },
    { value: "crop", word: "Crop by a drag", icon: <Crop size={15} aria-hidden /> },
    {
      value: "region",
      word: `Drag around what is to be read as ${reading === "lines" ? "shapes" : "lines"}`,
      icon: <SquareDashed size={15} aria-hidden />,
    },
  ] as const;

const MOST_DEGREES = 10;

function PaperSettings() {
  const tool = useScan((s) => s.tool);
  const reading = useScan((s) => s.reading);
  const turns = useScan((s) => s.turns);
  const straighten = useScan((s) => s.straighten);
  const crop = useScan((s) => s.crop);
  const { set, lay } = useScanStore().getState();
  return (
    <fieldset>
      <legend className={LEGEND}>Paper</legend>
      <div className="flex items-center gap-2">
        <Choice
          label="Tool"
          value={tool}
          options={toolsFor(reading)}
          onChange={(next) => set({ tool: next })}
        />
        <IconButton
          label="Turn a quarter"
          onClick={() => lay({ turns: ((turns + 1) % 4) as typeof turns, crop: null })}
        >
          <RotateCw size={16} aria-hidden />
        </IconButton>
        {crop && (
          <Button size="small" onClick={() => lay({ crop: null })}>
            Whole paper
          </Button>
        )}
      </div>
      <div className="mt-1.5 flex items-center gap-2 text-xs">
        Straighten
        <Range
          label="Straighten"
          className="w-24"
          value={(straighten + MOST_DEGREES) / (2 * MOST_DEGREES)}
          onChange={(share) => lay({ straighten: Math.round((share * 2 - 1) * MOST_DEGREES * 10) / 10 })}
        />
        <span className="w-10 tabular-nums">{straighten}°</span>
      </div>
    </fieldset>
  );
}

function InkSettings() {
  const settings = useScan((s) => s.settings);
  const found = useScan((s) => s.preview?.threshold ?? 128);
  const { adjust } = useScanStore().getState();
  const threshold = settings.threshold ?? found;
  const change = (part: Partial<typeof settings>) => adjust({ settings: { ...settings, ...part } });
  return (
    <fieldset>
      <legend className={LEGEND}>Ink</legend>
      <div className="flex items-center gap-2 text-xs">
        Darker than
        <Range
          label="Ink is darker than"
          className="w-32"
          value={threshold / 255}
          onChange={(share) => change({ threshold: Math.round(share * 255) })}
        />
        <span className="w-8 tabular-nums">{threshold}</span>
        <Button
          size="small"
          disabled={settings.threshold === undefined}
          onClick={() => change({ threshold: undefined })}
        >
          As found
        </Button>
      </div>
      <div className="mt-1.5 flex gap-3">
        <NumberField
          label="Specks up to"
          value={settings.specks}
          min={0}
          step={4}
          unit="pixels"
          onChange={(specks) => change({ specks })}
        />
        <NumberField
          label="Breaks up to"
          value={settings.breaks}
          min={0}
          step={1}
          unit="pixels"
          className="w-14"
          onChange={(breaks) => change({ breaks })}
        />
      </div>
    </fieldset>
  );
}

const READ_AS = [
  { value: "lines", word: "Centre lines" },
  { value: "shapes", word: "Ink shapes" },
] as const;

function ReadingSettings() {
  const reading = useScan((s) => s.reading);
  const regions = useScan((s) => s.regions);
  const ppi = useScan((s) => s.ppi);
  const { adjust, set } = useScanStore().getState();
  return (
    <fieldset>
      <legend className={LEGEND}>Read as</legend>
      <div className="flex items-center gap-2">
        <Choice
          label="Read as"
          value={reading}
          options={READ_AS}
          onChange={(next) => adjust({ reading: next, regions: [] })}
        />
        {regions.length > 0 && (
          <span className="flex items-center gap-1 text-xs">
            {counted(regions.length, "region")} as {reading === "lines" ? "shapes" : "lines"}
            <IconButton small label="Forget the regions" onClick={() => adjust({ regions: [] })}>
              <X size={14} aria-hidden />
            </IconButton>
          </span>
        )}
      </div>
      <div className="mt-1.5">
        <NumberField
          label="Scanned at"
          value={ppi}
          min={1}
          step={50}
          unit="pixels an inch"
          onChange={(value) => set({ ppi: value })}
        />
      </div>
    </fieldset>
  );
}

function ViewSettings() {
  const shows = useScan((s) => s.shows);
  const { set } = useScanStore().getState();
  const change = (part: Partial<typeof shows>) => set({ shows: { ...shows, ...part } });
  return (
    <fieldset className="text-xs">
      <legend className={LEGEND}>Show</legend>
      <div className="grid gap-1">
        <Toggle
          label="Scan"
          checked={shows.scan}
          onChange={(scan) => change({ scan, ink: scan ? shows.ink : false })}
        />
        <Toggle label="What counts as ink" checked={shows.ink} onChange={(ink) => change({ ink })} />
        <Toggle label="What was read" checked={shows.result} onChange={(result) => change({ result })} />
      </div>
    </fieldset>
  );
}
