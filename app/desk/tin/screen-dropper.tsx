import { Pipette } from "lucide-react";
import { IconButton } from "../../ui/icon-button.tsx";

interface Dropper {
  open(): Promise<{ readonly sRGBHex: string }>;
}

const Browser = globalThis as { readonly EyeDropper?: new () => Dropper };

/** Picks any colour of the screen, where the browser can. */
export function ScreenDropper({ onPick }: { onPick: (value: string) => void }) {
  const { EyeDropper } = Browser;
  if (!EyeDropper) return null;
  const pick = async () => {
    // It rejects when the person thinks better of it.
    const picked = await new EyeDropper().open().catch(() => null);
    if (picked) onPick(picked.sRGBHex);
  };
  return (
    <IconButton label="Take a colour from the screen" onClick={() => void pick()}>
      <Pipette size={16} aria-hidden />
    </IconButton>
  );
}
