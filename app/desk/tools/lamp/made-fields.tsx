/** Settings of what the lamp makes, each there as long as the lamp makes that: made by the kind and the name of what they change. */
import type { ReactNode } from "react";
import type { LampMade } from "#core/drawing/light-edits.ts";
import { NumberField } from "../../../ui/number-field.tsx";
import { SliderField } from "../../../ui/slider-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { SoftField } from "../../shapes/soft-field.tsx";
import { useLengthMeasure } from "../../shapes/use-length-measure.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { changeMakes, lampState, ownMade, shownAs } from "./lamp-state.ts";

type Field = () => ReactNode;
type Made<K extends LampMade> = ReturnType<typeof shownAs<K>>;
/** The names of those that are numbers, or switches. */
type Of<K extends LampMade, V> = { [P in keyof Made<K>]: Made<K>[P] extends V ? P : never }[keyof Made<K>] &
  string;

export const useIsMade = (made: LampMade): boolean => useDesk((s) => lampState.settings(s).makes === made);

/** What it shows, and changing it; undefined where the lamp makes something else. */
function useValue<K extends LampMade, V>(made: K, key: Of<K, V>) {
  const own = useDesk((s) => ownMade(s, made));
  const settings = useDesk((s) => lampState.settings(s)[made]);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  const isMade = useIsMade(made);
  const desk = useDeskStore();
  const put = (value: V, how: "edit" | "show" = "edit") =>
    changeMakes(desk, made, { [key]: value } as Partial<Made<K>>, how);
  if (!isMade) return undefined;
  return { value: shownAs(made, own, settings, pageWidth)[key] as V, put, keep: desk.getState().keep };
}

/** A whole number of steps of the ladder; `lighter` counts them upwards. */
export function madeSteps<K extends LampMade>(
  made: K,
  key: Of<K, number>,
  label: string,
  { min = -6, max = 6, lighter = false } = {},
): Field {
  const sign = lighter ? -1 : 1;
  return function Steps() {
    const of = useValue<K, number>(made, key);
    return of ? (
      <NumberField
        label={label}
        className="w-10"
        value={sign * of.value}
        min={min}
        max={max}
        digits={0}
        onChange={(next) => of.put(sign * next)}
      />
    ) : null;
  };
}

/** A share of what there is. */
export function madeShare<K extends LampMade>(
  made: K,
  key: Of<K, number>,
  label: string,
  word = label,
): Field {
  return function Share() {
    const of = useValue<K, number>(made, key);
    return of ? (
      <SliderField
        label={label}
        word={word}
        value={of.value}
        onChange={(next) => of.put(next, "show")}
        onDone={of.keep}
      />
    ) : null;
  };
}

/** A length up to a share of the page's width: fine at the lower end, where a little is much. */
export function madeLength<K extends LampMade>(
  made: K,
  key: Of<K, number>,
  label: string,
  { word, most, least = 0 }: { readonly word: string; readonly most: number; readonly least?: number },
): Field {
  return function Length() {
    const of = useValue<K, number>(made, key);
    const measure = useLengthMeasure(most);
    return of ? (
      <SliderField
        label={label}
        word={word}
        measure={measure}
        value={Math.sqrt(of.value / most)}
        onChange={(share) => of.put(Math.max(least, share ** 2 * most), "show")}
        onDone={of.keep}
      />
    ) : null;
  };
}

export function madeSoft<K extends LampMade>(made: K, key: Of<K, number>): Field {
  return function Soft() {
    const of = useValue<K, number>(made, key);
    return of ? (
      <SoftField soft={of.value} onChange={(next) => of.put(next, "show")} onDone={of.keep} />
    ) : null;
  };
}

export function madeSwitch<K extends LampMade>(made: K, key: Of<K, boolean>, label: string): Field {
  return function Switch() {
    const of = useValue<K, boolean>(made, key);
    return of ? <Toggle label={label} checked={of.value} onChange={(next) => of.put(next)} /> : null;
  };
}
