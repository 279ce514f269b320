/** What the tabs of one browser tell one another: who has a drawing open, and who has just changed it. */

interface Changed {
  readonly id: string;
  readonly revision: number;
}

const CHANNEL = "fern-pocket-drawings";

/** Follows one drawing in all tabs; undefined where the browser has no locks between tabs. */
export function followTabs(
  id: string,
  heard: {
    /** Tells whether this tab opened the drawing first, and tells again when it becomes the first. */
    readonly onFirst: (first: boolean) => void;
    readonly onChanged: (revision: number) => void;
  },
): { readonly tell: (revision: number) => void; readonly close: () => void } | undefined {
  const locks = globalThis.navigator?.locks;
  if (!locks || typeof BroadcastChannel === "undefined") return undefined;
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<Changed>) => {
    if (data.id === id) heard.onChanged(data.revision);
  };
  let release = () => {};
  const held = new Promise<void>((resolve) => {
    release = resolve;
  });
  const closed = new AbortController();
  const name = `${CHANNEL}/${id}`;
  const hold = () => {
    heard.onFirst(true);
    return held;
  };
  void locks.request(name, { ifAvailable: true }, (lock) => {
    if (lock) return hold();
    if (closed.signal.aborted) return undefined;
    heard.onFirst(false);
    locks.request(name, { signal: closed.signal }, hold).catch(() => {});
    return undefined;
  });
  return {
    tell: (revision) => channel.postMessage({ id, revision } satisfies Changed),
    close: () => {
      closed.abort();
      release();
      channel.close();
    },
  };
}
