import * as Comlink from "comlink";
import { readingClient } from "../work/clients.ts";
import { prepared, shelved } from "./prepared.ts";

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
    return await shelved(reading, prepared(reading, { name: title }));
  } catch (error) {
    reading.stop();
    throw error;
  }
}
