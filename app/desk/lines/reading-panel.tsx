import { ranked } from "#core/drawing/drawing.ts";
import { setStrict, setWalls } from "#core/drawing/edits.ts";
import { showLength } from "#core/drawing/length.ts";
import { Toggle } from "../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** What the lines are, and how their ends are read. */
export function ReadingPanel() {
  const drawing = useDesk((s) => s.drawing);
  const { edit } = useDeskStore().getState();
  const widths = ranked(drawing.strokes).map(({ width }) => width);
  return (
    <>
      <Toggle
        label="Touching ink counts as joined"
        checked={!drawing.strict}
        onChange={(joined) => edit(setStrict(!joined))}
      />
      <Toggle
        label="Hidden lines part colours"
        checked={drawing.hiddenWalls}
        onChange={(hiddenWalls) => edit(setWalls({ hiddenWalls }))}
      />
      <Toggle
        label="Edges of colour part colours"
        checked={drawing.shapeWalls}
        onChange={(shapeWalls) => edit(setWalls({ shapeWalls }))}
      />
      {widths.length > 0 && (
        <p className="text-xs text-quiet">
          Line widths {showLength(drawing.page, Math.min(...widths))} to{" "}
          {showLength(drawing.page, Math.max(...widths))}
        </p>
      )}
    </>
  );
}
