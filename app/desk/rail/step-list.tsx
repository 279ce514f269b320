import { History } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const ITEM =
  "block w-full cursor-default truncate rounded px-3 py-1 outline-none data-[highlighted]:bg-well data-[state=checked]:bg-fern-soft data-[state=checked]:font-semibold";

/** Every step by name, the newest first; choosing one goes back or forth to just after it. */
export function StepList() {
  const steps = useDesk((s) => s.history.steps);
  const cursor = useDesk((s) => s.history.cursor);
  const { goTo } = useDeskStore().getState();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label="Steps to go back to"
        title="Steps to go back to"
        data-done={cursor}
        disabled={steps.length === 0}
        className="grid h-target w-target place-items-center rounded-md hover:bg-well disabled:opacity-35"
      >
        <History size={17} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="bottom"
          sideOffset={6}
          collisionPadding={8}
          className="z-40 max-h-[60vh] w-64 overflow-y-auto rounded-md border border-line bg-raised p-1 shadow-xl"
        >
          <DropdownMenu.RadioGroup value={String(cursor)} onValueChange={(value) => goTo(Number(value))}>
            {steps
              .map(({ label }, i) => ({ label, cursor: i + 1 }))
              .reverse()
              .map((step) => (
                <DropdownMenu.RadioItem
                  key={step.cursor}
                  value={String(step.cursor)}
                  className={`${ITEM} ${step.cursor > cursor ? "text-quiet" : ""}`}
                >
                  {step.label}
                </DropdownMenu.RadioItem>
              ))}
            <DropdownMenu.RadioItem value="0" className={ITEM}>
              As it began
            </DropdownMenu.RadioItem>
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
