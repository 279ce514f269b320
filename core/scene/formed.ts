/** What a form is inferred from: what is seen of a pocket inside its ink, or the outline of all its part. */
import type { Drawing, Form } from "../drawing/drawing.ts";
import { flatten } from "../geometry/cubic.ts";
import { boundsOf, type Coords, diagonal } from "../geometry/point.ts";
import { regionContains, ringArea } from "../geometry/polygon.ts";
import type { Formed } from "../light/form-shade.ts";
import { uncovered, united } from "../lines/booleans.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { inkOf } from "./ink-items.ts";
import { memo } from "./memo.ts";

/** An outline with a key of its own among all of a drawing. */
export interface KeyedForm extends Formed {
  readonly key: string;
}

const own = memo<Pocket, KeyedForm>();
const wholes = memo<readonly Pocket[], Map<string, readonly KeyedForm[]>>();

/** Flattened within this part of the outline's diagonal. */
const FLAT = 1 / 2000;

export function formedBy(
  pocket: Pocket,
  { whole }: Form,
  pockets: readonly Pocket[],
  { strokes, nibs }: Pick<Drawing, "strokes" | "nibs">,
): KeyedForm {
  const island =
    whole && islandsOf(pocket.part, pockets).find(({ rings }) => regionContains(rings, pocket.seed));
  if (island) return island;
  const inks = pocket.lines.flatMap((id) => {
    const stroke = strokes[id];
    return stroke && !stroke.hidden && !stroke.dash ? [stroke] : [];
  });
  return own(pocket, [nibs, ...inks], () => {
    const covers = inks.map((stroke) => ({
      outline: inkOf(stroke, nibs[stroke.nib ?? ""]),
      evenOdd: false,
    }));
    const seen = uncovered({ outline: pocket.outline, evenOdd: false }, covers);
    const rings = seen.length > 0 ? seen : pocket.rings;
    const area = Math.abs(rings.reduce((sum, ring) => sum + ringArea(ring), 0));
    return { rings, box: boundsOf(rings)!, area, key: `${pocket.key}` };
  });
}

/** The outlines around all pockets of a part: what lines part within it is one, what lies apart is not. */
function islandsOf(part: string, pockets: readonly Pocket[]): readonly KeyedForm[] {
  const known = wholes(pockets, [], () => new Map());
  const before = known.get(part);
  if (before) return before;
  const regions = pockets
    .filter((pocket) => pocket.part === part)
    .map(({ outline }) => ({ outline, evenOdd: false }));
  const chains = united(regions);
  const flat = diagonal(boundsOf(chains)!) * FLAT;
  const rings = chains.map((chain) => flatten(chain, flat));
  // Largest first, and holes wind against what they are in.
  const winding = Math.sign(ringArea(rings[0]));
  const isOuter = (ring: Coords) => Math.sign(ringArea(ring)) === winding;
  const [outers, holes] = [rings.filter(isOuter), rings.filter((ring) => !isOuter(ring))];
  const islands = outers.map((outer, k): KeyedForm => {
    const own = [outer, ...holes.filter((hole) => smallestAround(hole, outers) === outer)];
    const area = Math.abs(own.reduce((sum, ring) => sum + ringArea(ring), 0));
    return { rings: own, box: boundsOf([outer])!, area, key: `part ${part} ${k}` };
  });
  known.set(part, islands);
  return islands;
}

/** The last of rings, the largest first, that a hole lies in. */
const smallestAround = (hole: Coords, outers: readonly Coords[]): Coords | undefined =>
  outers.findLast((outer) => regionContains([outer], [hole[0], hole[1]]));
