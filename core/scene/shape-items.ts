/** Colour shapes: on any sheet but ink, free or trimmed. */
import type { Drawing, FlatShape } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { boundsOf, grow } from "../geometry/point.ts";
import { combined, united } from "../lines/booleans.ts";
import { inkAround } from "./bloom-clip.ts";
import { colourItem, laidAs, paintOfShape } from "./colour-item.ts";
import { colouredBelow } from "./coloured.ts";
import { seenBeside } from "./cut-out.ts";
import type { FlatsOf, PocketsDerived, Ranked } from "./flat-of.ts";
import { withInward } from "./inward-items.ts";
import { BLUR_REACH, boxOfItem } from "./item-box.ts";
import type { Chain, Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";
import { patternItems } from "./pattern-items.ts";

const keptShape = memo<FlatShape, Item>();

/** The colour shapes of a part that lie on a sheet. */
export const shapeItems = (
  drawing: Drawing,
  { part, region }: FlatsOf,
  derived: PocketsDerived,
  palette: Palette,
  on: NonNullable<FlatShape["sheet"]>,
): Ranked[] =>
  entitiesOf(drawing.flatShapes).flatMap((shape) => {
    const { rank, name, echo, sheet = "flats", trim, pattern } = shape;
    if (sheet !== on) return [];
    if (on === "ink") return [{ rank, item: bloomItem(shape, drawing, part, { derived, palette }) }];
    const isWithin = echo === "within" || trim === "part";
    const clip = isWithin
      ? region()
      : trim === "coloured"
        ? colouredBelow(shape, drawing, { part, region }, derived)
        : undefined;
    const seen = on === "flats" ? seenBeside(clip, part, drawing, derived) : clip;
    const painted = paintOfShape(shape, drawing, palette);
    const item = keptShape(shape, [painted.paint, painted.strength, seen], () => ({
      ...colourItem(shape, painted, seen),
      says: { is: "flat", echo, trim, ...laidAs(shape), ...(pattern ? { pattern } : {}) },
      name,
    }));
    const { over = [], ...laid } = withInward(shape, item, { drawing, palette, rings: derived.light });
    return [{ rank, ...laid, over: [...over, ...figureItems(shape, item, drawing, palette)] }];
  });

const keptFigures = memo<Item, readonly Item[]>();

/** The figures of a shape's pattern, seen where the shape is and mixed as it is. */
function figureItems(
  { id, outline, evenOdd, opacity, pattern }: FlatShape,
  item: Item,
  { tiles }: Drawing,
  palette: Palette,
): readonly Item[] {
  const box = pattern && boxOfItem(item);
  if (!box) return NONE;
  return keptFigures(item, [palette, tiles[pattern.tile ?? ""]], () => {
    const { clip, blend } = item.effects;
    const own = { outline, evenOdd };
    const whole = evenOdd ? united([own]) : outline;
    const region = clip ? combined(own, { outline: clip, evenOdd: false }, "intersect").outline : whole;
    const effects = { ...(blend ? { blend } : {}), opacity };
    return patternItems(pattern, { id, box, region, effects }, { palette, tiles });
  });
}

const NONE: readonly Item[] = [];

const blooms = memo<FlatShape, readonly Chain[]>();

/** Colour on the ink alone. */
function bloomItem(
  shape: FlatShape,
  drawing: Drawing,
  part: string,
  { derived, palette }: { readonly derived: PocketsDerived; readonly palette: Palette },
): Item {
  const { strokes, inkShapes, nibs, pours } = drawing;
  const box = boundsOf(shape.outline)!;
  const clip = blooms(shape, [strokes, inkShapes, nibs, pours, derived.pourOf], () =>
    inkAround(grow(box, BLUR_REACH * (shape.soft ?? 0)), drawing, part, derived),
  );
  const painted = paintOfShape(shape, drawing, palette);
  return keptShape(shape, [painted.paint, painted.strength, clip], () => ({
    ...colourItem(shape, painted, clip),
    says: { is: "flat", ...laidAs(shape) },
    name: shape.name,
  }));
}
