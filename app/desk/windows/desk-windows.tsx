import { FindWindow } from "../find/find-window.tsx";
import { SettingsWindow } from "../frame/settings-window.tsx";
import { KeySheet } from "../keys/key-sheet.tsx";
import type { KeyDesk } from "../keys/press-key.ts";
import { CompareWindow } from "../light/compare-window.tsx";
import { useDesk } from "../store/use-desk.ts";
import { ColourwaysWindow } from "../tin/colourways/colourways-window.tsx";
import { PictureWindow } from "../tin/picture/picture-window.tsx";
import { VersionsWindow } from "../versions/versions-window.tsx";
import { HelpSheet } from "./help-sheet.tsx";

const WINDOWS = {
  help: HelpSheet,
  versions: VersionsWindow,
  keys: KeySheet,
  settings: SettingsWindow,
  picture: PictureWindow,
  colourways: ColourwaysWindow,
  compare: CompareWindow,
};

/** The window that is open over the desk, whatever opened it. */
export function DeskWindows({ keyDesk }: { keyDesk: KeyDesk }) {
  const name = useDesk((s) => s.window);
  const onClose = () => keyDesk.desk.getState().openWindow(null);
  if (name === null) return null;
  if (name === "find") return <FindWindow keyDesk={keyDesk} onClose={onClose} />;
  const One = WINDOWS[name];
  return <One onClose={onClose} />;
}
