import { Check, X } from "lucide-react";
import { printed, showLength } from "#core/drawing/length.ts";
import { counted } from "#core/words.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { Range } from "../../../ui/range.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { claimed, dabs, dabsInPart, isAsking, reachOf, shareOfReach } from "./dab-state.ts";
import { sayOpenings } from "./say-dab.ts";
import { giveUp, takeRegions } from "./take.ts";

/** What the next dab lays, taking what dabs claim, and how far they may close. */
export const dabTray: Settings = {
  "Take what dabs claim, or give up": Taking,
  hint: Claim,
  "What a dab lays": Lays,
  "How far dabs may close": Reach,
  "Bare around dabs": Border,
};

function Lays() {
  const { lays } = useDesk(dabs.settings);
  const desk = useDeskStore();
  return (
    <Choice
      label="What a dab lays"
      value={lays}
      onChange={(next) => dabs.change(desk, { lays: next })}
      options={[
        { value: "colour", word: "In hand" },
        { value: "bare", word: "Bare" },
      ]}
    />
  );
}

function Taking() {
  const count = useDesk((s) => dabsInPart(s).length);
  const desk = useDeskStore();
  return (
    <>
      <Button main size="small" disabled={count === 0} onClick={() => void takeRegions(desk)}>
        <Check size={13} aria-hidden /> Take it
      </Button>
      <Button size="small" disabled={count === 0} onClick={() => giveUp(desk)}>
        <X size={13} aria-hidden /> Give up
      </Button>
    </>
  );
}

/** At its upper end whatever it takes. */
function Reach() {
  const { reach } = useDesk(dabs.settings);
  const page = useDesk((s) => s.drawing.page);
  const desk = useDeskStore();
  const far = reach >= 1 ? "all it takes" : showLength(page, reachOf(reach, page));
  return (
    <div className="flex items-center gap-2 text-xs whitespace-nowrap">
      <span aria-hidden="true" className="text-quiet">
        May close
      </span>
      <Range
        label="How far dabs may close"
        value={reach}
        valueText={far}
        onChange={(next) => dabs.change(desk, { reach: next })}
        className="w-24"
      />
      {reach >= 1 ? (
        <span aria-hidden="true" className="w-16 text-quiet">
          {far}
        </span>
      ) : (
        <NumberField
          bare
          label={`How far dabs may close in ${page.unit}`}
          value={printed(page, reachOf(reach, page))}
          min={0}
          step={page.unit === "in" ? 0.01 : 0.2}
          onChange={(length) => dabs.change(desk, { reach: shareOfReach(length / printed(page, 1), page) })}
        />
      )}
    </div>
  );
}

function Border() {
  const { border } = useDesk(dabs.settings);
  const desk = useDeskStore();
  return (
    <Toggle
      label="Bare around"
      checked={border === "bare"}
      onChange={(bare) => dabs.change(desk, { border: bare ? "bare" : "open" })}
    />
  );
}

/** What all dabs together claim. */
function Claim() {
  const count = useDesk((s) => dabsInPart(s).length);
  const asking = useDesk(isAsking);
  const regions = useDesk((s) => claimed(s).regions.length);
  const through = useDesk((s) => sayOpenings(s, claimed(s), [...claimed(s).regions.keys()]));
  const claims = `${counted(count, "dab")}: ${asking ? "looking…" : `${counted(regions, "region")} ${through}`}`;
  return (
    <p className="max-w-44 text-xs leading-tight text-quiet tabular-nums" aria-busy={asking}>
      {count === 0 ? "Touch what is to be coloured, closed or not." : claims}
    </p>
  );
}
