import { BookMarked, CircleQuestionMark, Footprints, Keyboard, Menu, Settings2 } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { MENU, MENU_ITEM } from "../../ui/menu.ts";
import { useShowMe } from "../show-me/use-show-me.ts";
import { useDeskStore } from "../store/use-desk.ts";

/** What is wanted seldom: versions, the sheet of keys, the choices of this device. */
export function DeskMenu() {
  const { openWindow, openHelp } = useDeskStore().getState();
  const showMe = useShowMe();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label="Desk menu"
        title="Desk menu"
        className="grid h-target w-target place-items-center rounded-md hover:bg-well"
      >
        <Menu size={18} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={6} collisionPadding={8} className={MENU}>
          <Entry icon={<Footprints size={16} aria-hidden />} onSelect={showMe}>
            Show me
          </Entry>
          <Entry icon={<CircleQuestionMark size={16} aria-hidden />} onSelect={() => openHelp(null)}>
            Help
          </Entry>
          <Entry icon={<BookMarked size={16} aria-hidden />} onSelect={() => openWindow("versions")}>
            Versions
          </Entry>
          <Entry icon={<Keyboard size={16} aria-hidden />} onSelect={() => openWindow("keys")}>
            Keys
          </Entry>
          <Entry icon={<Settings2 size={16} aria-hidden />} onSelect={() => openWindow("settings")}>
            Settings
          </Entry>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

interface EntryProps {
  readonly icon: ReactNode;
  readonly onSelect: () => void;
  readonly children: ReactNode;
}

const Entry = ({ icon, onSelect, children }: EntryProps) => (
  <DropdownMenu.Item className={MENU_ITEM} onSelect={onSelect}>
    {icon} {children}
  </DropdownMenu.Item>
);
