import clsx from "clsx";
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  /** What it is for, in a sentence. */
  readonly hint?: string;
  /** Nearly as large as the page. */
  readonly large?: boolean;
  readonly children: ReactNode;
}

/** A window over the page, with its title and a way out. */
export function Window({ open, onClose, title, hint, large, children }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content
          {...(hint ? {} : { "aria-describedby": undefined })}
          className={clsx(
            "fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] -translate-x-1/2 -translate-y-1/2 flex-col rounded-md border border-line bg-raised shadow-xl",
            large ? "h-[92vh] w-[min(1180px,95vw)]" : "w-[min(560px,95vw)]",
          )}
        >
          <div className="flex items-start gap-3 border-b border-line px-6 py-4">
            <div className="min-w-0 flex-1">
              <Dialog.Title className="truncate font-display text-xl">{title}</Dialog.Title>
              {hint && <Dialog.Description className="mt-0.5 text-sm text-quiet">{hint}</Dialog.Description>}
            </div>
            <Dialog.Close
              aria-label="Close"
              className="grid h-target w-target shrink-0 place-items-center rounded-md hover:bg-well"
            >
              <X size={17} aria-hidden />
            </Dialog.Close>
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
