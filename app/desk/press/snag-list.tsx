import clsx from "clsx";
import { flushSync } from "react-dom";
import { showLength } from "#core/drawing/length.ts";
import { partOf } from "#core/drawing/parts.ts";
import { plural } from "#core/words.ts";
import { Button } from "../../ui/button.tsx";
import { bridgeOpenings, leaveOpen, reconsider, sortOpenings } from "../gaps/openings.ts";
import { NEAR_LIST, tooNear } from "../judge/judged.ts";
import { partWords } from "../parts/part-actions.ts";
import { fillSpecksOf } from "../pockets/specks.ts";
import { pocketCounts, waitingIn } from "../pockets/stats.ts";
import { goToWaiting, letGoOfWaiting } from "../pockets/waiting.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { dabs } from "../tools/dab/dab-state.ts";
import { goToOpening, goToPocket, nextOpening } from "./next-snag.ts";
import type { PressSection } from "./section.ts";

/** What wants a look before delivery. */
export const snagsSection: PressSection = {
  name: "snags",
  title: () => "Snags",
  says: (desk) => (desk.trouble ? "▲" : String(countSnags(desk) || "none")),
  Body: () => (
    <>
      <Trouble />
      <Counts />
    </>
  ),
};

/** Every opening with its width. */
export const openingsSection: PressSection = {
  name: "openings",
  title: () => "Openings",
  says: (desk) => String(sortOpenings(desk).open.length || "none"),
  isList: true,
  Body: () => (
    <>
      <Trouble />
      <Openings />
    </>
  ),
};

function Trouble() {
  const trouble = useDesk((s) => s.trouble);
  return trouble ? (
    <p role="alert" className="px-2 text-ember">
      {trouble}
    </p>
  ) : null;
}

function countSnags(desk: Desk): number {
  const { bare, specks } = pocketCounts(desk);
  const waiting = waitingIn(desk).length + Object.keys(desk.drawing.dabs).length;
  return bare.length + specks.length + waiting + tooNear(desk).length + sortOpenings(desk).open.length;
}

const ROW =
  "flex min-h-small w-full items-center justify-between gap-1.5 rounded-md px-1 text-left whitespace-nowrap hover:bg-well";

function Openings() {
  const gaps = useDesk((s) => s.gaps);
  const drawing = useDesk((s) => s.drawing);
  const chosen = useDesk((s) => s.chosenOpening);
  const desk = useDeskStore();
  const { closed, open, declined } = sortOpenings({ gaps, drawing });
  const { length: looseEnds } = gaps.looseEnds;
  return (
    <>
      {gaps.openings.length === 0 ? (
        <>
          <p className="mt-1 px-2 text-quiet">No narrow openings. Colour will stay where you pour it.</p>
          <Button className="mt-2 w-full" onClick={() => desk.getState().chooseStage("Flats")}>
            On to Flats
          </Button>
        </>
      ) : (
        <ol
          className="grid min-h-0 content-start overflow-y-auto touch:gap-apart"
          aria-label="Openings, narrowest first"
        >
          {[...open, ...closed, ...declined].map((i) => (
            <OpeningRow
              key={`${gaps.openings[i].at}`}
              index={i}
              chosen={i === chosen}
              state={closed.includes(i) ? "closed" : declined.includes(i) ? "left open" : ""}
            />
          ))}
        </ol>
      )}
      {gaps.openings.length > 1 && (
        <Button className="mt-1 w-full shrink-0" onClick={() => nextOpening(desk, 1)}>
          Next opening
        </Button>
      )}
      {declined.length > 0 && (
        <Button className="mt-1 w-full shrink-0" onClick={() => reconsider(desk.getState())}>
          Reconsider {declined.length} left open
        </Button>
      )}
      <p className="mt-2 px-2 text-xs text-quiet">
        {looseEnds} loose {plural(looseEnds, "end")}, marked with squares
      </p>
    </>
  );
}

/** One opening with its width; once chosen, what can be done with it. */
function OpeningRow({ index, chosen, state }: { index: number; chosen: boolean; state: string }) {
  const opening = useDesk((s) => s.gaps.openings[index]);
  const page = useDesk((s) => s.drawing.page);
  const part = useDesk((s) => partWords(s, opening.part, ""));
  const desk = useDeskStore();
  return (
    <li>
      <button
        type="button"
        aria-pressed={chosen}
        onClick={() => goToOpening(desk, index)}
        className={clsx(ROW, chosen && "bg-ember-soft font-semibold text-ember", state && "text-quiet")}
      >
        <span className="truncate">
          Opening {index + 1}
          {part && <span className="ml-1 text-xs font-normal text-quiet">{part}</span>}
        </span>
        {state && <span className="text-xs">{state}</span>}
        <span className="tabular-nums">{showLength(page, opening.width)}</span>
      </button>
      {chosen && (
        <div className="flex gap-1 px-2 pb-1">
          <button
            type="button"
            onClick={() => bridgeOpenings(desk.getState(), [index])}
            className="h-target grow rounded-md bg-ember px-2 text-xs font-medium text-on-accent"
          >
            Bridge it
          </button>
          {state !== "left open" && (
            <Button size="small" className="grow" onClick={() => leaveOpen(desk.getState(), [index])}>
              Leave open
            </Button>
          )}
        </div>
      )}
    </li>
  );
}

function Counts() {
  const desk = useDeskStore();
  const derived = useDesk((s) => s.derived);
  const drawing = useDesk((s) => s.drawing);
  const openings = useDesk((s) => sortOpenings(s).open.length);
  const near = useDesk((s) => tooNear(s).length);
  const dabCount = useDesk((s) => Object.keys(s.drawing.dabs).length);
  const { bare, specks } = pocketCounts({ derived, drawing });
  const waiting = waitingIn({ derived, drawing });
  const step = (list: readonly number[]) => {
    const at = list.indexOf(desk.getState().walked ?? -1);
    if (list.length > 0) goToPocket(desk, list[(at + 1) % list.length]);
  };
  return (
    <ul className="grid grid-cols-1 touch:gap-apart">
      <Snag word="Uncoloured pockets" count={bare.length} onStep={() => step(bare)} />
      <Snag word="Specks" count={specks.length} onStep={() => step(specks)} />
      {specks.length > 0 && (
        <Remedy
          word="Fill the specks"
          hint="Each with the colour of a neighbour"
          onUse={() => fillSpecksOf(desk.getState())}
        />
      )}
      <Snag word="Waiting for a pocket" count={waiting.length} onStep={() => goToWaiting(desk)} />
      {waiting.length > 0 && (
        <Remedy
          word="Forget what waits"
          hint="Colour and shade whose pockets have gone; they come back when the pockets do"
          onUse={() => letGoOfWaiting(desk.getState())}
        />
      )}
      <Snag word="Dabs not taken" count={dabCount} onStep={() => goToDabs(desk)} />
      <Snag word="Colours too near" count={near} onStep={() => goToNearColours(desk)} />
      <Snag word="Openings" count={openings} onStep={() => desk.getState().chooseStage("Gaps")} />
    </ul>
  );
}

/** The tool goes into the hand, at the part that has dabs; what they claim is seen there. */
function goToDabs(desk: DeskStore): void {
  const { drawing, part, workOn, chooseStage, chooseTool } = desk.getState();
  const parts = Object.values(drawing.dabs).map(partOf);
  if (parts.length === 0) return;
  if (!parts.includes(part)) workOn(parts[0]);
  chooseStage("Flats");
  chooseTool(dabs.name);
}

/** The pairs stand in the Judge section of the Flats stage. */
function goToNearColours(desk: DeskStore): void {
  flushSync(() => {
    const { chooseStage, foldSection, showPanel } = desk.getState();
    chooseStage("Flats");
    showPanel("press", true);
    foldSection("judge", true);
  });
  const list = document.getElementById(NEAR_LIST);
  list?.scrollIntoView({ block: "nearest" });
  list?.querySelector("button")?.focus();
}

function Snag({ word, count, onStep }: { word: string; count: number; onStep: () => void }) {
  return (
    <li>
      <button
        type="button"
        onClick={onStep}
        disabled={count === 0}
        className={clsx(ROW, "disabled:text-quiet")}
      >
        <span>{word}</span>
        <span className={clsx("tabular-nums", count > 0 && "font-semibold text-ember")}>
          {count === 0 ? "none" : count}
        </span>
      </button>
    </li>
  );
}

/** What can be done about a snag in one go. */
function Remedy({ word, hint, onUse }: { word: string; hint?: string; onUse: () => void }) {
  return (
    <li>
      <Button className="my-1 w-full" title={hint} onClick={onUse}>
        {word}
      </Button>
    </li>
  );
}
