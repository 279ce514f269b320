import { FileImage, FileJson, FileText, PackageOpen, PenTool, Printer, Signature } from "lucide-react";
import { type ReactNode, useState } from "react";
import { FILE_KINDS, type FileKind } from "#core/deliver/kinds.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { Button } from "../../ui/button.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { Settings } from "../tools/tool.ts";
import { toolState } from "../tools/tool-state.ts";
import { GroundFields } from "./ground-fields.tsx";
import { PageFields } from "./page-fields.tsx";
import { proof } from "./proof.ts";
import { ProofDialog } from "./proof-dialog.tsx";
import { CONTACT, EVERY, SEEN, usualRequest } from "./request.ts";
import { SignWindow } from "./sign-window.tsx";
import { TakeHomeWindow } from "./take-home-window.tsx";
import { useHandOver } from "./use-hand-over.ts";

/** The files to take home, page and ground, a proof. */
export const deliverTray: Settings = {
  "Save SVG, PNG, PDF or the drawing file": Saving,
  "Page, ground and signature": Page,
  "More files, proof": Others,
  "Colourway to deliver": Way,
};

/** Which colourway pictures are made in; kept as long as the desk is open. */
const ways = toolState<{ readonly way: string }, object>("deliver", { way: SEEN }, {});

function Saving() {
  const { way } = useDesk(ways.settings);
  return (
    <>
      <SaveButton kind="svg" way={way} icon={<PenTool size={15} aria-hidden />} />
      <SaveButton kind="png" way={way} icon={<FileImage size={15} aria-hidden />} />
      <SaveButton kind="pdf" way={way} icon={<FileText size={15} aria-hidden />} />
      <SaveButton kind="fern" way={SEEN} icon={<FileJson size={15} aria-hidden />} />
    </>
  );
}

function Page() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <PageFields />
      <GroundFields />
      <Button size="large" aria-label="Sign" onClick={() => setOpen(true)}>
        <Signature size={16} aria-hidden /> Sign
      </Button>
      {open ? <SignWindow onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function Others() {
  const desk = useDeskStore();
  const tell = useNotice();
  const [open, setOpen] = useState(false);
  const [shownProof, setShownProof] = useState<Blob | null>(null);
  const [proving, setProving] = useState(false);
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
      <Button size="large" onClick={() => setOpen(true)}>
        <PackageOpen size={16} aria-hidden /> More files
      </Button>
      <Button size="large" disabled={proving} onClick={prove}>
        <Printer size={16} aria-hidden /> {proving ? "Proving…" : "Proof"}
      </Button>
      <ProofDialog picture={shownProof} onClose={() => setShownProof(null)} />
      {open ? <TakeHomeWindow onClose={() => setOpen(false)} /> : null}
    </>
  );
}

/** Where there are several colourways. */
function Way() {
  const colourways = ranked(useDesk((s) => s.drawing.colourways));
  const { way } = useDesk(ways.settings);
  const desk = useDeskStore();
  if (colourways.length < 2) return null;
  return (
    <select
      aria-label="Colourway to deliver"
      value={way}
      onChange={({ target }) => ways.change(desk, { way: target.value })}
      className="h-target rounded-md border border-edge bg-field px-2 text-xs"
    >
      <option value={SEEN}>as it is seen</option>
      {colourways.map(({ id, name }) => (
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
