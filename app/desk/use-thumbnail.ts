import { useEffect } from "react";
import { writeSvg } from "#core/formats/svg-write.ts";
import { keepThumbnail } from "../keep/shelf.ts";
import { useDeskStore } from "./desk-store.ts";

const QUIET_MS = 1200;

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
      keepThumbnail(id, writeSvg(scene)).catch(() => {});
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
