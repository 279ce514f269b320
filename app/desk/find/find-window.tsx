import { Command } from "cmdk";
import { Search } from "lucide-react";
import { Dialog } from "radix-ui";
import { useEffect, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import type { DrawingRow } from "../../keep/database.ts";
import { listDrawings } from "../../keep/shelf.ts";
import { prefs } from "../../prefs/prefs-store.ts";
import { ownKeysFrom } from "../keys/own-keys.ts";
import type { KeyDesk } from "../keys/press-key.ts";
import { entriesOf, type FindEntry } from "./entries.ts";
import { scoreOf } from "./score.ts";

const MOST_SHOWN = 40;

/** One field that finds whatever the desk has, and does it or goes there. */
export function FindWindow({ keyDesk, onClose }: { keyDesk: KeyDesk; onClose: () => void }) {
  const [sought, setSought] = useState("");
  const drawings = useDrawings(keyDesk);
  const own = useMemo(() => entriesOf(keyDesk, ownKeysFrom(prefs().keys)), [keyDesk]);
  const found = useMemo(() => bestOf([...own, ...drawings], sought), [own, drawings, sought]);
  const choose = ({ run }: FindEntry) => {
    onClose();
    // The window lets go of the focus first.
    setTimeout(run);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(34rem,95vw)] -translate-x-1/2 overflow-hidden rounded-md border border-line bg-raised shadow-xl"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <Command label="Find anything" shouldFilter={false} loop>
            <div className="flex items-center gap-2 border-b border-line px-4">
              <Search size={17} aria-hidden className="text-quiet" />
              <Command.Input
                autoFocus
                value={sought}
                onValueChange={setSought}
                placeholder="A tool, a setting, a colour, a page of Help…"
                className="h-12 flex-1 bg-transparent text-base shadow-none! outline-none!"
              />
            </div>
            {found.length === 0 && (
              <p className="px-4 py-3 text-quiet" role="status">
                Nothing is called so. Try a plainer word, like “shadow” or “export”.
              </p>
            )}
            <Command.List className="max-h-[56vh] overflow-y-auto p-1" hidden={found.length === 0}>
              {found.map((entry) => (
                <Entry key={entry.id} entry={entry} onSelect={() => choose(entry)} />
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const Entry = ({ entry, onSelect }: { entry: FindEntry; onSelect: () => void }) => (
  <Command.Item
    value={entry.id}
    onSelect={onSelect}
    className="flex min-h-8 cursor-default items-center gap-3 rounded px-3 data-[selected=true]:bg-fern-soft touch:my-2 touch:min-h-target"
  >
    {entry.swatch && (
      <span
        aria-hidden="true"
        className="h-4 w-4 rounded-full border border-edge"
        style={{ background: entry.swatch }}
      />
    )}
    <span>{entry.word}</span>
    <span className="flex-1 truncate text-xs text-quiet">{entry.where}</span>
    {entry.keys && <kbd className="font-sans text-xs text-quiet">{entry.keys}</kbd>}
  </Command.Item>
);

function bestOf(entries: readonly FindEntry[], sought: string): readonly FindEntry[] {
  const scored = entries.map((entry) => ({
    entry,
    score: scoreOf(entry.word, `${entry.also ?? ""} ${entry.where}`, sought),
  }));
  return scored
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST_SHOWN)
    .map(({ entry }) => entry);
}

/** The other drawings of the drawer. */
function useDrawings({ desk }: KeyDesk): readonly FindEntry[] {
  const navigate = useNavigate();
  const [rows, setRows] = useState<readonly DrawingRow[]>([]);
  useEffect(() => {
    void listDrawings().then((list) => setRows(list.rows));
  }, []);
  return useMemo(
    () =>
      rows
        .filter(({ id }) => id !== desk.getState().id)
        .map(({ id, name }) => ({
          id: `drawing ${id}`,
          word: name,
          where: "drawing",
          also: "open",
          run: () => void navigate(`/desk/${id}`),
        })),
    [rows, desk, navigate],
  );
}
