import clsx from "clsx";
import { Trash2 } from "lucide-react";
import { useMemo } from "react";
import { removeColourway, renameColourway, showColourway } from "#core/drawing/colour-edits.ts";
import type { Colourway } from "#core/drawing/drawing.ts";
import { FIRST_COLOURWAY } from "#core/drawing/start.ts";
import { inColourway } from "#core/formats/svg-tones.ts";
import { wayNames } from "#core/scene/palette.ts";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NameField } from "../../../ui/name-field.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";

/** One colourway: the drawing in it, its name; a click shows it on the desk. */
export function WayCard({ way, svg }: { way: Colourway; svg: string | null }) {
  const shown = useDesk((s) => s.drawing.shown === way.id);
  const name = useDesk((s) => wayNames(s.drawing).get(way.id) ?? "");
  const { edit } = useDeskStore().getState();
  const picture = useMemo(() => svg && dataUrl(inColourway(svg, name)), [svg, name]);
  return (
    <li
      className={clsx(
        "flex min-h-0 min-w-0 flex-col rounded-md border bg-raised",
        shown ? "border-fern shadow-[0_0_0_1px_var(--color-fern)]" : "border-line",
      )}
    >
      <button
        type="button"
        aria-pressed={shown}
        aria-label={`Show ${way.name}`}
        onClick={() => edit(showColourway(way.id, way.name))}
        className="relative min-h-0 flex-1 rounded-t-md bg-paper"
      >
        {picture && (
          <img
            src={picture}
            alt={`The drawing in ${way.name}`}
            className="absolute inset-0 h-full w-full object-contain p-2"
          />
        )}
      </button>
      <div className="flex items-center gap-1 border-t border-line px-2 py-1 touch:gap-apart touch:py-apart">
        <NameField
          label={`Name of ${way.name}`}
          value={way.name}
          onChange={(next) => edit(renameColourway(way.id, next))}
          className="h-target min-w-0 flex-1 rounded border border-transparent px-1 hover:border-edge focus:border-edge"
        />
        {way.id !== FIRST_COLOURWAY && (
          <IconButton
            small
            label={`Remove ${way.name}`}
            onClick={() => edit(removeColourway(way.id, way.name))}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        )}
      </div>
    </li>
  );
}

const dataUrl = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`;
