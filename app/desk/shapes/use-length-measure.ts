import { printed } from "#core/drawing/length.ts";
import { type Measure, squared } from "../../ui/measure.ts";
import { useDesk } from "../store/use-desk.ts";

/** Lengths up to a share of the page's width, in its printed unit. */
export function useLengthMeasure(most: number): Measure {
  const page = useDesk((s) => s.drawing.page);
  return squared(printed(page, most * page.box.width), page.unit);
}
