/** Opening a file: read in a worker with progress, then told about, then put on the shelf. */
import * as Comlink from "comlink";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { cameIn } from "#core/formats/import-report.ts";
import { holdScan, isPicture } from "../scan/held-scan.ts";
import { useNotice } from "../ui/notices.tsx";
import { type Client, readingClient } from "../work/clients.ts";
import type { FileReading, ReadingWork, Shelving } from "../work/reading.worker.ts";
import { takeShelved } from "./take-shelved.ts";

type Art = Extract<FileReading, { kind: "art" }>;

export interface OpenFile {
  /** The file being read and how much of it is, or null. */
  readonly reading: { readonly name: string; readonly share: number } | null;
  /** Art that waits for the person to have looked at what came in. */
  readonly waiting: (Art & { readonly name: string }) | null;
  readonly take: (file: File | undefined) => Promise<void>;
  /** Puts the waiting art on the desk. */
  readonly accept: (requests: Shelving) => Promise<void>;
  readonly stop: () => void;
}

export function useOpenFile(): OpenFile {
  const navigate = useNavigate();
  const tell = useNotice();
  const client = useRef<Client<ReadingWork> | null>(null);
  const [reading, setReading] = useState<OpenFile["reading"]>(null);
  const [waiting, setWaiting] = useState<OpenFile["waiting"]>(null);

  const stop = () => {
    client.current?.stop();
    client.current = null;
    setReading(null);
    setWaiting(null);
  };

  const open = async (requests: Shelving = {}) => {
    const own = client.current;
    if (!own) return;
    const id = await takeShelved(own, requests);
    if (client.current !== own) return;
    client.current = null;
    setWaiting(null);
    await navigate(`/desk/${id}`);
  };

  const take = async (file: File | undefined) => {
    if (!file) return;
    stop();
    if (isPicture(file)) {
      holdScan(file);
      await navigate("/scan");
      return;
    }
    const { name } = file;
    const own = readingClient();
    client.current = own;
    setReading({ name, share: 0 });
    // A share can arrive after the answer.
    let answered = false;
    const onProgress = Comlink.proxy((share: number) => {
      if (client.current === own && !answered) setReading({ name, share });
    });
    const result = await own.work.read(file, onProgress);
    answered = true;
    if (client.current !== own) return;
    setReading(null);
    if (result.kind === "problem") {
      stop();
      tell(`“${name}” was not opened. ${result.message} Your drawings are as they were.`, { tone: "warn" });
    } else if (result.kind === "drawing") {
      await open();
      if (result.mended) tell(`“${name}” is open. ${result.mended}`, { tone: "warn" });
    } else if (wantsLook(result)) {
      setWaiting({ ...result, name });
    } else {
      await open();
      tell(`“${name}” is open. ${cameIn(result.report)}`);
    }
  };

  return { reading, waiting, take, accept: open, stop };
}

/** Bare line art that came in whole needs no second look. */
function wantsLook({ report }: Art): boolean {
  const { leftAside, changed, flatShapes, pours, colours, coloursFound } = report;
  return leftAside.length + changed.length > 0 || flatShapes + pours > 0 || colours < coloursFound;
}
