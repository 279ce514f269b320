import * as Comlink from "comlink";
import { addDrawing } from "../keep/shelf.ts";
import { readingClient } from "../work/clients.ts";

/** Puts a copy of a shipped drawing on the shelf; gives its id. */
export async function openDemo(file: string, title: string): Promise<string> {
  const response = await fetch(`/demo/${encodeURIComponent(file)}`);
  if (!response.ok) throw new Error("The demo drawing could not be fetched.");
  const reading = readingClient();
  try {
    const result = await reading.work.read(
      new File([await response.text()], file),
      Comlink.proxy(() => {}),
    );
    if (result.kind === "problem") throw new Error(result.message);
    const drawing = result.kind === "art" ? result.imported.drawing : result.drawing;
    return (await addDrawing({ ...drawing, name: title })).id;
  } finally {
    reading.stop();
  }
}
