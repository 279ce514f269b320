import clsx from "clsx";
import { ChevronUp } from "lucide-react";
import { DropdownMenu, ToggleGroup } from "radix-ui";
import { MENU, MENU_ITEM } from "../../ui/menu.ts";
import { TRAY_KEYS } from "../keys/key-names.ts";
import { stageOf, toolOf } from "../stages/index.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** The tools of the stage: side by side, or the one in the hand, which opens the others. */
export function ToolChoice() {
  const inRow = useDesk((s) => s.plan.tools === "row");
  return inRow ? <ToolRow /> : <ToolMenu />;
}

function ToolRow() {
  const stage = useDesk(stageOf);
  const tool = useDesk(toolOf);
  const { chooseTool } = useDeskStore().getState();
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={`Tools for ${stage.name}`}
      value={tool.name}
      onValueChange={(value) => value && chooseTool(value)}
      className="flex min-w-0 gap-0.5 touch:gap-apart"
    >
      {stage.tools.map(({ name, word, hint, icon: Icon }, i) => (
        <ToggleGroup.Item
          key={name}
          value={name}
          data-tool={name}
          title={`${hint} (${TRAY_KEYS[i]?.toUpperCase()})`}
          className={clsx(
            "flex h-13 w-14 flex-col items-center justify-center gap-0.5 rounded-md border",
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
  );
}

function ToolMenu() {
  const stage = useDesk(stageOf);
  const { name, word, icon: Icon } = useDesk(toolOf);
  const { chooseTool } = useDeskStore().getState();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`Tool: ${word}`}
        data-tool-menu
        className="flex h-13 flex-1 items-center justify-center gap-2 rounded-md border border-fern bg-fern-soft px-3 font-semibold text-fern"
      >
        <Icon size={20} strokeWidth={1.8} aria-hidden /> {word} <ChevronUp size={15} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          sideOffset={8}
          collisionPadding={8}
          aria-label={`Tools for ${stage.name}`}
          className={MENU}
        >
          <DropdownMenu.RadioGroup value={name} onValueChange={chooseTool}>
            {stage.tools.map((tool) => (
              <DropdownMenu.RadioItem key={tool.name} value={tool.name} className={MENU_ITEM}>
                <tool.icon size={18} aria-hidden /> {tool.word}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
