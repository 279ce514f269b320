import { activeTool, type ToolName, useDesk } from "../desk-store.ts";
import { ArrangeSettings } from "./lines/arrange-settings.tsx";
import { BendSettings } from "./lines/bend-settings.tsx";
import { DrawSettings } from "./lines/draw-settings.tsx";
import { ReadingSettings } from "./lines/reading-settings.tsx";
import { TidySettings } from "./lines/tidy-settings.tsx";
import { TrimSettings } from "./lines/trim-settings.tsx";

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
