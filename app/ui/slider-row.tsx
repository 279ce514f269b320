import type { ComponentProps } from "react";
import { type Measure, PER_CENT } from "./measure.ts";
import { NumberField } from "./number-field.tsx";
import { Range } from "./range.tsx";

interface MeasuredProps extends Omit<ComponentProps<typeof Range>, "className"> {
  readonly measure?: Measure;
}

interface Props extends MeasuredProps {
  /** The word shown before it; its label where left out. */
  readonly word?: string;
}

/** A range with its word before it and its figure, as a row of a grid of two columns. */
export const SliderRow = ({ word, ...props }: Props) => (
  <div className="col-span-2 grid grid-cols-subgrid items-center">
    <span aria-hidden="true" className="text-xs text-quiet">
      {word ?? props.label}
    </span>
    <MeasuredRange {...props} />
  </div>
);

/** A range with its figure, which can be typed. */
export const MeasuredRange = ({ measure = PER_CENT, ...props }: MeasuredProps) => {
  const { label, value, onChange, onDone, disabled } = props;
  const take = (figure: number) => {
    const share = Math.min(1, Math.max(0, measure.shareOf(figure)));
    onChange(share);
    onDone?.(share);
  };
  return (
    <span className="flex min-w-0 items-center gap-apart">
      <Range {...props} className="min-w-0 grow" />
      <NumberField
        bare
        label={`${label} in ${measure.unit}`}
        value={measure.figureOf(value)}
        min={measure.figureOf(0)}
        max={measure.figureOf(1)}
        digits={measure.digits}
        step={1 / 10 ** Math.min(1, measure.digits)}
        disabled={disabled}
        onChange={take}
      />
    </span>
  );
};
