/** What a form is inferred from: a pocket's own outline, or that of all its part. */
import type { Form } from "../drawing/drawing.ts";
import { enclosedArea, flatten } from "../geometry/cubic.ts";
import { boundsOf, diagonal } from "../geometry/point.ts";
import type { Formed } from "../light/form-shade.ts";
import { united } from "../lines/booleans.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { keeper } from "./kept.ts";

/** An outline with a key of its own among all of a drawing. */
export interface KeyedForm extends Formed {
  readonly key: string;
}

const own = keeper<Pocket, KeyedForm>();
const wholes = keeper<readonly Pocket[], Map<string, KeyedForm>>();

/** Flattened within this part of the outline's diagonal. */
const FLAT = 1 / 2000;

export function formedBy(pocket: Pocket, { whole }: Form, pockets: readonly Pocket[]): KeyedForm {
  if (whole) return wholeOf(pocket.part, pockets);
  return own(pocket, [], () => {
    const { rings, box, area, key } = pocket;
    return { rings, box, area, key: `${key}` };
  });
}

/** The outline around all pockets of a part: what lines part within it is one. */
function wholeOf(part: string, pockets: readonly Pocket[]): KeyedForm {
  const known = wholes(pockets, [], () => new Map());
  const before = known.get(part);
  if (before) return before;
  const outlines = pockets.filter((pocket) => pocket.part === part).map(({ outline }) => outline);
  const chains = united(outlines);
  const box = boundsOf(chains)!;
  const rings = chains.map((chain) => flatten(chain, diagonal(box) * FLAT));
  const area = Math.abs(chains.reduce((sum, chain) => sum + enclosedArea(chain), 0));
  const whole = { rings, box, area, key: `part ${part}` };
  known.set(part, whole);
  return whole;
}
