import { useRef } from "react";
import { MOST_CHROMA } from "#core/colour/gamut.ts";
import { hexOf, type Oklch, oklchOf } from "#core/colour/oklch.ts";
import { between, PER_CENT } from "../../ui/measure.ts";
import { SliderRow } from "../../ui/slider-row.tsx";

interface Props {
  /** #rrggbb */
  readonly value: string;
  readonly onShow: (value: string) => void;
  readonly onDone: () => void;
}

const CHANNELS = [
  { word: "Lightness", key: "l", most: 1, measure: PER_CENT },
  { word: "Chroma", key: "c", most: MOST_CHROMA, measure: between(0, MOST_CHROMA, "OKLCH", 3) },
  { word: "Hue", key: "h", most: 360, measure: between(0, 360, "degrees") },
] as const;

/** A colour by lightness, chroma and hue as the eye orders them (OKLCH); chroma goes as far as screens do. */
export function ColourSliders({ value, onShow, onDone }: Props) {
  // What was asked for: a grey would forget its hue.
  const asked = useRef<{ readonly value: string; readonly at: Oklch } | null>(null);
  const at = asked.current?.value === value ? asked.current.at : oklchOf(value);
  return CHANNELS.map(({ word, key, most, measure }) => (
    <SliderRow
      key={key}
      label={word}
      steps={360}
      measure={measure}
      value={at[key] / most}
      onChange={(share) => {
        const next = { ...at, [key]: share * most };
        asked.current = { value: hexOf(next), at: next };
        onShow(asked.current.value);
      }}
      onDone={onDone}
    />
  ));
}
