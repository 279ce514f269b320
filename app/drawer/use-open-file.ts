/** Opening a file: read in a worker with progress, then told about, then put on the shelf. */
import * as Comlink from "comlink";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { MERGE_WITHIN } from "#core/colour/merge.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { cameIn } from "#core/formats/import-report.ts";
import { holdScan, isPicture } from "../scan/held-scan.ts";
import { useNotice } from "../ui/notices.tsx";
import { type Client, readingClient } from "../work/clients.ts";
import { dropAhead } from "../work/read-ahead.ts";
import type { FileReading, Finishing, ReadingWork } from "../work/reading.worker.ts";
import { prepared, shelved } from "./prepared.ts";

type Art = Extract<FileReading, { kind: "art" }>;

export interface OpenFile {
  /** The file being read and how much of it is, or null. */
  readonly reading: { readonly name: string; readonly share: number } | null;
  /** Art that waits for the person to have looked at what came in. */
  readonly waiting: (Art & { readonly name: string }) | null;
  readonly take: (file: File | undefined) => Promise<void>;
  /** Puts the waiting art on the desk. */
  readonly accept: (requests: Finishing) => Promise<void>;
  readonly stop: () => void;
}

export function useOpenFile(): OpenFile {
  const navigate = useNavigate();
  const tell = useNotice();
  const client = useRef<Client<ReadingWork> | null>(null);
  /** What the waiting art becomes unless something else is asked of it. */
  const usual = useRef<Promise<Drawing> | null>(null);
  const [reading, setReading] = useState<OpenFile["reading"]>(null);
  const [waiting, setWaiting] = useState<OpenFile["waiting"]>(null);

  const stop = () => {
    if (client.current) dropAhead();
    client.current?.stop();
    client.current = null;
    usual.current = null;
    setReading(null);
    setWaiting(null);
  };

  const open = async (own: Client<ReadingWork>, drawing: Promise<Drawing>) => {
    const id = await shelved(own, drawing);
    if (client.current !== own) return;
    client.current = null;
    usual.current = null;
    setWaiting(null);
    await navigate(`/desk/${id}`);
  };

  const accept = async (asked: Finishing) => {
    const own = client.current;
    if (!own || !usual.current) return;
    const asUsual = asked.mergeWithin === MERGE_WITHIN && !asked.tidy;
    await open(own, asUsual ? usual.current : prepared(own, asked));
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
      return;
    }
    const drawing = prepared(own, {});
    if (result.kind === "drawing") {
      await open(own, drawing);
      if (result.mended) tell(`“${name}” is open. ${result.mended}`, { tone: "warn" });
    } else if (wantsLook(result)) {
      usual.current = drawing;
      setWaiting({ ...result, name });
    } else {
      await open(own, drawing);
      tell(`“${name}” is open. ${cameIn(result.report)}`);
    }
  };

  return { reading, waiting, take, accept, stop };
}

/** Bare line art that came in whole needs no second look. */
function wantsLook({ report }: Art): boolean {
  const { leftAside, changed, flatShapes, pours, colours, coloursFound } = report;
  return leftAside.length + changed.length > 0 || flatShapes + pours > 0 || colours < coloursFound;
}
