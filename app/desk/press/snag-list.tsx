import clsx from "clsx";
import { showLength } from "#core/drawing/length.ts";
import { useDesk, useDeskStore } from "../desk-store.ts";
import { goToOpening, goToPocket, nextSnag } from "../next-snag.ts";
import { pocketCounts } from "../stats.ts";

/** What wants a look before delivery. On the Gaps stage every opening is listed with its width. */
export function SnagList() {
  const stage = useDesk((s) => s.stage);
  return (
    <section aria-labelledby="snags" className="mt-4 px-3 pb-3">
      <h2 id="snags" className="font-display text-base">
        {stage === "Gaps" ? "Openings" : "Snags"}
      </h2>
      {stage === "Gaps" ? <Openings /> : <Counts />}
    </section>
  );
}

const ROW = "flex w-full items-baseline justify-between rounded-md px-2 py-1 text-left hover:bg-well";

function Openings() {
  const openings = useDesk((s) => s.gaps.openings);
  const looseEnds = useDesk((s) => s.gaps.looseEnds.length);
  const chosen = useDesk((s) => s.chosenOpening);
  const page = useDesk((s) => s.history.drawing.page);
  const desk = useDeskStore();
  return (
    <>
      {openings.length === 0 ? (
        <p className="mt-1 px-2 text-quiet">No narrow openings. Colour will stay where you pour it.</p>
      ) : (
        <>
          <ol className="mt-1">
            {openings.map((opening, i) => (
              <li key={`${opening.at}`}>
                <button
                  type="button"
                  aria-pressed={i === chosen}
                  onClick={() => goToOpening(desk, i)}
                  className={clsx(ROW, i === chosen && "bg-ember-soft font-semibold text-ember")}
                >
                  <span>Opening {i + 1}</span>
                  <span className="tabular-nums">{showLength(page, opening.width)}</span>
                </button>
              </li>
            ))}
          </ol>
          <button
            type="button"
            onClick={() => nextSnag(desk, 1)}
            className="mt-1 h-8 w-full rounded-md border border-edge hover:bg-well"
          >
            Next opening
          </button>
        </>
      )}
      <p className="mt-2 px-2 text-xs text-quiet">
        {looseEnds} loose {looseEnds === 1 ? "end" : "ends"}, marked with squares
      </p>
    </>
  );
}

function Counts() {
  const desk = useDeskStore();
  const derived = useDesk((s) => s.derived);
  const drawing = useDesk((s) => s.history.drawing);
  const openings = useDesk((s) => s.gaps.openings.length);
  const { bare, specks } = pocketCounts({ ...desk.getState(), derived });
  void drawing;
  const step = (list: readonly number[]) => {
    const at = list.indexOf(desk.getState().walked ?? -1);
    if (list.length > 0) goToPocket(desk, list[(at + 1) % list.length]);
  };
  return (
    <ul className="mt-1">
      <Snag word="Uncoloured pockets" count={bare.length} onStep={() => step(bare)} />
      <Snag word="Specks" count={specks.length} onStep={() => step(specks)} />
      <Snag word="Openings" count={openings} onStep={() => desk.getState().set({ stage: "Gaps" })} />
    </ul>
  );
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
