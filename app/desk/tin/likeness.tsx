import { Merge } from "lucide-react";
import { apart } from "#core/colour/oklch.ts";
import { removeColour } from "#core/drawing/colour-edits.ts";
import { type Colour, ranked } from "#core/drawing/drawing.ts";
import { Button } from "../../ui/button.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { shownTin } from "./shown-tin.ts";

/** Below this no eye tells two colours apart. */
const SAME = 1;

/** Says which colours have the same name or look the same, and merges two of them. */
export function Likeness({ colour }: { colour: Colour }) {
  const tin = useDesk(shownTin);
  const { edit, takePaint } = useDeskStore().getState();
  const others = ranked(tin).filter(({ id }) => id !== colour.id);
  const namesake = others.some(({ name }) => name.toLowerCase() === colour.name.toLowerCase());
  const like = others.find(({ value }) => apart(value, colour.value) < SAME);
  const merge = (into: Colour) => {
    takePaint({ colour: into.id, step: 0 });
    edit({
      ...removeColour(colour.id, colour.name, into.id),
      label: `Merge ${colour.name} into ${into.name}`,
    });
  };
  return (
    <div role="status" className="grid gap-1 text-xs text-ember empty:hidden">
      {namesake && <p>Another colour has this name too.</p>}
      {like && (
        <div className="flex items-center gap-2">
          <p className="flex-1">{like.name} looks the same.</p>
          <Button size="small" onClick={() => merge(like)}>
            <Merge size={13} aria-hidden /> Make one of them
          </Button>
        </div>
      )}
    </div>
  );
}
