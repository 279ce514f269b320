import { useEffect, useState } from "react";
import { FILE_KINDS, type FileKind } from "#core/deliver/kinds.ts";
import { widthInInches } from "#core/drawing/drawing.ts";
import { useDeskStore } from "../store/use-desk.ts";
import { bytesWord } from "./hand-over.ts";
import { makeFiles } from "./make-files.ts";
import { isMade, type TakeHome } from "./request.ts";

/** What is of pixels is made this wide, twice, from which it is reckoned how large it grows. */
const TRIED = [220, 440] as const;
const PATIENCE_MS = 350;

/** How large the chosen files will be, as they are found out one after another. */
export function useSizes(request: TakeHome): Readonly<Partial<Record<FileKind, string>>> {
  const desk = useDeskStore();
  const [sizes, setSizes] = useState<Readonly<Partial<Record<FileKind, string>>>>({});
  useEffect(() => {
    let open = true;
    setSizes({});
    const bytesOf = async (kind: FileKind, ppi: number) => {
      const made = await makeFiles(desk, { ...request, kinds: [kind], ppi }, () => {});
      return (made ?? []).reduce((sum, { blob }) => sum + blob.size, 0);
    };
    const find = async () => {
      const width = widthInInches(desk.getState().drawing.page);
      for (const kind of request.kinds.filter((one) => isMade(one, request))) {
        if (!open) return;
        const word = FILE_KINDS[kind].ofPixels
          ? `about ${bytesWord(await reckoned((pixels) => bytesOf(kind, pixels / width), request.ppi * width))}`
          : bytesWord(await bytesOf(kind, request.ppi));
        if (open) setSizes((now) => ({ ...now, [kind]: word }));
      }
    };
    const waiting = setTimeout(() => void find().catch(() => {}), PATIENCE_MS);
    return () => {
      open = false;
      clearTimeout(waiting);
    };
  }, [desk, request]);
  return sizes;
}

/** The byte count grows as a power of the picture's width; two small pictures give the exponent. */
async function reckoned(bytesAt: (pixels: number) => Promise<number>, pixels: number): Promise<number> {
  if (pixels <= TRIED[1]) return bytesAt(pixels);
  const [a, b] = [await bytesAt(TRIED[0]), await bytesAt(TRIED[1])];
  const power = Math.log(b / a) / Math.log(TRIED[1] / TRIED[0]);
  return b * (pixels / TRIED[1]) ** power;
}
