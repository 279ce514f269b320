/** What a form is inferred from: what is seen of a pocket inside its ink, or the outline around all that shares it. */
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

/** Pockets, and which pour colours each. */
interface Poured {
  readonly pockets: readonly Pocket[];
  readonly pourOf: readonly (string | undefined)[];
}

const own = memo<Pocket, KeyedForm>();
const wholes = memo<readonly Pocket[], Map<string, readonly KeyedForm[]>>();

/** Flattened within this part of the outline's diagonal. */
const FLAT = 1 / 2000;

export function formedBy(
  pocket: Pocket,
  form: Form,
  derived: Poured,
  drawing: Pick<Drawing, "strokes" | "nibs" | "pours">,
): KeyedForm {
  const island = islandsAround(pocket, form, derived, drawing).find(({ rings }) =>
    regionContains(rings, pocket.seed),
  );
  if (island) return island;
  const { strokes, nibs } = drawing;
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

/** The outlines around all that shares a pocket's form; none where it has one of its own. */
function islandsAround(
  { part }: Pocket,
  { whole, cloth }: Form,
  { pockets, pourOf }: Poured,
  { pours }: Pick<Drawing, "pours">,
): readonly KeyedForm[] {
  if (!whole && !cloth) return [];
  const shares = (i: number) =>
    pockets[i].part === part && (whole || pours[pourOf[i] ?? ""]?.form?.cloth === cloth);
  const sharing = [...pockets.keys()].filter(shares);
  const key = whole ? `part ${part}` : `cloth ${sharing.join()}`;
  return islandsOf(key, pockets, () => sharing.map((i) => pockets[i]));
}

/** Outlines around several pockets: what lines part within is one, what lies apart is not. */
function islandsOf(
  key: string,
  pockets: readonly Pocket[],
  sharing: () => readonly Pocket[],
): readonly KeyedForm[] {
  const known = wholes(pockets, [], () => new Map());
  const before = known.get(key);
  if (before) return before;
  const regions = sharing().map(({ outline }) => ({ outline, evenOdd: false }));
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
    return { rings: own, box: boundsOf([outer])!, area, key: `${key} ${k}` };
  });
  known.set(key, islands);
  return islands;
}

/** The last of rings, the largest first, that a hole lies in. */
const smallestAround = (hole: Coords, outers: readonly Coords[]): Coords | undefined =>
  outers.findLast((outer) => regionContains([outer], [hole[0], hole[1]]));
