import { ChevronLeft, Trash2 } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { Nib, Profile } from "#core/drawing/drawing.ts";
import { changeNib, removeNib } from "#core/drawing/line-edits.ts";
import { shareAt } from "#core/lines/profile.ts";
import { counted } from "#core/words.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { NameField } from "../../ui/name-field.tsx";
import { NumberField } from "../../ui/number-field.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { NibPicture } from "./nib-picture.tsx";

const PLACES = 9;
const LEAST = 0.02;
const MOST_STRANDS = 7;

/** Changes a nib: its silhouette is drawn right on the pad, and every stroke of it follows. */
export function NibEditor({ nib, onBack }: { nib: Nib; onBack: () => void }) {
  const { edit, show, keep } = useDeskStore().getState();
  const uses = useDesk((s) => Object.values(s.drawing.strokes).filter((line) => line.nib === nib.id).length);
  const becoming = (part: Partial<Omit<Nib, "id" | "rank">>) => changeNib(nib.id, part, nib.name);
  const change = (part: Partial<Omit<Nib, "id" | "rank">>) => edit(becoming(part));
  return (
    <div className="grid gap-3">
      <div className="flex items-center gap-2">
        <IconButton small label="Back to the nibs" onClick={onBack}>
          <ChevronLeft size={16} aria-hidden />
        </IconButton>
        <NameField
          label="Name of the nib"
          value={nib.name}
          maxLength={40}
          onChange={(name) => change({ name })}
          className="h-target min-w-0 flex-1 rounded-md border border-edge bg-field px-2"
        />
        <NibPicture nib={nib} />
      </div>
      <NibPad profile={nib.profile} onChange={(profile) => show(becoming({ profile }))} onDone={keep} />
      <NumberField
        label="Strands"
        value={nib.strands}
        min={1}
        max={MOST_STRANDS}
        digits={0}
        onChange={(strands) => change({ strands })}
      />
      <Button
        onClick={() => {
          edit(removeNib(nib.id, nib.name));
          onBack();
        }}
      >
        <Trash2 size={14} aria-hidden />
        {uses === 0 ? "Delete this nib" : `Delete; ${counted(uses, "line becomes", "lines become")} even`}
      </Button>
    </div>
  );
}

const WIDTH = 246;
const HEIGHT = 96;

/** The silhouette of a stroke from its start at the left to its end; drag across to draw it, or step it by keys. */
function NibPad({
  profile,
  onChange,
  onDone,
}: {
  profile: Profile;
  onChange: (profile: Profile) => void;
  onDone: () => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const last = useRef<number | null>(null);
  const shares = Array.from({ length: PLACES }, (_, i) => shareAt(profile, i / (PLACES - 1)));
  const put = (changes: ReadonlyMap<number, number>) =>
    onChange(
      shares.flatMap((share, i) => [i / (PLACES - 1), Math.max(LEAST, Math.min(1, changes.get(i) ?? share))]),
    );
  const draw = (event: PointerEvent) => {
    const box = frame.current!.getBoundingClientRect();
    const place = Math.max(
      0,
      Math.min(PLACES - 1, Math.round(((event.clientX - box.left) / box.width) * (PLACES - 1))),
    );
    const share = Math.abs((event.clientY - box.top) / box.height - 0.5) * 2;
    const changes = new Map<number, number>();
    const from = last.current ?? place;
    for (let i = Math.min(from, place); i <= Math.max(from, place); i++)
      if (i !== from || from === place) changes.set(i, share);
    last.current = place;
    put(changes);
  };
  const x = (i: number) => (i / (PLACES - 1)) * WIDTH;
  const y = (share: number, side: 1 | -1) => HEIGHT / 2 + (side * share * HEIGHT) / 2;
  const above = shares.map((share, i) => `${x(i)} ${y(share, -1)}`);
  const below = shares.map((share, i) => `${x(i)} ${y(share, 1)}`).reverse();
  return (
    <div
      ref={frame}
      className="relative touch-none rounded-md border border-edge bg-paper"
      style={{ width: WIDTH, height: HEIGHT }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        last.current = null;
        draw(event);
      }}
      onPointerMove={(event) => event.buttons > 0 && draw(event)}
      onLostPointerCapture={onDone}
    >
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" className="h-full w-full">
        <polygon points={[...above, ...below].join(" ")} className="fill-text" />
      </svg>
      {shares.map((share, i) => (
        <div
          key={`place-${i}`}
          role="slider"
          tabIndex={0}
          aria-label={`Width at ${Math.round((i / (PLACES - 1)) * 100)} % of the stroke`}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(share * 100)}
          aria-orientation="vertical"
          onKeyDown={(event: KeyboardEvent) => {
            const by = { ArrowUp: 0.05, ArrowDown: -0.05 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            put(new Map([[i, share + by]]));
            onDone();
          }}
          className="absolute h-3 w-3 -translate-x-1/2 -translate-y-1/2 rounded-full border border-fern bg-field"
          style={{ left: Math.max(6, Math.min(WIDTH - 6, x(i))), top: y(share, -1) }}
        />
      ))}
    </div>
  );
}
