import { useEffect } from "react";
import { sayMended } from "#core/drawing/say-repairs.ts";
import { asideFile } from "../../keep/mend.ts";
import { downloadFile } from "../../ui/download.ts";
import { useNotice } from "../../ui/notices.tsx";
import { useDesk } from "../store/use-desk.ts";

/** Reports what was damaged in storage, until the person has saved the stored original as a file. */
export function LostSign() {
  const id = useDesk((s) => s.id);
  const name = useDesk((s) => s.drawing.name);
  const mended = useDesk((s) => s.mended);
  const tell = useNotice();
  useEffect(() => {
    if (mended === null) return;
    const run = async () => {
      const text = await asideFile(id);
      if (text) downloadFile(new Blob([text], { type: "application/json" }), `${name} as it was stored.json`);
    };
    tell(
      `Some of this drawing had gone bad in the browser’s storage. ${sayMended(mended)} It is open with all its steps that can be followed; what was stored is kept aside.`,
      { tone: "warn", action: { label: "Save it as a file", run: () => void run() } },
    );
  }, [id, name, mended, tell]);
  return null;
}
