/** What making files asks of where it is done: a browser's worker paints with its canvas, the command line with resvg. */
import type { Size } from "../geometry/point.ts";
import type { Scene } from "../scene/scene.ts";

/** A picture in bands of rows from the top, so that it need never be whole in memory. */
export interface Bands {
  readonly count: number;
  /** Straight red, green, blue and alpha of the band's rows; good until the next is painted. */
  readonly paint: (band: number) => Uint8Array | Uint8ClampedArray;
}

/** Compresses as the zlib format asks. */
export interface Deflater {
  /** Takes bytes over; more can be written once the promise is kept. */
  readonly write: (bytes: Uint8Array) => Promise<void>;
  /** What it comes to, in pieces. */
  readonly end: () => Promise<readonly Uint8Array[]>;
  /** Lets go of what was written and of what it was done with, ended or not. */
  readonly close: () => void;
}

export interface Studio {
  /** Throws an Error for a picture that cannot be painted that large. */
  readonly bands: (scene: Scene, size: Size) => Bands;
  readonly deflater: () => Deflater;
}

/** Hears how much is done, 0 to 1, and says whether to go on. */
export type GoOn = (share: number) => Promise<boolean>;

/** Thrown where it was not to go on. */
export class Stopped extends Error {}

export async function goOnOrStop(goOn: GoOn, share: number): Promise<void> {
  if (!(await goOn(share))) throw new Stopped();
}

/** The part of the work from one share to another. */
export const within =
  (goOn: GoOn, from: number, to: number): GoOn =>
  (share) =>
    goOn(from + (to - from) * share);

/** A file in pieces, or with pieces that are files. */
export interface MadeFile {
  /** Ending and all. */
  readonly name: string;
  readonly type: string;
  readonly parts: readonly Uint8Array[];
}

const lengthOf = ({ parts }: Pick<MadeFile, "parts">): number =>
  parts.reduce((sum, { length }) => sum + length, 0);

export function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(lengthOf({ parts }));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
