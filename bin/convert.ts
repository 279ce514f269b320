/** `fern convert`: reads line art as the drawer does and writes what Deliver would write. */
import { importSvg } from "#core/formats/import-drawing.ts";
import type { ImportReport } from "#core/formats/import-report.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { derive } from "#core/scene/scene.ts";

export function convertReport(
  svg: string,
  { name, merge }: { name: string; merge?: number },
): { report: ImportReport; svg: string } {
  const { drawing, report } = importSvg(name, svg, { mergeWithin: merge });
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return { report, svg: deliveredSvg(drawing, derive(drawing, pockets)) };
}
