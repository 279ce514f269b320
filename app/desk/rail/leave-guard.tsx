import { AlertDialog } from "radix-ui";
import { useEffect } from "react";
import { useBlocker } from "react-router";
import type { KeepState } from "../../keep/keeper.ts";
import type { Desk } from "../store/desk-state.ts";
import { useDesk } from "../store/use-desk.ts";

const LOST_ON_THE_WAY: readonly KeepState[] = ["full", "unavailable", "elsewhere"];

/** Whether closing the page would lose something; in memory a drawing lasts until then. */
const losesOnClosing = ({ keeping, history }: Desk): boolean =>
  keeping === "keeping" ||
  LOST_ON_THE_WAY.includes(keeping) ||
  (keeping === "memory" && history.steps.length > 0);

/** Warns before the desk is left with something that is not kept. */
export function LeaveGuard() {
  const closing = useDesk(losesOnClosing);
  const going = useDesk(({ keeping }) => LOST_ON_THE_WAY.includes(keeping));
  useEffect(() => {
    if (!closing) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [closing]);
  const blocker = useBlocker(going);
  return (
    <AlertDialog.Root open={blocker.state === "blocked"}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-50 w-104 max-w-[94vw] -translate-x-1/2 rounded-md border border-ember bg-raised p-6 shadow-xl">
          <AlertDialog.Title className="font-display text-xl">Leave what is not kept?</AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            The last changes are on this page alone. Save the drawing as a file from Deliver to have them.
          </AlertDialog.Description>
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Action
              onClick={() => blocker.proceed?.()}
              className="h-large rounded-md px-3 hover:bg-well"
            >
              Leave without them
            </AlertDialog.Action>
            <AlertDialog.Cancel
              onClick={() => blocker.reset?.()}
              className="h-large rounded-md bg-fern px-4 font-medium text-on-accent"
            >
              Stay
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
