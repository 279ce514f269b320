/**
 * The desk's side of rings within outlines (inward gradients): gives what it knows, asks for what it does not, and says when
 * more is there. One outline is asked for at a time, and of several requests for it the last counts.
 */
import * as Comlink from "comlink";
import { memoryOfPacked, type Packed, pack, unpack } from "#core/drawing/packed.ts";
import type { Region } from "#core/lines/booleans.ts";
import type { RingSource, Rings } from "#core/scene/flat-of.ts";

export interface RingRequest {
  readonly region: Region;
  /** Page units. */
  readonly deep: number;
  readonly count: number;
}

interface Known extends Omit<RingRequest, "region"> {
  readonly evenOdd: boolean;
  readonly rings: Rings;
}

export interface AskRings {
  readonly rings: (request: Packed<RingRequest>) => Promise<Packed<Rings>>;
}

export class RingLink implements RingSource {
  private readonly known = new WeakMap<Region["outline"], Known>();
  private readonly wanted = new Map<Region["outline"], RingRequest>();
  private asking: Promise<void> | undefined;

  constructor(
    private readonly work: AskRings,
    private readonly onFresh: () => void,
  ) {}

  ringsOf(region: Region, deep: number, count: number): Rings {
    const known = this.known.get(region.outline);
    if (known && known.deep === deep && known.count === count && known.evenOdd === region.evenOdd)
      return known.rings;
    this.wanted.set(region.outline, { region, deep, count });
    this.asking ??= Promise.resolve().then(() => this.askAll());
    return known?.rings ?? NONE;
  }

  /** Once nothing is asked for any more. */
  async settled(): Promise<void> {
    while (this.asking) await this.asking;
  }

  private async askAll(): Promise<void> {
    for (const [outline, request] of this.wanted) {
      this.wanted.delete(outline);
      const { region, deep, count } = request;
      const packed = pack(request);
      const asked = this.work.rings(Comlink.transfer(packed, memoryOfPacked(packed)));
      // What got no answer has no rings: it is not asked for again until something changes.
      const rings = await asked.then(unpack, () => NONE);
      this.known.set(outline, { evenOdd: region.evenOdd, deep, count, rings });
      this.onFresh();
    }
    this.asking = undefined;
  }
}

const NONE: Rings = [];
