import { throughCurve } from "#core/lines/pen.ts";
import { BESIDE_PEN, PEN_BUTTONS } from "../../prefs/prefs.ts";
import { setPrefs, usePrefs } from "../../prefs/prefs-store.ts";
import { Choice } from "../../ui/choice.tsx";
import { SliderRow } from "../../ui/slider-row.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import { SettingRow as Row } from "./setting-row.tsx";
import { TryStrip } from "./try-strip.tsx";

const BUTTON_WORDS = { menu: "Menu", rub: "Rub", dip: "Dip", move: "Move the paper" };
const BESIDE_WORDS = { move: "Move the paper", nothing: "Nothing" };
const STRENGTHS = ["Lightly", "Half pressed", "Fully pressed"] as const;

/** How a pen draws: its pressure through a curve of one's own, what it leans for, its button and its other end. */
export function PenSettings() {
  const flatNib = usePrefs((now) => now.flatNib);
  return (
    <section aria-labelledby="pen" className="grid grid-cols-[minmax(0,1fr)] gap-3 border-t border-line p-6">
      <h3 id="pen" className="font-display text-base">
        Pen
      </h3>
      <div className="grid gap-4 sm:grid-cols-[1fr_auto]">
        <Strengths />
        <CurvePicture />
      </div>
      <TryStrip />
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-6 gap-y-3">
        <ButtonRow word="The button on it" of="barrel" />
        <ButtonRow word="Its other end" of="eraser" />
        <BesideRow />
      </dl>
      <Toggle
        label="A flat nib turns the way the pen leans"
        checked={flatNib}
        onChange={(next) => setPrefs({ flatNib: next })}
      />
    </section>
  );
}

/** The strengths stay in their order: one that is moved takes the others along. */
function Strengths() {
  const pressure = usePrefs((now) => now.pressure);
  const give = (index: number, share: number) => {
    const [none, half, full] = pressure.map((one, i) =>
      i === index ? share : i < index ? Math.min(one, share) : Math.max(one, share),
    );
    setPrefs({ pressure: [none, half, full] });
  };
  return (
    <div className="grid grid-cols-[auto_1fr] content-center gap-x-3 gap-y-1 touch:gap-y-apart">
      {STRENGTHS.map((word, i) => (
        <SliderRow key={word} label={word} value={pressure[i]} onChange={(share) => give(i, share)} />
      ))}
    </div>
  );
}

const SIDE = 96;

function CurvePicture() {
  const pressure = usePrefs((now) => now.pressure);
  const points = Array.from({ length: 33 }, (_, i) => {
    const at = i / 32;
    return `${at * SIDE},${(1 - throughCurve(pressure, at)) * SIDE}`;
  });
  return (
    <svg
      role="img"
      aria-label="Strength by pressure"
      width={SIDE}
      height={SIDE}
      className="rounded-md border border-line bg-field"
    >
      <polyline points={points.join(" ")} className="fill-none stroke-fern" strokeWidth={2} />
    </svg>
  );
}

function ButtonRow({ word, of }: { word: string; of: "barrel" | "eraser" }) {
  const does = usePrefs((now) => now[of]);
  return (
    <Row word={word}>
      <Choice
        label={word}
        value={does}
        onChange={(next) => setPrefs({ [of]: next })}
        options={PEN_BUTTONS.filter((value) => of === "barrel" || value !== "menu").map((value) => ({
          value,
          word: BUTTON_WORDS[value],
        }))}
      />
    </Row>
  );
}

function BesideRow() {
  const besidePen = usePrefs((now) => now.besidePen);
  return (
    <Row word="Fingers beside it">
      <Choice
        label="Fingers beside it"
        value={besidePen}
        onChange={(next) => setPrefs({ besidePen: next })}
        options={BESIDE_PEN.map((value) => ({ value, word: BESIDE_WORDS[value] }))}
      />
    </Row>
  );
}
