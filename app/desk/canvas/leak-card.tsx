import { showLength } from "#core/drawing/length.ts";
import { plural } from "#core/words.ts";
import { toScreen } from "../../painting/view.ts";
import { Button } from "../../ui/button.tsx";
import { openingsWord, widthsOf } from "../gaps/say-leak.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const CARD = { width: 268, height: 130 };

/** Why nothing was poured, and what would close it. */
export function LeakCard() {
  const leak = useDesk((s) => s.leak);
  const view = useDesk((s) => s.view);
  const matSize = useDesk((s) => s.matSize);
  const page = useDesk((s) => s.drawing.page);
  const { bridgeLeak, forgetLeak } = useDeskStore().getState();
  if (!leak) return null;
  const { openings: found, request, part } = leak;
  const openings = found.map((opening) => ({ ...opening, part }));
  const [widest] = openings;
  const [x, y] = toScreen(view, widest?.at ?? leak.path[0]);
  const left = Math.max(8, Math.min(x + 26, matSize.width - CARD.width - 8));
  const top = Math.max(8, Math.min(y + 22, matSize.height - CARD.height - 8));
  const afterwards = request && (request.pour.kind !== "paint" || request.pour.paint) ? " and pour" : "";
  return (
    <section
      aria-label="Why colour would run out"
      style={{ left, top, width: CARD.width }}
      className="absolute z-20 rounded-md border border-ember bg-raised p-3 shadow-lg"
    >
      {widest ? (
        <>
          <p className="font-display text-base leading-tight">Colour would run out here</p>
          <p className="mt-1">
            through {openingsWord(openings)} {widthsOf(openings, page)} wide. Nothing was poured.
          </p>
        </>
      ) : (
        <>
          <p className="font-display text-base leading-tight">Open ground</p>
          <p className="mt-1">
            No narrow opening would close this. You can draw a bridge by hand on the Gaps stage.
          </p>
        </>
      )}
      <div className="mt-2.5 flex flex-wrap gap-2">
        {widest && (
          <button
            type="button"
            onClick={() => bridgeLeak(openings)}
            className="h-target rounded-md bg-ember px-3 font-medium whitespace-nowrap text-on-accent"
          >
            {plural(openings.length, "Bridge it", `Bridge all ${openings.length}`)}
            {afterwards}
          </button>
        )}
        {openings.length > 1 && (
          <Button onClick={() => bridgeLeak([widest])}>Only the {showLength(page, widest.width)}</Button>
        )}
        <button type="button" onClick={forgetLeak} className="h-target rounded-md px-2 hover:bg-well">
          Leave it
        </button>
      </div>
    </section>
  );
}
