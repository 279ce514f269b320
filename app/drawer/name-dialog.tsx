import { Dialog } from "radix-ui";
import { type FormEvent, useRef } from "react";
import { Button } from "../ui/button.tsx";

interface Props {
  readonly open: boolean;
  readonly title: string;
  readonly name: string;
  readonly onClose: () => void;
  readonly onName: (name: string) => void;
}

/** Asks for a name. */
export function NameDialog({ open, title, name, onClose, onName }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const given = field.current?.value.trim();
    if (given) onName(given);
    onClose();
  };
  return (
    <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/3 left-1/2 z-50 w-90 -translate-x-1/2 rounded-md border border-line bg-raised p-5 shadow-xl"
        >
          <Dialog.Title className="font-display text-lg">{title}</Dialog.Title>
          <form onSubmit={submit} className="mt-3 flex flex-col gap-4">
            <input
              ref={field}
              aria-label="Name"
              defaultValue={name}
              maxLength={80}
              onFocus={(event) => event.target.select()}
              className="h-large rounded-md border border-edge bg-field px-3"
            />
            <div className="flex justify-end gap-2">
              <button type="button" onClick={onClose} className="h-large rounded-md px-3 hover:bg-well">
                Cancel
              </button>
              <Button main size="large" type="submit">
                Save
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
