/** `fern convert`: reads line art as the drawer does and writes what Deliver would write. */

import { importSvg } from "#core/formats/import-drawing.ts";
import type { ImportReport } from "#core/formats/import-report.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { LineReader } from "#core/pockets/line-reader.ts";
import { derive } from "#core/scene/scene.ts";

export function convertReport(
  svg: string,
  { name, merge }: { name: string; merge?: number },
): { report: ImportReport; svg: string } {
  const { drawing, report } = importSvg(name, svg, { mergeWithin: merge });
  const pockets = new LineReader().read(drawing).filter(({ hidden }) => !hidden);
  return { report, svg: deliveredSvg(drawing, derive(drawing, pockets)) };
}
