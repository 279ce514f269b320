import { Trash2 } from "lucide-react";
import { BLENDS, type Blend } from "#core/drawing/drawing.ts";
import { changeShade, removeShade } from "#core/drawing/edits.ts";
import { IconButton } from "../../../ui/icon-button.tsx";
import { Range } from "../../../ui/range.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { shade } from "./shade-state.ts";

/** Blend and opacity of the next shade, or of the chosen one. */
export function ShadePanel() {
  const chosen = useDesk((s) => (s.chosenShade ? s.drawing.shades[s.chosenShade] : undefined));
  const settings = useDesk(shade.settings);
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  const { blend, opacity } = chosen ?? settings;
  const change = (next: { blend?: Blend; opacity?: number }, make = edit) => {
    shade.change(desk, next);
    if (chosen) make(changeShade(chosen.id, next));
  };
  return (
    <>
      <p className="w-24 text-xs leading-tight text-quiet">
        {chosen ? "The chosen shade" : "The next shade"}
      </p>
      <label className="flex items-center gap-2">
        Blend
        <select
          value={blend}
          onChange={(event) => change({ blend: event.target.value as Blend })}
          className="h-8 rounded-md border border-edge bg-white px-2"
        >
          {BLENDS.map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <div className="flex items-center gap-2">
        <span>Opacity</span>
        <Range
          label="Opacity of the shade"
          value={opacity}
          onChange={(value) => change({ opacity: value }, show)}
          onDone={keep}
        />
        <span className="w-10 whitespace-nowrap tabular-nums">{Math.round(opacity * 100)} %</span>
      </div>
      {chosen && (
        <IconButton label="Remove this shade" onClick={() => edit(removeShade(chosen.id))}>
          <Trash2 size={16} aria-hidden />
        </IconButton>
      )}
    </>
  );
}
