import { useEffect, useState } from "react";
import { pixelsOf } from "#core/drawing/drawing.ts";
import { sizeOf } from "#core/drawing/page-edits.ts";
import type { Size } from "#core/geometry/point.ts";
import { useDeskStore } from "../store/use-desk.ts";
import { firstSource } from "./make-files.ts";
import type { TakeHome } from "./request.ts";

export interface TakenPicture extends Size {
  /** Width and height are in the page's unit. */
  readonly svg: string;
  readonly pixels: Size;
}

/** What is taken home as a picture, once it is made. */
export function useTakenPicture(request: TakeHome): TakenPicture | null {
  const desk = useDeskStore();
  const [taken, setTaken] = useState<TakenPicture | null>(null);
  useEffect(() => {
    let open = true;
    const make = async () => {
      const state = desk.getState();
      await state.light.settled();
      const { scene, page } = await firstSource(desk.getState(), request);
      const svg = await state.pictures.svg(scene);
      if (open) setTaken({ svg, ...sizeOf(page), pixels: pixelsOf(page, request.ppi) });
    };
    void make().catch(() => open && setTaken(null));
    return () => {
      open = false;
    };
  }, [desk, request]);
  return taken;
}
