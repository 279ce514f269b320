import { randomBytes } from "node:crypto";
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, ServerRouter } from "react-router";
import { contentPolicy, NonceContext } from "./ui/nonce.ts";

const TIMEOUT_MS = 5_000;

/** Renders a page under a strict content security policy: only our own files and scripts with this page's nonce. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
): Promise<Response> {
  const nonce = randomBytes(16).toString("base64");
  headers.set("Content-Type", "text/html; charset=utf-8");
  headers.set("Content-Security-Policy", contentPolicy(nonce));
  return new Promise((resolve, reject) => {
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        onShellReady() {
          const body = new PassThrough();
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }));
          pipe(body);
        },
        onShellError: reject,
      },
    );
    setTimeout(abort, TIMEOUT_MS).unref();
  });
}
