/** The regions that clip paths leave, in page units. */
import { curveCount } from "../geometry/cubic.ts";
import { composed, type Matrix, mapped, translation } from "../geometry/matrix.ts";
import { boundsOf } from "../geometry/point.ts";
import { pathOf, SHAPES, type Viewport } from "./svg-basic-shapes.ts";
import { type Asides, type Clip, nameOf, tellAside } from "./svg-mark.ts";
import { chainsOf } from "./svg-path.ts";
import type { StyleSheet } from "./svg-style.ts";
import { linkOf, type SvgElement, type SvgTree } from "./svg-tree.ts";
import { lengthOf, matrixOf, urlOf } from "./svg-units.ts";

/** Cubics of all clip paths, as often as they are used. */
const MOST_CURVES = 400_000;

/** Where an element lies that is clipped. */
interface Place {
  readonly matrix: Matrix;
  readonly viewport: Viewport;
}

export class ClipReader {
  private curves = 0;
  private readonly regions = new Map<string, Clip[]>();

  constructor(
    private readonly tree: SvgTree,
    private readonly sheet: StyleSheet,
    private readonly asides: Asides,
  ) {}

  /** The region a clip path leaves, in page units; it is left out where it cannot be read. */
  clipOf(element: SvgElement, id: string, place: Place): Clip[] {
    const clipPath = this.tree.byId.get(id);
    if (clipPath?.name !== "clipPath") return [];
    if (clipPath.attributes.clipPathUnits === "objectBoundingBox")
      return this.clipInBox(element, clipPath, place);
    return this.regionOf(clipPath, composed(place.matrix, matrixOf(clipPath.attributes.transform)), place);
  }

  private clipInBox(element: SvgElement, clipPath: SvgElement, place: Place): Clip[] {
    const d = SHAPES.has(element.name) ? pathOf(element, place.viewport) : undefined;
    const box = d ? boundsOf(chainsOf(d).map(({ points }) => points)) : undefined;
    if (!box) {
      tellAside(this.asides, "unclipped", nameOf(element) ?? element.name);
      return [];
    }
    const matrix = composed(place.matrix, [box.width, 0, 0, box.height, box.x, box.y]);
    return this.regionOf(clipPath, matrix, place);
  }

  /** The same clip path in the same place is the same region. */
  private regionOf(clipPath: SvgElement, matrix: Matrix, place: Place): Clip[] {
    const { width, height } = place.viewport;
    const key = `${clipPath.attributes.id} ${matrix} ${width} ${height}`;
    const region = this.regions.get(key) ?? this.readRegion(clipPath, matrix, place);
    this.regions.set(key, region);
    return region;
  }

  private readRegion(clipPath: SvgElement, matrix: Matrix, place: Place): Clip[] {
    const outline: number[][] = [];
    let evenOdd = false;
    for (const child of clipPath.children) {
      const link = linkOf(child);
      const shape = child.name === "use" && link ? this.tree.byId.get(link.slice(1)) : child;
      if (!shape || !SHAPES.has(shape.name)) continue;
      const style = this.sheet.styleOf(shape, this.sheet.styleOf(child, {}));
      const d = pathOf(shape, place.viewport);
      const inner = composed(matrix, matrixOf(child.attributes.transform));
      const whole =
        shape === child
          ? inner
          : composed(composed(inner, usedAt(child, place.viewport)), matrixOf(shape.attributes.transform));
      if (d) outline.push(...chainsOf(d).map(({ points }) => mapped(points, whole)));
      evenOdd ||= style["clip-rule"] === "evenodd";
    }
    this.curves += curvesOf(outline);
    if (this.curves > MOST_CURVES || !outline.every((points) => points.every(Number.isFinite))) {
      tellAside(this.asides, "unclipped", clipPath.attributes.id);
      return [];
    }
    return [{ outline, evenOdd }, ...this.clipsOn(clipPath, place)];
  }

  /** A clip path can itself be clipped. */
  private clipsOn(clipPath: SvgElement, place: Place): Clip[] {
    const id = urlOf(this.sheet.styleOf(clipPath, {})["clip-path"]);
    return id && id !== clipPath.attributes.id ? this.clipOf(clipPath, id, place) : [];
  }
}

/** Where an element lies that is used again. */
export const usedAt = ({ attributes }: SvgElement, { width, height }: Viewport): Matrix =>
  translation(lengthOf(attributes.x, width) ?? 0, lengthOf(attributes.y, height) ?? 0);

export const curvesOf = (outline: readonly (readonly number[])[]): number =>
  outline.reduce((sum, points) => sum + curveCount(points), 0);
