import { useEffect, useRef } from "react";
import type { DabQuestion } from "../../../work/pocket-work.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { dabQuestion, dabs, dabsInPart } from "./dab-state.ts";
import { sayDab } from "./say-dab.ts";

/** Asks what the dabs claim whenever they, the lines or how far they may go have changed, as long as the tool is in the hand. */
export function useDabReading(): void {
  const desk = useDeskStore();
  const question = useDesk(dabQuestion);
  const reading = useDesk((s) => s.reading);
  const asker = useRef<Asker | null>(null);
  useEffect(() => {
    const own = new Asker(desk);
    asker.current = own;
    return () => own.stop();
  }, [desk]);
  useEffect(() => {
    if (!reading) asker.current?.ask(question);
  }, [question, reading]);
}

/** One question is out at a time; of those that come meanwhile the newest is asked next. */
class Asker {
  private next: DabQuestion | null = null;
  private busy = false;
  private stopped = false;

  constructor(private readonly desk: DeskStore) {}

  ask(question: DabQuestion): void {
    this.next = question;
    if (!this.busy) void this.run();
  }

  stop(): void {
    this.stopped = true;
  }

  private async run(): Promise<void> {
    this.busy = true;
    while (this.next && !this.stopped) {
      const question = this.next;
      this.next = null;
      await this.answer(question);
    }
    this.busy = false;
  }

  private async answer(question: DabQuestion): Promise<void> {
    const { desk } = this;
    const reading = await desk
      .getState()
      .lines.work.dabs(question)
      .catch(() => undefined);
    if (this.stopped || this.next) return;
    const before = dabs.held(desk.getState()).of?.dabs ?? [];
    dabs.hold(desk, { reading: reading ?? null, of: question });
    const state = desk.getState();
    if (!reading)
      state.tell("What the dabs claim could not be found out. They and the drawing are as they were.");
    const last = question.dabs[question.dabs.length - 1];
    if (reading && last && !before.includes(last) && dabsInPart(state).includes(last))
      state.say(sayDab(state, reading, last));
  }
}
