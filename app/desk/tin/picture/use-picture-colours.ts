/** The main colours of a picture, found in a worker; the number of them can be changed while one looks. */
import { useEffect, useRef, useState } from "react";
import type { PictureColour } from "#core/colour/picture-colours.ts";
import { type Client, paletteClient } from "../../../work/clients.ts";
import type { PaletteWork, SeenPicture } from "../../../work/palette.worker.ts";

export interface FoundColours extends SeenPicture {
  readonly url: string;
  readonly colours: readonly PictureColour[];
  /** For each pixel the number of its colour. */
  readonly colourOf: Uint8Array;
}

export interface PictureColours {
  readonly found: FoundColours | null;
  readonly looking: boolean;
  readonly problem: string | null;
  readonly take: (file: Blob) => Promise<void>;
}

export function usePictureColours(count: number): PictureColours {
  const client = useRef<Client<PaletteWork> | null>(null);
  const [seen, setSeen] = useState<(SeenPicture & { readonly url: string }) | null>(null);
  const [found, setFound] = useState<FoundColours | null>(null);
  const [looking, setLooking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => () => client.current?.stop(), []);
  useEffect(() => () => URL.revokeObjectURL(seen?.url ?? ""), [seen]);

  const take = async (file: Blob) => {
    client.current ??= paletteClient();
    setLooking(true);
    setProblem(null);
    try {
      const size = await client.current.work.look(file);
      setSeen({ ...size, url: URL.createObjectURL(file) });
    } catch {
      setProblem("This is not a picture that can be read here. PNG, JPEG and WebP can.");
    } finally {
      setLooking(false);
    }
  };

  useEffect(() => {
    if (!seen) return;
    let wanted = true;
    void client.current?.work.colours(count).then((answer) => {
      if (wanted) setFound({ ...seen, ...answer });
    });
    return () => {
      wanted = false;
    };
  }, [seen, count]);

  return { found, looking, problem, take };
}
