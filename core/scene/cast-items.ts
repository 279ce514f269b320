/** Cast shadows: of pockets on those around them, of parts on those behind, in steps of the colour they fall on. */
import type { Cast, Drawing, Pour } from "../drawing/drawing.ts";
import { partsOf } from "../drawing/parts.ts";
import { type Box, boundsOf, boxesApart, grow, type Point } from "../geometry/point.ts";
import { castOffset, swept } from "../light/cast.ts";
import { lampOn } from "../light/lamp.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import { BLUR_REACH } from "./item-box.ts";
import type { Chain, Item } from "./items.ts";
import { lampRank } from "./lamp-order.ts";
import { litPockets } from "./lit-pour.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

/** What throws a shadow: outlines on paper, and how. */
interface Caster {
  readonly id: string;
  readonly chains: readonly Chain[];
  readonly middle: Point;
  readonly cast: Cast;
  /** The pocket itself, which its shadow does not fall on. */
  readonly own?: Pocket;
}

interface Shadow {
  readonly chains: readonly Chain[];
  readonly box: Box | undefined;
  readonly blur: number;
}

/** The shadows that fall on the pockets of a part. */
export function castItems(
  drawing: Drawing,
  part: string,
  derived: PocketsDerived,
  palette: Palette,
): Ranked[] {
  return fallenOn(drawing, castersOn(drawing, part, derived), part, derived).map((fallen) => ({
    rank: lampRank(fallen.caster.cast.deeper),
    item: itemOn(fallen, palette),
  }));
}

/** Page units by which a shadow has to reach into something to fall on it. */
const TOUCHING = 1e-6;

/** A shadow where it falls on a pocket. */
interface Fallen {
  readonly caster: Caster;
  readonly shadow: Shadow;
  readonly pocket: Pocket;
  readonly pour: Pour;
}

function fallenOn(
  drawing: Drawing,
  casters: readonly Caster[],
  part: string,
  derived: PocketsDerived,
): Fallen[] {
  if (casters.length === 0) return [];
  return litPockets(drawing, part, derived).flatMap(({ pocket, pour }): Fallen[] =>
    casters.flatMap((caster): Fallen[] => {
      // What stands as high throws none on it.
      const high = caster.cast.high - (caster.own ? (pour.cast?.high ?? 0) : 0);
      if (caster.own === pocket || high <= 0) return [];
      const shadow = shadowOf(caster, high, drawing);
      const isNear =
        shadow.box && !boxesApart(grow(shadow.box, BLUR_REACH * shadow.blur - TOUCHING), pocket.box);
      return isNear ? [{ caster, shadow, pocket, pour }] : [];
    }),
  );
}

/** Where the shadow of a pour's pockets falls, and how deep it is there. */
export function shadowsOf(
  pour: string,
  drawing: Drawing,
  derived: PocketsDerived,
): { pocket: Pocket; pour: Pour; chains: readonly Chain[]; deeper: number; soft: number }[] {
  const own = derived.pockets.filter((_, index) => derived.pourOf[index] === pour);
  return [...new Set(own.map(({ part }) => part))].flatMap((part) => {
    const casters = castersOn(drawing, part, derived).filter(
      (caster) => caster.own && own.includes(caster.own),
    );
    return fallenOn(drawing, casters, part, derived).map(({ caster, shadow, ...on }) => ({
      ...on,
      chains: shadow.chains,
      deeper: caster.cast.deeper,
      soft: shadow.blur,
    }));
  });
}

/** Pockets of the part that throw shadows, and parts in front of it that do. */
function castersOn(drawing: Drawing, part: string, derived: PocketsDerived): Caster[] {
  const { pockets } = derived;
  const own = litPockets(drawing, part, derived).flatMap(({ pocket, pour: { id, cast } }): Caster[] =>
    cast
      ? [
          {
            id: `${id}-${pocket.key}`,
            chains: [pocket.outline[0]],
            middle: middleOf(pocket.box),
            cast,
            own: pocket,
          },
        ]
      : [],
  );
  const inOrder = partsOf(drawing);
  const before = inOrder.slice(inOrder.findIndex(({ id }) => id === part) + 1);
  const whole = before.flatMap(({ id, cast, visible }): Caster[] => {
    if (!cast || !visible) return [];
    const chains = outlinesOf(pockets, id);
    const box = boundsOf(chains);
    return box ? [{ id, chains, middle: middleOf(box), cast }] : [];
  });
  return [...own, ...whole];
}

const middleOf = ({ x, y, width, height }: Box): Point => [x + width / 2, y + height / 2];

const outlines = memo<readonly Pocket[], Map<string, readonly Chain[]>>();

function outlinesOf(pockets: readonly Pocket[], part: string): readonly Chain[] {
  const known = outlines(pockets, [], () => new Map());
  const found =
    known.get(part) ?? pockets.filter((pocket) => pocket.part === part).map(({ outline: [outer] }) => outer);
  known.set(part, found);
  return found;
}

const shadows = new WeakMap<
  Chain,
  Map<number, { readonly of: readonly unknown[]; readonly shadow: Shadow }>
>();

/** The shadows of one outline are remembered for this many heights. */
const MOST_KEPT = 16;

/** By what throws it and how high that stands; the same until outline, lamp or cast change. */
function shadowOf({ chains, middle, cast }: Caster, high: number, drawing: Drawing): Shadow {
  const known = shadows.get(chains[0]) ?? new Map();
  shadows.set(chains[0], known);
  const of = [chains.length, drawing.lamp, drawing.page.box, cast.soft];
  const before = known.get(high);
  if (before?.of.every((value: unknown, i: number) => value === of[i])) return before.shadow;
  if (known.size >= MOST_KEPT) known.clear();
  const offset = castOffset(lampOn(drawing), middle, high);
  const moved = chains.map((chain) => swept(chain, offset));
  const shadow: Shadow = {
    chains: moved,
    box: boundsOf(moved),
    blur: ((cast.soft ?? 0) * Math.hypot(...offset)) / 2,
  };
  known.set(high, { of, shadow });
  return shadow;
}

const kept = memo<Pocket, Map<string, { readonly of: readonly unknown[]; readonly item: Item }>>();

function itemOn({ caster, shadow, pocket, pour }: Fallen, palette: Palette): Item {
  const items = kept(pocket, [], () => new Map());
  const of = [pour, shadow, caster.cast.deeper, palette];
  const before = items.get(caster.id);
  if (before?.of.every((value, i) => value === of[i])) return before.item;
  const item: Item = {
    id: `${caster.id}-cast-${pocket.key}`,
    says: { is: "over" },
    area: { kind: "region", chains: shadow.chains, evenOdd: false },
    paint: deeperPaint(pour, caster.cast.deeper, palette),
    effects: { clip: pocket.cover, ...(shadow.blur > 0 ? { blur: shadow.blur } : {}) },
  };
  items.set(caster.id, { of, item });
  return item;
}
