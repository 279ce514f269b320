import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { HelpBook } from "../../help/help-book.tsx";
import { Button } from "../../ui/button.tsx";
import { useShowMe } from "../show-me/use-show-me.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** Help at the side of the desk, which works on beside it. */
export function HelpSheet({ onClose }: { onClose: () => void }) {
  const page = useDesk((s) => s.helpPage);
  const { openHelp } = useDeskStore().getState();
  const showMe = useShowMe();
  return (
    <Dialog.Root open modal={false} onOpenChange={(now) => !now && onClose()}>
      <Dialog.Portal container={document.querySelector<HTMLElement>(".desk")}>
        <Dialog.Content
          aria-describedby={undefined}
          onInteractOutside={(event) => event.preventDefault()}
          className="desk-help flex flex-col border-x border-line bg-raised shadow-xl"
        >
          <div className="flex h-12 shrink-0 items-center gap-3 border-b border-line pr-1 pl-5 touch:h-14">
            <Dialog.Title className="flex-1 font-display text-base">Help</Dialog.Title>
            <Dialog.Close
              aria-label="Close Help"
              className="grid h-target w-target place-items-center rounded-md hover:bg-well"
            >
              <X size={17} aria-hidden />
            </Dialog.Close>
          </div>
          <div key={page} className="min-h-0 flex-1 overflow-y-auto">
            <HelpBook page={page ?? undefined} onGo={(to) => openHelp(to ?? null)}>
              <Button
                main
                className="mb-4"
                onClick={() => {
                  onClose();
                  showMe();
                }}
              >
                Show me a first spot
              </Button>
            </HelpBook>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
