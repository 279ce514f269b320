import { Trash2 } from "lucide-react";
import { useState } from "react";
import { removeColour } from "#core/drawing/colour-edits.ts";
import { type Colour, ranked } from "#core/drawing/drawing.ts";
import { plural } from "#core/words.ts";
import { Button } from "../../ui/button.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const EMPTY = "";

/** Takes a colour away at once when nothing is painted in it, otherwise by saying what becomes of its places. */
export function Removal({ colour, uses }: { colour: Colour; uses: number }) {
  const tin = useDesk((s) => s.drawing.tin);
  const inks = useDesk((s) => s.drawing.ink.colour === colour.id);
  const { edit, takePaint } = useDeskStore().getState();
  const others = ranked(tin).filter(({ id }) => id !== colour.id);
  const [by, setBy] = useState(others[0]?.id);
  const fate = by === EMPTY && !inks ? null : (others.find(({ id }) => id === by) ?? others[0])?.id;
  if (fate === undefined) return <p className="text-xs text-quiet">The last colour of the tin stays.</p>;
  const remove = () => {
    takePaint({ colour: fate ?? others[0].id, step: 0 });
    edit(removeColour(colour.id, colour.name, fate));
  };
  return (
    <div className="grid grid-cols-1 gap-2 border-t border-line pt-3">
      {uses > 0 && (
        <label className="grid gap-1 text-xs text-quiet">
          {plural(uses, "Its place is", `Its ${uses} places are`)} then
          <select
            value={fate ?? EMPTY}
            onChange={(event) => setBy(event.target.value)}
            className="h-target min-w-0 rounded-md border border-edge bg-field px-1 text-sm text-text"
          >
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            {!inks && <option value={EMPTY}>empty</option>}
          </select>
        </label>
      )}
      <Button onClick={remove}>
        <Trash2 size={14} aria-hidden />
        <span className="truncate">Remove {colour.name}</span>
      </Button>
    </div>
  );
}
