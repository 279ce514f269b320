import { ranked } from "#core/drawing/drawing.ts";
import { setStrict, setWalls } from "#core/drawing/edits.ts";
import { showLength } from "#core/drawing/length.ts";
import { Hint } from "../../ui/hint.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { Settings } from "../tools/tool.ts";

/** How the ends of lines are read, and what else parts colours. */
export const readingTray: Settings = {
  "Touching ink counts as joined": Joining,
  "Hidden lines part colours": HiddenWalls,
  "Edges of colour part colours": ShapeWalls,
  hint: Widths,
};

function Joining() {
  const strict = useDesk((s) => s.drawing.strict);
  const { edit } = useDeskStore().getState();
  return (
    <Toggle
      label="Touching ink counts as joined"
      checked={!strict}
      onChange={(joined) => edit(setStrict(!joined))}
    />
  );
}

function HiddenWalls() {
  const hiddenWalls = useDesk((s) => s.drawing.hiddenWalls);
  const { edit } = useDeskStore().getState();
  return (
    <Toggle
      label="Hidden lines part colours"
      checked={hiddenWalls}
      onChange={(next) => edit(setWalls({ hiddenWalls: next }))}
    />
  );
}

function ShapeWalls() {
  const shapeWalls = useDesk((s) => s.drawing.shapeWalls);
  const { edit } = useDeskStore().getState();
  return (
    <Toggle
      label="Edges of colour part colours"
      checked={shapeWalls}
      onChange={(next) => edit(setWalls({ shapeWalls: next }))}
    />
  );
}

function Widths() {
  const strokes = useDesk((s) => s.drawing.strokes);
  const page = useDesk((s) => s.drawing.page);
  const widths = ranked(strokes).map(({ width }) => width);
  if (widths.length === 0) return null;
  return (
    <Hint>
      Line widths {showLength(page, Math.min(...widths))} to {showLength(page, Math.max(...widths))}
    </Hint>
  );
}
