/** The desk's scene as SVG text, made by the picture worker again and again while it changes, one at a time. */
import { useEffect, useState } from "react";
import type { Scene } from "#core/scene/scene.ts";
import { useDeskStore } from "./store/use-desk.ts";

export function useSceneSvg(): string | null {
  const desk = useDeskStore();
  const [svg, setSvg] = useState<string | null>(null);
  useEffect(() => {
    let open = true;
    let busy = false;
    let made: Scene | null = null;
    const make = async () => {
      const { scene, pictures } = desk.getState();
      if (busy || !open || scene === made) return;
      busy = true;
      made = scene;
      const text = await pictures.svg(scene).catch(() => null);
      busy = false;
      if (open && text) setSvg(text);
      void make();
    };
    void make();
    const stop = desk.subscribe(() => void make());
    return () => {
      open = false;
      stop();
    };
  }, [desk]);
  return svg;
}
