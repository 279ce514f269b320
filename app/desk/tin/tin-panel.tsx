import { Plus } from "lucide-react";
import { useState } from "react";
import { addColour, orderTin } from "#core/drawing/colour-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { IconButton } from "../../ui/icon-button.tsx";
import { SortedList } from "../../ui/sorted-list.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { ColourwaysWindow } from "./colourways/colourways-window.tsx";
import { WayPicker } from "./colourways/way-picker.tsx";
import { Frond } from "./frond.tsx";
import { GroupHeader } from "./group-header.tsx";
import { PictureWindow } from "./picture/picture-window.tsx";
import { shownTin } from "./shown-tin.ts";
import { TinMenu } from "./tin-menu.tsx";
import { movedTo, rowsOf } from "./tin-rows.ts";
import { Well } from "./well.tsx";

const NEW_COLOUR = "#9fb3a2";

/** The drawing's colours: round wells in groups and an order of one's own, the chosen one unrolled into its ladder. */
export function TinPanel() {
  const tin = useDesk(shownTin);
  const rows = rowsOf(tin);
  const [open, setOpen] = useState<"picture" | "colourways" | null>(null);
  const chosen = useDesk((s) => s.paint.colour);
  /** The colour that was added last: its name is written at once. */
  const [fresh, setFresh] = useState<string | null>(null);
  const desk = useDeskStore();
  const { edit, takePaint } = desk.getState();
  const add = () => {
    const id = newId();
    edit(addColour(id, `Colour ${Object.keys(tin).length + 1}`, NEW_COLOUR));
    takePaint({ colour: id, step: 0 });
    setFresh(id);
  };
  return (
    <section aria-labelledby="tin" className="desk-tin flex min-h-0 flex-col bg-bench">
      <div className="flex items-center px-3 pt-3 pb-1">
        <h2 id="tin" className="flex-1 font-display text-base">
          Tin
        </h2>
        <IconButton small label="Add a colour" onClick={add}>
          <Plus size={16} aria-hidden />
        </IconButton>
        <TinMenu onPicture={() => setOpen("picture")} onColourways={() => setOpen("colourways")} />
      </div>
      <WayPicker onCompare={() => setOpen("colourways")} />
      <div className="min-h-0 flex-1 overflow-y-auto px-2 pb-2">
        <SortedList
          id="tin-order"
          rows={rows.map((row) => ({ id: row.id, name: row.kind === "colour" ? row.colour.name : row.name }))}
          onMove={(id, to) => edit(orderTin(movedTo(rows, id, to)))}
        >
          <ul>
            {rows.map((row) =>
              row.kind === "colour" ? (
                <Well key={row.id} colour={row.colour} chosen={row.id === chosen} isNew={row.id === fresh} />
              ) : (
                <GroupHeader key={row.id} id={row.id} name={row.name} />
              ),
            )}
          </ul>
        </SortedList>
      </div>
      <Frond />
      {open === "picture" && <PictureWindow onClose={() => setOpen(null)} />}
      {open === "colourways" && <ColourwaysWindow onClose={() => setOpen(null)} />}
    </section>
  );
}
