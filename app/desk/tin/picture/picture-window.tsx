import { type DragEvent, useEffect, useState } from "react";
import { valuesFromPalette, valuesIn } from "#core/colour/colourways.ts";
import { colourName } from "#core/colour/name.ts";
import { addColours, addColourway } from "#core/drawing/colour-edits.ts";
import { freeName } from "#core/drawing/free-name.ts";
import { newId } from "#core/drawing/new-id.ts";
import { counted } from "#core/words.ts";
import { PICTURES } from "../../../scan/held-scan.ts";
import { Button } from "../../../ui/button.tsx";
import { PictureButton } from "../../../ui/picture-button.tsx";
import { Range } from "../../../ui/range.tsx";
import { Window } from "../../../ui/window.tsx";
import { useDeskStore } from "../../store/use-desk.ts";
import { PictureView } from "./picture-view.tsx";
import { type FoundColours, usePictureColours } from "./use-picture-colours.ts";

const FEWEST = 2;
const MOST = 24;

/** A photo or an older illustration gives its main colours. */
export function PictureWindow({ onClose }: { onClose: () => void }) {
  const [count, setCount] = useState(8);
  const [lit, setLit] = useState<number | null>(null);
  const { found, looking, problem, take } = usePictureColours(count);
  useEffect(() => {
    const onPaste = (event: ClipboardEvent) => {
      const [file] = event.clipboardData?.files ?? [];
      if (file) void take(file);
    };
    window.addEventListener("paste", onPaste);
    return () => window.removeEventListener("paste", onPaste);
  });
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    event.stopPropagation();
    const [file] = event.dataTransfer.files;
    if (file) void take(file);
  };
  return (
    <Window
      open
      large
      onClose={onClose}
      title="Colours from a picture"
      hint="Drop or paste a photo or an older illustration, or choose one. It stays in this browser."
    >
      <section
        aria-label="The picture and its colours"
        className="grid h-full grid-cols-[1fr_20rem]"
        onDragOver={(event) => event.preventDefault()}
        onDrop={onDrop}
      >
        <div className="grid min-h-0 min-w-0 place-items-center bg-bench p-6">
          {found ? <PictureView found={found} lit={lit} /> : <Empty looking={looking} />}
        </div>
        <div className="flex min-h-0 flex-col gap-3 border-l border-line p-4">
          <PictureButton
            label="Choose a picture"
            accept={PICTURES}
            onFile={(file) => void take(file)}
            className="h-large px-3"
          />
          <p role="status" className="text-sm text-ember empty:hidden">
            {problem ?? ""}
          </p>
          <div className="flex items-center gap-3">
            <Range
              label="How many colours"
              value={(count - FEWEST) / (MOST - FEWEST)}
              steps={MOST - FEWEST}
              onChange={(share) => setCount(Math.round(FEWEST + share * (MOST - FEWEST)))}
              className="flex-1"
            />
            <span className="w-20 text-right text-sm tabular-nums">{count} colours</span>
          </div>
          {found && (
            <Choice key={found.url + found.colours.length} found={found} onLit={setLit} onDone={onClose} />
          )}
        </div>
      </section>
    </Window>
  );
}

const Empty = ({ looking }: { looking: boolean }) => (
  <p className="rounded-md border border-dashed border-edge px-10 py-16 text-quiet">
    {looking ? "Looking…" : "Drop a picture here"}
  </p>
);

interface ChoiceProps {
  readonly found: FoundColours;
  readonly onLit: (colour: number | null) => void;
  readonly onDone: () => void;
}

/** The colours found: which to take, and what they are to be called. */
function Choice({ found: { colours }, onLit, onDone }: ChoiceProps) {
  const desk = useDeskStore();
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [names, setNames] = useState<readonly string[]>(() => suggested(colours.map(({ value }) => value)));
  const chosen = colours.flatMap(({ value }, i) => (left.has(i) ? [] : [{ name: names[i], value }]));
  const put = () => {
    desk.getState().edit(addColours(chosen.map((colour) => ({ id: newId(), ...colour, group: GROUP }))));
    onDone();
  };
  const asColourway = () => {
    const { drawing, edit } = desk.getState();
    const values = valuesFromPalette(
      valuesIn(drawing),
      chosen.map(({ value }) => value),
    );
    edit(addColourway(newId(), GROUP, values));
    onDone();
  };
  return (
    <>
      <ul className="min-h-0 flex-1 overflow-y-auto" onPointerLeave={() => onLit(null)}>
        {colours.map(({ value, share }, i) => (
          <li
            key={i}
            className="flex items-center gap-2 rounded-md py-0.5 hover:bg-well"
            onPointerEnter={() => onLit(i)}
            onFocus={() => onLit(i)}
            onBlur={() => onLit(null)}
          >
            <input
              type="checkbox"
              aria-label={`Take ${names[i]}`}
              checked={!left.has(i)}
              onChange={() => setLeft(toggled(left, i))}
              className="h-4 w-4 accent-[var(--color-fern)]"
            />
            <span
              className="h-target w-target shrink-0 rounded-full border border-edge"
              style={{ background: value }}
            />
            <input
              aria-label={`Name of ${value}`}
              value={names[i]}
              maxLength={60}
              onChange={({ target }) => setNames(names.map((name, k) => (k === i ? target.value : name)))}
              className="h-target min-w-0 flex-1 rounded border border-transparent bg-transparent px-1 hover:border-edge focus:border-edge focus:bg-field"
            />
            <span className="w-10 text-right text-xs text-quiet tabular-nums">
              {Math.round(100 * share)} %
            </span>
          </li>
        ))}
      </ul>
      <Button main size="large" disabled={chosen.length === 0} onClick={put}>
        Put {counted(chosen.length, "colour")} in the tin
      </Button>
      <Button size="large" disabled={chosen.length === 0} onClick={asColourway}>
        Make a colourway of them
      </Button>
    </>
  );
}

const GROUP = "From a picture";

const toggled = (set: ReadonlySet<number>, i: number): ReadonlySet<number> => {
  const next = new Set(set);
  if (!next.delete(i)) next.add(i);
  return next;
};

/** Plain names, each once. */
function suggested(values: readonly string[]): string[] {
  const taken = new Set<string>();
  return values.map((value) => {
    const name = freeName((one) => taken.has(one), colourName(value));
    taken.add(name);
    return name;
  });
}
