/** The desk's store: its slices, put together with the workers that serve them. */
import { createStore } from "zustand";
import type { Opened } from "../../keep/shelf.ts";
import { ArtLink } from "../../painting/art-link.ts";
import { artWorker, lightClient, pocketClient } from "../../work/clients.ts";
import { LightLink } from "../../work/light-link.ts";
import { Pictures } from "../../work/pictures.ts";
import type { PocketReading } from "../../work/pocket-work.ts";
import { takeAhead } from "../../work/read-ahead.ts";
import { Restarting } from "../../work/restarting.ts";
import { choiceSlice } from "./choice-slice.ts";
import type { Desk, DeskStore } from "./desk-state.ts";
import { frameSlice } from "./frame-slice.ts";
import { createGaps } from "./gaps-slice.ts";
import { handSlice } from "./hand-slice.ts";
import { onceRead } from "./once-read.ts";
import { PocketFollower } from "./pocket-follower.ts";
import { viewSlice } from "./view-slice.ts";
import { voiceSlice } from "./voice-slice.ts";
import { createWork } from "./work-slice.ts";

export function createDesk(id: string, opened: Opened): DeskStore {
  const { drawing } = opened.history;
  return createStore<Desk>()((set, get, store) => {
    const ahead = takeAhead(drawing);
    const lines = new Restarting(pocketClient, ahead?.client);
    const lightWork = lightClient();
    const light = new LightLink(lightWork.work, () => work.onLight());
    const pictures = new Pictures();
    const art = new ArtLink(artWorker());
    const gaps = createGaps(set, get, lines, () => onceRead(store));
    const work = createWork(set, get, id, opened, {
      light,
      follow: (next) => {
        const read = follower.follow(next);
        if (read.pockets) gaps.onLines(read.gaps);
        return read.pockets;
      },
    });
    const listener = {
      onPockets: (reading: PocketReading, upToDate: boolean) => {
        work.onPockets(reading, upToDate);
        if (upToDate) gaps.onPockets();
        work.sayWaiting();
      },
      onFailure: work.onFailure,
      onGaps: gaps.onGaps,
    };
    const follower = new PocketFollower(lines, drawing, listener, ahead?.reading);
    return {
      ...work.slice,
      ...gaps.slice,
      ...viewSlice(set, get),
      ...choiceSlice(set, drawing),
      ...handSlice(set, get),
      ...voiceSlice(set, get),
      ...frameSlice(set, get),
      lines,
      pictures,
      art,
      light,
      close: () => {
        follower.stop();
        lines.stop();
        lightWork.stop();
        pictures.close();
        art.stop();
        work.close();
      },
    };
  });
}
