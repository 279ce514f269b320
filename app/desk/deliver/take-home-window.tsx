import { Copy, FolderDown, Save } from "lucide-react";
import { type ReactNode, useEffect, useState } from "react";
import { FILE_KINDS, type FileKind, KINDS } from "#core/deliver/kinds.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { partsOf } from "#core/drawing/parts.ts";
import { Button } from "../../ui/button.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { NumberField } from "../../ui/number-field.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import { Window } from "../../ui/window.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { DeliveriesList } from "./deliveries-list.tsx";
import { copyFile, hasFolders, type Place } from "./hand-over.ts";
import { useHandOver } from "./use-hand-over.ts";
import { useSizes } from "./use-sizes.ts";
import { useTakenPicture } from "./use-taken-picture.ts";
import {
  CONTACT,
  EVERY,
  isMade,
  SEEN,
  SHARE_WORDS,
  SHARES,
  type Share,
  type TakeHome,
  usualWish,
} from "./wish.ts";

const FIELD = "h-8 w-full rounded-md border border-edge bg-white px-2";

/** All the files that can be taken home, of what, with how large they will be; and those that were. */
export function TakeHomeWindow({ onClose }: { onClose: () => void }) {
  const desk = useDeskStore();
  const [wish, setWish] = useState<TakeHome>(() =>
    usualWish(["svg", "png"], desk.getState().drawing.page.ppi),
  );
  const change = (part: Partial<TakeHome>) => setWish((now) => ({ ...now, ...part }));
  const { share, start } = useHandOver();
  const meant = wish.kinds.filter((kind) => isMade(kind, wish));
  const save = (place: Place) => start({ ...wish, kinds: meant }, place, "delivery");
  const again = (past: TakeHome) => {
    setWish(past);
    void start(past, "download", "delivery");
  };
  return (
    <Window
      open
      onClose={onClose}
      title="Files to take home"
      hint="Choose what, and as which files. One file comes by itself, several in a zip."
      large
    >
      <div className="grid h-full min-h-0 grid-cols-[15rem_1fr_21rem] divide-x divide-line">
        <div className="grid content-start gap-4 overflow-y-auto p-5">
          <OfWhat wish={wish} onChange={change} />
        </div>
        <div className="grid content-start gap-4 overflow-y-auto p-5">
          <Kinds wish={wish} onChange={change} />
          <div className="flex flex-wrap items-center gap-2">
            <Button
              main
              size="large"
              className="tabular-nums"
              disabled={share !== null || meant.length === 0}
              onClick={() => save("download")}
            >
              <Save size={16} aria-hidden />
              {share === null ? "Save them" : `${Math.round(100 * share)} %`}
            </Button>
            {share === null ? null : (
              <Button size="large" onClick={() => desk.getState().pictures.stop()}>
                Stop
              </Button>
            )}
            {hasFolders() ? (
              <Button
                size="large"
                disabled={share !== null || meant.length === 0}
                onClick={() => save("folder")}
              >
                <FolderDown size={16} aria-hidden /> Into a folder
              </Button>
            ) : null}
            <CopyButton kind="png" wish={wish} />
            <CopyButton kind="svg" wish={wish} />
          </div>
          <DeliveriesList onAgain={again} busy={share !== null} />
        </div>
        <div className="grid content-start gap-3 overflow-y-auto p-5">
          <TakenPicture wish={wish} />
        </div>
      </div>
    </Window>
  );
}

interface Part {
  readonly wish: TakeHome;
  readonly onChange: (change: Partial<TakeHome>) => void;
}

/** A control that names itself, with its word above it. */
const Labelled = ({ word, children }: { word: string; children: ReactNode }) => (
  <div className="grid gap-1">
    <span aria-hidden="true" className="text-xs text-quiet">
      {word}
    </span>
    {children}
  </div>
);

function OfWhat({ wish, onChange }: Part) {
  const drawing = useDesk((s) => s.drawing);
  const parts = [...partsOf(drawing)].reverse();
  const ways = ranked(drawing.colourways);
  return (
    <>
      <Labelled word="Sheets">
        <select
          aria-label="Sheets"
          value={wish.share}
          onChange={({ target }) => onChange({ share: target.value as Share })}
          className={FIELD}
        >
          {SHARES.map((one) => (
            <option key={one} value={one}>
              {SHARE_WORDS[one]}
            </option>
          ))}
        </select>
      </Labelled>
      {parts.length > 1 ? (
        <Labelled word="Parts">
          <select
            aria-label="Parts"
            value={wish.part}
            onChange={({ target }) => onChange({ part: target.value })}
            className={FIELD}
          >
            <option value="">all parts</option>
            {parts.map(({ id, name }) => (
              <option key={id} value={id}>
                {name} alone
              </option>
            ))}
          </select>
        </Labelled>
      ) : null}
      {ways.length > 1 ? (
        <>
          <Labelled word="Colourway">
            <select
              aria-label="Colourway"
              value={wish.way}
              onChange={({ target }) => onChange({ way: target.value })}
              className={FIELD}
            >
              <option value={SEEN}>as it is seen</option>
              {ways.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
              <option value={EVERY}>each by itself</option>
              <option value={CONTACT}>all on one sheet, with their names</option>
            </select>
          </Labelled>
          <Labelled word="On dark pages an SVG shows">
            <select
              aria-label="On dark pages an SVG shows"
              value={wish.dark}
              onChange={({ target }) => onChange({ dark: target.value })}
              className={FIELD}
            >
              <option value="">the same</option>
              {ways.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </Labelled>
        </>
      ) : null}
      <NumberField
        label="Pixels per inch"
        value={wish.ppi}
        min={1}
        max={2400}
        digits={0}
        className="w-18"
        onChange={(ppi) => onChange({ ppi })}
      />
      <div className="grid gap-2 border-t border-line pt-3">
        <Toggle
          label="SVG: touching pockets of one colour as one shape"
          checked={wish.united}
          onChange={(united) => onChange({ united })}
        />
        <Toggle
          label="PDF: tin colours as named printing inks"
          checked={wish.inks}
          onChange={(inks) => onChange({ inks })}
        />
      </div>
    </>
  );
}

function Kinds({ wish, onChange }: Part) {
  const sizes = useSizes(wish);
  const toggled = (kind: FileKind, on: boolean) =>
    onChange({ kinds: KINDS.filter((one) => (one === kind ? on : wish.kinds.includes(one))) });
  return (
    <fieldset className="grid gap-0.5">
      <legend className="mb-1 font-display text-base">Files</legend>
      {KINDS.map((kind) => {
        const { word, hint } = FILE_KINDS[kind];
        const made = isMade(kind, wish);
        return (
          <label
            key={kind}
            className="flex items-start gap-3 rounded-md px-2 py-1.5 hover:bg-well has-disabled:text-quiet has-disabled:hover:bg-transparent"
          >
            <input
              type="checkbox"
              checked={made && wish.kinds.includes(kind)}
              disabled={!made}
              onChange={({ target }) => toggled(kind, target.checked)}
              className="mt-1 h-4 w-4 accent-fern"
            />
            <span className="min-w-0 flex-1">
              <span className="font-medium">{word}</span>
              <span className="block text-xs text-quiet">{hint}</span>
            </span>
            <span className="text-xs whitespace-nowrap text-quiet tabular-nums">{sizes[kind] ?? ""}</span>
          </label>
        );
      })}
    </fieldset>
  );
}

const COPIED = { png: "PNG", svg: "SVG" } as const;

function CopyButton({ kind, wish }: { kind: "png" | "svg"; wish: TakeHome }) {
  const desk = useDeskStore();
  const tell = useNotice();
  const word = COPIED[kind];
  const copy = async () => {
    try {
      const one = { ...wish, kinds: [kind], way: wish.way === EVERY ? SEEN : wish.way };
      if (await copyFile(desk, one, () => {})) tell(`The ${word} is on the clipboard.`);
    } catch {
      tell(`The browser did not take the ${word} to the clipboard. Save it instead.`, { tone: "warn" });
    }
  };
  return (
    <Button size="large" onClick={copy}>
      <Copy size={16} aria-hidden /> Copy {word}
    </Button>
  );
}

/** What is taken home as it will look, with its proportions. */
function TakenPicture({ wish }: { wish: TakeHome }) {
  const taken = useTakenPicture(wish);
  const { unit } = useDesk((s) => s.drawing.page);
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    if (!taken) return;
    const made = URL.createObjectURL(new Blob([taken.svg], { type: "image/svg+xml" }));
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [taken]);
  if (!taken || !address) return <p className="text-quiet">Laying it out…</p>;
  const rounded = (n: number) => String(Number(n.toFixed(unit === "in" ? 2 : 1)));
  return (
    <>
      <img
        src={address}
        alt="What is taken home"
        className="max-h-[52vh] w-full border border-line bg-white object-contain"
      />
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm tabular-nums">
        <dt className="text-quiet">Printed</dt>
        <dd>
          {rounded(taken.width)} × {rounded(taken.height)} {unit}
        </dd>
        <dt className="text-quiet">Pixels</dt>
        <dd>
          {taken.pixels.width} × {taken.pixels.height}
        </dd>
        <dt className="text-quiet">Proportions</dt>
        <dd>{proportions(taken.width, taken.height)}</dd>
      </dl>
    </>
  );
}

/** Small whole numbers where these are near enough. */
function proportions(width: number, height: number): string {
  for (let b = 1; b <= 24; b++) {
    const a = Math.round((width / height) * b);
    if (a > 0 && Math.abs(a / b / (width / height) - 1) < 0.003) return `${a} : ${b}`;
  }
  return `${(width / height).toFixed(2)} : 1`;
}
