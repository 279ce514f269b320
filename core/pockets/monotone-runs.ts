/**
 * Segments about a square as runs that rise or fall in both coordinates: of such a run nothing meets but what follows on, and the
 * box of any piece of it is that of the piece's two ends.
 */
import { NEAR_MISS, type Slice } from "./quarters.ts";
import { goesOn, type Segments } from "./segments.ts";

/** Segments this short or shorter in both axes together may barely miss one that they do not follow: each is a run of its own. */
const SHORT = 4 * NEAR_MISS;

export class MonotoneRuns {
  count = 0;
  /** Where in the list each run begins; one more entry for the end. */
  start = new Int32Array(64);

  /** Of segments by rising number. */
  split(segs: Segments, { items, from, to }: Slice): void {
    if (to - from >= this.start.length) this.start = new Int32Array(2 * (to - from));
    const { ax, ay, bx, by } = segs;
    this.count = 0;
    let ways = 0;
    for (let k = from; k < to; k++) {
      const s = items[k];
      const dx = bx[s] - ax[s];
      const dy = by[s] - ay[s];
      const own = (dx > 0 ? RIGHT : dx < 0 ? LEFT : 0) | (dy > 0 ? DOWN : dy < 0 ? UP : 0);
      const isShort = (dx < 0 ? -dx : dx) + (dy < 0 ? -dy : dy) <= SHORT;
      const follows = k > from && items[k - 1] === s - 1 && goesOn(segs, s);
      if (follows && !isShort && ways !== ALONE && isOneWay(ways | own)) ways |= own;
      else {
        this.start[this.count++] = k;
        ways = isShort ? ALONE : own;
      }
    }
    this.start[this.count] = to;
  }
}

const LEFT = 1;
const RIGHT = 2;
const UP = 4;
const DOWN = 8;
const ALONE = -1;

/** Whether some directions never go back along an axis. */
const isOneWay = (ways: number): boolean =>
  (ways & (LEFT | RIGHT)) !== (LEFT | RIGHT) && (ways & (UP | DOWN)) !== (UP | DOWN);
