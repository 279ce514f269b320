import { addDrawing } from "../keep/shelf.ts";
import { readingClient } from "../work/clients.ts";

/** Puts a copy of a shipped drawing on the shelf; gives its id. */
export async function openDemo(file: string, title: string): Promise<string> {
  const response = await fetch(`/demo/${encodeURIComponent(file)}`);
  if (!response.ok) throw new Error("The demo drawing could not be fetched.");
  const reading = readingClient();
  try {
    const result = await reading.work.readFile(new File([await response.text()], file));
    if (!result.ok) throw new Error(result.message);
    return (await addDrawing({ ...result.drawing, name: title })).id;
  } finally {
    reading.stop();
  }
}
