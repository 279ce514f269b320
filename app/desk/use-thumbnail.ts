import { useEffect } from "react";
import type { Scene } from "#core/scene/scene.ts";
import { keepThumbnail } from "../keep/shelf.ts";
import { pictureClient } from "../work/clients.ts";
import { useDeskStore } from "./store/use-desk.ts";

const QUIET_MS = 1200;
/** Items handed to the worker at a time, so that the hand is never kept waiting. */
const SLICE = 40;

async function drawThumbnail(id: string, scene: Scene): Promise<void> {
  const client = pictureClient();
  try {
    const { parts, ...frame } = scene;
    const items = parts.flatMap(({ sheets }) => sheets.flatMap((sheet) => sheet.items));
    for (let k = 0; k < items.length; k += SLICE) await client.work.take(items.slice(k, k + SLICE));
    const frames = parts.map(({ sheets, ...part }) => ({
      ...part,
      sheets: sheets.map(({ name, opacity, items: own }) => ({ name, opacity, count: own.length })),
    }));
    await keepThumbnail(id, await client.work.svg(frame, frames));
  } catch {
    // The drawer then shows the picture before; the drawing itself is kept by the keeper.
  } finally {
    client.stop();
  }
}

/** Redraws the drawer's picture of this drawing when the hand rests, and when the desk is left. */
export function useThumbnail(): void {
  const desk = useDeskStore();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let shown = desk.getState().scene;
    const draw = () => {
      const { id, scene, reading } = desk.getState();
      if (reading || scene === shown) return;
      shown = scene;
      void drawThumbnail(id, scene);
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
