import { useState } from "react";
import { LONGEST_NAME } from "#core/drawing/bounds.ts";
import { newId } from "#core/drawing/new-id.ts";
import { addTile, changePattern } from "#core/drawing/patterns.ts";
import { cutShort } from "#core/drawing/plain-text.ts";
import { PICTURES } from "../../../scan/held-scan.ts";
import { Pick } from "../../../ui/pick.tsx";
import { PictureButton } from "../../../ui/picture-button.tsx";
import { traceClient } from "../../../work/clients.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { chosenPattern, patterns } from "./pattern-state.ts";

/** Which picture repeats: one that the drawing has, or a file. */
export function TileChoice() {
  const desk = useDeskStore();
  const tiles = useDesk((s) => s.drawing.tiles);
  const tile = useDesk((s) => chosenPattern(s)?.tile ?? patterns.settings(s).tile);
  const [reading, setReading] = useState(false);
  const take = async (file: File) => {
    setReading(true);
    await bringIn(desk, file);
    setReading(false);
  };
  return (
    <div className="flex gap-2 text-xs">
      {Object.keys(tiles).length > 0 ? (
        <Pick
          label="Picture that repeats"
          value={tile ?? ""}
          onChange={(next) => choose(desk, next)}
          options={Object.values(tiles).map(({ id, name }) => ({ value: id, word: name }))}
        />
      ) : null}
      <PictureButton
        label={reading ? "Reading…" : "Choose a picture"}
        accept={PICTURES}
        onFile={(file) => void take(file)}
        className="h-target shrink-0 px-2"
      />
    </div>
  );
}

/** Lays it next, and over the cloth that is chosen. */
function choose(desk: DeskStore, tile: string): void {
  const state = desk.getState();
  const chosen = chosenPattern(state);
  patterns.change(desk, { tile });
  if (chosen) state.edit(changePattern(state.drawing, chosen.cloth, { kind: "picture", tile }));
}

async function bringIn(desk: DeskStore, file: File): Promise<void> {
  const { work, stop } = traceClient();
  try {
    const traced = await work.tile(file);
    const name = cutShort(file.name.replace(/\.[^.]*$/, ""), LONGEST_NAME) || "Picture";
    const id = newId();
    if (traced.tones.some((tone) => tone.length > 0)) {
      desk.getState().edit(addTile({ id, name, ...traced }));
      choose(desk, id);
    } else desk.getState().tell("Nothing stands out in this picture, so nothing of it could repeat.");
  } catch {
    desk.getState().tell("This is not a picture that can be read here. PNG, JPEG and WebP can.");
  } finally {
    stop();
  }
}
