import { SliderField } from "../../ui/slider-field.tsx";
import { useLengthMeasure } from "./use-length-measure.ts";

interface Props {
  /** The standard deviation of an edge's blur as a share of the page's width; 0 for a sharp edge. */
  readonly soft: number;
  readonly onChange: (soft: number) => void;
  readonly onDone: () => void;
}

const MOST_SOFT = 0.05;

/** How soft an edge is: fine at the sharp end, where a little is much. */
export const SoftField = ({ soft, onChange, onDone }: Props) => (
  <SliderField
    measure={useLengthMeasure(MOST_SOFT)}
    label="Softness of the edge"
    word="Soft"
    value={Math.sqrt(soft / MOST_SOFT)}
    onChange={(share) => onChange(share ** 2 * MOST_SOFT)}
    onDone={onDone}
  />
);
