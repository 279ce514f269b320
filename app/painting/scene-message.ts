/** What goes to the art's worker of a scene: items by number, so that only those that are new are sent. */
import { memoryOfPacked, type Packed } from "#core/drawing/packed.ts";
import type { Chain, Item, ItemPaint } from "#core/scene/items.ts";
import type { ListChange } from "./few-changes.ts";

/** A sheet by the numbers of its items: of all, or of those added to what the message before had. */
export interface NumberedSheet {
  readonly name: string;
  readonly opacity: number;
  readonly blends?: true;
  readonly numbers: Uint32Array<ArrayBuffer>;
  readonly change?: ListChange;
  /** Where many items differ from those before them in their paint alone: `numbers` are those of what takes their places. */
  readonly repainted?: Repainted;
}

export interface Repainted {
  /** Places in the sheet, rising. */
  readonly places: Uint32Array<ArrayBuffer>;
  /** For each the number of its paint among these. */
  readonly paintOf: Uint32Array<ArrayBuffer>;
  readonly paints: readonly ItemPaint[];
}

export interface NumberedPart {
  readonly id: string;
  readonly dim: boolean;
  readonly sheets: readonly NumberedSheet[];
  /** Left out where it equals the previous message's. */
  readonly hides?: readonly Chain[];
}

export interface SceneNews {
  /** Left out where more items follow before the scene is whole. */
  readonly parts?: readonly NumberedPart[];
  /** Items not sent before, with their numbers. */
  readonly fresh: readonly Fresh[];
}

/** An item that differs from one that is held in its paint alone comes without the rest. */
export type Fresh =
  | readonly [number: number, item: Item]
  | readonly [number: number, paint: ItemPaint, like: number];

/** Packed: all ink of a large drawing, cloned number by number, would keep the hand waiting. */
export type SceneMessage = Packed<SceneNews>;

/** The memory that is handed over with a message. */
export const memoryOfMessage = (message: SceneMessage): ArrayBuffer[] => [
  ...memoryOfPacked(message),
  ...(message.frame.parts ?? []).flatMap(({ sheets }) =>
    sheets.flatMap(({ numbers, repainted }) => [
      numbers.buffer,
      ...(repainted ? [repainted.places.buffer, repainted.paintOf.buffer] : []),
    ]),
  ),
];

/** A sheet of a part. */
export const keyOf = (part: string, sheet: string): string => `${sheet} ${part}`;
