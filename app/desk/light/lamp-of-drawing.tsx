import { Copy } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { setLamp } from "#core/drawing/light-edits.ts";
import { openDrawing } from "../../keep/shelf.ts";
import { MENU } from "../../ui/menu.ts";
import { OtherDrawings } from "../other-drawings.tsx";
import type { DeskStore } from "../store/desk-state.ts";
import { useDeskStore } from "../store/use-desk.ts";

/** Several drawings are lit alike: the lamp of another one stands here. */
export function LampOfDrawing() {
  const desk = useDeskStore();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label="Take the lamp of another drawing"
        title="Take the lamp of another drawing"
        className="grid h-small w-small place-items-center rounded-md hover:bg-well"
      >
        <Copy size={15} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          sideOffset={8}
          collisionPadding={8}
          className={`${MENU} max-h-80 overflow-y-auto`}
        >
          <OtherDrawings onChoose={(id) => void takeLamp(desk, id)} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

async function takeLamp(desk: DeskStore, id: string): Promise<void> {
  const opened = await openDrawing(id).catch(() => undefined);
  const { edit, tell } = desk.getState();
  if (opened) edit(setLamp(opened.history.drawing.lamp));
  else tell("That drawing could not be opened. The lamp is where it was.");
}
