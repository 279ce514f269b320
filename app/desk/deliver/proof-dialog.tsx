import { Dialog } from "radix-ui";

/** The proof that came back from the print shop stand-in. */
export function ProofDialog({ picture, onClose }: { picture: string | null; onClose: () => void }) {
  return (
    <Dialog.Root open={picture !== null} onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 -translate-x-1/2 -translate-y-1/2 rounded-md border border-line bg-raised p-5 shadow-xl">
          <Dialog.Title className="font-display text-lg">Proof</Dialog.Title>
          <Dialog.Description className="max-w-md text-quiet">
            Your SVG as the print shop stand-in draws it, with an engine of its own. It should look like your
            paper.
          </Dialog.Description>
          {picture && (
            <img
              src={picture}
              alt="Proof of the drawing"
              className="mt-3 h-100 w-100 border border-line bg-white object-contain"
            />
          )}
          <div className="mt-3 flex justify-end">
            <Dialog.Close className="h-9 rounded-md bg-fern px-4 font-medium text-white">Close</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
