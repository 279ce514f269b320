import { FileImage, FileJson, FileText, PackageOpen, PenTool, Printer, Signature } from "lucide-react";
import { type ReactNode, useState } from "react";
import { FILE_KINDS, type FileKind } from "#core/deliver/kinds.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { Button } from "../../ui/button.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { GroundFields } from "./ground-fields.tsx";
import { PageFields } from "./page-fields.tsx";
import { proof } from "./proof.ts";
import { ProofDialog } from "./proof-dialog.tsx";
import { CONTACT, EVERY, SEEN, usualRequest } from "./request.ts";
import { SignWindow } from "./sign-window.tsx";
import { TakeHomeWindow } from "./take-home-window.tsx";
import { useHandOver } from "./use-hand-over.ts";

/** Page and ground, and the files to take home. */
export function DeliverPanel() {
  const desk = useDeskStore();
  const tell = useNotice();
  const [shownProof, setShownProof] = useState<Blob | null>(null);
  const [proving, setProving] = useState(false);
  const [open, setOpen] = useState<"more" | "sign" | null>(null);
  const [way, setWay] = useState(SEEN);
  const prove = async () => {
    setProving(true);
    try {
      setShownProof(await proof(desk));
    } catch (error) {
      tell(`There is no proof. ${(error as Error).message} Your drawing is unchanged.`, { tone: "warn" });
    } finally {
      setProving(false);
    }
  };
  return (
    <>
      <div className="flex shrink-0 items-center gap-2">
        <PageFields />
        <GroundFields />
        <Button size="large" aria-label="Sign" onClick={() => setOpen("sign")}>
          <Signature size={16} aria-hidden /> Sign
        </Button>
      </div>
      <div className="grid gap-1">
        <div className="flex items-center gap-1.5">
          <SaveButton kind="svg" way={way} icon={<PenTool size={15} aria-hidden />} />
          <SaveButton kind="png" way={way} icon={<FileImage size={15} aria-hidden />} />
          <SaveButton kind="pdf" way={way} icon={<FileText size={15} aria-hidden />} />
          <SaveButton kind="fern" way={SEEN} icon={<FileJson size={15} aria-hidden />} />
        </div>
      </div>
      <div className="grid gap-1">
        <div className="flex items-center gap-1.5">
          <Button size="large" onClick={() => setOpen("more")}>
            <PackageOpen size={16} aria-hidden /> More files
          </Button>
          <Button size="large" disabled={proving} onClick={prove}>
            <Printer size={16} aria-hidden /> {proving ? "Proving…" : "Proof"}
          </Button>
        </div>
        <WayField way={way} onWay={setWay} />
      </div>
      <ProofDialog picture={shownProof} onClose={() => setShownProof(null)} />
      {open === "more" ? <TakeHomeWindow onClose={() => setOpen(null)} /> : null}
      {open === "sign" ? <SignWindow onClose={() => setOpen(null)} /> : null}
    </>
  );
}

/** Which colourway pictures are made in, where there are several. */
function WayField({ way, onWay }: { way: string; onWay: (way: string) => void }) {
  const ways = ranked(useDesk((s) => s.drawing.colourways));
  if (ways.length < 2) return null;
  return (
    <select
      aria-label="Colourway to deliver"
      value={way}
      onChange={({ target }) => onWay(target.value)}
      className="h-7 rounded-md border border-edge bg-white px-2 text-xs"
    >
      <option value={SEEN}>as it is seen</option>
      {ways.map(({ id, name }) => (
        <option key={id} value={id}>
          in {name}
        </option>
      ))}
      <option value={EVERY}>in each colourway</option>
      <option value={CONTACT}>all on one sheet</option>
    </select>
  );
}

function SaveButton({ kind, way, icon }: { kind: FileKind; way: string; icon: ReactNode }) {
  const desk = useDeskStore();
  const { share, start } = useHandOver();
  const { word } = FILE_KINDS[kind];
  const busy = share !== null;
  const percent = Math.round(100 * (share ?? 0));
  const save = () =>
    start({ ...usualRequest([kind], desk.getState().drawing.page.ppi), way }, "download", word);
  return (
    <>
      <Button
        main
        size="large"
        className="tabular-nums"
        aria-label={busy ? undefined : `Save ${word}`}
        disabled={busy}
        onClick={save}
      >
        {icon} {!busy ? word : percent > 0 ? `${percent} %` : "Making it…"}
      </Button>
      {busy && kind === "png" ? (
        <Button size="large" onClick={() => desk.getState().pictures.stop()}>
          Stop
        </Button>
      ) : null}
    </>
  );
}
