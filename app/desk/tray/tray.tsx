import clsx from "clsx";
import { Maximize, Minus, Plus } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import { IconButton } from "../../ui/icon-button.tsx";
import { TRAY_KEYS } from "../keys/key-names.ts";
import { stageOf, toolOf } from "../stages/index.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { fitPage, zoom } from "./zoom.ts";

/** The tools of the stage with their settings beside them, near the hand. */
export function Tray() {
  const stage = useDesk(stageOf);
  const tool = useDesk(toolOf);
  const desk = useDeskStore();
  const Panel = tool.Panel ?? stage.Panel;
  return (
    <section
      aria-label="Tray"
      className="desk-tray flex items-center gap-x-5 gap-y-2 border-t border-line bg-raised px-3"
    >
      <ToggleGroup.Root
        type="single"
        aria-label={`Tools for ${stage.name}`}
        value={tool.name}
        onValueChange={(value) => value && desk.getState().chooseTool(value)}
        className="flex gap-1"
      >
        {stage.tools.map(({ name, word, hint, icon: Icon }, i) => (
          <ToggleGroup.Item
            key={name}
            value={name}
            title={`${hint} (${TRAY_KEYS[i]?.toUpperCase()})`}
            className={clsx(
              "flex h-14 w-16 flex-col items-center justify-center gap-1 rounded-md border",
              tool.name === name
                ? "border-fern bg-fern-soft font-semibold text-fern"
                : "border-transparent hover:bg-well",
            )}
          >
            <Icon size={20} strokeWidth={1.8} aria-hidden />
            <span className="text-xs">{word}</span>
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <div className="desk-settings flex min-w-0 flex-1 items-center gap-5 border-l border-line pl-5">
        {Panel && <Panel />}
      </div>
      <MatSettings />
      <fieldset aria-label="Zoom" className="flex items-center">
        <IconButton label="Zoom out" onClick={() => zoom(desk, 0.8)}>
          <Minus size={16} aria-hidden />
        </IconButton>
        <ZoomFigure />
        <IconButton label="Zoom in" onClick={() => zoom(desk, 1.25)}>
          <Plus size={16} aria-hidden />
        </IconButton>
        <IconButton label="Show the whole page (0)" onClick={() => fitPage(desk)}>
          <Maximize size={16} aria-hidden />
        </IconButton>
      </fieldset>
    </section>
  );
}

const MATS = ["light", "middle", "dark"] as const;
const MAT_SWATCH = {
  light: "bg-[oklch(0.9_0.004_95)]",
  middle: "bg-[oklch(0.66_0.004_95)]",
  dark: "bg-[oklch(0.32_0.004_95)]",
};

function MatSettings() {
  const mat = useDesk((s) => s.mat);
  const { showAs } = useDeskStore().getState();
  return (
    <ToggleGroup.Root
      type="single"
      aria-label="Mat"
      value={mat}
      onValueChange={(value) => value && showAs({ mat: value as (typeof MATS)[number] })}
      className="flex gap-1"
    >
      {MATS.map((name) => (
        <ToggleGroup.Item
          key={name}
          value={name}
          aria-label={`${name} mat`}
          title={`${name} mat`}
          className={clsx(
            "grid h-7 w-6 place-items-center rounded-md",
            mat === name && "outline-2 outline-fern",
          )}
        >
          <span className={clsx("h-4 w-4 rounded-full border border-edge", MAT_SWATCH[name])} />
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** Zoom against the printed size, at the nominal 96 pixels per inch of the screen. */
function ZoomFigure() {
  const percent = useDesk(({ view, drawing }) => {
    const { page } = drawing;
    const inches = page.unit === "in" ? page.width : page.width / 25.4;
    return Math.round((100 * view.scale * page.box.width) / (inches * 96));
  });
  return <span className="w-13 text-center text-xs text-quiet tabular-nums">{percent} %</span>;
}
