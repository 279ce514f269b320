/** What the menu at the pointer offers on a stage. */
import type { DeskStore } from "../store/desk-state.ts";
import type { Press } from "../tools/tool.ts";

export interface MenuEntry {
  readonly word: string;
  /** The keys that do the same. */
  readonly keys?: string;
  readonly act: () => void;
  /** Whether a rule separates it from the entries above. */
  readonly parted?: true;
}

export interface StageMenu {
  /** Chooses what the menu is to be for from what lies where it opens. */
  readonly aim: (press: Press) => void;
  /** Entries for what is chosen now. */
  readonly entries: (desk: DeskStore) => readonly MenuEntry[];
}
