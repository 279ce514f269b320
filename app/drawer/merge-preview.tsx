import { Slider } from "radix-ui";
import { mergedColours, type UsedColour } from "#core/colour/merge.ts";
import { counted, plural } from "#core/words.ts";

const MOST_DIFFERENCE = 20;
/** Colours shown one by one; of more only the number is told. */
const MOST_SHOWN = 60;
const MOST_TAKEN_IN = 6;

interface Props {
  readonly colours: readonly UsedColour[];
  readonly within: number;
  readonly onWithin: (within: number) => void;
}

/** How many colours there will be, and which of those found become which. */
export function MergePreview({ colours, within, onWithin }: Props) {
  const { kept, standsFor } = mergedColours(colours, within);
  const takenIn = (value: string) =>
    colours.filter((one) => one.value !== value && standsFor.get(one.value) === value);
  return (
    <section className="mt-4 pb-3">
      <h3 className="font-display text-base">Colours</h3>
      <div className="mt-2 flex items-center gap-4">
        <span className="whitespace-nowrap">Near-same become one</span>
        <Slider.Root
          min={0}
          max={MOST_DIFFERENCE}
          step={0.5}
          value={[within]}
          onValueChange={([value]) => onWithin(value)}
          className="relative flex h-5 flex-1 touch-none items-center select-none"
        >
          <Slider.Track className="relative h-1 grow rounded-full bg-line">
            <Slider.Range className="absolute h-full rounded-full bg-edge" />
          </Slider.Track>
          <Slider.Thumb
            aria-label="How alike colours must be to become one"
            className="block h-3.5 w-3.5 rounded-full border border-edge bg-field shadow-sm"
          />
        </Slider.Root>
        <output className="w-24 text-right tabular-nums">
          {kept.length} of {colours.length}
        </output>
      </div>
      <ul className="mt-3 flex flex-wrap gap-1.5" aria-label="Colours that will be in the tin">
        {kept.slice(0, MOST_SHOWN).map(({ value, uses }) => (
          <Kept key={value} value={value} uses={uses} takenIn={takenIn(value).map((one) => one.value)} />
        ))}
        {kept.length > MOST_SHOWN && (
          <li className="self-center text-quiet">and {kept.length - MOST_SHOWN} more</li>
        )}
      </ul>
    </section>
  );
}

interface KeptProps {
  readonly value: string;
  readonly uses: number;
  readonly takenIn: readonly string[];
}

/** A colour that stays, with those that become it. */
function Kept({ value, uses, takenIn }: KeptProps) {
  const count = `${value}, ${counted(uses, "use")}`;
  const told =
    takenIn.length > 0
      ? `${count}; ${takenIn.join(", ")} ${plural(takenIn.length, "becomes", "become")} this`
      : count;
  return (
    <li
      title={told}
      className="flex h-7 items-center rounded-full border border-edge bg-field"
      data-taken-in={takenIn.length}
    >
      <span className="sr-only">{told}</span>
      <span aria-hidden="true" className="h-full w-7 rounded-full" style={{ backgroundColor: value }} />
      {takenIn.length > 0 && (
        <span aria-hidden="true" className="flex items-center px-1">
          {takenIn.slice(0, MOST_TAKEN_IN).map((one) => (
            <span
              key={one}
              className="-ml-1 h-4 w-4 rounded-full border border-white first:ml-0"
              style={{ backgroundColor: one }}
            />
          ))}
          {takenIn.length > MOST_TAKEN_IN && (
            <span className="pl-1 text-xs tabular-nums text-quiet">+{takenIn.length - MOST_TAKEN_IN}</span>
          )}
        </span>
      )}
    </li>
  );
}
