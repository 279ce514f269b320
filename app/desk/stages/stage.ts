/** A stage of the work: one file each, named in one list (stages/index.ts). */

import type { KeyPress } from "../keys/key-names.ts";
import type { PressSection } from "../press/section.ts";
import type { Desk, DeskStore, StageName } from "../store/desk-state.ts";
import type { Settings, Tool } from "../tools/tool.ts";
import type { StageMenu } from "./menu.ts";

export interface Stage {
  readonly name: StageName;
  /** On the tray, from left to right; the first is in the hand to begin with. */
  readonly tools: readonly Tool[];
  /** Its live figure on the rail. */
  readonly figure: (desk: Desk) => string;
  /** What keys do on the paper, in a sentence. */
  readonly keys: string;
  /** Settings beside its tools, where a tool has none of its own. */
  readonly settings?: Settings;
  /** What stands in the press, the most wanted first. */
  readonly sections: readonly PressSection[];
  /** What the other end of a pen does. */
  readonly rub?: Tool;
  /** What the menu at the pointer offers. */
  readonly menu?: StageMenu;
  /** Takes the view to the next thing that wants a look, or the one before. */
  readonly nextSnag: (desk: DeskStore, by: number) => void;
  /** Whether a key that the tool does not know meant something to the stage. */
  readonly key?: (desk: DeskStore, event: KeyPress) => boolean;
}
