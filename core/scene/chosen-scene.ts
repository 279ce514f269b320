/** Some of a scene: one part of it, or some sheets. */
import type { SheetName } from "../drawing/drawing.ts";
import { type Scene, usedTones } from "./scene.ts";

export interface Chosen {
  /** The id of a part; all where left out. */
  readonly part?: string;
  /** All where left out. */
  readonly sheets?: readonly SheetName[];
}

export function chosenScene(scene: Scene, { part, sheets }: Chosen): Scene {
  if (part === undefined && !sheets) return scene;
  const parts = scene.parts
    .filter(({ id }) => part === undefined || id === part)
    .map((one) => ({
      ...one,
      // Alone it hides nothing.
      hides: part === undefined ? one.hides : [],
      sheets: one.sheets.filter(({ name }) => !sheets || sheets.includes(name)),
    }));
  const tones = usedTones(parts);
  const places = tones.map(({ variable }) => scene.tones.findIndex((tone) => tone.variable === variable));
  const ways = scene.ways.map((way) => ({ ...way, tones: places.map((place) => way.tones[place]) }));
  return { ...scene, parts, tones, ways };
}
