/** The outline of a shape as lines: each of its rings is one, closed and without a width of its own. */
import { weakMapMemoize } from "reselect";
import type { Drawing, InkShape } from "./drawing.ts";

export interface Ring {
  /** The shape's id and the ring's place in its outline. */
  readonly id: string;
  readonly shape: string;
  readonly place: number;
  readonly part?: string;
  readonly points: readonly number[];
  readonly closed: true;
  readonly width: 0;
}

export const ringName = (shape: string, place: number): string => `${shape}/${place}`;

export type Ringed = Pick<InkShape, "id" | "part" | "outline">;

/** The same shape gives the same rings. */
export const ringsOf = weakMapMemoize(({ id, part, outline }: Ringed): readonly Ring[] =>
  outline.map(
    (points, place): Ring => ({
      id: ringName(id, place),
      shape: id,
      place,
      part,
      points,
      closed: true,
      width: 0,
    }),
  ),
);

/** The ink shape and the place that a ring's name says; undefined where there is no such ring. */
export function ringNamed(
  { inkShapes }: Pick<Drawing, "inkShapes">,
  name: string,
): { readonly shape: string; readonly place: number } | undefined {
  const cut = name.lastIndexOf("/");
  const [shape, place] = [name.slice(0, cut), Number(name.slice(cut + 1))];
  return inkShapes[shape]?.outline[place] ? { shape, place } : undefined;
}
