import { ContextMenu } from "radix-ui";
import { Fragment, type ReactNode } from "react";
import { MENU, MENU_ITEM } from "../../ui/menu.ts";
import { stageOf } from "../stages/index.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** The menu at the pointer, for what the stage has chosen. */
export function PaperMenu({ onOpen, children }: { onOpen: () => void; children: ReactNode }) {
  return (
    <ContextMenu.Root onOpenChange={(open) => open && onOpen()}>
      <ContextMenu.Trigger asChild>{children}</ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content
          className={MENU}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            document.getElementById("paper")?.focus({ preventScroll: true });
          }}
        >
          <Entries />
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  );
}

/** Made when the menu opens. */
function Entries() {
  const entries = useDesk(stageOf).menu?.entries(useDeskStore()) ?? [];
  if (entries.length === 0)
    return (
      <ContextMenu.Item disabled className={MENU_ITEM}>
        Nothing is chosen here
      </ContextMenu.Item>
    );
  return entries.map(({ word, keys, act, parted }) => (
    <Fragment key={word}>
      {parted && <ContextMenu.Separator className="my-1 h-px bg-line" />}
      <ContextMenu.Item className={MENU_ITEM} onSelect={act}>
        <span className="grow">{word}</span>
        {keys && <span className="ml-6 text-xs text-quiet">{keys}</span>}
      </ContextMenu.Item>
    </Fragment>
  ));
}
