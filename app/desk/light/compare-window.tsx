import { useMemo } from "react";
import type { SheetName } from "#core/drawing/drawing.ts";
import { withoutSheets } from "#core/formats/svg-tones.ts";
import { Window } from "../../ui/window.tsx";
import { useSceneSvg } from "../use-scene-svg.ts";

const VIEWS: readonly { readonly word: string; readonly without: readonly SheetName[] }[] = [
  { word: "Flats alone", without: ["shade", "light", "gloss"] },
  { word: "With shade", without: ["light", "gloss"] },
  { word: "With all light", without: [] },
];

/** The drawing before and after its light, side by side; it goes on changing as the desk does. */
export function CompareWindow({ onClose }: { onClose: () => void }) {
  const svg = useSceneSvg();
  return (
    <Window
      open
      large
      onClose={onClose}
      title="Before and after"
      hint="On the desk, hold F to see the flats alone, and Shift F to see them with shade."
    >
      <ul className="grid h-full min-h-0 grid-cols-3 gap-4 bg-bench p-5">
        {VIEWS.map(({ word, without }) => (
          <View key={word} word={word} svg={svg} without={without} />
        ))}
      </ul>
    </Window>
  );
}

interface ViewProps {
  readonly word: string;
  readonly svg: string | null;
  readonly without: readonly SheetName[];
}

function View({ word, svg, without }: ViewProps) {
  const picture = useMemo(
    () => svg && `data:image/svg+xml,${encodeURIComponent(withoutSheets(svg, without))}`,
    [svg, without],
  );
  return (
    <li className="flex min-h-0 min-w-0 flex-col rounded-md border border-line bg-raised">
      <div className="relative min-h-0 flex-1 rounded-t-md bg-paper">
        {picture ? (
          <img
            src={picture}
            alt={`The drawing: ${word.toLowerCase()}`}
            className="absolute inset-0 h-full w-full object-contain p-2"
          />
        ) : null}
      </div>
      <p className="border-t border-line px-3 py-2 text-center">{word}</p>
    </li>
  );
}
