import { useEffect } from "react";
import { keepLook } from "../keep/shelf.ts";
import type { Desk } from "./store/desk-state.ts";
import { useDeskStore } from "./store/use-desk.ts";

const QUIET_MS = 1200;

async function drawThumbnail({ id, scene, drawing, pictures }: Desk): Promise<void> {
  try {
    const strokes = Object.keys(drawing.strokes).length;
    await keepLook(id, { thumbnail: await pictures.svg(scene), strokes });
  } catch {
    // The drawer then shows the picture before; the drawing itself is kept by the keeper.
  }
}

/** Redraws the drawer's picture of this drawing when the hand rests, and when the desk is left. */
export function useThumbnail(): void {
  const desk = useDeskStore();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let shown = desk.getState().scene;
    const draw = () => {
      const { scene, reading } = desk.getState();
      if (reading || scene === shown) return;
      shown = scene;
      void drawThumbnail(desk.getState());
    };
    const unsubscribe = desk.subscribe(({ scene }) => {
      if (scene === shown) return;
      clearTimeout(timer);
      timer = setTimeout(draw, QUIET_MS);
    });
    return () => {
      unsubscribe();
      clearTimeout(timer);
      draw();
    };
  }, [desk]);
}
