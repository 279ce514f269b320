import { Trash2 } from "lucide-react";
import { stepOf } from "#core/colour/ladder.ts";
import { PATTERNS, type Pattern } from "#core/drawing/drawing.ts";
import { printed } from "#core/drawing/length.ts";
import { changePattern, setBands } from "#core/drawing/patterns.ts";
import { Hint } from "../../../ui/hint.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import type { Desk } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { InHandButton } from "../../tin/in-hand-button.tsx";
import { shownTin } from "../../tin/shown-tin.ts";
import type { Settings } from "../tool.ts";
import { chosenPattern, patterns, takeAway } from "./pattern-state.ts";
import { TileChoice } from "./tile-choice.tsx";

type Kind = Pattern["kind"] | "bands";

const WORDS: Readonly<Record<Kind, string>> = {
  stripes: "Stripes",
  checks: "Checks",
  dots: "Dots",
  hatching: "Hatching",
  scales: "Scales",
  picture: "Picture",
  bands: "Bands",
};

/** Settings for the next pattern, and for the chosen cloth or bands. */
export const patternTray: Settings = {
  "Kind of pattern": Kind,
  "Picture that repeats": Tile,
  hint: BandHint,
  "Size of a pattern": Size,
  "How many bands, how wide": BandSizes,
  "Colours of bands": BandColours,
  "Take a pattern away": TakeAway,
  "Colour of a pattern": InHand,
  "Turn of a pattern": Turn,
  "Share of the figures": Share,
  "One cloth over many pockets": OneCloth,
};

const kindOf = (desk: Desk): Kind => chosenPattern(desk)?.kind ?? patterns.settings(desk).kind;
const useIsBands = (): boolean => useDesk(kindOf) === "bands";

function Kind() {
  const kind = useDesk(kindOf);
  const change = useChange();
  return (
    <Pick
      label="Pattern"
      value={kind}
      onChange={(next) => change({ kind: next })}
      options={[...PATTERNS, "bands" as const].map((value) => ({ value, word: WORDS[value] }))}
    />
  );
}

function Tile() {
  return useDesk(kindOf) === "picture" ? <TileChoice /> : null;
}

function TakeAway() {
  const chosen = useDesk((s) => patterns.held(s).cloth !== null || patterns.held(s).banded !== null);
  const desk = useDeskStore();
  return (
    <IconButton label="Take the chosen pattern away" disabled={!chosen} onClick={() => takeAway(desk)}>
      <Trash2 size={16} aria-hidden />
    </IconButton>
  );
}

/** Changes the cloth that is chosen, and what is laid next. */
function useChange() {
  const desk = useDeskStore();
  return (change: Partial<Pick<Pattern, "turn" | "share">> & { kind?: Kind }) => {
    const state = desk.getState();
    const pattern = chosenPattern(state);
    patterns.change(desk, change);
    const { kind, ...rest } = change;
    const { tile } = patterns.settings(state);
    const pictured = kind === "picture" && pattern?.kind !== "picture";
    if (kind === "bands" || (pictured && tile === null)) patterns.hold(desk, { cloth: null });
    else if (pattern) {
      const other = { ...(kind ? { kind } : {}), ...(pictured && tile !== null ? { tile } : {}) };
      state.edit(changePattern(state.drawing, pattern.cloth, { ...rest, ...other }));
    }
  };
}

function Size() {
  const pattern = useDesk(chosenPattern);
  const { size } = useDesk(patterns.settings);
  const page = useDesk((s) => s.drawing.page);
  const desk = useDeskStore();
  const printedUnit = 1 / printed(page, 1);
  const setSize = (next: number) => {
    patterns.change(desk, { size: next / page.box.width });
    const { drawing, edit } = desk.getState();
    if (pattern) edit(changePattern(drawing, pattern.cloth, { size: next }));
  };
  return useIsBands() ? null : (
    <NumberField
      label="Size"
      unit={page.unit}
      value={(pattern?.size ?? size * page.box.width) / printedUnit}
      min={0.01}
      step={0.5}
      onChange={(length) => setSize(length * printedUnit)}
    />
  );
}

function Turn() {
  const turn = useDesk((s) => (chosenPattern(s) ?? patterns.settings(s)).turn);
  const change = useChange();
  return useIsBands() ? null : (
    <NumberField
      label="Turn"
      unit="°"
      value={turn}
      digits={1}
      step={5}
      min={-360}
      max={360}
      onChange={(next) => change({ turn: next })}
    />
  );
}

function Share() {
  const share = useDesk((s) => (chosenPattern(s) ?? patterns.settings(s)).share);
  const change = useChange();
  return useIsBands() ? null : (
    <SliderField
      label="Share of the figures"
      word="Share"
      value={share}
      onChange={(next) => change({ share: next })}
    />
  );
}

function InHand() {
  const pattern = useDesk(chosenPattern);
  const desk = useDeskStore();
  return pattern ? (
    <InHandButton
      does="Its figures"
      onUse={() => {
        const { drawing, paint, edit } = desk.getState();
        edit(changePattern(drawing, pattern.cloth, { paint }));
      }}
    />
  ) : null;
}

function OneCloth() {
  const { oneCloth } = useDesk(patterns.settings);
  const desk = useDeskStore();
  return useIsBands() ? null : (
    <Toggle
      label="One cloth"
      checked={oneCloth}
      onChange={(next) => {
        patterns.change(desk, { oneCloth: next });
        patterns.hold(desk, { cloth: null });
      }}
    />
  );
}

/** The pour whose bands are chosen, and changing them. */
function useBands() {
  const pour = useDesk((s) => s.drawing.pours[patterns.held(s).banded ?? ""]);
  const { edit } = useDeskStore().getState();
  const bands = pour?.bands;
  const change = (each: NonNullable<typeof bands>["bands"]) =>
    bands && edit(setBands(pour.id, { ...bands, bands: each }));
  return { bands: bands?.bands, change };
}

function BandHint() {
  const { bands } = useBands();
  const isBands = useIsBands();
  return isBands && !bands ? <Hint>Click inside a pocket, near the line they follow.</Hint> : null;
}

function BandSizes() {
  const { bandCount, bandWidth } = useDesk(patterns.settings);
  const page = useDesk((s) => s.drawing.page);
  const desk = useDeskStore();
  const { bands, change } = useBands();
  const printedUnit = 1 / printed(page, 1);
  if (!useIsBands()) return null;
  return (
    <>
      <NumberField
        label="Bands"
        value={bands?.length ?? bandCount}
        min={1}
        max={12}
        digits={0}
        className="w-12"
        onChange={(count) => {
          patterns.change(desk, { bandCount: count });
          if (bands) change(Array.from({ length: count }, (_, i) => bands[i] ?? bands[i % 2]));
        }}
      />
      <NumberField
        label="Width"
        unit={page.unit}
        value={(bands?.[0]?.width ?? bandWidth * page.box.width) / printedUnit}
        min={0.01}
        step={0.5}
        onChange={(length) => {
          patterns.change(desk, { bandWidth: (length * printedUnit) / page.box.width });
          if (bands) change(bands.map((band) => ({ ...band, width: length * printedUnit })));
        }}
      />
    </>
  );
}

function BandColours() {
  const tin = useDesk(shownTin);
  const desk = useDeskStore();
  const { bands, change } = useBands();
  const isBands = useIsBands();
  if (!isBands || !bands) return null;
  return (
    <fieldset aria-label="Colours of the bands, from the line inward" className="flex gap-1 touch:gap-apart">
      {bands.map(({ paint }, i) => (
        <button
          key={i}
          type="button"
          title="Paint it in the colour in hand"
          aria-label={`Band ${i + 1}: ${tin[paint.colour]?.name ?? "colour"}; paint it in the colour in hand`}
          onClick={() =>
            change(bands.map((band, k) => (k === i ? { ...band, paint: desk.getState().paint } : band)))
          }
          className="h-target w-target rounded-md border border-edge"
          style={{ background: tin[paint.colour] && stepOf(tin[paint.colour], paint.step) }}
        />
      ))}
    </fieldset>
  );
}
