import { useEffect } from "react";
import { asideFile } from "../../keep/mend.ts";
import { downloadFile } from "../../ui/download.ts";
import { useNotice } from "../../ui/notices.tsx";
import { useDesk } from "../store/use-desk.ts";

/** Tells once what of a drawing had gone bad in storage, and offers it as a file. */
export function LostSign() {
  const id = useDesk((s) => s.id);
  const name = useDesk((s) => s.drawing.name);
  const lost = useDesk((s) => s.lost);
  const tell = useNotice();
  useEffect(() => {
    if (lost === null) return;
    const run = async () => {
      const text = await asideFile(id);
      if (text) downloadFile(new Blob([text], { type: "application/json" }), `${name} as it was stored.json`);
    };
    tell(
      `Some of this drawing had gone bad in the browser’s storage (${lost}). It is open as far as it can be read; what was stored is kept aside.`,
      { tone: "warn", action: { label: "Save it as a file", run: () => void run() } },
    );
  }, [id, name, lost, tell]);
  return null;
}
