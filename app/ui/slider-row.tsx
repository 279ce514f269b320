import type { ComponentProps } from "react";
import { Range } from "./range.tsx";

interface Props extends Omit<ComponentProps<typeof Range>, "className"> {
  /** What is seen before it; its label where left out. */
  readonly word?: string;
}

/** A range with its word before it, as a row of a grid of two columns. */
export const SliderRow = ({ word, ...props }: Props) => (
  <div className="col-span-2 grid grid-cols-subgrid items-center">
    <span aria-hidden="true" className="text-xs text-quiet">
      {word ?? props.label}
    </span>
    <Range {...props} className="w-full" />
  </div>
);
