import { useEffect } from "react";
import type { Scene } from "#core/scene/scene.ts";
import { keepThumbnail } from "../keep/shelf.ts";
import { pictureClient } from "../work/clients.ts";
import { handOver } from "../work/hand-over.ts";
import { useDeskStore } from "./store/use-desk.ts";

const QUIET_MS = 1200;

async function drawThumbnail(id: string, scene: Scene): Promise<void> {
  const client = pictureClient();
  try {
    await keepThumbnail(id, await client.work.svg(handOver(scene)));
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
