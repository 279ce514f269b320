/** Light taken from one pocket and laid on others: as copies, or as a named style that they follow. */
import type { Draft } from "immer";
import { type Matrix, mapped } from "../geometry/matrix.ts";
import type { Box, Point } from "../geometry/point.ts";
import {
  type Anchor,
  type ColourShape,
  type Drawing,
  type Form,
  type Laying,
  type Light,
  type LightStyle,
  type Paint,
  type Shade,
  type StylePaint,
  type StyleUse,
  topRank,
} from "./drawing.ts";
import { countPockets } from "./edits.ts";
import { Gradient } from "./facts/gradients.ts";
import { LightShape } from "./facts/light.ts";
import { Pour } from "./facts/pour.ts";
import type { Edit } from "./history.ts";
import { moved } from "./moved.ts";
import { newId } from "./new-id.ts";
import { overOf } from "./over.ts";
import { highest } from "./shape-edits.ts";

/** What carrying light needs to know about a pocket. */
export interface LightTarget {
  readonly box: Box;
  readonly anchor: Anchor;
  readonly pour: Pour & { readonly paint: Paint };
}

const middleOf = ({ x, y, width, height }: Box): Point => [x + width / 2, y + height / 2];

/** All the light of a pocket; its drawn shades are given. Paints of its own colour become steps from that. */
export function takenLight({ box, pour }: LightTarget, shades: readonly Shade[]): Light {
  const [x, y] = middleOf(box);
  const away: Matrix = [1, 0, 0, 1, -x, -y];
  const styled = ({ colour, step }: Paint): StylePaint =>
    colour === pour.paint.colour ? { colour: null, step: step - pour.paint.step } : { colour, step };
  const { rim, cast, gradient } = pour;
  // Where it is laid, each pocket has a form of its own.
  const { cloth: __, ...form } = pour.form ?? {};
  const { cloth: _, ...run } = gradient ? moved(Gradient, gradient, away) : { cloth: "" };
  return {
    size: [box.width, box.height],
    ...(pour.form && { form: form as Form }),
    ...(rim && { rim }),
    ...(cast && { cast }),
    ...(gradient && {
      gradient: {
        ...(run as Omit<Gradient, "cloth">),
        stops: gradient.stops.map((stop) => ({ ...stop, paint: styled(stop.paint) })),
      },
    }),
    shapes: shades.map(({ outline, evenOdd, opacity, blend, soft, paint, deeper }) => ({
      outline: outline.map((chain) => mapped(chain, away)),
      evenOdd,
      opacity,
      ...(blend && { blend }),
      ...(soft && { soft }),
      paint: deeper === undefined ? styled(paint) : { colour: null, step: -deeper },
    })),
  };
}

export const isLit = ({ form, rim, cast, gradient, shapes }: Light): boolean =>
  Boolean(form || rim || cast || gradient) || shapes.length > 0;

/** The largest variation of light: in degrees, and in shares of a pocket. */
const TURN = 7;
const SHIFT = 0.04;
const GROWN = 0.1;

/** Maps light from the box it was taken from to another; varied by numbers derived from the name, so always alike. */
export function layingMatrix(size: Point, box: Box, { fit, mirror, vary }: Laying, name: string): Matrix {
  const [x, y] = middleOf(box);
  const [wide, high] = fit === "fitted" ? [box.width / (size[0] || 1), box.height / (size[1] || 1)] : [1, 1];
  const [turn, dx, dy, grown] = vary ? chances(name) : [0, 0, 0, 0];
  const angle = (turn * TURN * Math.PI) / 180;
  const scale = 1 + grown * GROWN;
  const [cos, sin] = [Math.cos(angle) * scale, Math.sin(angle) * scale];
  const flip = mirror ? -1 : 1;
  return [
    cos * wide * flip,
    sin * wide * flip,
    -sin * high,
    cos * high,
    x + dx * SHIFT * box.width,
    y + dy * SHIFT * box.height,
  ];
}

/** Four numbers from -1 to 1 that a name gives (FNV-1a). */
function chances(name: string): number[] {
  let hash = 0x811c9dc5;
  return [1, 2, 3, 4].map((of) => {
    for (const c of `${of}${name}`) hash = Math.imul(hash ^ c.charCodeAt(0), 0x01000193);
    return ((hash >>> 8) / 2 ** 24) * 2 - 1;
  });
}

/** Light as it lies in a pocket. */
export interface PlacedLight extends Pick<Pour, "form" | "rim" | "cast" | "gradient"> {
  readonly shapes: readonly Omit<ColourShape, "id" | "rank">[];
}

/** `cloth` names its gradient, `name` how it varies. */
export function placedLight(
  light: Light,
  { box, paint }: { readonly box: Box; readonly paint: Paint },
  laying: Laying,
  { cloth, name }: { readonly cloth: string; readonly name: string },
): PlacedLight {
  const matrix = layingMatrix(light.size, box, laying, name);
  const own = (styled: StylePaint): Paint =>
    styled.colour === null
      ? { colour: paint.colour, step: paint.step + styled.step }
      : { colour: styled.colour, step: styled.step };
  const { form, rim, cast } = light;
  const gradient = light.gradient && {
    ...moved(Gradient, { ...light.gradient, cloth, stops: [] }, matrix),
    stops: light.gradient.stops.map((stop) => ({ ...stop, paint: own(stop.paint) })),
  };
  return {
    ...moved(Pour, overOf({ form, rim, cast }), matrix),
    ...(gradient && { gradient }),
    shapes: light.shapes.map((shape) => ({ ...moved(LightShape, shape, matrix), paint: own(shape.paint) })),
  };
}

/** Lays light on pockets as their own, in place of what they have of its kinds. */
export const layLight = (light: Light, pockets: readonly LightTarget[], laying: Laying): Edit => {
  const placed = pockets.map(({ box, pour }) =>
    placedLight(light, { box, paint: pour.paint }, laying, { cloth: newId(), name: pour.id }),
  );
  const ids = placed.map(({ shapes }) => shapes.map(() => newId()));
  return {
    sheet: "shade",
    label: `Lay light on ${countPockets(pockets.length)}`,
    change: (draft) => {
      let rank = highest(draft as Drawing);
      pockets.forEach(({ pour, anchor }, i) => {
        const { shapes, ...over } = placed[i];
        Object.assign(draft.pours[pour.id], over);
        delete draft.pours[pour.id].style;
        shapes.forEach((shape, k) => {
          const id = ids[i][k];
          draft.shades[id] = { ...shape, id, rank: ++rank, kind: "drawn", anchor } as Draft<Shade>;
        });
      });
    },
  };
};

/** What a pour can have of its own and of a style. */
const STYLED = ["form", "rim", "cast", "gradient"] as const;

/** Has pours follow a style in place of what they have of its kinds, or none. */
export const setStyle = (ids: readonly string[], use: StyleUse | null): Edit => ({
  sheet: "shade",
  label: use ? `Lay style on ${countPockets(ids.length)}` : "Let style go",
  change: (draft) => {
    const style = use && draft.styles[use.style];
    for (const id of ids) {
      const pour = draft.pours[id];
      if (!use) delete pour.style;
      else pour.style = { ...use };
      for (const kind of STYLED) if (style?.[kind]) delete pour[kind];
    }
  },
});

/** Pours that follow a style keep its light as their own, and follow no more. */
export const letGo = (pockets: readonly LightTarget[], styles: Drawing["styles"]): Edit => {
  const laid = pockets.flatMap((pocket) => {
    const use = pocket.pour.style;
    const style = use && styles[use.style];
    return style ? [layLight({ ...style, ...ownOf(pocket.pour) }, [pocket], use)] : [];
  });
  return {
    sheet: "shade",
    label: "Let style go",
    change: (draft) => {
      for (const { change } of laid) change(draft);
    },
  };
};

/** What a pour has of its own stays so: it is not what the style has. */
const ownOf = ({ form, rim, cast, gradient }: Pour): Partial<Light> => ({
  ...(form && { form: undefined }),
  ...(rim && { rim: undefined }),
  ...(cast && { cast: undefined }),
  ...(gradient && { gradient: undefined }),
});

export const addStyle = (id: string, name: string, light: Light): Edit => ({
  label: `Keep light ${name}`,
  change: (draft) => {
    draft.styles[id] = { ...light, id, name, rank: topRank(draft.styles) + 1 } as Draft<LightStyle>;
  },
});

/** Changes the light under a name: everything that follows it changes too. */
export const changeStyle = ({ id, rank, name }: LightStyle, light: Light): Edit => ({
  label: `Change light ${name}`,
  change: (draft) => {
    draft.styles[id] = { ...light, id, rank, name } as Draft<LightStyle>;
  },
});

export const renameStyle = (id: string, name: string): Edit => ({
  label: `Name light ${name}`,
  change: (draft) => {
    draft.styles[id].name = name;
  },
});

/** Takes a style away; pockets that follow it keep its light if they are given. */
export const removeStyle = (
  { id, name }: LightStyle,
  users: readonly LightTarget[],
  styles: Drawing["styles"],
): Edit => {
  const kept = letGo(users, styles);
  return {
    label: `Remove light ${name}`,
    change: (draft) => {
      kept.change(draft);
      for (const pour of Object.values(draft.pours)) if (pour.style?.style === id) delete pour.style;
      delete draft.styles[id];
    },
  };
};

/** A style in other colours. */
export function repainted(style: LightStyle, paintOf: (paint: Paint) => Paint): LightStyle {
  const other = <T extends { readonly paint: StylePaint }>(one: T): T => {
    const { colour, step } = one.paint;
    return colour === null ? one : { ...one, paint: paintOf({ colour, step }) };
  };
  return {
    ...style,
    shapes: style.shapes.map(other),
    ...(style.gradient ? { gradient: { ...style.gradient, stops: style.gradient.stops.map(other) } } : {}),
  };
}
