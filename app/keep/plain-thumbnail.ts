import type { Drawing } from "#core/drawing/drawing.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";

/** The drawing's lines alone, as the drawer's picture until it has first been opened. */
export const plainThumbnail = (drawing: Drawing): string => writeSvg(sceneOf(drawing, derive(drawing, [])));
