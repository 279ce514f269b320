import { useRef } from "react";
import { MOST_CHROMA, mostChroma } from "#core/colour/gamut.ts";
import { hexOf, type Oklch, oklchOf } from "#core/colour/oklch.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { between, PER_CENT } from "../../ui/measure.ts";
import { NumberField } from "../../ui/number-field.tsx";
import { SliderRow } from "../../ui/slider-row.tsx";
import { useDesk } from "../store/use-desk.ts";
import { OklchPlane } from "./oklch-plane.tsx";
import { shownTin } from "./shown-tin.ts";

interface Props {
  /** The colour of the tin that is changed. */
  readonly id: string;
  /** #rrggbb */
  readonly value: string;
  readonly onShow: (value: string) => void;
  readonly onDone: () => void;
}

const DEGREES = between(0, 360, "degrees");

/** A colour by lightness, chroma and hue as the eye orders them (OKLCH), with the other colours of the tin around it. */
export function OklchFields({ id, value, onShow, onDone }: Props) {
  const tin = useDesk(shownTin);
  // What was asked for: a grey would forget its hue.
  const asked = useRef<{ readonly value: string; readonly at: Oklch } | null>(null);
  const at = asked.current?.value === value ? asked.current.at : oklchOf(value);
  const neighbours = ranked(tin)
    .filter((colour) => colour.id !== id)
    .map((colour) => ({ id: colour.id, name: colour.name, value: colour.value, at: oklchOf(colour.value) }));
  const show = (next: Oklch) => {
    asked.current = { value: hexOf(next), at: next };
    onShow(asked.current.value);
  };
  const put = (change: Partial<Oklch>) => {
    const { l, c, h } = { ...at, ...change };
    show({ l, c: Math.min(c, mostChroma(l, h)), h });
    onDone();
  };
  return (
    <div className="grid gap-2">
      <OklchPlane at={at} neighbours={neighbours} onShow={show} onDone={onDone} />
      <div className="relative grid grid-cols-[auto_1fr] items-center gap-x-2">
        <SliderRow
          label="Hue"
          steps={360}
          measure={DEGREES}
          value={at.h / 360}
          onChange={(share) => {
            const h = share * 360;
            show({ l: at.l, c: Math.min(at.c, mostChroma(at.l, h)), h });
          }}
          onDone={onDone}
        />
      </div>
      <div className="flex gap-3">
        <NumberField
          label="Lightness"
          unit="%"
          digits={0}
          className="w-12"
          min={0}
          max={100}
          value={PER_CENT.figureOf(at.l)}
          onChange={(figure) => put({ l: PER_CENT.shareOf(figure) })}
        />
        <NumberField
          label="Chroma"
          digits={3}
          step={0.005}
          className="w-14"
          min={0}
          max={MOST_CHROMA}
          value={at.c}
          onChange={(c) => put({ c })}
        />
      </div>
    </div>
  );
}
