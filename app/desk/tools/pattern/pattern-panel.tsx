import { Trash2 } from "lucide-react";
import { stepOf } from "#core/colour/ladder.ts";
import { PATTERNS, type Pattern } from "#core/drawing/drawing.ts";
import { printed } from "#core/drawing/length.ts";
import { changePattern, setBands } from "#core/drawing/patterns.ts";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { Range } from "../../../ui/range.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { shownTin } from "../../tin/shown-tin.ts";
import { chosenPattern, patterns, takeAway } from "./pattern-state.ts";
import { TileChoice } from "./tile-choice.tsx";

const WORDS: Readonly<Record<Pattern["kind"] | "bands", string>> = {
  stripes: "Stripes",
  checks: "Checks",
  dots: "Dots",
  hatching: "Hatching",
  scales: "Scales",
  picture: "Picture",
  bands: "Bands",
};

/** What is laid next, and what of the chosen cloth or bands can be changed. */
export function PatternPanel() {
  const kind = useDesk((s) => chosenPattern(s)?.kind ?? patterns.settings(s).kind);
  const chosen = useDesk((s) => patterns.held(s).cloth !== null || patterns.held(s).banded !== null);
  const change = useChange();
  const desk = useDeskStore();
  return (
    <div className="flex min-w-0 items-center gap-3">
      <div className="grid shrink-0 gap-1">
        <Pick
          label="Pattern"
          value={kind}
          onChange={(next) => change({ kind: next })}
          options={[...PATTERNS, "bands" as const].map((value) => ({ value, word: WORDS[value] }))}
          className="w-24"
        />
        {kind === "picture" ? <TileChoice /> : null}
      </div>
      {kind === "bands" ? <BandSettings /> : <ClothSettings />}
      <IconButton label="Take the chosen pattern away" disabled={!chosen} onClick={() => takeAway(desk)}>
        <Trash2 size={16} aria-hidden />
      </IconButton>
    </div>
  );
}

/** Changes the cloth that is chosen, and what is laid next. */
function useChange() {
  const desk = useDeskStore();
  return (change: Partial<Pick<Pattern, "turn" | "share">> & { kind?: Pattern["kind"] | "bands" }) => {
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

function ClothSettings() {
  const pattern = useDesk(chosenPattern);
  const settings = useDesk(patterns.settings);
  const page = useDesk((s) => s.drawing.page);
  const name = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const desk = useDeskStore();
  const change = useChange();
  const { edit } = desk.getState();
  const printedUnit = 1 / printed(page, 1);
  const setSize = (size: number) => {
    patterns.change(desk, { size: size / page.box.width });
    const { drawing } = desk.getState();
    if (pattern) edit(changePattern(drawing, pattern.cloth, { size }));
  };
  return (
    <>
      <NumberField
        label="Size"
        unit={page.unit}
        value={(pattern?.size ?? settings.size * page.box.width) / printedUnit}
        min={0.01}
        step={0.5}
        onChange={(length) => setSize(length * printedUnit)}
      />
      <NumberField
        label="Turn"
        unit="°"
        value={pattern?.turn ?? settings.turn}
        digits={1}
        step={5}
        min={-360}
        max={360}
        onChange={(turn) => change({ turn })}
      />
      <div className="flex items-center gap-2">
        <span aria-hidden="true" className="text-xs">
          Share
        </span>
        <Range
          label="Share of the figures"
          value={pattern?.share ?? settings.share}
          onChange={(share) => change({ share })}
          className="w-20"
        />
      </div>
      {pattern ? (
        <button
          type="button"
          onClick={() => {
            const { drawing, paint } = desk.getState();
            edit(changePattern(drawing, pattern.cloth, { paint }));
          }}
          className="h-8 max-w-32 truncate rounded-md border border-edge px-2 text-xs hover:bg-well"
        >
          in {name}
        </button>
      ) : null}
      <Toggle
        label="One cloth"
        checked={settings.oneCloth}
        onChange={(oneCloth) => {
          patterns.change(desk, { oneCloth });
          patterns.hold(desk, { cloth: null });
        }}
      />
    </>
  );
}

function BandSettings() {
  const { bandCount, bandWidth } = useDesk(patterns.settings);
  const page = useDesk((s) => s.drawing.page);
  const pour = useDesk((s) => s.drawing.pours[patterns.held(s).banded ?? ""]);
  const tin = useDesk(shownTin);
  const desk = useDeskStore();
  const { edit } = desk.getState();
  const bands = pour?.bands;
  const printedUnit = 1 / printed(page, 1);
  const change = (each: NonNullable<typeof bands>["bands"]) =>
    bands && edit(setBands(pour.id, { ...bands, bands: each }));
  return (
    <>
      <NumberField
        label="Bands"
        value={bands?.bands.length ?? bandCount}
        min={1}
        max={12}
        digits={0}
        className="w-12"
        onChange={(count) => {
          patterns.change(desk, { bandCount: count });
          if (bands) change(Array.from({ length: count }, (_, i) => bands.bands[i] ?? bands.bands[i % 2]));
        }}
      />
      <NumberField
        label="Width"
        unit={page.unit}
        value={(bands?.bands[0]?.width ?? bandWidth * page.box.width) / printedUnit}
        min={0.01}
        step={0.5}
        onChange={(length) => {
          patterns.change(desk, { bandWidth: (length * printedUnit) / page.box.width });
          if (bands) change(bands.bands.map((band) => ({ ...band, width: length * printedUnit })));
        }}
      />
      {bands ? (
        <fieldset aria-label="Colours of the bands, from the line inward" className="flex gap-1">
          {bands.bands.map(({ paint }, i) => (
            <button
              key={i}
              type="button"
              title="Paint it in the colour in hand"
              aria-label={`Band ${i + 1}: ${tin[paint.colour]?.name ?? "colour"}; paint it in the colour in hand`}
              onClick={() =>
                change(
                  bands.bands.map((band, k) => (k === i ? { ...band, paint: desk.getState().paint } : band)),
                )
              }
              className="h-7 w-7 rounded-md border border-edge"
              style={{ background: tin[paint.colour] && stepOf(tin[paint.colour], paint.step) }}
            />
          ))}
        </fieldset>
      ) : (
        <p className="text-xs text-quiet">Click inside a pocket, near the line they follow.</p>
      )}
    </>
  );
}
