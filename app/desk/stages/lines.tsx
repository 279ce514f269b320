import { activeTool, type ToolName, useDesk } from "../store/desk-store.ts";
import { ArrangeSettings } from "../tools/arrange/arrange-panel.tsx";
import { BendSettings } from "../tools/bend/bend-panel.tsx";
import { DrawSettings } from "../tools/draw/draw-panel.tsx";
import { ReadingSettings } from "../lines/reading-settings.tsx";
import { TidySettings } from "../tools/tidy/tidy-panel.tsx";
import { TrimSettings } from "../tools/trim/trim-panel.tsx";

const SETTINGS: Partial<Record<ToolName, () => React.ReactNode>> = {
  draw: DrawSettings,
  tidy: TidySettings,
  trim: TrimSettings,
  bend: BendSettings,
  arrange: ArrangeSettings,
};

/** The settings of the chosen line tool. */
export function LinesSettings() {
  const tool = useDesk(activeTool);
  const Settings = SETTINGS[tool] ?? ReadingSettings;
  return <Settings />;
}
