import { setReach } from "#core/drawing/edits.ts";
import { printed } from "#core/drawing/length.ts";
import { longestReach } from "#core/pockets/reading.ts";
import { plural } from "#core/words.ts";
import { Button } from "../../ui/button.tsx";
import { between } from "../../ui/measure.ts";
import { MeasuredRange } from "../../ui/slider-row.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import { bridgeOpenings, sortOpenings } from "../gaps/openings.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { Settings } from "../tools/tool.ts";

/** The reach with what it closes as it moves; bridges for good; bridges shown or hidden; the check ground. */
export const gapsTray: Settings = {
  Reach,
  "Bridge all openings": BridgeButton,
  "Show bridges": Bridges,
  "Check ground": CheckGround,
};

function BridgeButton() {
  const gaps = useDesk((s) => s.gaps);
  const drawing = useDesk((s) => s.drawing);
  const desk = useDeskStore();
  const { closed, open } = sortOpenings({ gaps, drawing });
  const chosen = closed.length > 0 ? closed : open;
  return (
    <Button disabled={chosen.length === 0} onClick={() => bridgeOpenings(desk.getState(), chosen)}>
      {closed.length > 0
        ? `Bridge ${plural(closed.length, "this one", `these ${closed.length}`)} for good`
        : `Bridge ${plural(open.length, "the opening", `all ${open.length || ""} openings`)}`}
    </Button>
  );
}

function Bridges() {
  const shown = useDesk((s) => s.showBridges);
  const count = useDesk((s) => Object.keys(s.drawing.bridges).length);
  const { showAs } = useDeskStore().getState();
  return (
    <Toggle
      label={`Show bridges (${count})`}
      checked={shown}
      onChange={(on) => showAs({ showBridges: on })}
    />
  );
}

/** A loud ground, on which missed whites stand out. */
export function CheckGround() {
  const checkGround = useDesk((s) => s.checkGround);
  const { showAs } = useDeskStore().getState();
  return <Toggle label="Check ground" checked={checkGround} onChange={(on) => showAs({ checkGround: on })} />;
}

/** Openings up to the reach count as closed. While it moves, the pockets it would make light up. */
function Reach() {
  const drawing = useDesk((s) => s.drawing);
  const tried = useDesk((s) => s.triedReach);
  const openings = useDesk((s) => s.gaps.openings);
  const desk = useDeskStore();
  const { page } = drawing;
  const longest = longestReach(drawing);
  const width = tried?.width ?? drawing.reach;
  const closes = openings.filter((opening) => opening.width <= width).length;
  const choose = (share: number) => {
    const { tryReach } = desk.getState();
    void tryReach(share * longest);
  };
  return (
    <div className="w-56">
      <p className="flex justify-between gap-2 text-xs whitespace-nowrap">
        <span>Reach{width > 0 ? ` in ${page.unit}` : " off"}</span>
        <span className="text-quiet tabular-nums" data-testid="reach-count">
          {tried ? `${closes} closed, ${tried.fresh} new` : `${closes} of ${openings.length} closed`}
        </span>
      </p>
      <MeasuredRange
        label="Reach"
        measure={between(0, printed(page, longest), page.unit, 2)}
        value={width / longest}
        onChange={choose}
        onDone={(share) => desk.getState().edit(setReach(share * longest))}
      />
    </div>
  );
}
