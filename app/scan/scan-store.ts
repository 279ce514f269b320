/** What the scan page knows: how the paper lies, how the ink is read, and what was read. */
import * as Comlink from "comlink";
import { createContext, useContext } from "react";
import { createStore, type StoreApi, useStore } from "zustand";
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Placing } from "#core/lines/trace/grey.ts";
import { TRACE_SETTINGS, type TraceSettings } from "#core/lines/trace/trace.ts";
import { type Reading, type ReadRegion, type Traced, USUAL_PPI } from "#core/lines/trace/traced-drawing.ts";
import { type Client, traceClient } from "../work/clients.ts";
import type { PaperPreview, TraceWork } from "../work/trace.worker.ts";

const SCAN_TOOLS = ["look", "crop", "region"] as const;
type ScanTool = (typeof SCAN_TOOLS)[number];

export interface ScanState {
  readonly name: string;
  readonly problem: string | null;
  /** Size of the scan as it lies, in pixels; null until it is loaded. */
  readonly size: { readonly width: number; readonly height: number } | null;
  readonly turns: Placing["turns"];
  /** Degrees. */
  readonly straighten: number;
  /** In pixels of the turned scan. */
  readonly crop: Placing["crop"] | null;
  readonly settings: TraceSettings;
  readonly reading: Reading;
  readonly regions: readonly ReadRegion[];
  readonly ppi: number;
  readonly tool: ScanTool;
  readonly preview: PaperPreview | null;
  readonly traced: Traced | null;
  /** How much of the reading is done; null when nothing is under way. */
  readonly progress: number | null;
  /** Why nothing is read, until a setting changes; null while there is no reason. */
  readonly unread: string | null;
  readonly shows: { readonly scan: boolean; readonly ink: boolean; readonly result: boolean };
}

interface ScanActions {
  readonly set: (change: Partial<ScanState>) => void;
  /** Changes how the paper lies, and reads it anew. */
  readonly lay: (change: Partial<Pick<ScanState, "turns" | "straighten" | "crop">>) => void;
  /** Changes how the ink is found or read, and reads it anew. */
  readonly adjust: (change: Partial<Pick<ScanState, "settings" | "reading" | "regions">>) => void;
  readonly stop: () => void;
  readonly drawing: () => Promise<Drawing>;
  readonly close: () => void;
}

export type Scan = ScanState & ScanActions;
export type ScanStore = StoreApi<Scan>;

/** Reading begins once the hand rests. */
const REST_MS = 250;

export function createScan(file: File): ScanStore {
  const store = createStore<Scan>()((set, get) => {
    let client: Client<TraceWork> = traceClient();
    let resting: ReturnType<typeof setTimeout> | undefined;
    let turn = 0;
    /** Kept once the worker has the pixels: before that it can neither lay nor read them. */
    let ready: Promise<unknown> = Promise.resolve();

    const placing = (): Placing => {
      const { turns, straighten, crop } = get();
      return { turns, angle: (straighten * Math.PI) / 180, ...(crop ? { crop } : {}) };
    };

    const load = async () => {
      const own = client;
      const loading = own.work.load(file);
      ready = loading;
      const loaded = await loading;
      if (own !== client) return;
      if (!loaded.ok) set({ problem: loaded.message });
      else {
        set({ size: { width: loaded.width, height: loaded.height } });
        await lay();
      }
    };

    const lay = async () => {
      const now = ++turn;
      set({ traced: null });
      await ready;
      const preview = await client.work.lay(placing());
      if (now !== turn) return;
      set({ preview, size: sizeOf(preview) });
      later(true);
    };

    const later = (again: boolean) => {
      clearTimeout(resting);
      resting = setTimeout(() => void read(again), REST_MS);
    };

    const read = async (again: boolean) => {
      const now = ++turn;
      const { settings, reading, regions } = get();
      set({ progress: 0, unread: null });
      await ready;
      if (now !== turn) return;
      // A share can arrive after the answer.
      let answered = false;
      const onProgress = Comlink.proxy((share: number) => {
        if (now === turn && !answered) set({ progress: share });
      });
      const answer = await client.work.read({ settings, reading, regions }, again, onProgress);
      answered = true;
      if (now !== turn) return;
      if (answer.ok) set({ traced: answer.traced, progress: null });
      else set({ traced: null, progress: null, unread: answer.message });
    };

    void load();

    return {
      name: file.name.replace(/\.\w+$/, "") || "Scan",
      problem: null,
      size: null,
      turns: 0,
      straighten: 0,
      crop: null,
      settings: TRACE_SETTINGS,
      reading: "lines",
      regions: [],
      ppi: USUAL_PPI,
      tool: "look",
      preview: null,
      traced: null,
      progress: null,
      unread: null,
      shows: { scan: true, ink: false, result: true },
      set,
      lay: (change) => {
        set({ ...change, regions: keptRegions(get(), change) });
        clearTimeout(resting);
        resting = setTimeout(() => void lay(), REST_MS);
      },
      adjust: (change) => {
        set(change);
        later(change.settings !== undefined);
      },
      stop: () => {
        turn++;
        client.stop();
        clearTimeout(resting);
        set({ progress: null, traced: null, unread: "Stopped. Change a setting to read on." });
        client = traceClient();
        // The pixels went with the worker.
        const own = client;
        ready = own.work.load(file).then(() => own.work.lay(placing()));
      },
      drawing: () => client.work.drawing(get().name, get().ppi),
      close: () => {
        clearTimeout(resting);
        client.stop();
      },
    };
  });
  return store;
}

/** Regions stay where they are on the paper when only its crop changes; what is cropped away goes. */
function keptRegions(
  { regions, crop }: Scan,
  change: Parameters<ScanActions["lay"]>[0],
): readonly ReadRegion[] {
  if ("turns" in change || "straighten" in change) return [];
  const [before, after] = [crop, change.crop];
  const dx = (before?.x ?? 0) - (after?.x ?? 0);
  const dy = (before?.y ?? 0) - (after?.y ?? 0);
  return regions.flatMap(({ box, reading }) => {
    const left = Math.max(0, box.x + dx);
    const top = Math.max(0, box.y + dy);
    const width = Math.min(box.x + dx + box.width, after?.width ?? Number.POSITIVE_INFINITY) - left;
    const height = Math.min(box.y + dy + box.height, after?.height ?? Number.POSITIVE_INFINITY) - top;
    return width > 0 && height > 0 ? [{ box: { x: left, y: top, width, height }, reading }] : [];
  });
}

const sizeOf = ({ grey, scale }: PaperPreview) => ({
  width: Math.round(grey.width * scale),
  height: Math.round(grey.height * scale),
});

export const ScanContext = createContext<ScanStore | null>(null);

export function useScan<T>(select: (scan: Scan) => T): T {
  return useStore(useScanStore(), select);
}

export function useScanStore(): ScanStore {
  const store = useContext(ScanContext);
  if (!store) throw new Error("useScan is for components on the scan page");
  return store;
}
