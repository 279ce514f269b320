import type { ComponentProps } from "react";
import { MeasuredRange } from "./slider-row.tsx";

interface Props extends ComponentProps<typeof MeasuredRange> {
  /** The word shown before it; its label where left out. */
  readonly word?: string;
}

/** A range with its word before it and its figure after it, where it stands alone. */
export const SliderField = ({ word, ...props }: Props) => (
  <div className="flex items-center gap-2 text-xs whitespace-nowrap">
    <span aria-hidden="true" className="text-quiet">
      {word ?? props.label}
    </span>
    <div className="w-32 touch:w-44">
      <MeasuredRange {...props} />
    </div>
  </div>
);
