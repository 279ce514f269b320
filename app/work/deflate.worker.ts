/** Compresses by the browser's own stream, which keeps the thread that it runs on. */
import * as Comlink from "comlink";

const stream = new CompressionStream("deflate");
const writer = stream.writable.getWriter();
const parts: Uint8Array[] = [];
const taken = takeAll(stream.readable);

async function takeAll(readable: ReadableStream<Uint8Array>): Promise<void> {
  const reader = readable.getReader();
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    parts.push(value);
  }
}

const work = {
  write: (bytes: Uint8Array): Promise<void> => writer.write(bytes as Uint8Array<ArrayBuffer>),

  async end(): Promise<Uint8Array[]> {
    await writer.close();
    await taken;
    return parts;
  },
};

export type DeflateWork = typeof work;

Comlink.expose(work);
