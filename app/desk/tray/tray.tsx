import { PanelHandle } from "../frame/panel-handle.tsx";
import { HelpButton } from "../help-button.tsx";
import { stageOf, toolOf } from "../stages/index.ts";
import { useDesk } from "../store/use-desk.ts";
import type { Tool } from "../tools/tool.ts";
import { ToolChoice } from "./tool-choice.tsx";
import { TraySettings } from "./tray-settings.tsx";
import { ViewButton } from "./view-button.tsx";

function InHand({ tool }: { tool: Tool }) {
  tool.useInHand?.();
  return null;
}

/** The tools of the stage with their settings beside them or above, near the hand; at its ends what calls the panels. */
export function Tray() {
  const rows = useDesk((s) => s.plan.tray);
  const stage = useDesk(stageOf);
  const tool = useDesk(toolOf);
  const settings = (
    <div className="flex min-w-0 flex-1 items-center gap-5">
      <TraySettings key={`${stage.name} ${tool.name}`} settings={tool.settings ?? stage.settings ?? {}} />
    </div>
  );
  return (
    <section
      aria-label="Tray"
      className="desk-tray relative z-20 flex min-w-0 flex-col justify-center border-t border-line bg-raised"
    >
      <InHand key={tool.name} tool={tool} />
      {rows === 2 && (
        <div className="desk-tray-row flex h-(--tray) items-center gap-3 px-3">
          {settings}
          <HelpButton about={`tool ${tool.name}`} />
          <ViewButton />
        </div>
      )}
      <div className="desk-tray-row flex h-(--tray) items-center gap-3 px-2">
        <PanelHandle panel="tin" />
        <ToolChoice />
        {rows === 1 ? (
          <>
            <div className="flex min-w-0 flex-1 items-center border-l border-line pl-4">{settings}</div>
            <HelpButton about={`tool ${tool.name}`} />
            <ViewButton />
          </>
        ) : (
          <span className="grow" />
        )}
        <PanelHandle panel="press" />
      </div>
    </section>
  );
}
