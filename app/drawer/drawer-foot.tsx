import { Archive, ArchiveRestore, ShieldCheck } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { FileProblem } from "#core/formats/file-problem.ts";
import { counted } from "#core/words.ts";
import { drawerArchive, takeArchive } from "../keep/archive.ts";
import { isNearlyFull, keepForGood, type Room, roomLeft } from "../keep/room.ts";
import { Button } from "../ui/button.tsx";
import { downloadFile } from "../ui/download.ts";
import { useNotice } from "../ui/notices.tsx";

/** The whole drawer out and in, and how much room there is for it. */
export function DrawerFoot({ count }: { count: number }) {
  const tell = useNotice();
  const [room, setRoom] = useState<Room | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const input = useRef<HTMLInputElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: with another count another room
  useEffect(() => {
    void roomLeft().then(setRoom);
  }, [count]);
  const busily = async (work: () => Promise<void>, what: string) => {
    setShare(0);
    try {
      await work();
    } catch (error) {
      const why = error instanceof FileProblem ? ` ${error.message}` : "";
      tell(`${what}${why} Your drawings are as they were.`, { tone: "warn" });
    } finally {
      setShare(null);
      setRoom(await roomLeft());
    }
  };
  const takeOut = () =>
    busily(async () => {
      const day = new Date().toISOString().slice(0, 10);
      const { zip, left } = await drawerArchive(setShare);
      downloadFile(zip, `Fern-Pocket-drawer-${day}.zip`);
      const missing = left.length > 0 ? ` Could not be opened, and is not in it: ${left.join(", ")}.` : "";
      tell(
        `The drawer is in one file: ${drawings(count - left.length)}, with all steps and versions.${missing}`,
        { tone: missing ? "warn" : "plain" },
      );
    }, "The drawer could not be taken out.");
  const putIn = (file: File) =>
    busily(async () => {
      const taken = await takeArchive(new Uint8Array(await file.arrayBuffer()), setShare);
      const bare = taken.bare.length > 0 ? ` Without their steps: ${taken.bare.join(", ")}.` : "";
      const mended =
        taken.mended.length > 0
          ? ` Brought within bounds, or without some version: ${taken.mended.join(", ")}.`
          : "";
      const lost = taken.lost.length > 0 ? ` Could not be read: ${taken.lost.join(", ")}.` : "";
      tell(`${drawings(taken.drawings)} put into the drawer.${bare}${mended}${lost}`, {
        tone: lost ? "warn" : "plain",
      });
    }, `“${file.name}” was not put in.`);
  return (
    <footer className="mt-12 flex flex-wrap items-center gap-3 border-t border-line pt-5 text-sm">
      <Button className="bg-raised" disabled={share !== null || count === 0} onClick={takeOut}>
        <Archive size={15} aria-hidden />
        {share === null ? "Take the whole drawer home" : `${Math.round(100 * share)} %`}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".zip,application/zip"
        className="sr-only"
        aria-label="Choose a drawer that was taken home"
        tabIndex={-1}
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) void putIn(file);
          target.value = "";
        }}
      />
      <Button className="bg-raised" disabled={share !== null} onClick={() => input.current?.click()}>
        <ArchiveRestore size={15} aria-hidden /> Put a drawer in
      </Button>
      {room ? <RoomSign room={room} count={count} onRoom={setRoom} /> : null}
    </footer>
  );
}

const drawings = (count: number): string => counted(count, "drawing");

const megabytes = (bytes: number): string =>
  bytes >= 1e9 ? `${(bytes / 1e9).toFixed(1)} GB` : `${Math.max(0.1, bytes / 1e6).toFixed(1)} MB`;

interface RoomProps {
  readonly room: Room;
  readonly count: number;
  readonly onRoom: (room: Room | null) => void;
}

function RoomSign({ room, count, onRoom }: RoomProps) {
  const tell = useNotice();
  const full = isNearlyFull(room);
  const ask = async () => {
    const kept = await keepForGood();
    onRoom(await roomLeft());
    if (!kept)
      tell(
        "The browser has not promised to keep them for good: it may clear them when the disk is full. Take the drawer home now and then.",
      );
  };
  return (
    <>
      <p
        {...(full ? { role: "alert" } : {})}
        className={full ? "font-semibold text-ember" : "text-quiet tabular-nums"}
      >
        {full ? "Storage is nearly full: " : ""}
        {drawings(count)}, {megabytes(room.used)} of {megabytes(room.most)} in this browser
        {full ? ". Take the drawer home, then delete some." : room.forGood ? ", kept for good" : ""}
      </p>
      {room.forGood ? null : (
        <Button className="bg-raised" onClick={ask}>
          <ShieldCheck size={15} aria-hidden /> Keep them for good
        </Button>
      )}
    </>
  );
}
