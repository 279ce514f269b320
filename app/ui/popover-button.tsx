import { Popover } from "radix-ui";
import type { ReactNode } from "react";

interface Props {
  readonly label: string;
  readonly icon: ReactNode;
  /** What is seen beside the icon; the label where left out. */
  readonly word?: ReactNode;
  readonly children: ReactNode;
}

/** A button of the tray whose settings open above it. */
export const PopoverButton = ({ label, icon, word = label, children }: Props) => (
  <Popover.Root>
    <Popover.Trigger
      aria-label={label}
      className="flex h-large items-center gap-2 rounded-md border border-edge px-2.5 whitespace-nowrap hover:bg-well data-[state=open]:bg-fern-soft"
    >
      {icon} {word}
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        side="top"
        sideOffset={8}
        collisionPadding={8}
        aria-label={label}
        className="z-40 max-h-(--radix-popper-available-height) w-96 max-w-[calc(100vw-1rem)] overflow-y-auto rounded-md border border-line bg-raised p-4 shadow-xl"
      >
        {children}
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);
