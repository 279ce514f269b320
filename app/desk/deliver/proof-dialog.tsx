import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";

/** The proof that came back from the print shop stand-in. */
export function ProofDialog({ picture, onClose }: { picture: Blob | null; onClose: () => void }) {
  const address = useAddress(picture);
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
          {address && (
            <img
              src={address}
              alt="Proof of the drawing"
              className="mt-3 h-100 w-100 border border-line bg-paper object-contain"
            />
          )}
          <div className="mt-3 flex justify-end">
            <Dialog.Close className="h-large rounded-md bg-fern px-4 font-medium text-on-accent">
              Close
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** An address for a picture, for as long as it is shown. */
function useAddress(picture: Blob | null): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    if (!picture) return;
    const made = URL.createObjectURL(picture);
    setAddress(made);
    return () => {
      setAddress(null);
      URL.revokeObjectURL(made);
    };
  }, [picture]);
  return address;
}
