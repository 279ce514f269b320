import { Plus } from "lucide-react";
import { type KeyboardEvent, useState } from "react";
import { addColour, orderTin } from "#core/drawing/colour-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { IconButton } from "../../ui/icon-button.tsx";
import { SortedList } from "../../ui/sorted-list.tsx";
import { HelpButton } from "../help-button.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { WayPicker } from "./colourways/way-picker.tsx";
import { Frond } from "./frond.tsx";
import { GroupHeader } from "./group-header.tsx";
import { shownTin } from "./shown-tin.ts";
import { TinMenu } from "./tin-menu.tsx";
import { movedTo, rowsOf } from "./tin-rows.ts";
import { Well } from "./well.tsx";

/** Up and down go to the same button of the colour above or below. */
function stepThrough(event: KeyboardEvent<HTMLUListElement>): void {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  const button = (event.target as Element).closest("[data-well-button]");
  if (!by || !button) return;
  event.preventDefault();
  event.stopPropagation();
  const kind = button.getAttribute("data-well-button");
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>(`[data-well-button="${kind}"]`)];
  all[all.indexOf(button as HTMLElement) + by]?.focus();
}

const NEW_COLOUR = "#9fb3a2";

/** The drawing's colours: round wells in groups and an order of one's own, the chosen one unrolled into its ladder. */
export function TinPanel() {
  const tin = useDesk(shownTin);
  const rows = rowsOf(tin);
  const chosen = useDesk((s) => s.paint.colour);
  /** The one colour that Tab stops at: arrows step to the others. */
  const reached = Object.hasOwn(tin, chosen) ? chosen : rows.find(({ kind }) => kind === "colour")?.id;
  /** The colour that was added last: its name is written at once. */
  const [fresh, setFresh] = useState<string | null>(null);
  const desk = useDeskStore();
  const { edit, takePaint, openWindow } = desk.getState();
  const add = () => {
    const id = newId();
    edit(addColour(id, `Colour ${Object.keys(tin).length + 1}`, NEW_COLOUR));
    takePaint({ colour: id, step: 0 });
    setFresh(id);
  };
  return (
    <section aria-labelledby="tin" className="desk-tin flex min-h-0 flex-col border-r border-line bg-bench">
      <div className="flex items-center gap-apart px-3 pt-1.5 pb-1 touch:py-apart">
        <h2 id="tin" className="flex-1 font-display text-base">
          Tin
        </h2>
        <IconButton small label="Add a colour" onClick={add}>
          <Plus size={16} aria-hidden />
        </IconButton>
        <HelpButton small about="panel tin" />
        <TinMenu onPicture={() => openWindow("picture")} onColourways={() => openWindow("colourways")} />
      </div>
      <WayPicker onCompare={() => openWindow("colourways")} />
      <div className="min-h-0 flex-1 overflow-y-auto px-2 pb-2">
        <SortedList
          id="tin-order"
          rows={rows.map((row) => ({ id: row.id, name: row.kind === "colour" ? row.colour.name : row.name }))}
          onMove={(id, to) => edit(orderTin(movedTo(rows, id, to)))}
        >
          <ul className="grid touch:gap-apart" onKeyDown={stepThrough}>
            {rows.map((row) =>
              row.kind === "colour" ? (
                <Well
                  key={row.id}
                  colour={row.colour}
                  chosen={row.id === chosen}
                  reached={row.id === reached}
                  isNew={row.id === fresh}
                />
              ) : (
                <GroupHeader key={row.id} id={row.id} name={row.name} />
              ),
            )}
          </ul>
        </SortedList>
      </div>
      <Frond />
    </section>
  );
}
