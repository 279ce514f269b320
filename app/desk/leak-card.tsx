import { showLength } from "#core/drawing/length.ts";
import { useDesk, useDeskStore } from "./desk-store.ts";
import { bridgeEdit } from "./openings.ts";
import { toScreen } from "./view.ts";

const CARD = { width: 268, height: 130 };

/** Why nothing was poured, and what would close it. */
export function LeakCard() {
  const leak = useDesk((s) => s.leak);
  const view = useDesk((s) => s.view);
  const matSize = useDesk((s) => s.matSize);
  const page = useDesk((s) => s.history.drawing.page);
  const { edit, set } = useDeskStore().getState();
  if (!leak) return null;
  const [narrowest] = leak.openings;
  const [x, y] = toScreen(view, narrowest?.at ?? leak.path[0]);
  const left = Math.max(8, Math.min(x + 26, matSize.width - CARD.width - 8));
  const top = Math.max(8, Math.min(y + 22, matSize.height - CARD.height - 8));
  const bridge = (count: number) => {
    edit(bridgeEdit(leak.openings.slice(0, count)));
    set({ leak: null });
  };
  return (
    <section
      aria-label="Why colour would run out"
      style={{ left, top, width: CARD.width }}
      className="absolute z-10 rounded-md border border-ember bg-raised p-3 shadow-lg"
    >
      {narrowest ? (
        <>
          <p className="font-display text-base leading-tight">Colour would run out here</p>
          <p className="mt-1">
            {leak.openings.length === 1
              ? `through an opening ${showLength(page, narrowest.width)} wide.`
              : `through ${leak.openings.length} openings; the narrowest on the way is ${showLength(page, narrowest.width)} wide.`}{" "}
            Nothing was poured.
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
      <div className="mt-2.5 flex gap-2">
        {narrowest && (
          <button
            type="button"
            onClick={() => bridge(leak.openings.length)}
            className="h-8 rounded-md bg-ember px-3 font-medium text-white"
          >
            {leak.openings.length === 1 ? "Bridge it" : `Bridge all ${leak.openings.length}`}
          </button>
        )}
        {leak.openings.length > 1 && (
          <button type="button" onClick={() => bridge(1)} className="h-8 rounded-md border border-edge px-3">
            Only the narrowest
          </button>
        )}
        <button
          type="button"
          onClick={() => set({ leak: null })}
          className="h-8 rounded-md px-2 hover:bg-well"
        >
          Leave it
        </button>
      </div>
    </section>
  );
}
