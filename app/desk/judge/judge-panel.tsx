import { max } from "d3-array";
import { scaleLinear } from "d3-scale";
import { type RefObject, useEffect, useRef, useState } from "react";
import { type Judged, type Near, toldApart, type Vision } from "#core/colour/judging.ts";
import { changeColour } from "#core/drawing/colour-edits.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { Pick } from "../../ui/pick.tsx";
import type { PressSection } from "../press/section.ts";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { shownTin } from "../tin/shown-tin.ts";
import { judgedColours, NEAR, NEAR_LIST, tooNear, usedColours, type ValueBar, valueBars } from "./judged.ts";
import { LOOK_WORDS, LOOKS } from "./looks.ts";

/** Looking at the colours as values, at how much each takes, and at those that can hardly be told apart. */
export const judgeSection: PressSection = {
  name: "judge",
  title: () => "Judge",
  says: ({ look }) => LOOK_WORDS[look].toLowerCase(),
  Body: JudgePanel,
};

function JudgePanel() {
  const look = useDesk((s) => s.look);
  const { showAs } = useDeskStore().getState();
  const colours = useDesk(judgedColours);
  return (
    <div className="grid gap-2.5">
      <Pick
        label="How the picture is looked at"
        value={look}
        onChange={(next) => showAs({ look: next })}
        options={LOOKS.map((name) => ({ value: name, word: LOOK_WORDS[name] }))}
        className="h-target w-full text-sm"
      />
      {colours.length === 0 ? (
        <p className="text-xs text-quiet">Pour some colour, and here is how much of each there is.</p>
      ) : (
        <>
          <AreaChart colours={colours} />
          <ValueChart />
          <NearList />
        </>
      )}
    </div>
  );
}

const WIDTH = 176;
const ROW = 15;

/** Bars of how much of the coloured area each colour takes; they and their pockets light one another. */
function AreaChart({ colours }: { colours: readonly Judged[] }) {
  const { hover, takePaint } = useDeskStore().getState();
  const list = useRef<HTMLUListElement>(null);
  useLit(list, colourOf);
  const all = colours.reduce((sum, { area }) => sum + area, 0);
  const length = scaleLinear([0, colours[0].area], [2, WIDTH - 40]);
  const light = (colour: string | null) => hover.getState().overColour(colour);
  return (
    <ul ref={list} aria-label="Area by colour" className="grid touch:gap-apart">
      {colours.map(({ id, name, value, area }) => {
        const words = `${name}, ${percent(area / all)} of what is coloured`;
        return (
          <li key={id}>
            <button
              type="button"
              title={words}
              aria-label={words}
              onPointerEnter={() => light(id)}
              onPointerLeave={() => light(null)}
              onFocus={() => light(id)}
              onBlur={() => light(null)}
              onClick={() => takePaint({ colour: id, step: 0 })}
              data-of={id}
              className={LIT}
            >
              <svg width={WIDTH} height={ROW} aria-hidden="true" className="block">
                <rect
                  y={3}
                  width={length(area)}
                  height={ROW - 6}
                  rx={2}
                  fill={value}
                  className="stroke-edge"
                />
                <text x={length(area) + 5} y={ROW - 4} className="fill-quiet text-[0.625rem] tabular-nums">
                  {percent(area / all)}
                </text>
              </svg>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

const LIT = "flex min-h-small w-full items-center rounded-sm hover:bg-well data-lit:bg-fern-soft";

const colourOf = ({ derived, drawing }: Desk, pocket: Pocket): string | undefined =>
  drawing.pours[derived.pourOf[derived.pockets.indexOf(pocket)] ?? ""]?.paint?.colour;

/** Marks in a chart what the pocket under the pointer belongs to, by `data-of`; nothing is rendered for it. */
function useLit(
  chart: RefObject<HTMLElement | null>,
  of: (desk: Desk, pocket: Pocket) => string | undefined,
): void {
  const desk = useDeskStore();
  const latest = useRef(of);
  latest.current = of;
  useEffect(() => {
    const state = desk.getState();
    return state.hover.subscribe(({ pocket }) => {
      const wanted = pocket && latest.current(desk.getState(), pocket);
      for (const entry of chart.current?.querySelectorAll<HTMLElement>("[data-of]") ?? [])
        entry.toggleAttribute("data-lit", entry.dataset.of === wanted);
    });
  }, [desk, chart]);
}

const percent = (share: number): string => `${share < 0.01 ? "<1" : Math.round(100 * share)} %`;

const TALL = 48;

/** Bars of how much is how light, from black on the left to white; one at a time is told and lit, by pointer or by arrows. */
function ValueChart() {
  const bars = useDesk(valueBars);
  const chart = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  const { hover } = useDeskStore().getState();
  useLit(chart, (_, { key }) => {
    const bar = bars.find(({ keys }) => keys.includes(key));
    return bar && String(bar.from);
  });
  const all = bars.reduce((sum, { area }) => sum + area, 0);
  const height = scaleLinear([0, max(bars, ({ area }) => area) ?? 1], [0, TALL]);
  const words = ({ from, to, area }: ValueBar) =>
    `Lightness ${Math.round(100 * from)} to ${Math.round(100 * to)}: ${percent(area / all)}`;
  const light = (index: number) => {
    const next = Math.max(0, Math.min(bars.length - 1, index));
    setAt(next);
    hover.getState().overKeys(bars[next].keys);
  };
  const dim = () => hover.getState().overKeys(null);
  const shown = bars[Math.min(at, bars.length - 1)];
  return (
    <div
      ref={chart}
      role="slider"
      tabIndex={0}
      aria-label="Area by value"
      aria-valuenow={Math.round(100 * shown.from)}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuetext={words(shown)}
      title={words(shown)}
      onPointerMove={({ clientX, currentTarget }) => {
        const { left, width } = currentTarget.getBoundingClientRect();
        light(Math.floor((bars.length * (clientX - left)) / width));
      }}
      onPointerLeave={dim}
      onFocus={() => light(at)}
      onBlur={dim}
      onKeyDown={(event) => {
        const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (step === undefined) return;
        event.preventDefault();
        light(at + step);
      }}
      className="flex items-end gap-px"
      style={{ height: TALL }}
    >
      {bars.map((bar) => (
        <span
          key={bar.from}
          data-of={bar.from}
          className="flex h-full flex-1 items-end data-lit:bg-fern-soft"
        >
          <span
            className="block w-full border border-edge"
            style={{ height: height(bar.area), background: `oklch(${(bar.from + bar.to) / 2} 0 0)` }}
          />
        </span>
      ))}
    </div>
  );
}

const SEEN_BY: Readonly<Record<Vision, string>> = {
  all: "hardly differ",
  protanopia: "hardly differ without red cones",
  deuteranopia: "hardly differ without green cones",
  tritanopia: "hardly differ without blue cones",
};

/** Pairs that someone can hardly tell apart, each with a way out. */
function NearList() {
  const near = useDesk(tooNear);
  if (near.length === 0) return <p className="text-xs text-quiet">All colours can be told apart.</p>;
  return (
    <ul id={NEAR_LIST} aria-label="Colours too near to tell apart" className="grid gap-1.5">
      {near.slice(0, MOST_SHOWN).map((pair) => (
        <NearPair key={`${pair.one.id} ${pair.other.id}`} pair={pair} />
      ))}
      {near.length > MOST_SHOWN && (
        <li className="text-xs text-quiet">and {near.length - MOST_SHOWN} pairs more</li>
      )}
    </ul>
  );
}

const MOST_SHOWN = 6;

function NearPair({ pair: { one, other, vision } }: { pair: Near }) {
  const tin = useDesk(shownTin);
  const used = useDesk(usedColours);
  const { edit, tell } = useDeskStore().getState();
  const part = () => {
    const others = used.filter(({ id }) => id !== other.id).map(({ id }) => tin[id].value);
    const value = toldApart(other.value, others, NEAR) ?? toldApart(other.value, [one.value], NEAR);
    if (value) edit(changeColour(other.id, value, other.name));
    else tell(`No lightness of ${other.name} can be told from ${one.name} by everyone.`);
  };
  return (
    <li className="flex items-center gap-1.5 text-xs">
      <span className="flex shrink-0">
        <Swatch value={one.value} />
        <Swatch value={other.value} />
      </span>
      <span className="min-w-0 flex-1 leading-tight">
        {one.name} and {other.name} {SEEN_BY[vision]}
      </span>
      <button
        type="button"
        onClick={part}
        title={`Make ${other.name} as much lighter or darker as it takes`}
        className="h-small rounded border border-edge px-1.5 hover:bg-well"
      >
        Part them
      </button>
    </li>
  );
}

const Swatch = ({ value }: { value: string }) => (
  <span
    className="-ml-1 h-4 w-4 rounded-full border border-raised first:ml-0"
    style={{ background: value }}
  />
);
