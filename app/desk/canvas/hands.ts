/**
 * Decides whose press it is. A gesture belongs to the pointer that began it, and to no other. While a pen is on the paper, or has
 * just been near it, touches are a palm and mean nothing; once there has been a pen, fingers move the paper or do nothing, by choice, and
 * never draw.
 */
import type { Prefs } from "../../prefs/prefs.ts";

/** Milliseconds after a pen was seen last in which touches do nothing. */
const PEN_LEAVES = 600;
/** Milliseconds for which a pen that was in use is expected back. */
const PEN_AWAY = 10 * 60_000;

type PenEvent = Pick<PointerEvent, "pointerId" | "pointerType" | "timeStamp">;

export class Hands {
  private owner: { readonly id: number; readonly isPen: boolean } | null = null;
  private penSeen = Number.NEGATIVE_INFINITY;
  private readonly palms = new Set<number>();

  constructor(private readonly besidePen: () => Prefs["besidePen"]) {}

  /** Notes an event; whether it is of a palm, and means nothing. */
  isPalm({ pointerId, pointerType, timeStamp }: PenEvent, begins = false): boolean {
    if (pointerType === "pen") this.penSeen = timeStamp;
    if (pointerType !== "touch") return false;
    const near = this.owner?.isPen || timeStamp - this.penSeen <= PEN_LEAVES;
    if (begins && (near || (this.isPenInUse(timeStamp) && this.besidePen() === "nothing")))
      this.palms.add(pointerId);
    return this.palms.has(pointerId);
  }

  /** Whether a touch moves the paper rather than the tool. */
  movesPaper({ pointerType, timeStamp }: PenEvent): boolean {
    return pointerType === "touch" && this.isPenInUse(timeStamp);
  }

  take({ pointerId, pointerType }: PenEvent): void {
    this.owner = { id: pointerId, isPen: pointerType === "pen" };
  }

  owns({ pointerId }: PenEvent): boolean {
    return this.owner?.id === pointerId;
  }

  letGo({ pointerId }: PenEvent): void {
    this.palms.delete(pointerId);
    if (this.owner?.id === pointerId) this.owner = null;
  }

  private isPenInUse(now: number): boolean {
    return now - this.penSeen <= PEN_AWAY;
  }
}
