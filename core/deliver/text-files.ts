/** Files that are written rather than painted: SVG for programs of every kind, and the drawing itself. */
import type { Drawing, Page } from "../drawing/drawing.ts";
import { packedDrawingFile } from "../formats/drawing-file.ts";
import { deliveredSvg, plainSvg, writeSvg } from "../formats/svg-write.ts";

import { wayNames } from "../scene/palette.ts";
import type { Derived, Scene } from "../scene/scene.ts";
import { plainScene, unitedScene } from "./plain-scene.ts";

export type TextKind = "svg" | "plain-svg" | "fern";

/** A drawing, and what of it is delivered. */
export interface TextSource {
  readonly drawing: Drawing;
  readonly derived: Derived;
  readonly scene: Scene;
  readonly page: Page;
  /** Whether the scene is the whole drawing, not a part of it or a contact sheet. */
  readonly isWhole: boolean;
}

export interface TextRequest {
  /** Touching pockets of one colour as one shape. */
  readonly united?: boolean;
  /** The id of the colourway that an SVG shows on dark pages. */
  readonly dark?: string;
}

const WRITERS: Readonly<Record<TextKind, (source: TextSource, request: TextRequest) => Uint8Array>> = {
  svg: ({ drawing, derived, scene, page, isWhole }, { united, dark: way = "" }) => {
    const dark = wayNames(drawing).get(way);
    if (isWhole && !united) return encoded(deliveredSvg(drawing, derived, dark));
    return encoded(writeSvg(united ? unitedScene(scene) : scene, { page, dark }));
  },
  "plain-svg": ({ scene, page }, { united }) =>
    encoded(plainSvg(plainScene(united ? unitedScene(scene) : scene).scene, page)),
  fern: ({ drawing }) => packedDrawingFile(drawing),
};

const encoded = (text: string): Uint8Array => new TextEncoder().encode(text);

export const textFile = (kind: TextKind, source: TextSource, request: TextRequest): Uint8Array =>
  WRITERS[kind](source, request);

export const isText = (kind: string): kind is TextKind => kind in WRITERS;
