import clsx from "clsx";
import { Copy } from "lucide-react";
import { valuesIn } from "#core/colour/colourways.ts";
import { addColourway } from "#core/drawing/colour-edits.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { newId } from "#core/drawing/new-id.ts";
import { Button } from "../../../ui/button.tsx";
import { Window } from "../../../ui/window.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { useSceneSvg } from "../../use-scene-svg.ts";
import { TurnPanel } from "./turn-panel.tsx";
import { WayCard } from "./way-card.tsx";

/** All colourways side by side, the drawing in each; the one that is seen can be turned as a whole. */
export function ColourwaysWindow({ onClose }: { onClose: () => void }) {
  const desk = useDeskStore();
  const colourways = useDesk((s) => s.drawing.colourways);
  const shown = useDesk((s) => s.drawing.shown);
  const svg = useSceneSvg();
  const ways = ranked(colourways);
  const current = colourways[shown];
  const copy = () => {
    const { drawing, edit } = desk.getState();
    edit(addColourway(newId(), `Colourway ${ways.length + 1}`, valuesIn(drawing)));
  };
  return (
    <Window
      open
      large
      onClose={() => {
        desk.getState().keep();
        onClose();
      }}
      title="Colourways"
      hint="The same names with other values. Click one to see it on the desk; C steps through them there."
    >
      <div className="grid h-full grid-cols-[1fr_17rem]">
        <ul
          className={clsx(
            "grid min-h-0 auto-rows-fr gap-4 overflow-y-auto bg-bench p-5",
            columns(ways.length),
          )}
        >
          {ways.map((way) => (
            <WayCard key={way.id} way={way} svg={svg} />
          ))}
        </ul>
        <div className="grid content-start gap-5 border-l border-line p-4">
          <Button main size="large" onClick={copy}>
            <Copy size={15} aria-hidden /> <span className="truncate">Copy {current?.name}</span>
          </Button>
          <TurnPanel key={shown} />
          <p className="text-xs text-quiet">
            One colour alone: close this and change it in the tin, while its colourway is seen.
          </p>
        </div>
      </div>
    </Window>
  );
}

const columns = (count: number): string =>
  count < 2 ? "grid-cols-1" : count < 5 ? "grid-cols-2" : "grid-cols-3";
