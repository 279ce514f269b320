import { Check, ChevronDown } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { showColourway } from "#core/drawing/colour-edits.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { MENU, MENU_ITEM } from "../../../ui/menu.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";

/** Which colourway is seen, where there are several. */
export function WayPicker({ onCompare }: { onCompare: () => void }) {
  const colourways = useDesk((s) => s.drawing.colourways);
  const shown = useDesk((s) => s.drawing.shown);
  const { edit } = useDeskStore().getState();
  const ways = ranked(colourways);
  if (ways.length < 2) return null;
  const name = colourways[shown]?.name ?? ways[0].name;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`Colourway: ${name}`}
        className="mx-3 mb-1 touch:mb-apart flex h-target min-w-0 items-center gap-2 rounded-md border border-edge bg-field px-2 text-left text-sm"
      >
        <span className="min-w-0 flex-1 truncate">{name}</span>
        <ChevronDown size={14} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className={MENU} align="start">
          <DropdownMenu.RadioGroup
            value={shown}
            onValueChange={(id) => edit(showColourway(id, colourways[id].name))}
          >
            {ways.map((way) => (
              <DropdownMenu.RadioItem key={way.id} value={way.id} className={MENU_ITEM}>
                <span className="flex-1">{way.name}</span>
                <DropdownMenu.ItemIndicator>
                  <Check size={14} aria-hidden />
                </DropdownMenu.ItemIndicator>
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Separator className="my-1 h-px bg-line" />
          <DropdownMenu.Item className={MENU_ITEM} onSelect={onCompare}>
            Side by side…
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
