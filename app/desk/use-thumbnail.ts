import { useEffect } from "react";
import { entitiesOf } from "#core/drawing/entities.ts";
import type { Scene } from "#core/scene/scene.ts";
import { keepLook } from "../keep/shelf.ts";
import type { Desk } from "./store/desk-state.ts";
import { useDeskStore } from "./store/use-desk.ts";

const QUIET_MS = 1200;
/** Pixels of its longer side: cards in the drawer are some 200 wide, and screens may be twice as dense. */
const LONGEST = 512;

async function drawThumbnail({ id, scene, drawing, art, alone }: Desk): Promise<void> {
  try {
    const strokes = entitiesOf(drawing.strokes).length;
    await keepLook(id, { thumbnail: await art.picture(scene, alone, LONGEST), strokes });
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
      const { scene, reading } = desk.getState();
      if (reading || scene === shown) return;
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
