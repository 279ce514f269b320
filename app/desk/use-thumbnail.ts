import { useEffect } from "react";
import { entitiesOf } from "#core/drawing/entities.ts";
import type { Scene } from "#core/scene/scene.ts";
import { keepFirstThumbnail, keepLook } from "../keep/shelf.ts";
import type { Desk } from "./store/desk-state.ts";
import { useDeskStore } from "./store/use-desk.ts";

const QUIET_MS = 1200;
/** Pixels of its longer side: cards in the drawer are some 200 wide, and screens may be twice as dense. */
const LONGEST = 512;

async function drawThumbnail({ id, scene, drawing, art, alone, reading }: Desk): Promise<void> {
  try {
    const thumbnail = await art.picture(scene, alone, LONGEST);
    // A desk that is left before its pockets are there shows lines alone: better than no picture, and than no other.
    if (reading) await keepFirstThumbnail(id, thumbnail);
    else await keepLook(id, { thumbnail, strokes: entitiesOf(drawing.strokes).length });
  } catch {
    // The drawer then shows the picture before; the drawing itself is kept by the keeper.
  }
}

/** Draws the drawer's picture of this drawing once it is laid out, when the hand rests after a change, and when the desk is left. */
export function useThumbnail(): void {
  const desk = useDeskStore();
  useEffect(() => {
    let shown: Scene | undefined;
    const draw = () => {
      const { scene } = desk.getState();
      if (scene === shown) return;
      shown = scene;
      void drawThumbnail(desk.getState());
    };
    let timer: ReturnType<typeof setTimeout> | undefined;
    const wait = () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        // The picture is painted where the canvases are, which may show less of the scene just now.
        const { reading, compared } = desk.getState();
        if (reading || compared) wait();
        else draw();
      }, QUIET_MS);
    };
    wait();
    const unsubscribe = desk.subscribe(({ scene }) => scene !== shown && wait());
    return () => {
      unsubscribe();
      clearTimeout(timer);
      draw();
    };
  }, [desk]);
}
