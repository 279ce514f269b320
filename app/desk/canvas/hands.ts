/**
 * Decides whose press it is. A gesture belongs to the pointer that began it, and to no other; while a pen is on the paper or has just
 * been near it, touches count as a palm, not as a hand.
 */

/** Milliseconds after a pen was seen last in which touches do nothing. */
const PEN_LEAVES = 600;

type PenEvent = Pick<PointerEvent, "pointerId" | "pointerType" | "timeStamp">;

export class Hands {
  private owner: number | null = null;
  private penSeen = Number.NEGATIVE_INFINITY;
  private readonly palms = new Set<number>();

  /** Notes an event; whether it is of a palm, and means nothing. */
  isPalm({ pointerId, pointerType, timeStamp }: PenEvent, begins = false): boolean {
    if (pointerType === "pen") this.penSeen = timeStamp;
    if (pointerType !== "touch") return false;
    if (begins && timeStamp - this.penSeen <= PEN_LEAVES) this.palms.add(pointerId);
    return this.palms.has(pointerId);
  }

  take({ pointerId }: PenEvent): void {
    this.owner = pointerId;
  }

  owns({ pointerId }: PenEvent): boolean {
    return this.owner === pointerId;
  }

  letGo({ pointerId }: PenEvent): void {
    this.palms.delete(pointerId);
    if (this.owner === pointerId) this.owner = null;
  }
}
