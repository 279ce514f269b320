import { type KeyboardEvent as ReactKeyboardEvent, useState } from "react";
import { createSelector } from "reselect";
import type { Prefs } from "../../prefs/prefs.ts";
import { setPrefs, usePrefs } from "../../prefs/prefs-store.ts";
import { Button } from "../../ui/button.tsx";
import { downloadFile } from "../../ui/download.ts";
import { useNotice } from "../../ui/notices.tsx";
import { Window } from "../../ui/window.tsx";
import { comboOf, showCombo } from "./combo.ts";
import { FIXED, KEYS, type KeyEntry } from "./keys.ts";
import { comboFor, conflictsOf, type OwnKeys, ownKeysFrom, readKeys, writeKeys } from "./own-keys.ts";

const ownKeys = createSelector([({ keys }: Prefs) => keys], ownKeysFrom);

/** All keys on one sheet, where they are changed; what clashes is told. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const own = usePrefs(ownKeys);
  return (
    <Window
      open
      large
      onClose={onClose}
      title="Keys"
      hint="Press one to give it another combination. They are kept on this device, and can be saved as a file."
    >
      <div className="grid gap-5 p-6">
        <KeyFiles own={own} />
        <ul aria-label="Keys that can be changed" className="columns-1 gap-8 md:columns-2">
          {KEYS.map((entry) => (
            <KeyRow key={entry.name} entry={entry} own={own} />
          ))}
        </ul>
        <dl className="grid gap-x-8 gap-y-1 border-t border-line pt-4 md:grid-cols-2">
          {FIXED.map(({ keys, does }) => (
            <div key={does} className="flex items-baseline justify-between gap-3">
              <dt>{does}</dt>
              <dd className="font-medium whitespace-nowrap">{keys}</dd>
            </div>
          ))}
        </dl>
      </div>
    </Window>
  );
}

function KeyRow({ entry, own }: { entry: KeyEntry; own: OwnKeys }) {
  const { name, does, held, where } = entry;
  const [asking, setAsking] = useState(false);
  const combo = comboFor(entry, own);
  const conflicts = conflictsOf(entry, own);
  const give = (next: string) => {
    const { [name]: _, ...others } = own;
    setPrefs({ keys: next === entry.combo ? others : { ...others, [name]: next } });
    setAsking(false);
  };
  const onKeyDown = (event: ReactKeyboardEvent) => {
    if (!asking || event.key === "Tab") return;
    event.preventDefault();
    event.stopPropagation();
    const next = comboOf(event);
    if (event.key === "Escape") setAsking(false);
    else if (next !== "") give(next);
  };
  return (
    <li className="flex break-inside-avoid items-center gap-2 border-b border-line py-0.5 touch:py-1">
      <span className="flex-1 leading-tight">
        {held && "Hold: "}
        {does}
        {where && <span className="text-quiet"> ({where})</span>}
        {conflicts.length > 0 && (
          <span className="block text-xs text-ember">▲ also: {conflicts[0].does.toLowerCase()}</span>
        )}
      </span>
      {own[name] !== undefined && (
        <Button size="small" aria-label={`${does}: as usual`} onClick={() => give(entry.combo)}>
          as usual
        </Button>
      )}
      <Button
        size="small"
        aria-label={`${does}: ${showCombo(combo)}`}
        aria-pressed={asking}
        onClick={() => setAsking(!asking)}
        onKeyDown={onKeyDown}
        onBlur={() => setAsking(false)}
        className="min-w-20 font-medium aria-pressed:border-fern aria-pressed:bg-fern-soft"
      >
        {asking ? "press keys…" : showCombo(combo)}
      </Button>
    </li>
  );
}

/** Kept as a file, taken from one, or all as usual. */
function KeyFiles({ own }: { own: OwnKeys }) {
  const tell = useNotice();
  const take = async (file: File) => {
    const keys = readKeys(await file.text());
    if (keys) setPrefs({ keys });
    else tell("This is no file of keys. Your keys are as they were.", { tone: "warn" });
  };
  return (
    <div className="flex flex-wrap gap-2">
      <Button
        onClick={() => downloadFile(new Blob([writeKeys(own)], { type: "application/json" }), "keys.json")}
      >
        Save keys as a file
      </Button>
      <label className="inline-flex h-target cursor-pointer items-center rounded-md border border-edge px-3 focus-within:outline-2 focus-within:outline-fern hover:bg-well">
        Take keys from a file
        <input
          type="file"
          accept=".json,application/json"
          className="sr-only"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            target.value = "";
            if (file) void take(file);
          }}
        />
      </label>
      <Button disabled={Object.keys(own).length === 0} onClick={() => setPrefs({ keys: {} })}>
        All as usual
      </Button>
    </div>
  );
}
