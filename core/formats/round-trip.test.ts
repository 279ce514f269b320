/** Foreign art, bridged, poured and shaded, comes back from its delivered SVG with the same pockets, pours and shades. */
import { expect, it } from "vitest";
import { ART, coloured, expectSameLook, lookOf, shown } from "../../testing/foreign-art.ts";
import { derive } from "../scene/scene.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

it.each([false, true])("comes back the same from SVG, strict %s", (strict) => {
  expect(ART.length).toBeGreaterThan(30);
  for (const { file, svg } of ART) {
    const drawing = coloured(importSvg(file, svg).drawing, strict);
    const again = importSvg(file, deliveredSvg(drawing, derive(drawing, shown(drawing)))).drawing;
    expectSameLook(lookOf(drawing), lookOf(again), file);
    expect(Object.keys(again.bridges), file).toEqual(Object.keys(drawing.bridges));
  }
});
