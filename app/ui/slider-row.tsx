import type { ComponentProps } from "react";
import { Range } from "./range.tsx";

/** A range with its word before it, as a row of a grid of two columns. */
export const SliderRow = (props: Omit<ComponentProps<typeof Range>, "className">) => (
  <div className="col-span-2 grid grid-cols-subgrid items-center">
    <span aria-hidden="true" className="text-xs text-quiet">
      {props.label}
    </span>
    <Range {...props} className="w-full" />
  </div>
);
