import { useLiveQuery } from "dexie-react-hooks";
import { BookmarkPlus, Trash2 } from "lucide-react";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { VersionRow } from "../../keep/database.ts";
import { addDrawing } from "../../keep/shelf.ts";
import { drawingOf, forgetVersion, putVersionBack, renameVersion, versionsOf } from "../../keep/versions.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { NameField } from "../../ui/name-field.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { Window } from "../../ui/window.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { useSceneSvg } from "../use-scene-svg.ts";
import { goBackTo, makeVersion } from "./make-version.ts";

const LONGEST = 60;

/** Versions of the drawing: kept, looked at beside the present, returned to, taken as a drawing of its own. */
export function VersionsWindow({ onClose }: { onClose: () => void }) {
  const id = useDesk((s) => s.id);
  const rows = useLiveQuery(() => versionsOf(id).catch(() => []), [id]);
  const [chosen, setChosen] = useState<string | null>(null);
  const row = rows?.find((one) => one.id === chosen) ?? rows?.[0];
  return (
    <Window
      open
      onClose={onClose}
      title="Versions"
      hint="The drawing as it was. Undo goes on working through all of them."
      large
    >
      <div className="grid h-full min-h-0 grid-cols-[22rem_1fr] divide-x divide-line">
        <div className="flex min-h-0 flex-col gap-3 p-5">
          <NewVersion />
          {rows && rows.length === 0 ? (
            <p className="text-quiet">
              None yet. One is kept by itself before a step that changes much, and whenever you keep one here.
            </p>
          ) : null}
          <ul aria-label="Versions, the latest first" className="grid min-h-0 gap-1 overflow-y-auto">
            {rows?.map((one) => (
              <li key={one.id}>
                <button
                  type="button"
                  aria-pressed={one.id === row?.id}
                  onClick={() => setChosen(one.id)}
                  className="flex w-full items-center gap-3 rounded-md p-1.5 text-left hover:bg-well aria-pressed:bg-fern-soft"
                >
                  <Picture row={one} className="h-14 w-14" />
                  <span className="min-w-0">
                    <span className="block truncate font-medium">{one.name}</span>
                    <span className="text-xs text-quiet">
                      {dateOf(one)}
                      {one.own ? ", kept by itself" : ""}
                    </span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        {row ? <Chosen key={row.id} row={row} onClose={onClose} /> : <div />}
      </div>
    </Window>
  );
}

const dateOf = ({ at }: VersionRow): string =>
  new Date(at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });

function NewVersion() {
  const desk = useDeskStore();
  const tell = useNotice();
  const [name, setName] = useState("");
  const keep = async () => {
    const given = name.trim();
    if (!given) return;
    try {
      await desk.getState().light.settled();
      await makeVersion(desk.getState(), given);
      setName("");
      desk.getState().say(`Version ${given} kept`);
    } catch {
      tell("The version could not be kept: the browser has no room for it. The drawing is as it was.", {
        tone: "warn",
      });
    }
  };
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <input
        aria-label="Name of the version"
        placeholder="Name it as it is now"
        value={name}
        maxLength={LONGEST}
        onChange={({ target }) => setName(target.value)}
        className="h-large min-w-0 flex-1 rounded-md border border-edge bg-field px-3"
      />
      <Button main size="large" type="submit" disabled={name.trim() === ""}>
        <BookmarkPlus size={16} aria-hidden /> Keep
      </Button>
    </form>
  );
}

/** A version and the present side by side, and what can be done with it. */
function Chosen({ row, onClose }: { row: VersionRow; onClose: () => void }) {
  const desk = useDeskStore();
  const tell = useNotice();
  const navigate = useNavigate();
  const read = () => {
    try {
      return drawingOf(row);
    } catch {
      tell("This version went bad in the browser’s storage and cannot be read. The drawing is as it was.", {
        tone: "warn",
      });
      return undefined;
    }
  };
  const goBack = async () => {
    const version = read();
    if (!version) return;
    const { history, edit } = desk.getState();
    await makeVersion(desk.getState(), `Before: Go back to ${row.name}`, true).catch(() => {});
    edit(goBackTo(version, row.name));
    if (desk.getState().history === history) tell("The drawing is just as it was in this version.");
    onClose();
  };
  const branch = async () => {
    const version = read();
    if (!version) return;
    const { id } = await addDrawing({ ...version, name: `${version.name}, ${row.name}` });
    onClose();
    await navigate(`/desk/${id}`);
  };
  const forget = async () => {
    await forgetVersion(row.id);
    tell(`Version “${row.name}” is forgotten.`, {
      action: { label: "Put it back", run: () => void putVersionBack(row) },
    });
  };
  return (
    <div className="flex min-h-0 flex-col gap-4 p-5">
      <div className="flex items-center gap-2">
        <NameField
          label="Name of this version"
          value={row.name}
          maxLength={LONGEST}
          onChange={(name) => void renameVersion(row.id, name)}
          className="h-large w-64 rounded-md border border-edge bg-field px-3"
        />
        <Button main size="large" onClick={() => void goBack()}>
          Go back to it
        </Button>
        <Button size="large" onClick={() => void branch()}>
          Open as a new drawing
        </Button>
        <IconButton label="Forget this version" onClick={() => void forget()}>
          <Trash2 size={16} aria-hidden />
        </IconButton>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-2 gap-4">
        <figure className="flex min-h-0 flex-col gap-1">
          <figcaption className="text-xs text-quiet">{dateOf(row)}</figcaption>
          <Picture row={row} className="min-h-0 w-full flex-1" alt={`The drawing as ${row.name}`} />
        </figure>
        <figure className="flex min-h-0 flex-col gap-1">
          <figcaption className="text-xs text-quiet">Now</figcaption>
          <Present />
        </figure>
      </div>
    </div>
  );
}

const FRAME = "rounded-md border border-line bg-paper object-contain";

function Picture({ row, className, alt = "" }: { row: VersionRow; className: string; alt?: string }) {
  const [address, setAddress] = useState<string | null>(null);
  const { picture } = row;
  useEffect(() => {
    if (!picture) return;
    const made = URL.createObjectURL(new Blob([picture as Uint8Array<ArrayBuffer>], { type: "image/png" }));
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [picture]);
  return address ? (
    <img src={address} alt={alt} className={`${FRAME} ${className}`} />
  ) : (
    <span className={`${FRAME} ${className}`} />
  );
}

function Present() {
  const svg = useSceneSvg();
  return svg ? (
    <img
      src={`data:image/svg+xml,${encodeURIComponent(svg)}`}
      alt="The drawing now"
      className={`${FRAME} min-h-0 w-full flex-1`}
    />
  ) : (
    <p className="text-quiet">Laying it out…</p>
  );
}
