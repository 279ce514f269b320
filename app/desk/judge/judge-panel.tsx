import { max } from "d3-array";
import { scaleLinear } from "d3-scale";
import { useEffect, useRef } from "react";
import { type Judged, type Near, toldApart, type Vision } from "#core/colour/judging.ts";
import { changeColour } from "#core/drawing/colour-edits.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { Pick } from "../../ui/pick.tsx";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { shownTin } from "../tin/shown-tin.ts";
import { judgedColours, NEAR, NEAR_LIST, tooNear, usedColours, type ValueBar, valueBars } from "./judged.ts";
import { LOOK_WORDS, LOOKS } from "./looks.ts";

/** Looking at the colours as values, at how much each takes, and at those that can hardly be told apart. */
export function JudgePanel() {
  const look = useDesk((s) => s.look);
  const { showAs } = useDeskStore().getState();
  const colours = useDesk(judgedColours);
  return (
    <section aria-labelledby="judge" className="grid gap-3 border-t border-line px-3 py-3">
      <h2 id="judge" className="font-display text-base">
        Judge
      </h2>
      <Pick
        label="How the picture is looked at"
        value={look}
        onChange={(next) => showAs({ look: next })}
        options={LOOKS.map((name) => ({ value: name, word: LOOK_WORDS[name] }))}
        className="h-8 w-full text-sm"
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
    </section>
  );
}

const WIDTH = 176;
const ROW = 15;

/** Bars of how much of the coloured area each colour takes; they and their pockets light one another. */
function AreaChart({ colours }: { colours: readonly Judged[] }) {
  const { hover, takePaint } = useDeskStore().getState();
  const list = useLit((desk, pocket) => colourOf(desk, pocket));
  const all = colours.reduce((sum, { area }) => sum + area, 0);
  const length = scaleLinear([0, colours[0].area], [2, WIDTH - 40]);
  const light = (colour: string | null) => hover.getState().overColour(colour);
  return (
    <ul ref={list} aria-label="Area by colour">
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
                <text x={length(area) + 5} y={ROW - 4} className="fill-quiet text-[10px] tabular-nums">
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

const LIT = "block w-full rounded-sm hover:bg-well data-lit:bg-fern-soft";

const colourOf = ({ derived, drawing }: Desk, pocket: Pocket): string | undefined =>
  drawing.pours[derived.pourOf[derived.pockets.indexOf(pocket)] ?? ""]?.paint?.colour;

/** Marks in a list what the pocket under the pointer belongs to, by `data-of`; nothing is rendered for it. */
function useLit(of: (desk: Desk, pocket: Pocket) => string | undefined) {
  const list = useRef<HTMLUListElement>(null);
  const desk = useDeskStore();
  const latest = useRef(of);
  latest.current = of;
  useEffect(() => {
    const state = desk.getState();
    return state.hover.subscribe(({ pocket }) => {
      const wanted = pocket && latest.current(desk.getState(), pocket);
      for (const entry of list.current?.querySelectorAll<HTMLElement>("[data-of]") ?? [])
        entry.toggleAttribute("data-lit", entry.dataset.of === wanted);
    });
  }, [desk]);
  return list;
}

const percent = (share: number): string => `${share < 0.01 ? "<1" : Math.round(100 * share)} %`;

const TALL = 48;

/** Bars of how much is how light, from black on the left to white. */
function ValueChart() {
  const bars = useDesk(valueBars);
  const list = useLit((_, { key }) => {
    const bar = bars.find(({ keys }) => keys.includes(key));
    return bar && String(bar.from);
  });
  const { hover } = useDeskStore().getState();
  const all = bars.reduce((sum, { area }) => sum + area, 0);
  const height = scaleLinear([0, max(bars, ({ area }) => area) ?? 1], [0, TALL]);
  const light = (keys: readonly number[] | null) => hover.getState().overKeys(keys);
  const words = ({ from, to, area }: ValueBar) =>
    `Lightness ${Math.round(100 * from)} to ${Math.round(100 * to)}: ${percent(area / all)}`;
  return (
    <ul ref={list} aria-label="Area by value" className="flex items-end gap-px">
      {bars.map((bar) => (
        <li key={bar.from} className="flex-1">
          <button
            type="button"
            title={words(bar)}
            aria-label={words(bar)}
            onPointerEnter={() => light(bar.keys)}
            onPointerLeave={() => light(null)}
            onFocus={() => light(bar.keys)}
            onBlur={() => light(null)}
            data-of={bar.from}
            className={`${LIT} !flex items-end`}
            style={{ height: TALL }}
          >
            <span
              className="block w-full border border-edge"
              style={{ height: height(bar.area), background: `oklch(${(bar.from + bar.to) / 2} 0 0)` }}
            />
          </button>
        </li>
      ))}
    </ul>
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
        className="h-6 rounded border border-edge px-1.5 hover:bg-well"
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
