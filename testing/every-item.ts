/** A scene of everything an item can be, for tests of what is made of scenes. */
import { BLENDS } from "../core/drawing/drawing.ts";
import {
  type Item,
  type ItemPaint,
  type PaintStop,
  type ScenePart,
  type SceneSheet,
  settledBy,
} from "../core/scene/items.ts";
import type { Scene } from "../core/scene/scene.ts";

const tone = (value: string, opacity?: number) => ({
  value,
  variable: `c${value.slice(1)}`,
  ...(opacity === undefined ? {} : { opacity }),
});
const [LEAF, RED, SUN, NIGHT] = ["#6f9a4a", "#c33d58", "#f0d080", "#203050"].map((value) => tone(value));
const plain = (one: typeof LEAF): ItemPaint => ({ kind: "tone", tone: one });
const stop = (at: number, one: typeof LEAF, opacity = 1): PaintStop => ({ at, tone: one, opacity });
const gradient = (
  shape: "linear" | "radial",
  space: readonly [number, number, number, number, number, number],
  stops: readonly PaintStop[],
  focus = 0,
): ItemPaint => ({ kind: "gradient", shape, base: LEAF, space, focus, stops });

const square = (x: number, y: number, side: number) => [
  ...[x, y, x, y, x + side, y, x + side, y],
  ...[x + side, y, x + side, y + side, x + side, y + side],
  ...[x + side, y + side, x, y + side, x, y + side],
  ...[x, y + side, x, y, x, y],
];
let count = 0;
const region = (
  x: number,
  y: number,
  side: number,
  paint: ItemPaint,
  effects: Item["effects"] = {},
): Item => ({
  id: `i${count++}`,
  says: { is: "over" },
  area: { kind: "region", chains: [square(x, y, side)], evenOdd: false },
  paint,
  effects,
});
const sheet = (name: SceneSheet["name"], items: readonly Item[], opacity = 1): SceneSheet => ({
  name,
  items,
  opacity,
  ...settledBy(items),
});
const part = (id: string, sheets: readonly SceneSheet[], hides: ScenePart["hides"] = []): ScenePart => ({
  id,
  name: id,
  sheets,
  hides,
});

/** Everything an item can be, side by side in a square of 100. */
export const ALL: Scene = {
  title: "All & sundry",
  box: { x: 0, y: 0, width: 100, height: 100 },
  tones: [LEAF, RED, SUN, NIGHT],
  ways: [],
  parts: [
    part("back", [
      sheet("flats", [
        region(4, 4, 92, plain(SUN)),
        region(
          5,
          60,
          14,
          gradient("linear", [14, 0, 0, 14, 5, 60], [stop(0, LEAF), stop(0.3, RED), stop(1, NIGHT)]),
        ),
        region(21, 60, 14, gradient("radial", [10, 0, 0, 6, 28, 67], [stop(0, RED), stop(1, NIGHT)], 0.5)),
        region(37, 60, 14, gradient("linear", [10, 10, -5, 5, 37, 60], [stop(0, NIGHT, 0), stop(1, NIGHT)])),
        region(53, 60, 14, gradient("radial", [7, 0, 0, 7, 60, 67], [stop(0.2, LEAF), stop(0.9, RED, 0.2)]), {
          blend: "multiply",
        }),
      ]),
      sheet("shade", [
        ...BLENDS.map((blend, k) =>
          region(6 + 9 * k, 8, 7, plain(k % 2 ? LEAF : RED), { blend, opacity: 0.8 }),
        ),
        region(8, 24, 14, plain(NIGHT), { blur: 1.5 }),
        region(30, 24, 14, plain(NIGHT), {
          blur: 2.5,
          clip: [square(34, 20, 16)],
          blend: "multiply",
          opacity: 0.7,
        }),
        region(54, 24, 14, gradient("linear", [14, 0, 0, 14, 54, 24], [stop(0, RED), stop(1, NIGHT)]), {
          blur: 1,
        }),
        region(76, 24, 14, gradient("linear", [14, 0, 0, 14, 76, 24], [stop(0, RED, 0), stop(1, NIGHT)]), {
          blur: 1,
          clip: [square(74, 22, 12)],
        }),
      ]),
      sheet("light", [region(6, 44, 10, plain(LEAF)), region(11, 47, 10, plain(LEAF))], 0.5),
    ]),
    part(
      "front",
      [
        sheet("flats", [
          region(72, 62, 20, plain(LEAF), { seam: { chains: [[72, 62, 72, 62, 92, 62, 92, 62]], width: 2 } }),
        ]),
        sheet("ink", [
          {
            ...region(0, 0, 1, plain(NIGHT)),
            area: {
              kind: "line",
              points: [8, 88, 30, 70, 60, 106, 94, 86],
              closed: false,
              width: 3,
              cap: "round",
              join: "miter",
              miterLimit: 4,
              dash: [8, 5],
              dashOffset: 2,
            },
          },
        ]),
      ],
      [square(72, 58, 24)],
    ),
  ],
};
