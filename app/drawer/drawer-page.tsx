import clsx from "clsx";
import {
  CircleQuestionMark,
  Copy,
  FilePlus2,
  FolderOpen,
  Footprints,
  Pencil,
  ScanLine,
  Trash2,
} from "lucide-react";
import { type DragEvent, lazy, type ReactNode, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { Form, Link, PrefetchPageLinks, useFetcher } from "react-router";
import type { Kept } from "../keep/shelf.ts";
import { PICTURES } from "../scan/held-scan.ts";
import { Button } from "../ui/button.tsx";
import { FrondMark } from "../ui/frond-mark.tsx";
import { useNotice } from "../ui/notices.tsx";
import { readyWorkers } from "../work/clients.ts";
import { BlankDialog } from "./blank-dialog.tsx";
import type { Card } from "./card.ts";
import { DEMOS, type Demo } from "./demo.ts";
import { DrawerFoot } from "./drawer-foot.tsx";
import { NameDialog } from "./name-dialog.tsx";
import { ReadingSign } from "./reading-sign.tsx";
import { useOpenFile } from "./use-open-file.ts";

const ImportDialog = lazy(async () => ({ default: (await import("./import-dialog.tsx")).ImportDialog }));

interface Props {
  readonly cards: readonly Card[];
  readonly storage: Kept;
  readonly waiting?: boolean;
}

/** All drawings kept in this browser, and those that ship with it. */
export function DrawerPage({ cards, storage, waiting = false }: Props) {
  const file = useOpenFile();
  const { take } = file;
  const [over, setOver] = useState(false);
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0]);
  };
  /** What opening a file will ask for is fetched and started while nobody waits. */
  const [ready, setReady] = useState(false);
  useEffect(() => {
    const idle = requestIdleCallback(() => {
      readyWorkers();
      setReady(true);
    });
    return () => cancelIdleCallback(idle);
  }, []);
  useEffect(() => {
    const onPaste = (event: ClipboardEvent) => {
      const [pasted] = event.clipboardData?.files ?? [];
      if (pasted) void take(pasted);
    };
    window.addEventListener("paste", onPaste);
    return () => window.removeEventListener("paste", onPaste);
  }, [take]);
  return (
    <main
      className={clsx("min-h-full px-8 pt-7 pb-16", over && "bg-fern-soft")}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
    >
      {!waiting && <PrefetchPageLinks page="/desk/next" />}
      <div className="mx-auto max-w-6xl">
        <header className="flex items-end gap-4">
          <FrondMark className="h-14 w-14 text-fern" />
          <div className="flex-1">
            <h1 className="font-display text-4xl leading-none tracking-tight">Fern Pocket</h1>
            <p className="mt-1.5 text-quiet">Colour line art: find its pockets, pour, shade, deliver.</p>
          </div>
          <WaysIn onFile={take} busy={file.reading !== null} />
          <Link to="/help" className={clsx(WAY, "border border-edge bg-raised hover:bg-well")}>
            <CircleQuestionMark size={17} aria-hidden /> Help
          </Link>
        </header>
        {storage === "memory" && (
          <p role="alert" className="mt-6 rounded-md border border-ember bg-ember-soft px-4 py-3">
            This browser is not letting Fern Pocket keep drawings. You can work all the same: save each
            drawing as a file from Deliver before you close the page.
          </p>
        )}
        <section aria-labelledby="yours" className="mt-9">
          <h2 id="yours" className="font-display text-xl">
            Your drawings
          </h2>
          {cards.length === 0 ? (
            <EmptyDrawer waiting={waiting} />
          ) : (
            <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(200px,1fr))] gap-x-5 gap-y-6">
              {cards.map((card) => (
                <DrawingCard key={card.id} card={card} />
              ))}
            </ul>
          )}
        </section>
        <section aria-labelledby="demos" className="mt-10">
          <h2 id="demos" className="font-display text-xl">
            From the Allotment Almanac
          </h2>
          <p className="mt-1 text-quiet">
            Drawings to try things on. Opening one puts a copy in your drawer.
          </p>
          <ul className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-x-5 gap-y-6">
            {DEMOS.map((demo) => (
              <DemoCard key={demo.file} demo={demo} />
            ))}
          </ul>
        </section>
        {!waiting && storage === "browser" && <DrawerFoot count={cards.length} />}
      </div>
      <ReadingSign {...file} />
      {/* It is there before it shows anything: React keeps back what had to be waited for. */}
      {(ready || file.waiting) && (
        <Suspense>
          <ImportDialog {...file} />
        </Suspense>
      )}
    </main>
  );
}

function EmptyDrawer({ waiting }: { waiting: boolean }) {
  return (
    <div
      aria-busy={waiting}
      className="mt-3 flex flex-wrap items-center gap-4 rounded-md border border-dashed border-edge px-5 py-5"
    >
      {waiting ? (
        <p className="text-quiet">Opening the drawer…</p>
      ) : (
        <>
          <p className="min-w-0 flex-1 basis-80 text-quiet">
            Nothing here yet. Drop an SVG of line art or a scan of inked paper anywhere on this page, begin
            with a drawing below, or be shown a first spot in eight steps.
          </p>
          <ShowMeButton main />
        </>
      )}
    </div>
  );
}

/** Begins the guided spot, or takes it up again. */
function ShowMeButton({ main = false }: { main?: boolean }) {
  return (
    <Form method="post">
      <input type="hidden" name="intent" value="show-me" />
      <Button type="submit" size="large" main={main}>
        <Footprints size={17} aria-hidden /> Show me
      </Button>
    </Form>
  );
}

const WAY = "flex h-large items-center gap-2 rounded-md px-4 font-medium disabled:opacity-70";

/** Three ways to begin: art that exists as vectors, inked paper, and an empty page. */
function WaysIn({ onFile, busy }: { onFile: (file: File | undefined) => void; busy: boolean }) {
  const [blank, setBlank] = useState(false);
  return (
    <div className="flex flex-wrap justify-end gap-2">
      <FileButton
        label="Choose an SVG or a Fern Pocket drawing file"
        accept=".svg,image/svg+xml,.fern"
        onFile={onFile}
        disabled={busy}
        className="bg-fern text-on-accent hover:brightness-95"
      >
        <FolderOpen size={17} aria-hidden /> {busy ? "Reading the file…" : "Open line art"}
      </FileButton>
      <FileButton
        label="Choose a scan or photo of inked paper"
        accept={PICTURES}
        onFile={onFile}
        disabled={busy}
        className="border border-edge bg-raised hover:bg-well"
      >
        <ScanLine size={17} aria-hidden /> Scan in
      </FileButton>
      <button
        type="button"
        onClick={() => setBlank(true)}
        className={clsx(WAY, "border border-edge bg-raised hover:bg-well")}
      >
        <FilePlus2 size={17} aria-hidden /> Blank page
      </button>
      <BlankDialog open={blank} onClose={() => setBlank(false)} />
    </div>
  );
}

interface FileButtonProps {
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File | undefined) => void;
  readonly disabled?: boolean;
  readonly className: string;
  readonly children: ReactNode;
}

function FileButton({ label, accept, onFile, disabled, className, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        aria-label={label}
        tabIndex={-1}
        onChange={(event) => {
          onFile(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
      <button
        type="button"
        disabled={disabled}
        onClick={() => input.current?.click()}
        className={clsx(WAY, className)}
      >
        {children}
      </button>
    </>
  );
}

const FRAME =
  "flex aspect-square items-center justify-center overflow-hidden rounded-md border border-line bg-paper p-3";

/** A drawing that has not been on the desk may have megabytes of SVG. */
const addressOf = (thumbnail: string): string =>
  thumbnail.startsWith("data:image/") ? thumbnail : `data:image/svg+xml,${encodeURIComponent(thumbnail)}`;

function DrawingCard({ card }: { card: Card }) {
  const fetcher = useFetcher();
  const tell = useNotice();
  const [naming, setNaming] = useState(false);
  const picture = useMemo(() => addressOf(card.thumbnail), [card.thumbnail]);
  const send = (intent: string, extra: Record<string, string> = {}) =>
    fetcher.submit({ intent, id: card.id, ...extra }, { method: "post", action: "/?index" });
  const remove = async () => {
    await send("delete");
    tell(`“${card.name}” was deleted.`, { action: { label: "Put it back", run: () => send("restore") } });
  };
  return (
    <li className="group">
      <Link
        to={`/desk/${card.id}`}
        className={clsx(FRAME, "hover:border-fern")}
        aria-label={`Open ${card.name}`}
      >
        <img src={picture} alt="" className="h-full w-full object-contain" />
      </Link>
      <div className="mt-2 flex items-start gap-1">
        <div className="min-w-0 flex-1">
          <h3 className="truncate font-display text-base">{card.name}</h3>
          <p className="text-xs text-quiet">
            {card.strokes} strokes,{" "}
            {new Date(card.changedAt).toLocaleDateString("en-GB", { day: "numeric", month: "short" })}
          </p>
        </div>
        <CardButton
          label={`Rename ${card.name}`}
          onClick={() => setNaming(true)}
          icon={<Pencil size={15} aria-hidden />}
        />
        <CardButton
          label={`Duplicate ${card.name}`}
          onClick={() => send("duplicate")}
          icon={<Copy size={15} aria-hidden />}
        />
        <CardButton label={`Delete ${card.name}`} onClick={remove} icon={<Trash2 size={15} aria-hidden />} />
      </div>
      <NameDialog
        open={naming}
        title="Rename drawing"
        name={card.name}
        onClose={() => setNaming(false)}
        onName={(name) => send("rename", { name })}
      />
    </li>
  );
}

function CardButton({ label, onClick, icon }: { label: string; onClick: () => void; icon: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="grid h-target w-target place-items-center rounded-md text-quiet hover:bg-well hover:text-text"
    >
      {icon}
    </button>
  );
}

function DemoCard({ demo }: { demo: Demo }) {
  return (
    <li>
      <Form method="post">
        <input type="hidden" name="intent" value="open-demo" />
        <input type="hidden" name="file" value={demo.file} />
        <input type="hidden" name="title" value={demo.title} />
        <button
          type="submit"
          aria-label={`Open a copy of ${demo.title}`}
          className={clsx(FRAME, "w-full hover:border-fern")}
        >
          <img
            src={`/demo/${demo.file}?picture`}
            alt=""
            // The program itself comes first.
            loading="lazy"
            fetchPriority="low"
            className="h-full w-full object-contain"
          />
        </button>
      </Form>
      <h3 className="mt-2 font-display text-base">{demo.title}</h3>
      <p className="text-xs text-quiet">{demo.about}</p>
    </li>
  );
}
