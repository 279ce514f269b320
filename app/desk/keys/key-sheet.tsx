import { Keyboard, X } from "lucide-react";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { KEYS } from "./keys.ts";

/** All keys on one sheet. */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "?" && !(event.target instanceof HTMLInputElement)) setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label="Keys (?)"
        title="Keys (?)"
        className="ml-2 grid h-8 w-8 place-items-center rounded-md hover:bg-well"
      >
        <Keyboard size={17} aria-hidden />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[560px] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-md border border-line bg-raised p-6 shadow-xl"
        >
          <Dialog.Title className="font-display text-xl">Keys</Dialog.Title>
          <dl className="mt-4 grid grid-cols-2 gap-x-8 gap-y-2">
            {KEYS.map(({ keys, does }) => (
              <div key={does} className="flex items-baseline justify-between gap-3 border-b border-line pb-1">
                <dt>{does}</dt>
                <dd className="font-medium whitespace-nowrap">{keys}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close
            aria-label="Close"
            className="absolute top-4 right-4 grid h-8 w-8 place-items-center rounded-md hover:bg-well"
          >
            <X size={17} aria-hidden />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
