/** Taking what dabs claim, all of it or a part, and giving dabs up. */
import type { AskedDab, DabReading, DabRegion } from "#core/dabs/dab-reading.ts";
import { giveUpDabs, takeDabs } from "#core/drawing/dab-edits.ts";
import type { Dab } from "#core/drawing/drawing.ts";
import { counted } from "#core/words.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { onceRead } from "../../store/once-read.ts";
import { dabQuestion, dabsInPart, regionsOf } from "./dab-state.ts";

/** Takes the regions that are wanted, of all there are by default; their dabs go. */
export async function takeRegions(
  desk: DeskStore,
  wanted: (region: DabRegion) => boolean = () => true,
): Promise<void> {
  const state = await onceRead(desk);
  const { drawing } = state;
  const question = dabQuestion(state);
  const { work } = state.lines;
  const reading = await work.dabs(question).catch(() => undefined);
  const chosen = reading?.regions.flatMap((region, i) => (wanted(region) ? [i] : [])) ?? [];
  if (!reading || chosen.length === 0) {
    state.tell("There is nothing to take: no dab claims anything here.");
    return;
  }
  const { pours, shades } = drawing;
  const taken = await work.takeDabs({ pours, shades }, question, chosen).catch(() => undefined);
  const now = desk.getState();
  if (!taken || now.drawing !== drawing) {
    now.tell("The drawing changed while the dabs were being taken. They are still there: take them again.");
    return;
  }
  const done = dabsDone(question.dabs, reading, chosen);
  now.edit(takeDabs(done, taken.bridges, taken.pours));
  const bridged = taken.bridges.length > 0 ? `, closed by ${counted(taken.bridges.length, "bridge")}` : "";
  now.say(`${counted(taken.pours.length, "pocket")} coloured${bridged}`);
}

/** Dabs that claim nothing beyond what is taken; bare ones when nothing is left for them to hold off. */
function dabsDone(all: readonly AskedDab[], reading: DabReading, chosen: readonly number[]): string[] {
  const everything = chosen.length === reading.regions.length;
  return all
    .filter(({ id, paint }) => {
      if (everything) return true;
      const regions = regionsOf(reading, id);
      return paint !== null && regions.length > 0 && regions.every((region) => chosen.includes(region));
    })
    .map(({ id }) => id);
}

/** Gives up all dabs of the part at work, or one of them. */
export function giveUp(desk: DeskStore, one?: Dab): void {
  const state = desk.getState();
  const ids = (one ? [one] : dabsInPart(state)).map(({ id }) => id);
  if (ids.length > 0) state.edit(giveUpDabs(ids));
}
