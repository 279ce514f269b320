import { IsInt, Max, Min } from "class-validator";
import { checked, rules } from "#core/drawing/checked.ts";
import { drawProof, NoProof } from "../proof/print-shop.server.ts";
import type { Route } from "./+types/proof.ts";

class ProofRequest {
  width!: number;
}
rules(ProofRequest, Object, {
  width: [IsInt(), Min(16), Max(4000)],
});

const MOST_BYTES = 32 * 2 ** 20;

/**
 * The print shop stand-in: draws a delivered SVG, the body of the request, with a second, independent engine, as
 * other people's programs will, and sends the proof back.
 */
export async function action({ request }: Route.ActionArgs): Promise<Response> {
  const width = Number(new URL(request.url).searchParams.get("width") ?? Number.NaN);
  try {
    if ("wrong" in checked(ProofRequest, { width }))
      throw new NoProof(400, "The print shop stand-in needs a width of 16 to 4000 pixels.");
    const png = await drawProof(await bodyOf(request), width, request.signal);
    return new Response(new Uint8Array(png), { headers: { "Content-Type": "image/png" } });
  } catch (error) {
    if (!(error instanceof NoProof)) throw error;
    return new Response(error.message, { status: error.status, headers: { "Content-Type": "text/plain" } });
  }
}

/** The body, as long as it is not too much. */
async function bodyOf({ headers, body }: Request): Promise<Uint8Array> {
  const tooMuch = () => new NoProof(413, "This SVG is larger than the 32 MB the print shop stand-in takes.");
  if (Number(headers.get("Content-Length") ?? 0) > MOST_BYTES) throw tooMuch();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of body ?? []) {
    size += chunk.length;
    if (size > MOST_BYTES) throw tooMuch();
    chunks.push(chunk);
  }
  if (size === 0) throw new NoProof(400, "The print shop stand-in needs an SVG.");
  return Buffer.concat(chunks);
}
